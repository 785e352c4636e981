import { cached } from '../cache'
import { firstSource, partIn, refOf, splitRef, systemOf, type Circuit, type CircuitState } from '../circuit'
import { coldOf, faultOfKind, severityOf, type Fault } from '../faults'
import { modelOf, type Model, type ModelPart } from '../model'
import { partOfKind } from '../parts'
import type { Element } from '../solve'
import type { ElementIndex } from './board'
import type { Sound } from './sound'
import { ownedBy, type Owned } from './stamp'

const isOpen = (element: Element): boolean => element.type === 'resistor' && element.ohms === Infinity

/** Parts that the faults touch, in the order of the circuit's parts: nodes of their own are numbered in that order. */
export function struckParts(model: Model, faults: readonly Fault[]): readonly ModelPart[] {
  const ids = new Set(
    faults.flatMap(({ part, other }) => (other === undefined ? [part] : [part, partIn(other)])),
  )
  return [...ids].map((id) => model.part(id)).sort((p, q) => p.index - q.index)
}

/** Parts in which a contact can come and go: all of them moved is everything moved, as on the road. */
const contactsOf = cached({ owner: (circuit: Circuit) => circuit }, (circuit) =>
  circuit.parts
    .filter(({ kind }) => partOfKind(kind).segments.some(({ faults }) => faults.includes('slack')))
    .map(({ id }) => id),
)

/** Whether everything is moved at once. */
export function allMoved(circuit: Circuit, { wiggled = [] }: Pick<CircuitState, 'wiggled'>): boolean {
  const contacts = contactsOf(circuit)
  const all = contacts.length ? contacts : circuit.parts.map(({ id }) => id)
  return all.every((id) => wiggled.includes(id))
}

/** It comes and goes with movement, and nobody moves it now. */
export const isStill = (
  { moving, part }: Fault,
  state: Pick<CircuitState, 'wiggled'>,
  { circuit }: Pick<Model, 'circuit'>,
): boolean => moving === true && !state.wiggled?.includes(part) && !allMoved(circuit, state)

/** Has every fault change the elements of the pieces that it strikes. */
export function strikeAll(
  model: Model,
  faults: readonly Fault[],
  state: CircuitState,
  owned: Map<string, Owned>,
  freshNode: () => number,
): void {
  const { ground, supply, nominal } = railsOf(model.circuit)
  for (const fault of faults) {
    if (isStill(fault, state, model)) continue
    const { part, segment, between } = model.segment(fault.part, fault.segment)
    const other = fault.other === undefined ? undefined : model.segment(...splitRef(fault.other))
    const pick = (id: string, segment: string) =>
      owned.get(id)!.elements.filter((e) => e.owner.segment === segment && !isOpen(e))
    const section = part.parameters.section
    const struck = faultOfKind(fault.kind).strike(
      {
        elements: pick(part.id, segment.key),
        between,
        owner: { part: part.id, segment: segment.key },
        freshNode,
        ground,
        supply,
        nominal,
        at: fault.at ?? 0.5,
        section: typeof section === 'number' ? section : undefined,
        cold: coldOf(fault),
        wiggled: state.wiggled?.includes(fault.part) ?? false,
        ...(other && {
          other: { elements: pick(other.part.id, other.segment.key), between: other.between },
        }),
      },
      severityOf(fault),
    )
    const change = (id: string, segment: string, now: readonly Element[]) =>
      owned.set(
        id,
        ownedBy(id, [...owned.get(id)!.elements.filter((e) => e.owner.segment !== segment), ...now]),
      )
    const result = Array.isArray(struck) ? { own: struck } : struck
    change(part.id, segment.key, result.own)
    if (other && result.other) change(other.part.id, other.segment.key, result.other)
  }
}

/** The sound board with the struck parts' elements in place of theirs. */
export function withStruck(
  { parts, wiring }: Model,
  sound: Sound,
  struck: ReadonlyMap<string, Owned>,
): { elements: Element[]; firstElement: ElementIndex } {
  const elements: Element[] = []
  const fresh = new Map<string, number>()
  /** Where a struck part's elements ended on the sound board, and how far all behind them has moved. */
  const moves: { from: number; by: number }[] = []
  let copied = 0
  const copyTo = (end: number) => {
    while (copied < end) elements.push(sound.elements[copied++]!)
  }
  for (const { part, definition, index: i } of parts) {
    const own = struck.get(part.id)
    if (!own) continue
    copyTo(sound.starts[i]!)
    const at = elements.length
    for (const element of [...own.elements].sort((p, q) => rankOf(definition, p) - rankOf(definition, q)))
      elements.push(element)
    for (const segment of definition.segments) {
      if (own.elements.some((e) => e.owner.segment === segment.key)) continue
      elements.push({
        type: 'resistor',
        a: wiring.nodeOf(part.id, segment.between[0]),
        b: wiring.nodeOf(part.id, segment.between[1]),
        ohms: Infinity,
        owner: { part: part.id, segment: segment.key },
      })
    }
    for (let k = elements.length - 1; k >= at; k--) fresh.set(refOf(part.id, elements[k]!.owner.segment), k)
    copied = sound.starts[i + 1]!
    moves.push({ from: copied, by: elements.length - copied })
  }
  copyTo(sound.elements.length)
  const firstElement = {
    get(name: string): number | undefined {
      const own = fresh.get(name)
      if (own !== undefined) return own
      const before = sound.firstElement.get(name)
      if (before === undefined) return undefined
      let by = 0
      for (const move of moves) if (before >= move.from) by = move.by
      return before + by
    },
  }
  return { elements, firstElement }
}

/** Elements of one segment stay in their own order, segments in the order of the part. */
const rankOf = (definition: ModelPart['definition'], element: Element): number => {
  const at = definition.segments.findIndex((s) => s.key === element.owner.segment)
  return at < 0 ? definition.segments.length : at
}

/** Nodes that any fault may be led to, and the system's volts. */
const railsOf = cached({ owner: (circuit: Circuit) => circuit }, (circuit) => {
  const { wiring } = modelOf(circuit)
  // Where a chafed wire touches: the metal near the loads, or the battery's negative post without one.
  const [metal] = modelOf(circuit).partsWith('ground')
  const source = firstSource(circuit.parts)
  return {
    ground: metal ? wiring.nodeOf(metal.part.id, metal.definition.ground) : 0,
    /** Positive post of the first battery. */
    supply: source ? wiring.nodeOf(source.id, 'pos') : 0,
    nominal: systemOf(circuit).rest,
  }
})
