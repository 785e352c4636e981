import type { CurveValue, Element, OperatingPoint } from '../solve'

/** A nonlinear element of less than this (S) passes next to nothing on: it stands for itself. */
const leastSlope = 1e-9

/**
 * Elements in series, as in most of a harness: between them lie nodes at which nothing else is joined. A tolerance anywhere
 * in such a run is a small source of volts in it, and moves everything outside the run as the same volts anywhere else in
 * it would; inside, only the nodes between the two places differ, by those volts.
 */
export interface Series {
  /** How many runs have a tolerance in them. */
  readonly count: number
  /** Where each run's tolerances begin among all; one entry more for the end. */
  readonly first: Int32Array
  /** Place of each tolerance in its run, from 1 at the run's beginning. */
  readonly place: Int32Array
  /** Volts of each tolerance, or amps over `amps` of a run of one element. */
  readonly share: Float64Array
  /** Sums over each run of |share| and of its square. */
  readonly sum: Float64Array
  readonly squares: Float64Array
  /** Per run: amps driven out of node `b` into node `a` that stand for one volt at place `driven`. */
  readonly a: Int32Array
  readonly b: Int32Array
  readonly amps: Float64Array
  readonly driven: Int32Array
  /** Per node: the run inside which it lies, −1 for none, and its place there: after the element of that place. */
  readonly run: Int32Array
  readonly at: Int32Array
}

/** What the tolerance of an element drives through it, A; 0 for none. */
export const toleranceAmps = (element: Element, amps: number): number => {
  const { tolerance } = element
  if (!tolerance) return 0
  return element.type === 'source' ? tolerance / element.ohms : amps * tolerance
}

/**
 * Finds the runs of a network at its operating point.
 * @param nodeCount nodes, the reference included
 */
export function seriesOf(
  { nodeCount, elements }: { readonly nodeCount: number; readonly elements: readonly Element[] },
  { voltage, current }: OperatingPoint,
): Series {
  const size = elements.length
  const siemens = siemensOf(elements, voltage)
  // The sum of both elements' numbers at a node of two: taking one away leaves the other.
  const joined = new Int32Array(nodeCount)
  const degree = new Int32Array(nodeCount)
  degree[0] = 3
  for (let i = 0; i < size; i++) {
    const { a, b } = elements[i]!
    const g = siemens[i]!
    if (g === 0) continue
    const ends = g > 0 && a !== b ? 1 : 3
    degree[a]! += ends
    degree[b]! += ends
    joined[a]! += i
    joined[b]! += i
  }
  const a = new Int32Array(size)
  const b = new Int32Array(size)
  const driven = new Int32Array(size)
  const place = new Int32Array(size)
  const amps = new Float64Array(size)
  const share = new Float64Array(size)
  const sum = new Float64Array(size)
  const squares = new Float64Array(size)
  const first = new Int32Array(size + 1)
  const run = new Int32Array(nodeCount).fill(-1)
  const at = new Int32Array(nodeCount)
  const done = new Uint8Array(size)
  let count = 0
  let held = 0

  for (let i = 0; i < size; i++) {
    const own = elements[i]!
    if (done[i] || toleranceAmps(own, current[i]!) === 0) continue
    if (degree[own.a] !== 2 && degree[own.b] !== 2) {
      done[i] = 1
      a[count] = own.a
      b[count] = own.b
      amps[count] = toleranceAmps(own, current[i]!)
      sum[count] = squares[count] = share[held] = driven[count] = place[held] = 1
      held++
      first[++count] = held
      continue
    }
    // Back to where the run begins, and from there to its end.
    let element = i
    let from = own.a
    while (degree[from] === 2) {
      const next = joined[from]! - element
      if (next === i) break
      element = next
      from = elements[next]!.a === from ? elements[next]!.b : elements[next]!.a
    }
    let most = Infinity
    for (let k = 1; !done[element]; k++) {
      done[element] = 1
      const it = elements[element]!
      const to = it.a === from ? it.b : it.a
      const g = siemens[element]!
      const shift = toleranceAmps(it, current[element]!)
      if (shift !== 0) {
        const volts = shift / g
        share[held] = volts
        place[held++] = k
        sum[count]! += Math.abs(volts)
        squares[count]! += volts * volts
      }
      // Where the most ohms are, one volt drives the fewest amps: that rounds the least.
      if (g < most) {
        most = g
        amps[count] = g
        a[count] = to
        b[count] = from
        driven[count] = k
      }
      if (degree[to] !== 2) break
      const next = joined[to]! - element
      if (done[next]) break
      run[to] = count
      at[to] = k
      from = to
      element = next
    }
    first[++count] = held
  }
  return { count, first, place, share, sum, squares, a, b, amps, driven, run, at }
}

/** Siemens of each element at its operating point; 0 of an open one, less than 0 of what no run may go through. */
function siemensOf(elements: readonly Element[], voltage: Float64Array): Float64Array {
  const siemens = new Float64Array(elements.length)
  const value: CurveValue = { current: 0, slope: 0 }
  for (let i = 0; i < siemens.length; i++) {
    const element = elements[i]!
    if (element.type === 'resistor' || element.type === 'source') siemens[i] = 1 / element.ohms
    else if (element.type === 'nonlinear') {
      element.law.at(voltage[element.a]! - voltage[element.b]!, value)
      siemens[i] = value.slope > leastSlope ? value.slope : -1
    } else siemens[i] = -1
  }
  return siemens
}
