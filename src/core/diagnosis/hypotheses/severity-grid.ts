import { faultOfKind, type Fault } from '../../faults'
import type { Hypothesis } from './hypothesis'
import { oddSeverity } from './priors'

/** A planted severity has a place of its own on the grid. */
export const withValue = (grid: readonly number[], value: number): readonly number[] =>
  grid.length === 0 || grid.includes(value) ? grid : [...grid, value].sort((p, q) => p - q)

/**
 * The severity at x: between two values of the grid on a log scale.
 * @param x place on the grid, from 0
 * @returns severity in the unit of its kind
 */
export function severityAt(grid: readonly number[], x: number): number {
  const i = Math.min(grid.length - 2, Math.max(0, Math.floor(x)))
  const [low, high] = [grid[i]!, grid[i + 1]!]
  const share = x - i
  if (share === 0) return low
  if (share === 1) return high
  return low > 0 ? low * (high / low) ** share : low + (high - low) * share
}

/** All faults of a hypothesis at x. */
export const faultsAt = (
  hypothesis: Pick<Hypothesis, 'fault' | 'grid' | 'beside'>,
  x: number,
): readonly Fault[] => {
  const own = faultAt(hypothesis, x)
  return [...(own ? [own] : []), ...(hypothesis.beside ? [hypothesis.beside] : [])]
}

/**
 * The exact fault of a hypothesis at x; undefined for the sound circuit.
 * @param x place on the grid, from 0
 */
export const faultAt = ({ fault, grid }: Pick<Hypothesis, 'fault' | 'grid'>, x: number): Fault | undefined =>
  fault && grid.length ? { ...fault, severity: severityAt(grid, x) } : fault

/**
 * Where on the grid a severity lies.
 * @param severity in the unit of its kind
 * @returns x, from 0 to the last place of the grid
 */
export function placeOnGrid(grid: readonly number[], severity: number): number {
  const i = grid.findIndex((value) => value >= severity)
  if (i <= 0) return i < 0 ? grid.length - 1 : 0
  const [low, high] = [grid[i - 1]!, grid[i]!]
  if (severity === high) return i
  return i - 1 + (low > 0 ? Math.log(severity / low) / Math.log(high / low) : (severity - low) / (high - low))
}

/**
 * Share of a range of x that is left, odd severities counted as little as they are met.
 * @returns share, 0 to 1
 */
export function widthOf({ grid, fault }: Hypothesis, ranges: readonly (readonly [number, number])[]): number {
  if (grid.length < 2) return ranges.length ? 1 : 0
  const usual = fault && faultOfKind(fault.kind).severity?.usual
  const whole = grid.length - 1
  let sum = 0
  for (const [a, b] of ranges) {
    if (!usual) {
      sum += b - a
      continue
    }
    const [from, to] = [placeOnGrid(grid, usual[0]), placeOnGrid(grid, usual[1])]
    const inside = Math.max(0, Math.min(b, to) - Math.max(a, from))
    sum += inside + oddSeverity * (b - a - inside)
  }
  // A size that is known to a hundredth of its range is still that fault; one that fits at a single point hardly is.
  return ranges.length ? Math.max(sum / whole, sum > 0 ? 0.01 : 0.0003) : 0
}
