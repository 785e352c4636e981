import { readdirSync, readFileSync } from 'node:fs'
import { readCircuitText, type Circuit } from '../src/core/circuit'

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

/** Names of all demo circuits. */
export const demoNames: readonly string[] = readdirSync('demo/circuits')
  .map((file) => file.replace('.json', ''))
  .sort()
