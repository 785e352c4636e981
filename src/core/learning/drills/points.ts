import type { CircuitState } from '../../circuit'
import type { Point, Stride, Walk } from '../../model'
import type { DrillBench } from './bench'
import type { Draw } from './draw'

/** Points of a walk that leads reach, in its order, each once. */
export const reachable = ({ points }: Walk): readonly Point[] =>
  points.filter((point, i) => !point.inside && points.findIndex(({ node }) => node === point.node) === i)

/** A side of a walk, from the source to the load or back, between points that leads reach. */
export const sideOf = ({ strides }: Walk, side: Stride['side']): readonly Stride[] =>
  strides.filter((stride) => stride.side === side)

/** A way of the circuit whose load runs in some state, with one of these states. */
export function drawRunning(bench: DrillBench, draw: Draw): { walk: Walk; state: CircuitState } | undefined {
  const walk = draw.one(bench.walks)
  const state = walk && draw.one(bench.running(walk))
  return walk && state ? { walk, state } : undefined
}

/** Two different points of one side, in the order of the current. */
export function drawOnSide(walk: Walk, draw: Draw): readonly [Point, Point] | undefined {
  const side = sideOf(walk, draw.one(['feed', 'return'] as const)!)
  const own = [side[0]?.from, ...side.map(({ to }) => to)].filter(
    (point) => point && !point.inside,
  ) as Point[]
  if (own.length < 2) return undefined
  const from = draw.below(own.length - 1)
  const to = from + 1 + draw.below(own.length - from - 1)
  const [red, black] = [own[from]!, own[to]!]
  return red.node === black.node ? undefined : [red, black]
}

/** What stands for the battery's negative post. */
export const minusOf = ({ points }: Walk): Point => points.at(-1)!
export const plusOf = ({ points }: Walk): Point => points[0]!
