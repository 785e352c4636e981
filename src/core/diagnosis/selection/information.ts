import type { Belief } from '../posterior/belief'

/** A board that stands for a part of what is left. */
export interface Representative {
  readonly weight: number
  /** The piece by a number, and how many numbers there are up to here. */
  readonly piece: number
  readonly pieces: number
  readonly x: number
  readonly index: number
}

const mostRepresentatives = 36

const outcome = new Int32Array(2 * mostRepresentatives)

const outcomeSlice = new Float64Array(2 * mostRepresentatives)

const outcomeWeight = new Float64Array(2 * mostRepresentatives)

const pairWeight = new Float64Array(2 * mostRepresentatives)

/** What is left, by few boards: the likeliest hypotheses, each at one or two sizes. */
export function representativesOf({ alive, total }: Belief): Representative[] {
  const sorted = [...alive].sort((p, q) => q.weight - p.weight)
  const representatives: Representative[] = []
  const numbers = new Map<string, number>()
  let covered = 0
  for (const { hypothesis, ranges, weight } of sorted) {
    if (representatives.length >= mostRepresentatives || covered > 0.97 * total) break
    covered += weight
    const [from, to] = [ranges[0]![0], ranges[ranges.length - 1]![1]]
    // Places of the grid where there are any, else quarters of its steps: boards that other steps ask for, too.
    const near = (x: number) => {
      const whole = Math.round(x)
      return whole >= from && whole <= to ? whole : Math.min(to, Math.max(from, Math.round(x * 4) / 4))
    }
    const xs =
      to - from > 2 ? [near(from + (to - from) / 4), near(to - (to - from) / 4)] : [near((from + to) / 2)]
    const name = hypothesis.pieces[0] ?? ''
    const piece = numbers.get(name) ?? numbers.size
    numbers.set(name, piece)
    for (const x of xs)
      representatives.push({
        weight: weight / xs.length,
        piece,
        pieces: numbers.size,
        x,
        index: hypothesis.index,
      })
  }
  return representatives
}

/** Bits that outcomes told apart by `slices` remove from the doubt about the piece (mutual information; Shannon 1948). */
export function informationOf(representatives: readonly Representative[], slices: Float64Array): number {
  const count = representatives.length
  // Outcomes and pieces by small numbers: this is asked of thousands of tests.
  let kinds = 0
  let total = 0
  outcomeWeight.fill(0, 0, count)
  for (let i = 0; i < count; i++) {
    const slice = slices[i]!
    if (Number.isNaN(slice)) {
      outcome[i] = -1
      continue
    }
    let k = 0
    while (k < kinds && outcomeSlice[k] !== slice) k++
    if (k === kinds) outcomeSlice[kinds++] = slice
    outcome[i] = k
    const { weight } = representatives[i]!
    outcomeWeight[k]! += weight
    total += weight
  }
  if (kinds < 2) return 0
  const entropyOf = (weight: number) => (weight > 0 ? -(weight / total) * Math.log2(weight / total) : 0)
  let bits = 0
  for (let k = 0; k < kinds; k++) bits += entropyOf(outcomeWeight[k]!)
  const pieces = representatives[count - 1]!.pieces
  for (let p = 0; p < pieces; p++) {
    pairWeight.fill(0, 0, kinds)
    let sum = 0
    for (let i = 0; i < count; i++) {
      if (representatives[i]!.piece !== p || outcome[i]! < 0) continue
      pairWeight[outcome[i]!]! += representatives[i]!.weight
      sum += representatives[i]!.weight
    }
    bits += entropyOf(sum)
    for (let k = 0; k < kinds; k++) bits -= entropyOf(pairWeight[k]!)
  }
  return Math.max(0, bits)
}
