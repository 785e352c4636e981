import { say } from '../../document'
import { partOfKind, type AnyPart } from '../../parts'
import { type Circuit, type CircuitPath, type TerminalRef, partIn, refOf } from '../../circuit'
import { kindOf, prune, refuse, type Built } from './arrangement'
import { take, type Item } from './chain'

/** Where a new path comes back to unless it is told: the common return that others use most. */
export function commonReturn(circuit: Circuit): TerminalRef {
  const counts = new Map<TerminalRef, number>()
  for (const { to } of circuit.paths.slice(1)) {
    const kind = kindOf(circuit, partIn(to))
    if (kind && ['connection', 'conductor', 'source'].includes(partOfKind(kind).role))
      counts.set(to, (counts.get(to) ?? 0) + 1)
  }
  const used = [...counts].sort((a, b) => b[1] - a[1])[0]?.[0]
  const first = (terminal: (definition: AnyPart) => string | undefined) => {
    for (const { id, kind } of circuit.parts) {
      const key = terminal(partOfKind(kind))
      if (key !== undefined) return refOf(id, key)
    }
    return undefined
  }
  // A ground stud, bare metal, or else the source's negative post.
  return (
    used ??
    first(({ role, topic, through }) =>
      role === 'connection' && topic === 'grounds' ? through[0] : undefined,
    ) ??
    first(({ ground }) => ground) ??
    first(({ role, through }) => (role === 'source' ? through[1] : undefined))!
  )
}

function freshPathId(circuit: Circuit): string {
  const used = new Set(circuit.paths.map((p) => p.id))
  let n = circuit.paths.length + 1
  while (used.has(`p${n}`)) n++
  return `p${n}`
}

/** A further path from one terminal to another: a branch, a control circuit, a return that joins the others. */
export function addPath(
  circuit: Circuit,
  {
    from,
    to,
    items,
    name = '',
  }: { from: TerminalRef; to: TerminalRef; items: readonly Item[]; name?: string },
): Built & { readonly path?: string } {
  if (from === to) return refuse(from, say('circuit.pathLoops'))
  if (!items.length) return refuse(from, say('circuit.pathEmpty'))
  const taken = take(circuit, items)
  const id = freshPathId(circuit)
  const path: CircuitPath = { id, name, from, to, steps: taken.steps }
  return {
    ok: true,
    circuit: { ...taken.circuit, paths: [...circuit.paths, path] },
    touched: taken.steps.map((s) => s.part),
    path: id,
  }
}

/** Leads an end of a path to another terminal: joins it to a common return, or takes its feed elsewhere. */
export function leadEnd(circuit: Circuit, path: string, end: 'from' | 'to', terminal: TerminalRef): Built {
  const found = circuit.paths.find((p) => p.id === path)
  if (!found) return refuse(path, say('circuit.noPath'))
  const other = end === 'from' ? found.to : found.from
  if (terminal === other) return refuse(path, say('circuit.pathLoops'))
  const paths = circuit.paths.map((p) => (p.id === path ? { ...p, [end]: terminal } : p))
  return { ok: true, circuit: { ...circuit, paths }, touched: [] }
}

/** Takes a path out, with the parts that no other path passes. */
export function removePath(circuit: Circuit, path: string): Built {
  if (circuit.paths.length < 2) return refuse(path, say('circuit.lastPath'))
  const paths = circuit.paths.filter((p) => p.id !== path)
  const stay = new Set(paths.flatMap((p) => p.steps.map((s) => s.part)))
  // Paths that hung on parts of this one alone would lead nowhere.
  const lost = (end: string) => {
    const id = partIn(end)
    const kind = kindOf(circuit, id)
    return kind !== undefined && partOfKind(kind).role !== 'source' && !stay.has(id)
  }
  const hanging = paths.filter((p) => lost(p.from) || lost(p.to))
  const left = paths.filter((p) => !hanging.includes(p))
  if (!left.length) return refuse(path, say('circuit.othersHang'))
  return {
    ok: true,
    circuit: prune({ ...circuit, paths: left }),
    touched: [],
    ...(hanging.length && {
      said: say('circuit.hungOnIt', { names: hanging.map((p) => p.name || p.id) }),
    }),
  }
}

/** Names a path; an empty name takes it away. */
export function namePath(circuit: Circuit, path: string, name: string): Built {
  const paths = circuit.paths.map((p) => (p.id === path ? { ...p, name } : p))
  return { ok: true, circuit: { ...circuit, paths }, touched: [] }
}
