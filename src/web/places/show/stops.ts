import { lossesOf, type StateKey } from '../../../core/readings'

/** A point along the path on the wall, healthy and faulted: its volts, and what is lost up to it. */
export interface Stop {
  readonly name: string
  readonly healthy: number | undefined
  readonly faulted: number | undefined
  readonly lost: { readonly healthy: number | undefined; readonly faulted: number | undefined }
}

const voltsAt = (key: StateKey | null, name: string) =>
  key?.points.find((point) => point.name === name && !point.inside)?.value

/** What each side of a path has lost up to its points, by name: from each post of the battery towards the load. */
function lossesAt(key: StateKey | null, path: number): ReadonlyMap<string, number | undefined> {
  const [walk, balance] = [key?.walks[path], key?.balances[path]]
  if (!walk || !balance) return new Map()
  const { feed, back } = lossesOf(walk, balance)
  return new Map([
    ...feed.slice(0, 1).map(({ from }) => [from, 0] as const),
    ...feed.map(({ to, total }) => [to, total] as const),
    ...back.slice(0, 1).map(({ to }) => [to, 0] as const),
    ...back.map(({ from, total }) => [from, total] as const),
  ])
}

/**
 * The points of a path that are asked for, with what stands at each.
 * @param names in the order in which they are asked
 * @param path which of the circuit’s paths
 */
export function stopsOf(
  names: readonly string[],
  path: number,
  healthy: StateKey | null,
  faulted: StateKey | null,
): Stop[] {
  const lost = { healthy: lossesAt(healthy, path), faulted: lossesAt(faulted, path) }
  return names.map((name) => ({
    name,
    healthy: voltsAt(healthy, name),
    faulted: voltsAt(faulted, name),
    lost: { healthy: lost.healthy.get(name), faulted: lost.faulted.get(name) },
  }))
}
