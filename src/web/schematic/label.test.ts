import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { parts } from '../../core/parts'
import { firstLine, labelLines, mostLines, noticeLines, noticeRoom } from './label'
import { layOut } from './layout'
import { strokesOf } from './strokes'

const lamp = demoCircuit().parts.find((p) => p.id === 'L1')!
const beside = { kind: 'lamp', caption: '', direction: 'down' } as const

describe('the label of a part', () => {
  it('has its short name, its own name and its values', () => {
    expect(labelLines(lamp, beside)).toEqual(['L1', 'work lamp', '12 V 55 W'])
  })

  it('says what piece it is where a part is drawn in pieces, and its title where it has no name', () => {
    expect(
      labelLines({ ...lamp, name: '' }, { ...beside, caption: 'parts.twoFilamentLamp.strongFilament' }),
    ).toEqual(['L1', 'Filament lamp in socket', 'strong filament'])
  })

  it('cuts what is too long for its place, sooner along a rail', () => {
    const name = 'a very long name that somebody has typed'
    const [, down] = labelLines({ ...lamp, name }, beside)
    const [, along] = labelLines({ ...lamp, name }, { ...beside, direction: 'left' })
    expect(down).toMatch(/…$/)
    expect(down!.length).toBeLessThanOrEqual(24)
    expect(along!.length).toBeLessThanOrEqual(18)
  })

  it('keeps room for all that may be noticed of it', () => {
    for (const { kind, notice } of parts)
      for (const { text } of notice?.all ?? []) {
        const lines = noticeLines(tell(text))
        expect(lines.length, `${kind}: ${tell(text)}`).toBeLessThanOrEqual(noticeRoom(kind))
        for (const line of lines) expect(line.length, line).toBeLessThanOrEqual(24)
      }
  })

  it('breaks a notice into lines and loses no word', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[a-z]{1,12}[,:]?$/), { minLength: 1, maxLength: 12 }),
        (words) => {
          const text = words.join(' ')
          expect(noticeLines(text).join(' ')).toBe(text)
        },
      ),
      { seed: 5 },
    )
    expect(noticeLines('strong dark, faint bright')).toEqual(['strong dark,', 'faint bright'])
  })

  it('is centred beside its symbol with all its lines, and hangs below a rail', () => {
    const label = { x: 0, y: 100, anchor: 'end', below: false } as const
    expect(firstLine({ label, direction: 'down' }, 3)).toBe(85)
    expect(firstLine({ label, direction: 'right' }, 3)).toBe(70)
    expect(firstLine({ label: { ...label, below: true }, direction: 'left' }, 3)).toBe(100)
    expect(mostLines(lamp, beside)).toBe(3 + noticeRoom('lamp'))
  })
})

describe('a lamp of two filaments', () => {
  const layout = layOut(demoCircuit('van-rear-lamps'))
  const passes = layout.parts.filter((p) => p.id === 'LT1')

  it('is drawn once for each filament, its contacts before the symbol and not inside it', () => {
    expect(passes.map((p) => p.caption)).toEqual([
      'parts.twoFilamentLamp.strongFilament',
      'parts.twoFilamentLamp.faintFilament',
    ])
    const at = (name: string) => layout.points.find((p) => p.point.name === name)!.y
    for (const [pass, contact] of [
      [passes[0]!, 'LT1sf'],
      [passes[1]!, 'LT1tf'],
    ] as const) {
      expect(at(contact)).toBeCloseTo(pass.y + pass.before, 6)
      expect(pass.before).toBeGreaterThan(15)
    }
    expect(at('LT1g')).toBeGreaterThan(at('LT1sf') + 30)
  })

  it('has leads that reach the places before and behind it', () => {
    const [strong] = passes
    const strokes = strokesOf(strong!, { detached: false })
    expect(strokes[0]!.d).toBe(`M0 0V${strong!.before}`)
    expect(strokes.at(-1)!.d).toBe(`M0 ${strong!.length - strong!.after}V${strong!.length}`)
    expect(strokes.slice(1, -1).every((s) => s.dy === strong!.before)).toBe(true)
  })
})
