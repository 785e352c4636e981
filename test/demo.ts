import { tell } from '../src/core/words'
import { readdirSync, readFileSync } from 'node:fs'
import { solveBoard, type SolvedBoard } from '../src/core/board'
import { readCircuitText } from '../src/core/editing'
import { type Circuit, type CircuitState } from '../src/core/circuit'
import type { Fault } from '../src/core/faults'

export const demoText = (name: string): string => readFileSync(`demo/circuits/${name}.json`, 'utf8')

/** A demo circuit, through the door that a user's import takes. */
export function demoCircuit(name = 'sweeper-work-lamp'): Circuit {
  const read = readCircuitText(demoText(name))
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}

export const stateOf = (circuit: Circuit, id: string) => {
  const found = circuit.states.find((state) => state.id === id)
  if (!found) throw new Error(`no state ${id}`)
  return found
}

/** A demo circuit solved in one of its states, or in one made up of what is said here. */
export function demoBoard(
  name: string,
  state: string | Partial<CircuitState>,
  faults: readonly Fault[] = [],
): SolvedBoard {
  const circuit = demoCircuit(name)
  const whole: CircuitState =
    typeof state === 'string'
      ? stateOf(circuit, state)
      : { id: 'x', name: 'x', controls: {}, detached: [], ...state }
  const solved = solveBoard(circuit, faults, whole)
  if (!solved.ok) throw new Error(tell(solved.why))
  return solved
}

/** Names of all demo circuits. */
export const demoNames: readonly string[] = readdirSync('demo/circuits')
  .map((file) => file.replace('.json', ''))
  .sort()
