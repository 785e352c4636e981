/** One attempt at one fault: whether its student found it. */
export interface Response {
  /** Index of the student. */
  readonly student: number
  /** Index of the fault. */
  readonly fault: number
  readonly right: boolean
}

/** What was thought of a fault before anybody tried it. */
export interface Prior {
  /** Logits. */
  readonly difficulty: number
  /** Its standard deviation, logits; Infinity where nothing is known. */
  readonly spread: number
}

export interface FittedFault {
  /** Ability, in logits, at which half of the students find it. */
  readonly difficulty: number
  /** Standard deviation of the difficulty, logits. */
  readonly spread: number
  /** How sharply it parts able students from others; 1 is usual. */
  readonly discrimination: number
  readonly attempts: number
}
export interface Fit {
  readonly faults: readonly FittedFault[]
  /** Expected ability of each student, logits. */
  readonly abilities: readonly number[]
}

export interface FitOptions {
  /** Standard deviation of the logarithm of discriminations; Infinity: each is what its attempts say (common practice, no source). */
  readonly spreadOfDiscrimination?: number
  /** One for each fault; unknown unless given. */
  readonly priors?: readonly Prior[]
}

/** Steps of the grid of abilities, and how far it goes, logits. */
const nodes = 41
const farthest = 6
const grid = Float64Array.from({ length: nodes }, (_, q) => farthest * ((2 * q) / (nodes - 1) - 1))
/** Abilities are standard normal before anybody has tried anything. */
const logWeight = grid.map((ability) => -0.5 * ability * ability)
const mostRounds = 200
/** Change of a difficulty, in logits, below which the fit rests. */
const rests = 3e-4

/**
 * Two-parameter logistic model of item response: P(found) = 1 / (1 + e^(−a(θ − b))), ability θ of a student standard normal,
 * difficulty b and discrimination a of a fault by marginal maximum likelihood with the expectation–maximisation algorithm
 * (Bock and Aitkin, Psychometrika 46, 1981), with a normal prior on b and on ln a where one is given.
 * @param students how many there are
 * @param faults how many there are
 * @throws RangeError where a response names a student or a fault that there is not
 */
export function fitTwoParameter(
  responses: readonly Response[],
  students: number,
  faults: number,
  { spreadOfDiscrimination = 0.3, priors }: FitOptions = {},
): Fit {
  for (const { student, fault } of responses)
    if (!(student >= 0 && student < students && fault >= 0 && fault < faults))
      throw new RangeError('a response names a student or a fault that there is not')
  const of = byStudent(responses, students)
  const counts = new Int32Array(faults)
  for (const { fault } of responses) counts[fault] = counts[fault]! + 1
  const tightA = 1 / spreadOfDiscrimination ** 2
  const thought = Array.from({ length: faults }, (_, f): Thought => {
    const { difficulty = 0, spread = Infinity } = priors?.[f] ?? {}
    return { tightA, difficulty, tightB: 1 / spread ** 2 }
  })
  const expected = new Float64Array(faults * nodes)
  const right = new Float64Array(faults * nodes)
  const abilities = new Float64Array(students)
  let rounds = 0

  /** One round from `x` into `to`; answers how likely `x` is, as a logarithm. */
  const round = (x: Float64Array, to: Float64Array): number => {
    rounds++
    let likely = believeAll(of, logTable(x), expected, right, abilities)
    for (let f = 0; f < faults; f++) {
      likely -=
        0.5 * (tightA * x[f]! ** 2 + thought[f]!.tightB * (x[faults + f]! - thought[f]!.difficulty) ** 2)
      if (counts[f]) maximise(f, faults, expected, right, x, to, thought[f]!)
    }
    return likely
  }
  const start = new Float64Array(2 * faults)
  for (let f = 0; f < faults; f++) start[faults + f] = thought[f]!.difficulty
  const far = start.slice()
  let [x, first, second, next] = Array.from({ length: 4 }, () => start.slice()) as Four
  for (;;) {
    round(x, first)
    if (rounds >= mostRounds || apart(x, first, faults) < rests) break
    const likely = round(first, second)
    if (rounds >= mostRounds || apart(first, second, faults) < rests) {
      first = second
      break
    }
    leap(x, first, second, far)
    // What is less likely than what two plain rounds reached is no way forward.
    const better = round(far, next) >= likely
    ;[x, second, next] = better ? [next, second, x] : [second, x, next]
  }
  return {
    faults: Array.from({ length: faults }, (_, f) => {
      const [a, b] = [Math.exp(first[f]!), first[faults + f]!]
      return {
        difficulty: b,
        discrimination: a,
        attempts: counts[f]!,
        spread: spreadOf(f, expected, a, b, thought[f]!),
      }
    }),
    abilities: [...abilities],
  }
}

type Four = [Float64Array, Float64Array, Float64Array, Float64Array]

/** Priors of one fault as they are reckoned with: how tight each holds, 1 / spread². */
interface Thought {
  readonly tightA: number
  readonly difficulty: number
  readonly tightB: number
}

/** The most that a difficulty has moved. */
function apart(x: Float64Array, y: Float64Array, faults: number): number {
  let most = 0
  for (let f = faults; f < 2 * faults; f++) most = Math.max(most, Math.abs(x[f]! - y[f]!))
  return most
}

/**
 * As far as two plain rounds point, and on: the squared extrapolation of Varadhan and Roland (Scandinavian Journal of
 * Statistics 35, 2008, scheme S3). Plain rounds creep where abilities and difficulties shift together.
 */
function leap(x: Float64Array, first: Float64Array, second: Float64Array, into: Float64Array): void {
  let [steps, turns] = [0, 0]
  for (let i = 0; i < x.length; i++) {
    const step = first[i]! - x[i]!
    steps += step * step
    turns += (second[i]! - first[i]! - step) ** 2
  }
  const length = Math.max(1, Math.sqrt(steps / (turns || 1)))
  const half = x.length / 2
  for (let i = 0; i < x.length; i++) {
    const step = first[i]! - x[i]!
    const turn = second[i]! - first[i]! - step
    const to = x[i]! + 2 * length * step + length * length * turn
    into[i] =
      i < half ? within(to, Math.log(flattest), Math.log(sharpest)) : within(to, -2 * farthest, 2 * farthest)
  }
}

/** Responses one student after the other, in flat arrays: they are gone through a hundred times. */
interface ByStudent {
  /** Where each student's begin; one more than there are students. */
  readonly from: Int32Array
  readonly fault: Int32Array
  readonly right: Uint8Array
}

function byStudent(responses: readonly Response[], students: number): ByStudent {
  const from = new Int32Array(students + 1)
  for (const { student } of responses) from[student + 1] = from[student + 1]! + 1
  for (let s = 0; s < students; s++) from[s + 1] = from[s + 1]! + from[s]!
  const next = from.slice()
  const fault = new Int32Array(responses.length)
  const right = new Uint8Array(responses.length)
  for (const one of responses) {
    const at = next[one.student]!
    next[one.student] = at + 1
    fault[at] = one.fault
    right[at] = Number(one.right)
  }
  return { from, fault, right }
}

const chance = (a: number, b: number, ability: number): number => 1 / (1 + Math.exp(-a * (ability - b)))

/** Logarithms of found and of not found, by fault and node. */
function logTable(x: Float64Array) {
  const faults = x.length / 2
  const found = new Float64Array(faults * nodes)
  const missed = new Float64Array(faults * nodes)
  for (let f = 0; f < faults; f++) {
    const a = Math.exp(x[f]!)
    for (let q = 0; q < nodes; q++) {
      const p = Math.min(1 - 1e-12, Math.max(1e-12, chance(a, x[faults + f]!, grid[q]!)))
      found[f * nodes + q] = Math.log(p)
      missed[f * nodes + q] = Math.log(1 - p)
    }
  }
  return { found, missed }
}

/** Believed less than this of an ability adds nothing to what is expected. */
const leastBelief = 1e-12

/**
 * What is believed of every student's ability: its mean into `abilities`, and how many are expected at each node to try a fault
 * and to find it.
 * @returns logarithm of how likely all responses are
 */
function believeAll(
  of: ByStudent,
  { found, missed }: ReturnType<typeof logTable>,
  expected: Float64Array,
  right: Float64Array,
  abilities: Float64Array,
): number {
  expected.fill(0)
  right.fill(0)
  const posterior = new Float64Array(nodes)
  let likely = 0
  for (let s = 0; s < abilities.length; s++) {
    const [begin, end] = [of.from[s]!, of.from[s + 1]!]
    posterior.set(logWeight)
    for (let i = begin; i < end; i++) {
      const table = of.right[i] ? found : missed
      const at = of.fault[i]! * nodes
      for (let q = 0; q < nodes; q++) posterior[q] = posterior[q]! + table[at + q]!
    }
    let most = -Infinity
    for (let q = 0; q < nodes; q++) most = Math.max(most, posterior[q]!)
    let [sum, mean] = [0, 0]
    for (let q = 0; q < nodes; q++) {
      const p = Math.exp(posterior[q]! - most)
      posterior[q] = p
      sum += p
      mean += p * grid[q]!
    }
    abilities[s] = mean / sum
    likely += most + Math.log(sum)
    let [low, high] = [0, nodes]
    while (posterior[low]! < leastBelief * sum) low++
    while (posterior[high - 1]! < leastBelief * sum) high--
    for (let q = low; q < high; q++) posterior[q] = posterior[q]! / sum
    for (let i = begin; i < end; i++) {
      const at = of.fault[i]! * nodes
      for (let q = low; q < high; q++) expected[at + q] = expected[at + q]! + posterior[q]!
      if (of.right[i]) for (let q = low; q < high; q++) right[at + q] = right[at + q]! + posterior[q]!
    }
  }
  return likely
}

const mostSteps = 12
/** Discriminations stay within these. */
const flattest = 0.1
const sharpest = 5

/** Newton's method on (ln a, b) of fault `f`, with the expected counts, from `x` into `to`. */
function maximise(
  f: number,
  faults: number,
  expected: Float64Array,
  right: Float64Array,
  x: Float64Array,
  to: Float64Array,
  { tightA, difficulty, tightB }: Thought,
): void {
  let [logA, b] = [x[f]!, x[faults + f]!]
  for (let n = 0; n < mostSteps; n++) {
    const a = Math.exp(logA)
    let [gA, gB, hAA, hBB, hAB] = [-tightA * logA, -tightB * (b - difficulty), tightA, tightB, 0]
    for (let q = 0; q < nodes; q++) {
      const count = expected[f * nodes + q]!
      if (count === 0) continue
      const p = chance(a, b, grid[q]!)
      const off = right[f * nodes + q]! - count * p
      const steep = count * p * (1 - p)
      // z = a(θ − b): its slopes along ln a and b.
      const [zA, zB] = [a * (grid[q]! - b), -a]
      gA += off * zA
      gB += off * zB
      // Expected information: always positive, so that every step climbs.
      hAA += steep * zA * zA
      hBB += steep * zB * zB
      hAB += steep * zA * zB
    }
    const det = hAA * hBB - hAB * hAB
    if (!(det > 1e-12)) break
    const stepA = within((gA * hBB - gB * hAB) / det, -1, 1)
    const stepB = within((gB * hAA - gA * hAB) / det, -1, 1)
    logA = within(logA + stepA, Math.log(flattest), Math.log(sharpest))
    b = within(b + stepB, -2 * farthest, 2 * farthest)
    if (Math.abs(stepA) + Math.abs(stepB) < 1e-6) break
  }
  to[f] = logA
  to[faults + f] = b
}

const within = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, value))

/** By the information that the attempts and the prior hold. */
function spreadOf(f: number, expected: Float64Array, a: number, b: number, { tightB }: Thought): number {
  let information = tightB
  for (let q = 0; q < nodes; q++) {
    const p = chance(a, b, grid[q]!)
    information += expected[f * nodes + q]! * a * a * p * (1 - p)
  }
  return information > 0 ? 1 / Math.sqrt(information) : Infinity
}
