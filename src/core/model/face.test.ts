import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { partOfKind } from '../parts'
import { faceOf, halvesOf } from './face'
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
})
