import type { Circuit } from '../circuit'
import { partOfKind } from '../parts'
import { parseQuantity } from '../quantity'
import { catalogue, faultOfKind } from './catalogue'
import { faultSchema, type Fault } from './fault'
import { checkFault, partnersOf } from './plant'

/**
 * Reads a fault from one line: `PART[.SEGMENT]=KIND[:SEVERITY]`, such as `X2=corroded:3` or `G1.foot=highResistance:0R5`.
 * The segment may be left out where only one can fail that way. A fault between two pieces names the other after an
 * `&`: `W2=shortBetween:0.1&W5`.
 */
export function readFaultSpec(
  circuit: Circuit,
  spec: string,
): { ok: true; fault: Fault } | { ok: false; message: string } {
  const refuse = (message: string) => ({ ok: false as const, message: `fault “${spec}”: ${message}` })
  const found =
    /^([A-Za-z]+\d+)(?:\.([A-Za-z0-9]+))?=([A-Za-z]+)(?::([^&]+))?(?:&([A-Za-z]+\d+(?:\.[A-Za-z0-9]+)?))?$/.exec(
      spec.trim(),
    )
  if (!found) return refuse('write it as PART[.SEGMENT]=KIND[:SEVERITY], such as X2=corroded:3')
  const [, id, segmentKey, kindText, severityText, otherText] = found as unknown as [
    string,
    string,
    string | undefined,
    string,
    string | undefined,
    string | undefined,
  ]
  const kind = faultSchema.shape.kind.safeParse(kindText)
  if (!kind.success)
    return refuse(`there is no kind “${kindText}”: known are ${catalogue.map((f) => f.kind).join(', ')}`)
  const part = circuit.parts.find((p) => p.id.toLowerCase() === id.toLowerCase())
  if (!part) return refuse(`there is no part ${id}`)
  const able = partOfKind(part.kind).segments.filter((s) => s.faults.includes(kind.data))
  const segment = segmentKey ?? (able.length === 1 ? able[0]!.key : undefined)
  if (segment === undefined) {
    return refuse(
      able.length
        ? `say which segment of ${part.id}: ${able.map((s) => s.key).join(', ')}`
        : `${part.id} cannot fail that way`,
    )
  }
  const range = faultOfKind(kind.data).severity
  let severity = range?.preset
  if (severityText !== undefined) {
    if (!range) return refuse(`${kind.data} takes no severity`)
    const read = parseQuantity(severityText, range.unit)
    if (!read.ok) return refuse(read.message)
    severity = read.value
  }
  const fault: Fault = {
    kind: kind.data,
    part: part.id,
    segment,
    ...(severity === undefined ? {} : { severity }),
  }
  if (faultOfKind(fault.kind).involves) {
    const asked = otherText?.toLowerCase()
    const partners = partnersOf(circuit, fault)
    const other = partners.find((p) => p.toLowerCase() === asked || p.split('.')[0]!.toLowerCase() === asked)
    if (other === undefined)
      return refuse(`name the other piece after &, one of ${partners.slice(0, 12).join(', ') || 'none here'}`)
    fault.other = other
  } else if (otherText !== undefined) return refuse(`${kind.data} involves no other piece`)
  const problem = checkFault(circuit, fault)
  return problem ? refuse(problem.what) : { ok: true, fault }
}
