import { readCircuit } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'

/** The demo circuits, which every example of the book stands on; shipped with it, so that students have them as well. */
const files = import.meta.glob<unknown>('../../../../demo/circuits/*.json', {
  import: 'default',
  eager: true,
})

const nameOf = (path: string) => path.split('/').pop()!.replace('.json', '')

function readAll(): ReadonlyMap<string, Circuit> {
  const all = new Map<string, Circuit>()
  for (const [path, json] of Object.entries(files)) {
    const read = readCircuit(json)
    if (read.ok) all.set(nameOf(path), read.value)
  }
  return all
}
export const demoCircuits = readAll()
