import type { Circuit } from '../circuit'
import { faultOfKind, possibleFaults, type Fault } from '../faults'
import { partOfKind, type AnyPart } from '../parts'

/**
 * One way the circuit could be. A severity that is a number is split into cells of its kind's grid: `ends`
 * holds the cell's two ends (one entry where the fault has no severity, none when all is well).
 */
export interface Hypothesis {
  readonly part: string | undefined
  readonly ends: readonly Fault[]
  /** Relative likelihood before any evidence. */
  readonly prior: number
}

/**
 * How often a piece fails: returns and joints more than wire, loads and fuses in between (common practice, no
 * source). One weight per segment; its faults and severities share it.
 */
const priorOf = ({ role, cable, ground }: AnyPart, segment: string, kind: Fault['kind']): number =>
  faultOfKind(kind).often ??
  (role === 'connection' ? 3 : cable?.segment === segment || (role === 'conductor' && ground) ? 1 : 2)

/** Healthy, and every single fault of the catalogue on every piece that it can strike. */
export function hypothesesOf(circuit: Circuit): Hypothesis[] {
  const roles = new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))
  const all = possibleFaults(circuit)
  const ways = new Map<string, number>()
  for (const { part, segment } of all) {
    const place = `${part}.${segment}`
    ways.set(place, (ways.get(place) ?? 0) + 1)
  }
  const faulted = all.flatMap((fault): Hypothesis[] => {
    const definition = roles.get(fault.part)!
    const weight =
      priorOf(definition, fault.segment, fault.kind) / ways.get(`${fault.part}.${fault.segment}`)!
    const grid = faultOfKind(fault.kind).severity?.grid
    if (!grid) return [{ part: fault.part, ends: [fault], prior: weight }]
    return grid.slice(1).map((high, i) => ({
      part: fault.part,
      ends: [
        { ...fault, severity: grid[i]! },
        { ...fault, severity: high },
      ],
      prior: weight / (grid.length - 1),
    }))
  })
  return [{ part: undefined, ends: [], prior: 1 }, ...faulted]
}
