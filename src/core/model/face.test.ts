import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { partOfKind } from '../parts'
import { heldByPoints, locate } from '../instruments'
import { halfId } from './cavities'
import { coloursAt, faceOf, halvesOf } from './face'
import { wireUp } from './model'

const circuits = ['van-cooling-fan', 'bench-drop-board', 'sweeper-module-powers', 'gritter-salt-sensor'].map(
  demoCircuit,
)
const plugs = circuits.flatMap((circuit) =>
  circuit.parts.flatMap((part) => halvesOf(part).map((half) => ({ circuit, part, half }))),
)

describe('the face of a plug', () => {
  it('is there for relays, plugs of many pins and modules', () => {
    expect(new Set(plugs.map(({ part }) => part.kind))).toEqual(
      new Set(['relay', 'multiConnector', 'module']),
    )
  })

  it('has each cavity once, under a name that a lead finds', () => {
    for (const { circuit, part, half } of plugs) {
      const wiring = wireUp(circuit)
      const names = faceOf(part, half, 'front')
        .flat()
        .flatMap((cavity) => (cavity ? [cavity.name] : []))
      expect(new Set(names).size).toBe(names.length)
      for (const name of names) expect(wiring.find(name)?.inside, name).toBe(false)
    }
    const relay = circuits[0]!.parts.find(({ kind }) => kind === 'relay')!
    const outer = partOfKind('relay').terminals.filter(({ inside }) => !inside)
    // A relay that only makes has no cavity for 87a.
    expect(faceOf(relay, 'socket', 'front').flat().filter(Boolean)).toHaveLength(outer.length - 1)
  })

  it('lies mirrored from the back, and two halves that meet are mirrors of each other', () => {
    for (const { part, half } of plugs) {
      const [front, back] = (['front', 'back'] as const).map((side) => faceOf(part, half, side))
      expect(back).toEqual(front!.map((row) => [...row].reverse()))
    }
    const board = circuits[1]!.parts.find(({ kind }) => kind === 'multiConnector')!
    const numbers = (half: string) =>
      faceOf(board, half, 'front').map((row) => row.map((c) => c!.mark.replace(/[ab]$/, '')))
    expect(numbers('far')).toEqual(numbers('supply').map((row) => [...row].reverse()))
  })

  it('is seen by its wires from the back: a cavity goes by where it lies, and a lead finds the same point there', () => {
    for (const { circuit, part, half } of plugs) {
      const wiring = wireUp(circuit)
      const back = faceOf(part, half, 'back')
      back.forEach((row, r) =>
        row.forEach((cavity, c) => {
          if (!cavity) return
          expect(cavity.place).toBe(`${halfId(part, half)} ${r + 1}.${c + 1}`)
          expect(wiring.find(cavity.place.toLowerCase())).toBe(wiring.find(cavity.name))
        }),
      )
      const last = back[0]!.length
      expect(wiring.find(`${halfId(part, half)} 1.${last + 1}`)).toBeUndefined()
    }
  })

  it('has wires of one colour side by side: what is held at one of them does not say which it is', () => {
    const module = demoCircuit('van-key-off-drain')
    const wiring = wireUp(module)
    const seen = module.parts.flatMap((part) =>
      halvesOf(part).flatMap((half) =>
        faceOf(part, half, 'back')
          .flat()
          .flatMap((cavity) =>
            cavity
              ? [{ at: cavity.place, colours: coloursAt(module, wiring, part.id, cavity.terminal) }]
              : [],
          ),
      ),
    )
    const red = seen.filter(({ colours }) => colours.includes('RD'))
    expect(red.length).toBeGreaterThan(1)
    const held = { type: 'leads', red: ` ${red[1]!.at}`, black: 'b1-' } as const
    const located = locate(module, wiring, held)
    expect(located).toMatchObject({ ok: true, held: { red: red[1]!.at, black: 'B1−' } })
    expect(located.ok && located.place).toEqual(
      expect.objectContaining({ red: wiring.find(red[1]!.at)!.node }),
    )
    // Another name is no other test.
    const drawn = wiring.find(red[1]!.at)!.name
    expect(heldByPoints(module, held)).toEqual({ type: 'leads', red: drawn, black: 'B1−' })
  })
})
