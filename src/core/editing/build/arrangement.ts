import { partOfKind, routeThrough } from '../../parts'
import type { Message, Problem } from '../../document'
import { type Circuit, type CircuitPath, type TerminalRef, partIn, refOf, splitRef } from '../../circuit'

/** What building gives: the circuit after it, or why it cannot be done. The circuit given is left as it was. */
export type Built =
  | {
      readonly ok: true
      readonly circuit: Circuit
      /** Ids of the parts that are new or were touched, in the order of the path. */
      readonly touched: readonly string[]
      /** What else it took with it, for the person to read. */
      readonly said?: Message
    }
  | { readonly ok: false; readonly problem: Problem }

export const refuse = (where: string, why: Message): Built => ({ ok: false, problem: { where, ...why } })

export const kindOf = (circuit: Circuit, id: string) => circuit.parts.find((p) => p.id === id)?.kind

/** Terminals where a step is entered and left. */
export function endsOf(circuit: Circuit, step: CircuitPath['steps'][number]): readonly [string, string] {
  const { through } = partOfKind(kindOf(circuit, step.part)!)
  return [step.enter ?? through[0], step.leave ?? through[1]]
}

/** Ids of all parts that some path passes, or begins or ends at. */
export function placedParts(paths: readonly CircuitPath[]): Set<string> {
  return new Set(
    paths.flatMap(({ from, to, steps }) => [from, to].map(partIn).concat(steps.map((s) => s.part))),
  )
}

/**
 * Takes out of parts, states and bundles what no path holds any more, so that nothing dangles. The battery stays:
 * without it there is no circuit.
 */
export function prune(circuit: Circuit): Circuit {
  const placed = placedParts(circuit.paths)
  const parts = circuit.parts.filter((p) => placed.has(p.id) || partOfKind(p.kind).role === 'source')
  const left = new Map(parts.map((p) => [p.id, partOfKind(p.kind)]))
  const has = (id: string) => left.has(id)
  const terminal = (end: TerminalRef) => {
    const [id, key] = splitRef(end)
    return left.get(id)?.terminals.some((t) => t.key === key) ?? false
  }
  return {
    ...circuit,
    parts,
    bundles: circuit.bundles
      .map((bundle) => ({
        ...bundle,
        places: bundle.places
          .map((place) => ({
            ...place,
            conductors: place.conductors.filter((c) => left.get(c.part)?.role === 'conductor'),
          }))
          .filter((place) => place.conductors.length),
      }))
      .filter((bundle) => bundle.places.length),
    states: circuit.states.map((state) => ({
      ...state,
      controls: Object.fromEntries(
        Object.entries(state.controls).filter(([id, at]) => left.get(id)?.positions?.includes(at)),
      ),
      detached: state.detached.filter((id) => left.get(id)?.detach),
      ...(state.wiggled && { wiggled: state.wiggled.filter(has) }),
      ...(state.bypassed && { bypassed: state.bypassed.filter((pair) => pair.every(terminal)) }),
    })),
  }
}

/**
 * A terminal that stays when part `id` goes, at the same place as its terminal `key` will then be: the neighbour on a path
 * through it. Undefined where no path runs through there.
 */
export function neighbourOf(circuit: Circuit, id: string, key: string): TerminalRef | undefined {
  for (const path of circuit.paths) {
    for (const [i, step] of path.steps.entries()) {
      if (step.part !== id) continue
      const [enter, leave] = endsOf(circuit, step)
      const way = routeThrough(partOfKind(kindOf(circuit, id)!), enter, leave).terminals
      if (!way.includes(key)) continue
      const before = path.steps.slice(0, i).findLast((s) => s.part !== id)
      const after = path.steps.slice(i + 1).find((s) => s.part !== id)
      const candidates = [
        before ? refOf(before.part, endsOf(circuit, before)[1]) : path.from,
        after ? refOf(after.part, endsOf(circuit, after)[0]) : path.to,
      ]
      const found = candidates.find((end) => partIn(end) !== id)
      if (found) return found
    }
  }
  return undefined
}
