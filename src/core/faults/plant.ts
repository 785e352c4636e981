import type { Circuit, Problem } from '../circuit'
import { partOfKind } from '../parts'
import { faultOfKind, severityOf } from './catalogue'
import type { Fault } from './fault'

/** Every fault that can strike this circuit, one per segment and kind, at its default severity. */
export function possibleFaults(circuit: Circuit): Fault[] {
  return circuit.parts.flatMap((part) =>
    partOfKind(part.kind).segments.flatMap((segment) =>
      segment.faults.map((kind): Fault => {
        const preset = faultOfKind(kind).severity?.preset
        const base = { kind, part: part.id, segment: segment.key }
        return preset === undefined ? base : { ...base, severity: preset }
      }),
    ),
  )
}

/** What is wrong with planting `fault` here, or undefined if it fits. */
export function checkFault(circuit: Circuit, fault: Fault): Problem | undefined {
  const part = circuit.parts.find((p) => p.id === fault.part)
  if (!part) return { where: fault.part, what: `There is no part ${fault.part}` }
  const definition = partOfKind(part.kind)
  const segment = definition.segments.find((s) => s.key === fault.segment)
  if (!segment) {
    return {
      where: fault.part,
      what: `${fault.part} has no “${fault.segment}”: it has ${definition.segments.map((s) => s.key).join(', ')}`,
    }
  }
  if (!segment.faults.includes(fault.kind)) {
    return { where: fault.part, what: `“${faultOfKind(fault.kind).title}” cannot strike its ${segment.name}` }
  }
  const range = faultOfKind(fault.kind).severity
  const severity = severityOf(fault)
  if (range && !(severity >= range.least && severity <= range.most)) {
    return {
      where: fault.part,
      what: `${range.label} must lie between ${range.least} and ${range.most} ${range.unit}`,
    }
  }
  return undefined
}

/** In words: “L1 work lamp, filament: open”. */
export function describeFault(circuit: Circuit, fault: Fault): string {
  const part = circuit.parts.find((p) => p.id === fault.part)
  const segment = part && partOfKind(part.kind).segments.find((s) => s.key === fault.segment)
  const what = faultOfKind(fault.kind).describe(severityOf(fault))
  const single = part && partOfKind(part.kind).segments.length === 1
  return `${fault.part}${part?.name ? ` ${part.name}` : ''}${single ? '' : `, ${segment?.name ?? fault.segment}`}: ${what}`
}
