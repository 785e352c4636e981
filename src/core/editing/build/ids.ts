import { partOfKind, sized } from '../../parts'
import { type Circuit, type Part, type TerminalRef, refOf, splitRef } from '../../circuit'

/** The next free short name of a kind: its letters, and the number after the highest in use. */
export function nextId(parts: readonly Pick<Part, 'id'>[], kind: string): string {
  const { letters } = partOfKind(kind)
  const numbers = parts.flatMap(({ id }) => {
    const match = /^([A-Z]+)(\d+)$/.exec(id)
    return match?.[1] === letters ? [Number(match[2])] : []
  })
  return letters + (Math.max(0, ...numbers) + 1)
}

/** A part that is wanted but has no name of its own yet. */
export interface NewPart {
  readonly kind: string
  readonly name?: string
  readonly parameters?: Readonly<Record<string, unknown>>
}

/** A new part of the circuit: next free id, defaults for what is not said. The parameters given must be sound. */
export function makePart(
  parts: readonly Pick<Part, 'id'>[],
  { kind, name = '', parameters = {} }: NewPart,
): Part {
  return { id: nextId(parts, kind), kind, name, parameters: sized(partOfKind(kind), parameters) }
}

/** Gives a part another short name, wherever it stands. */
export function renameId(circuit: Circuit, from: string, to: string): Circuit {
  const id = (name: string) => (name === from ? to : name)
  const end = (terminal: TerminalRef) => {
    const [owner, key] = splitRef(terminal)
    return owner === from ? refOf(to, key) : terminal
  }
  return {
    ...circuit,
    parts: circuit.parts.map((p) => (p.id === from ? { ...p, id: to } : p)),
    paths: circuit.paths.map((p) => ({
      ...p,
      from: end(p.from),
      to: end(p.to),
      steps: p.steps.map((s) => ({ ...s, part: id(s.part) })),
    })),
    bundles: circuit.bundles.map((b) => ({
      ...b,
      places: b.places.map((place) => ({
        ...place,
        conductors: place.conductors.map((c) => ({ ...c, part: id(c.part) })),
      })),
    })),
    states: circuit.states.map((s) => ({
      ...s,
      controls: Object.fromEntries(Object.entries(s.controls).map(([k, v]) => [id(k), v])),
      detached: s.detached.map(id),
      ...(s.wiggled && { wiggled: s.wiggled.map(id) }),
      ...(s.bypassed && {
        bypassed: s.bypassed.map(([a, b]): [TerminalRef, TerminalRef] => [end(a), end(b)]),
      }),
    })),
  }
}
