import { partOf, walkPath, walkPaths } from '../model'
import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { solveBoard } from '../board'
import { applyEdit, readCircuit } from '../editing'
import { type Circuit } from '../circuit'
import { possibleFaults, type Fault } from '../faults'
import { stateKey } from './key'

/** The same document read anew: nothing that was kept for the first is known of it. */
function afresh(circuit: Circuit): Circuit {
  const read = readCircuit(JSON.parse(JSON.stringify(circuit)))
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}

const spread = (circuit: Circuit, most: number): Fault[] => {
  const faults = possibleFaults(circuit)
  const every = Math.ceil(faults.length / most)
  return faults.filter((_, i) => i % every === 0)
}

describe('what is kept from one reckoning to the next changes no answer', () => {
  it.each(demoNames)('of %s: states and faults in any order read as on a fresh copy', (name) => {
    const kept = demoCircuit(name)
    // Through all of it forwards and backwards, so that whatever is kept has been kept from something else.
    const jobs = spread(kept, 6).flatMap((fault) => kept.states.map((state) => ({ fault, state: state.id })))
    for (const { fault, state } of [...jobs, ...[...jobs].reverse()]) {
      const own = kept.states.find((s) => s.id === state)!
      solveBoard(kept, [fault], own)
    }
    for (const { fault, state } of jobs.filter((_, i) => i % 5 === 0)) {
      const fresh = afresh(kept)
      const [a, b] = [kept, fresh].map((circuit) =>
        solveBoard(
          circuit,
          [fault],
          circuit.states.find((s) => s.id === state)!,
        ),
      ) as [ReturnType<typeof solveBoard>, ReturnType<typeof solveBoard>]
      expect(a.ok).toBe(b.ok)
      if (!a.ok || !b.ok) continue
      expect([...a.blown]).toEqual([...b.blown])
      a.point.voltage.forEach((v, node) => expect(Math.abs(v - b.point.voltage[node]!)).toBeLessThan(1e-9))
    }
  })

  it('a value that is changed is felt at once, and changed back gives the first answer again', () => {
    const circuit = demoCircuit()
    const read = (c: Circuit) => {
      const key = stateKey(c, [], c.states[0]!)
      if (!key.ok) throw new Error(tell(key.why))
      return key.drops.find((d) => d.part === 'W3')!.value!
    }
    const length = (c: Circuit, value: number) => {
      const edited = applyEdit(c, { type: 'setParameter', part: 'W3', name: 'length', value })
      if (!edited.ok) throw new Error(tell(edited.problem))
      return edited.circuit
    }
    const [first, own] = [read(circuit), partOf(circuit, 'W3').parameters.length as number]
    const longer = read(length(circuit, 2 * own))
    // Twice the wire loses nearly twice: the lamp takes a little less.
    expect(longer / first).toBeGreaterThan(1.9)
    expect(longer / first).toBeLessThan(2)
    expect(read(length(length(circuit, 2 * own), own))).toBe(first)
  })

  it.each(demoNames)('of %s: every path walks as it does by itself', (name) => {
    const circuit = demoCircuit(name)
    const all = walkPaths(circuit)
    expect(walkPaths(circuit)).toBe(all)
    const fresh = afresh(circuit)
    circuit.paths.forEach((path, i) => {
      expect(walkPath(circuit, path)).toBe(all[i])
      const alone = walkPath(fresh, fresh.paths[i]!)
      expect(
        alone.strides.map((s) => `${s.part}.${s.segment.key} ${s.side} ${s.from.name}–${s.to.name}`),
      ).toEqual(
        all[i]!.strides.map((s) => `${s.part}.${s.segment.key} ${s.side} ${s.from.name}–${s.to.name}`),
      )
    })
  })
})
