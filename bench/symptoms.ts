import { tell } from '../src/core/words'
import { settable } from '../src/core/circuit'
import { faultOfKind, possibleFaults } from '../src/core/faults'
import { sizedAtPlace, symptomOf } from '../src/core/workshop'
import { small } from './small'
import { demoCircuit, demoNames } from '../test/demo'

/**
 * Of all faults that can be planted in the demo circuits: how many show nothing in any state at the usual size of their
 * kind, and what sizing them at their place makes of those. `npm run symptoms`.
 */
const kinds = new Map<string, { all: number; usual: number; symptom: number; limit: number; none: number }>()
const total = { all: 0, usual: 0, symptom: 0, limit: 0, none: 0 }
for (const name of small ? demoNames.slice(0, 1) : demoNames) {
  const circuit = demoCircuit(name)
  const own = { all: 0, usual: 0, symptom: 0, limit: 0, none: 0 }
  for (const fault of possibleFaults(circuit)) {
    const title = tell(faultOfKind(fault.kind).title)
    const kind = kinds.get(title) ?? { all: 0, usual: 0, symptom: 0, limit: 0, none: 0 }
    kinds.set(title, kind)
    const counts = [own, kind, total]
    counts.forEach((c) => c.all++)
    if (symptomOf(circuit, [fault], true).states.length) continue
    const { by } = sizedAtPlace(circuit, fault)
    for (const c of counts) {
      c.usual++
      c[by]++
    }
  }
  console.log(`${name} (${circuit.states.filter(settable).length} states): ${line(own)}`)
}
for (const [title, kind] of [...kinds].sort((a, b) => b[1].none - a[1].none))
  console.log(`${title}: ${line(kind)}`)
console.log(`all: ${line(total)}`)

function line({ all, usual, symptom, limit, none }: typeof total): string {
  return `${all} faults, ${usual} silent at their usual size; sized at their place: ${symptom} show, ${limit} break a limit, ${none} neither`
}
