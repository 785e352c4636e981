import { type Message, say } from '../document'

/** A bench in the workshop with what is planted there for the day. */
export interface Station {
  readonly name: string
  /** What is planted, by a name of its own: two benches with the same task are the same fault. */
  readonly task: string
  /** Family of the fault. */
  readonly family: string
}

/** Who goes together: one student, or a pair. */
export interface Group {
  readonly name: string
  /** Families that its people need first, by what they have shown so far; the most needed first. */
  readonly needs?: readonly string[]
}

/** `seats[g][r]`: the station at which group g works in round r, by its index; −1 where it has none. */
export type Seats = readonly (readonly number[])[]

export interface Rotation {
  readonly seats: Seats
  /** Nothing better is possible; otherwise the best that was found. */
  readonly best: boolean
  readonly broken: readonly Broken[]
}

/** A rule that a plan breaks: where, and in words. */
export interface Broken {
  readonly round: number
  readonly groups: readonly number[]
  readonly why: Message
}

/**
 * Rules that a plan breaks: nobody meets the same fault twice, no bench has two groups at once, nobody is without a bench,
 * and side by side there is never the same fault at the same time (benches stand in the order of the list).
 */
export function brokenRules(stations: readonly Station[], groups: readonly Group[], seats: Seats): Broken[] {
  const broken: Broken[] = []
  const rounds = Math.max(0, ...seats.map((row) => row.length))
  seats.forEach((row, g) => {
    const met = new Map<string, number>()
    row.forEach((seat, round) => {
      const station = stations[seat]
      if (!station) {
        broken.push({
          round,
          groups: [g],
          why: say('lab.nowhere', { round: round + 1, student: groups[g]!.name }),
        })
        return
      }
      const first = met.get(station.task)
      if (first === undefined) met.set(station.task, round)
      else
        broken.push({
          round,
          groups: [g],
          why: say('lab.twice', {
            student: groups[g]!.name,
            task: station.task,
            first: first + 1,
            second: round + 1,
          }),
        })
    })
  })
  for (let round = 0; round < rounds; round++) {
    const at = new Map<number, number[]>()
    seats.forEach((row, g) => {
      const seat = row[round] ?? -1
      if (seat >= 0) at.set(seat, [...(at.get(seat) ?? []), g])
    })
    for (const [seat, there] of at)
      if (there.length > 1)
        broken.push({
          round,
          groups: there,
          why: say('lab.double', { round: round + 1, station: stations[seat]!.name }),
        })
    for (let seat = 0; seat + 1 < stations.length; seat++) {
      const [a, b] = [at.get(seat), at.get(seat + 1)]
      if (!a || !b || stations[seat]!.task !== stations[seat + 1]!.task) continue
      broken.push({
        round,
        groups: [...a, ...b],
        why: say('lab.neighbours', {
          round: round + 1,
          a: stations[seat]!.name,
          b: stations[seat + 1]!.name,
          task: stations[seat]!.task,
        }),
      })
    }
  }
  return broken
}

/** Unevenness of one group's families, Σ count², and how late what it needs comes. */
function costOfGroup(
  stations: readonly Station[],
  { needs = [] }: Group,
  row: readonly number[],
): [number, number] {
  const counts = new Map<string, number>()
  for (const seat of row) {
    const station = stations[seat]
    if (station) counts.set(station.family, (counts.get(station.family) ?? 0) + 1)
  }
  let late = 0
  needs.forEach((family, rank) => {
    // What never comes is later than the last round; what stands nowhere cannot come.
    if (!stations.some((station) => station.family === family)) return
    const round = row.findIndex((seat) => stations[seat]?.family === family)
    late += (round < 0 ? row.length : round) / (1 + rank)
  })
  return [[...counts.values()].reduce((sum, n) => sum + n * n, 0), late]
}

/**
 * The least that Σ count² can be for anybody: families are met as evenly as the numbers of their tasks allow.
 * @param rounds how many
 * @returns sum of the squared counts
 */
export function leastUneven(stations: readonly Station[], rounds: number): number {
  const tasks = new Map<string, Set<string>>()
  for (const { family, task } of stations) tasks.set(family, (tasks.get(family) ?? new Set()).add(task))
  const most = [...tasks.values()].map((own) => own.size)
  const counts = most.map(() => 0)
  for (let r = 0; r < rounds; r++) {
    let next = -1
    counts.forEach((n, i) => {
      if (n < most[i]! && (next < 0 || n < counts[next]!)) next = i
    })
    if (next < 0) break
    counts[next]!++
  }
  return counts.reduce((sum, n) => sum + n * n, 0)
}

const price = { broken: 1000, uneven: 4, late: 0.2 }

/**
 * What a plan costs: rules that it breaks first, then families met unevenly, then needs met late.
 * @returns without unit; the lower the better, 0 for a plan without a flaw
 */
export function costOf(stations: readonly Station[], groups: readonly Group[], seats: Seats): number {
  let cost = price.broken * brokenRules(stations, groups, seats).length
  seats.forEach((row, g) => {
    const [uneven, late] = costOfGroup(stations, groups[g]!, row)
    cost += price.uneven * uneven + price.late * late
  })
  return cost
}

/**
 * Who works where in which round. Begins with a plan in which everybody goes on by a fixed number of benches, which meets
 * nobody twice where there are enough faults; then places are changed within rounds, and whole rounds, as long as that
 * helps. What is proven best says so: no rule broken, families as even as they can be, nothing needed.
 * @param tries changes that are tried, the same for the same `seed`
 * @param rounds how many
 */
export function rotate(
  stations: readonly Station[],
  groups: readonly Group[],
  rounds: number,
  { seed = 1, tries = 6000 }: { seed?: number; tries?: number } = {},
): Rotation {
  const count = stations.length
  const steps = Array.from({ length: Math.max(1, count - 1) }, (_, i) => i + 1)
  const plan = (step: number): number[][] =>
    groups.map((_, g) => Array.from({ length: rounds }, (_, r) => (g < count ? (g + r * step) % count : -1)))
  const starts = count ? steps.map(plan) : [groups.map(() => Array.from({ length: rounds }, () => -1))]
  let seats = starts.reduce((a, b) => (costOf(stations, groups, b) < costOf(stations, groups, a) ? b : a))
  let cost = costOf(stations, groups, seats)
  const least = price.uneven * groups.length * leastUneven(stations, rounds)
  let state = seed >>> 0 || 1
  const draw = (n: number): number => {
    // xorshift32 (Marsaglia 2003).
    state ^= state << 13
    state ^= state >>> 17
    state ^= state << 5
    return (state >>> 0) % n
  }
  for (let n = 0; n < tries && cost > least + 1e-9 && rounds > 0 && groups.length > 0 && count > 0; n++) {
    const next = seats.map((row) => [...row])
    const [g, r] = [draw(groups.length), draw(rounds)]
    if (draw(3) === 0 && rounds > 1) {
      // Two rounds of one group, if the others there make room.
      const other = (r + 1 + draw(rounds - 1)) % rounds
      for (const round of [r, other]) {
        const want = seats[g]![round === r ? other : r]!
        const h = seats.findIndex((row, i) => i !== g && row[round] === want)
        if (h >= 0) next[h]![round] = seats[g]![round]!
        next[g]![round] = want
      }
    } else {
      const want = draw(count)
      const h = seats.findIndex((row, i) => i !== g && row[r] === want)
      if (h >= 0) next[h]![r] = seats[g]![r]!
      next[g]![r] = want
    }
    const after = costOf(stations, groups, next)
    if (after <= cost) [seats, cost] = [next, after]
  }
  const broken = brokenRules(stations, groups, seats)
  return { seats, best: broken.length === 0 && cost <= least + 1e-9, broken }
}
