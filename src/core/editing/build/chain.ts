import { say } from '../../document'
import { partOfKind } from '../../parts'
import { type Circuit, type CircuitPath, type TerminalRef, refOf, splitRef } from '../../circuit'
import { endsOf, kindOf, neighbourOf, prune, refuse, type Built } from './arrangement'
import { makePart, nextId, type NewPart } from './ids'

/** One thing on the way: a new part, or another pass through one that is there, from a terminal to a terminal. */
export type Item =
  { readonly new: NewPart } | { readonly part: string; readonly enter?: string; readonly leave?: string }

type Step = CircuitPath['steps'][number]

const withSteps = (circuit: Circuit, path: string, steps: readonly Step[]): Circuit => ({
  ...circuit,
  paths: circuit.paths.map((p) => (p.id === path ? { ...p, steps: [...steps] } : p)),
})

/** Makes parts of `items` and gives their steps; the circuit grows by the new parts. */
export function take(circuit: Circuit, items: readonly Item[]): { circuit: Circuit; steps: Step[] } {
  const parts = [...circuit.parts]
  const steps = items.map((item): Step => {
    if (!('new' in item)) return { ...item }
    const made = makePart(parts, item.new)
    parts.push(made)
    return { part: made.id }
  })
  return { circuit: { ...circuit, parts }, steps }
}

/**
 * Puts items into a path, before the step that now stands at `index`; at the end from its length on.
 * @param index of a step of the path, from 0
 */
export function insertItems(circuit: Circuit, path: string, index: number, items: readonly Item[]): Built {
  const found = circuit.paths.find((p) => p.id === path)
  if (!found) return refuse(path, say('circuit.noPath'))
  if (!items.length) return refuse(path, say('circuit.nothingToPut'))
  const taken = take(circuit, items)
  const steps = [...found.steps]
  steps.splice(index, 0, ...taken.steps)
  return { ok: true, circuit: withSteps(taken.circuit, path, steps), touched: taken.steps.map((s) => s.part) }
}

/** Moves one step to another place, in its own path or in another. `to` counts before the step is taken out. */
export function moveStep(
  circuit: Circuit,
  from: { readonly path: string; readonly index: number },
  to: { readonly path: string; readonly index: number },
): Built {
  const source = circuit.paths.find((p) => p.id === from.path)
  const target = circuit.paths.find((p) => p.id === to.path)
  const step = source?.steps[from.index]
  if (!source || !target || !step) return refuse(from.path, say('circuit.nothingToMove'))
  if (source === target) {
    const steps = source.steps.filter((_, i) => i !== from.index)
    const index = to.index > from.index ? to.index - 1 : to.index
    if (index === from.index) return refuse(step.part, say('circuit.standsThere', { id: step.part }))
    steps.splice(index, 0, step)
    return { ok: true, circuit: withSteps(circuit, source.id, steps), touched: [step.part] }
  }
  const without = withSteps(
    circuit,
    source.id,
    source.steps.filter((_, i) => i !== from.index),
  )
  const steps = [...target.steps]
  steps.splice(to.index, 0, step)
  return {
    ok: true,
    circuit: dropEmpty(withSteps(without, target.id, steps)),
    touched: [step.part],
  }
}

/**
 * Takes parts out. Their neighbours close up; a path that began or ended at one of their terminals now does so at the
 * neighbour that takes its place, and where there is none the path goes too, for it would lead nowhere.
 */
export function removeParts(circuit: Circuit, ids: readonly string[]): Built {
  let now = circuit
  const gone: string[] = []
  for (const id of ids) {
    const kind = kindOf(now, id)
    if (!kind) continue
    if (
      partOfKind(kind).role === 'source' &&
      now.parts.filter((p) => partOfKind(p.kind).role === 'source').length === 1
    )
      return refuse(id, say('circuit.onlyBattery', { id }))
    const ended = (end: TerminalRef) => {
      const [owner, key] = splitRef(end)
      return owner === id ? neighbourOf(now, id, key) : end
    }
    const paths = now.paths.flatMap((path): CircuitPath[] => {
      const from = ended(path.from)
      const to = ended(path.to)
      if (from === undefined || to === undefined) {
        gone.push(path.name || path.id)
        return []
      }
      return [{ ...path, from, to, steps: path.steps.filter((s) => s.part !== id) }]
    })
    if (!paths.length) return refuse(id, say('circuit.noPathLeft', { id }))
    now = dropEmpty({ ...now, parts: now.parts.filter((p) => p.id !== id), paths })
  }
  return {
    ok: true,
    circuit: prune(now),
    touched: [],
    ...(gone.length && { said: say('circuit.endedThere', { names: gone }) }),
  }
}

/** A path without parts joins nothing; the last one is kept as the place where building goes on. */
export function dropEmpty(circuit: Circuit): Circuit {
  const full = circuit.paths.filter((p) => p.steps.length)
  return full.length ? { ...circuit, paths: full } : { ...circuit, paths: circuit.paths.slice(0, 1) }
}

/** Puts a part of another kind in the place of one: its own terminals take over where they have the same name. */
export function replacePart(circuit: Circuit, id: string, by: NewPart): Built {
  const old = circuit.parts.find((p) => p.id === id)
  if (!old) return refuse(id, say('circuit.noPart', { id }))
  const [before, after] = [partOfKind(old.kind), partOfKind(by.kind)]
  if ((before.role === 'source') !== (after.role === 'source'))
    return refuse(id, say('circuit.isBattery', { id }))
  const same = before.letters === after.letters
  const made = makePart(circuit.parts, { ...by, name: by.name ?? old.name })
  const part = { ...made, id: same ? id : nextId(circuit.parts, by.kind) }
  const has = (key: string | undefined) => after.terminals.some((t) => t.key === key && !t.inside)
  const end = (terminal: TerminalRef) => {
    const [owner, key] = splitRef(terminal)
    if (owner !== id) return terminal
    // Nearer to the way in or to the way out: the ends of what now stands there.
    const late = before.terminals.findIndex((t) => t.key === key) >= before.terminals.length / 2
    return refOf(part.id, has(key) ? key : after.through[late ? 1 : 0])
  }
  const moved: Circuit = {
    ...circuit,
    parts: circuit.parts.map((p) => (p.id === id ? part : p)),
    paths: circuit.paths.map((path) => ({
      ...path,
      from: end(path.from),
      to: end(path.to),
      steps: path.steps.map((step): Step => {
        if (step.part !== id) return step
        const [enter, leave] = endsOf(circuit, step)
        return has(enter) && has(leave) && enter !== leave && step.enter
          ? { part: part.id, enter, leave }
          : { part: part.id }
      }),
    })),
  }
  return { ok: true, circuit: prune(moved), touched: [part.id] }
}

/**
 * New parts alike, for a copy of a stretch: other pins of a part that is also elsewhere stay passes through it.
 * @param from index of the first step
 * @param to index behind the last step
 */
export function copySteps(circuit: Circuit, path: string, from: number, to: number): Item[] {
  const found = circuit.paths.find((p) => p.id === path)
  return (found?.steps.slice(from, to) ?? []).map((step): Item => {
    const part = circuit.parts.find((p) => p.id === step.part)!
    return { new: { kind: part.kind, name: part.name, parameters: part.parameters } }
  })
}
