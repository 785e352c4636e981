import { type Circuit, partIn } from '../circuit'
import { partOfKind } from '../parts'
import { parseQuantity } from '../quantity'
import { type Message, say } from '../document'
import { faultKinds, faultOfKind } from './catalogue'
import { faultSchema, type Fault } from './fault'
import { checkFault, faultsOf, partnersOf } from './plant'

/**
 * Reads a fault from one line: `PART[.SEGMENT]=KIND[:SEVERITY[/OHMS]]`, such as `X2=corroded:3` or `G1.foot=highResistance:0R5`;
 * `X2=corroded:3/2R2` reads 2.2 Ω at a milliamp.
 * The segment may be left out where only one can fail that way. A fault between two pieces names the other after an
 * `&`: `W2=shortBetween:0.1&W5`. A `~` at the end: only while the part is moved.
 */
export function readFaultSpec(
  circuit: Circuit,
  spec: string,
): { ok: true; fault: Fault } | { ok: false; why: Message } {
  const refuse = (why: Message) => ({
    ok: false as const,
    why: say('faults.spec', { spec: spec.slice(0, 80), why }),
  })
  const found =
    /^([A-Za-z]+\d+)(?:\.([A-Za-z0-9]+))?=([A-Za-z]+)(?::([^&~]+))?(?:&([A-Za-z]+\d+(?:\.[A-Za-z0-9]+)?))?(~)?$/.exec(
      spec.trim(),
    )
  if (!found) return refuse(say('faults.written'))
  const [, id, segmentKey, kindText, severityText, otherText, moving] = found as unknown as [
    string,
    string,
    string | undefined,
    string,
    string | undefined,
    string | undefined,
    string | undefined,
  ]
  const kind = faultSchema.shape.kind.safeParse(kindText)
  if (!kind.success) return refuse(say('faults.noKind', { kind: kindText, kinds: faultKinds }))
  const part = circuit.parts.find((p) => p.id.toLowerCase() === id.toLowerCase())
  if (!part) return refuse(say('faults.noPart', { id }))
  const definition = partOfKind(part.kind)
  const able = definition.segments.filter((s) => faultsOf(definition, s).includes(kind.data))
  const segment = segmentKey ?? (able.length === 1 ? able[0]!.key : undefined)
  if (segment === undefined) {
    return refuse(
      able.length
        ? say('faults.whichSegment', { id: part.id, keys: able.map((s) => s.key) })
        : say('faults.cannotFail', { id: part.id }),
    )
  }
  const range = faultOfKind(kind.data).severity
  let severity = range?.preset
  let cold: number | undefined
  if (severityText !== undefined) {
    if (!range) return refuse(say('faults.noSeverity', { kind: kind.data }))
    const [size, ohms] = severityText.split('/') as [string, string | undefined]
    const read = parseQuantity(size, range.unit)
    if (!read.ok) return refuse(read.why)
    severity = read.value
    if (ohms !== undefined) {
      if (!faultOfKind(kind.data).cold) return refuse(say('faults.noCold', { kind: kind.data }))
      const own = parseQuantity(ohms, 'Ω')
      if (!own.ok) return refuse(own.why)
      cold = own.value
    }
  }
  const fault: Fault = {
    kind: kind.data,
    part: part.id,
    segment,
    ...(severity === undefined ? {} : { severity }),
    ...(cold === undefined ? {} : { cold }),
    ...(moving === undefined ? {} : { moving: true }),
  }
  if (faultOfKind(fault.kind).involves) {
    const asked = otherText?.toLowerCase()
    const partners = partnersOf(circuit, fault)
    const other = partners.find((p) => p.toLowerCase() === asked || partIn(p).toLowerCase() === asked)
    if (other === undefined)
      return refuse(
        partners.length
          ? say('faults.nameOther', { others: partners.slice(0, 12) })
          : say('faults.noOtherHere'),
      )
    fault.other = other
  } else if (otherText !== undefined) return refuse(say('faults.involvesNone', { kind: kind.data }))
  const problem = checkFault(circuit, fault)
  return problem ? refuse(problem) : { ok: true, fault }
}
