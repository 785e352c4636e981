import { describe, expect, it } from 'vitest'
import { circuitVersion, readCircuit, readCircuitText } from '.'
import { upgradeDocument } from './upgrade'
import { demoText } from '../../../test/demo'

const old = () => ({ ...JSON.parse(demoText('sweeper-work-lamp')), version: 1 }) as Record<string, unknown>

describe('documents of other versions', () => {
  it('of version 1 come in as they were, with what came later left empty', () => {
    const read = readCircuit(old())
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(read.value.version).toBe(circuitVersion)
    expect(read.value.bundles).toEqual([])
    expect(read.value.parts).toHaveLength((old().parts as unknown[]).length)
  })

  it('are left as they were: reading changes nothing', () => {
    const document = old()
    const before = JSON.stringify(document)
    upgradeDocument(document)
    expect(JSON.stringify(document)).toBe(before)
  })

  it.each([0, -1, 3, 99, 1.5, '1'])('of version %s are refused with what would be accepted', (version) => {
    const read = readCircuit({ ...old(), version })
    expect(read.ok ? [] : read.problems.map((p) => p.what).join()).toContain('version must be 1 to 2')
  })

  it.each([null, 7, 'text', [], {}, { format: 'other', version: 1 }])(
    'that are none (%j) are refused, not crashed on',
    (input) => expect(readCircuit(input).ok).toBe(false),
  )

  it('with states and bundles that do not hang together say where', () => {
    const document = JSON.parse(demoText('sweeper-side-harness'))
    document.states[1].after = 'nowhere'
    document.states[2].wiggled = ['X99']
    document.states[3].bypassed = [['W1.a', 'W1.zz']]
    document.bundles[0].places[1].conductors[0].part = 'L1'
    const read = readCircuitText(JSON.stringify(document))
    const said = read.ok ? '' : read.problems.map((p) => `${p.where}: ${p.what}`).join('\n')
    expect(said).toMatch(/after: “nowhere” is no state before this one/)
    expect(said).toMatch(/wiggled: There is no part X99/)
    expect(said).toMatch(/bypassed: There is no terminal W1.zz/)
    delete document.states[1].after
    delete document.states[2].wiggled
    delete document.states[3].bypassed
    const again = readCircuit(document)
    expect(again.ok ? '' : again.problems[0]!.what).toMatch(/L1 is no conductor/)
  })
})
