import { findPart, spareSegments } from '../model'
import { refOf, splitRef, type Circuit, type SegmentRef } from '../circuit'
import { type Problem, say, messageOf, type Message } from '../document'
import { partOfKind, type AnyPart, type Segment } from '../parts'
import { catalogue, coldOf, faultOfKind, severityOf, type FaultKind } from './catalogue'
import type { Fault } from './fault'

const struckKept = new WeakMap<Segment, readonly FaultKind[]>()

/** Kinds of fault that can strike a segment: those that it names, then those that name it, in the catalogue's order. */
export function faultsOf(part: AnyPart, segment: Segment): readonly FaultKind[] {
  const known = struckKept.get(segment)
  if (known) return known
  const named = segment.faults.map((kind) => faultOfKind(kind).kind)
  const more = catalogue.filter(({ kind, strikes }) => !named.includes(kind) && strikes?.(segment, part))
  const found = [...named, ...more.map(({ kind }) => kind)]
  struckKept.set(segment, found)
  return found
}

/** Every fault that can strike this circuit, one per segment, kind and other piece involved, at its default severity. */
export function possibleFaults(circuit: Circuit): Fault[] {
  const spare = spareSegments(circuit)
  return circuit.parts.flatMap((part) =>
    partOfKind(part.kind).segments.flatMap((segment) =>
      (spare.has(`${part.id}.${segment.key}`) ? [] : faultsOf(partOfKind(part.kind), segment)).flatMap(
        (kind): Fault[] => {
          const preset = faultOfKind(kind).severity?.preset
          const base = { kind, part: part.id, segment: segment.key }
          const whole = preset === undefined ? base : { ...base, severity: preset }
          if (!faultOfKind(kind).involves) return [whole]
          return partnersOf(circuit, whole).map((other) => ({ ...whole, other }))
        },
      ),
    ),
  )
}

/** What is wrong with planting `fault` here, or undefined if it fits. */
export function checkFault(circuit: Circuit, fault: Fault): Problem | undefined {
  const part = findPart(circuit, fault.part)
  if (!part) return { where: fault.part, ...say('faults.noPart', { id: fault.part }) }
  const definition = partOfKind(part.kind)
  const segment = definition.segments.find((s) => s.key === fault.segment)
  if (!segment) {
    return {
      where: fault.part,
      ...say('faults.noSegment', {
        id: fault.part,
        key: fault.segment,
        keys: definition.segments.map((s) => s.key),
      }),
    }
  }
  if (!faultsOf(definition, segment).includes(fault.kind)) {
    return {
      where: fault.part,
      ...say('faults.cannotStrike', {
        title: messageOf(faultOfKind(fault.kind).title),
        name: messageOf(segment.name),
      }),
    }
  }
  if (fault.moving && !canMove(fault.kind, definition))
    return {
      where: fault.part,
      ...say('faults.cannotMove', { title: messageOf(faultOfKind(fault.kind).title) }),
    }
  const { cold } = faultOfKind(fault.kind)
  if (fault.cold !== undefined && !cold)
    return { where: fault.part, ...say('faults.noCold', { kind: fault.kind }) }
  if (cold && !(coldOf(fault) >= cold.least && coldOf(fault) <= cold.most))
    return { where: fault.part, ...say('faults.coldRange', { least: cold.least, most: cold.most }) }
  const range = faultOfKind(fault.kind).severity
  const severity = severityOf(fault)
  if (range && !(severity >= range.least && severity <= range.most)) {
    return {
      where: fault.part,
      ...say('faults.range', {
        label: messageOf(range.label),
        least: { shown: String(range.least) },
        most: { shown: String(range.most) },
        unit: range.unit,
      }),
    }
  }
  const partners = faultOfKind(fault.kind).involves && partnersOf(circuit, fault)
  if (partners && !(fault.other !== undefined && partners.includes(fault.other))) {
    return {
      where: fault.part,
      ...(partners.length
        ? say('faults.whichOther', { others: partners.slice(0, 12) })
        : say('faults.noOther')),
    }
  }
  return undefined
}

/**
 * The pieces that a fault of two pieces may involve beside its own, as `PART.SEGMENT`. Conductors touch only where a
 * bundle holds them together.
 */
export function partnersOf(circuit: Circuit, fault: Fault): SegmentRef[] {
  const { involves } = faultOfKind(fault.kind)
  if (!involves) return []
  return circuit.parts.flatMap((part) => {
    // Two pins of one plug are swapped as easily as those of two.
    if (part.id === fault.part && involves === 'conductor') return []
    if (involves === 'conductor' && !beside(circuit, part.id, fault.part)) return []
    const definition = partOfKind(part.kind)
    return definition.segments
      .filter(
        (segment) =>
          faultsOf(definition, segment).includes(fault.kind) &&
          !(part.id === fault.part && segment.key === fault.segment),
      )
      .map((segment) => refOf(part.id, segment.key))
  })
}

/** Kinds that may come and go with movement: what touches on the way of a conductor, and its break. */
export const canMove = (kind: FaultKind, { cable }: Pick<AnyPart, 'cable'>): boolean =>
  cable !== undefined && (faultOfKind(kind).touches === true || kind === 'open')

/** “L1 work lamp, filament: open”: the school's name of the part stays as it is. */
export function describeFault(circuit: Circuit, fault: Fault): Message {
  const part = findPart(circuit, fault.part)
  const segments = part ? partOfKind(part.kind).segments : []
  const section = part?.parameters.section
  const about = { section: typeof section === 'number' ? section : undefined, cold: coldOf(fault) }
  const alone = messageOf(faultOfKind(fault.kind).describe(severityOf(fault), about))
  const whole =
    fault.other === undefined
      ? alone
      : say('faults.withOther', { fault: alone, part: splitRef(fault.other)[0] })
  const what = fault.moving ? say('faults.whileMoved', { fault: whole }) : whole
  const on = part?.name ? `${fault.part} ${part.name}` : fault.part
  if (segments.length === 1) return say('faults.onPart', { part: on, fault: what })
  const name = segments.find((s) => s.key === fault.segment)?.name
  return say('faults.onSegment', { part: on, segment: name ? messageOf(name) : fault.segment, fault: what })
}

const beside = (circuit: Circuit, a: string, b: string): boolean =>
  circuit.bundles.some((bundle) =>
    bundle.places.some((place) => [a, b].every((id) => place.conductors.some((c) => c.part === id))),
  )
