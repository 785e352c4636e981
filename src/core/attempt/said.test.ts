import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { faultOfKind, possibleFaults } from '../faults'
import { complaintWords, draftComplaint, faultsLike, predictionSaid, readingSaid } from '.'
import { tell } from '../words'

describe('what a person says is to be shown', () => {
  it.each([
    ['volts', '12.4', { type: 'value', value: 12.4 }],
    ['volts', '12,4', { type: 'value', value: 12.4 }],
    ['volts', '80m', { type: 'value', value: 0.08 }],
    ['volts', '280 mV', { type: 'value', value: 0.28 }],
    ['ohms', '4k7', { type: 'value', value: 4700 }],
    ['ohms', 'OL', { type: 'OL' }],
    ['ohms', 'o.l.', { type: 'OL' }],
    ['continuity', 'beep', { type: 'beep' }],
    ['continuity', 'nothing', { type: 'OL' }],
    ['testLamp', 'dim', { type: 'word', word: 'dim' }],
  ] as const)('%s: %s', (key, text, value) => {
    expect(predictionSaid(key, text)).toEqual({ ok: true, value })
  })

  it('is refused in words where it is none', () => {
    for (const text of ['twelve', '', '12 Ω']) expect(predictionSaid('volts', text).ok, text).toBe(false)
  })
})

describe('what a display shows', () => {
  it('keeps what was written beside what it means', () => {
    expect(readingSaid('volts', ' 80m ')).toEqual({
      ok: true,
      value: { value: 0.08, unit: 'V', text: '80m', signs: [] },
    })
    expect(readingSaid('ohms', 'ol')).toEqual({ ok: true, value: { unit: 'Ω', text: 'OL', signs: [] } })
    const beeps = readingSaid('continuity', '0.4 beeps')
    expect(beeps.ok && beeps.value.signs).toEqual([{ code: 'instruments.beeps' }])
    expect(readingSaid('testLamp', 'bright')).toMatchObject({ ok: true, value: { word: 'bright', text: '' } })
    expect(readingSaid('amps', 'lots').ok).toBe(false)
  })
})

describe('another like it', () => {
  it.each(demoNames)('on %s is of the same family at another place, the same kind first', (name) => {
    const circuit = demoCircuit(name)
    const all = possibleFaults(circuit)
    for (const planted of [all[3]!, all[Math.floor(all.length / 2)]!]) {
      const like = faultsLike(circuit, [planted])
      const { family } = faultOfKind(planted.kind)
      for (const fault of like) {
        expect(`${fault.part}.${fault.segment}`).not.toBe(`${planted.part}.${planted.segment}`)
        expect(faultOfKind(fault.kind).family).toBe(family)
      }
      const last = like.findLastIndex(({ kind }) => kind === planted.kind)
      expect(like.slice(0, last + 1).every(({ kind }) => kind === planted.kind)).toBe(true)
    }
  })

  it('has a complaint in words that names what is noticed and no piece', () => {
    const circuit = demoCircuit('sweeper-work-lamp')
    const planted = [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1.5 }] as const
    const words = tell(complaintWords(circuit, draftComplaint(circuit, planted))!)
    expect(words).toMatch(/^When the work lamp switch is closed, the work lamp (is dim|stays dark|glows)/)
    expect(words).not.toMatch(/X2|connector|resistance/)
  })
})
