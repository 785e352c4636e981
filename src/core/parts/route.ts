import type { AnyPart, Segment, TerminalKey } from './definition'

/** The way through a part: its terminals from `enter` to `leave`, and the segments between them. */
export interface Route {
  readonly terminals: readonly TerminalKey[]
  readonly segments: readonly Segment[]
}

const kept = new WeakMap<AnyPart, Map<string, Route>>()

/** The shortest way along a part's segments; only its two ends where no segments lead from one to the other. */
export function routeThrough(
  definition: AnyPart,
  enter: TerminalKey = definition.through[0],
  leave: TerminalKey = definition.through[1],
): Route {
  const routes = kept.get(definition) ?? new Map<string, Route>()
  kept.set(definition, routes)
  const name = `${enter}>${leave}`
  const known = routes.get(name)
  if (known) return known
  const found = search(definition, enter, leave)
  routes.set(name, found)
  return found
}

function search({ segments }: AnyPart, enter: TerminalKey, leave: TerminalKey): Route {
  const came = new Map<TerminalKey, { from: TerminalKey; by: Segment } | undefined>([[enter, undefined]])
  const queue = [enter]
  for (let here = queue.shift(); here !== undefined && here !== leave; here = queue.shift()) {
    for (const by of segments) {
      const [a, b] = by.between
      const next = a === here ? b : b === here ? a : undefined
      if (next === undefined || came.has(next)) continue
      came.set(next, { from: here, by })
      queue.push(next)
    }
  }
  if (!came.has(leave)) return { terminals: [enter, leave], segments: [] }
  const terminals = [leave]
  const passed: Segment[] = []
  for (let step = came.get(leave); step; step = came.get(step.from)) {
    terminals.unshift(step.from)
    passed.unshift(step.by)
  }
  return { terminals, segments: passed }
}
