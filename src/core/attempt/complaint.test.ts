import { describe, expect, it } from 'vitest'
import { arrangementOf, complaintIn, draftComplaint, stateOf } from '.'
import { aftermath, noticeAll, solveBoard } from '../board'
import { settable, stateSignature } from '../circuit'
import { possibleFaults, type Fault } from '../faults'
import { demoCircuit, demoNames } from '../../../test/demo'

describe('the complaint as facts', () => {
  it.each(demoNames)('on %s is what the faulted circuit does and the good one does not', (name) => {
    const circuit = demoCircuit(name)
    for (const fault of possibleFaults(circuit).filter((_, i) => i % 23 === 7)) {
      for (const { arrangement, part, notice, hours } of draftComplaint(circuit, [fault])) {
        // No look shows a battery going flat.
        if (hours !== undefined) continue
        const shown = (planted: readonly Fault[]) => {
          const board = solveBoard(circuit, planted, stateOf(arrangement), {
            blown: aftermath(circuit, planted),
          })
          return board.ok ? noticeAll(board).find((n) => n.part === part)?.key : undefined
        }
        expect(shown([fault]), `${fault.part} ${fault.kind}`).toBe(notice)
        expect(shown([]), `${fault.part} ${fault.kind}`).not.toBe(notice)
      }
    }
  })

  it('is drafted in the first state that a person can set and that shows anything', () => {
    const circuit = demoCircuit()
    const lamp = draftComplaint(circuit, [{ kind: 'open', part: 'X1', segment: 'pin' }])
    expect(lamp).toMatchObject([{ part: 'L1', notice: 'dark', arrangement: { controls: { S1: 'closed' } } }])
    // The weather is nobody's to set.
    const starting = demoCircuit('van-starting')
    const cold = starting.states.filter((state) => !settable(state))
    expect(cold.length).toBeGreaterThan(0)
    const all = possibleFaults(starting).flatMap((fault) => draftComplaint(starting, [fault]))
    expect(all.length).toBeGreaterThan(10)
    for (const { arrangement } of all) expect(arrangement).not.toHaveProperty('temperature')
  })

  it('is empty where nothing is ever noticed, and where nothing is planted', () => {
    const circuit = demoCircuit()
    expect(draftComplaint(circuit, [])).toEqual([])
    const small: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 0.01 }
    expect(draftComplaint(circuit, [small])).toEqual([])
  })

  it('of one state is asked for by that state', () => {
    const circuit = demoCircuit()
    const fault: Fault = { kind: 'open', part: 'X1', segment: 'pin' }
    const [on, off] = circuit.states
    expect(complaintIn(circuit, [fault], on!)).toHaveLength(1)
    expect(complaintIn(circuit, [fault], off!)).toEqual([])
  })

  it('keeps all that a person sets of a state', () => {
    for (const name of demoNames)
      for (const state of demoCircuit(name).states.filter(settable))
        expect(stateSignature(demoCircuit(name), stateOf(arrangementOf(state)))).toBe(
          stateSignature(demoCircuit(name), { ...state, id: 'x', name: 'x' }),
        )
  })
})
