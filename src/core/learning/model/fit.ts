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
  const grid = Array.from({ length: nodes }, (_, q) => farthest * ((2 * q) / (nodes - 1) - 1))
  const logWeight = Float64Array.from(grid, (x) => -0.5 * x * x)
  const a = new Float64Array(faults).fill(1)
  const b = Float64Array.from({ length: faults }, (_, f) => priors?.[f]?.difficulty ?? 0)
  const counts = new Int32Array(faults)
  for (const { fault } of responses) counts[fault] = counts[fault]! + 1
  const of = byStudent(responses, students)
  const expected = new Float64Array(faults * nodes)
  const right = new Float64Array(faults * nodes)
  const posterior = new Float64Array(nodes)
  const abilities = new Float64Array(students)

  for (let round = 0; round < mostRounds; round++) {
    expected.fill(0)
    right.fill(0)
    const logs = logTable(grid, a, b)
    for (let s = 0; s < students; s++) {
      abilities[s] = believe(of, s, grid, logWeight, logs, posterior)
      for (let i = of.from[s]!; i < of.from[s + 1]!; i++) {
        const at = of.fault[i]! * nodes
        for (let q = 0; q < nodes; q++) expected[at + q] = expected[at + q]! + posterior[q]!
        if (of.right[i]) for (let q = 0; q < nodes; q++) right[at + q] = right[at + q]! + posterior[q]!
      }
    }
    let moved = 0
    for (let f = 0; f < faults; f++) {
      if (!counts[f]) continue
      const before = b[f]!
      ;[a[f], b[f]] = maximise(f, grid, expected, right, a[f]!, before, spreadOfDiscrimination, priors?.[f])
      moved = Math.max(moved, Math.abs(b[f]! - before))
    }
    if (moved < rests) break
  }
  return {
    faults: Array.from({ length: faults }, (_, f) => ({
      difficulty: b[f]!,
      discrimination: a[f]!,
      attempts: counts[f]!,
      spread: spreadOf(f, grid, expected, a[f]!, b[f]!, priors?.[f]),
    })),
    abilities: [...abilities],
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
function logTable(grid: readonly number[], a: Float64Array, b: Float64Array) {
  const found = new Float64Array(a.length * nodes)
  const missed = new Float64Array(a.length * nodes)
  for (let f = 0; f < a.length; f++)
    for (let q = 0; q < nodes; q++) {
      const p = Math.min(1 - 1e-12, Math.max(1e-12, chance(a[f]!, b[f]!, grid[q]!)))
      found[f * nodes + q] = Math.log(p)
      missed[f * nodes + q] = Math.log(1 - p)
    }
  return { found, missed }
}

/** What is believed of one student's ability, into `posterior`; answers its mean. */
function believe(
  of: ByStudent,
  student: number,
  grid: readonly number[],
  logWeight: Float64Array,
  { found, missed }: ReturnType<typeof logTable>,
  posterior: Float64Array,
): number {
  posterior.set(logWeight)
  for (let i = of.from[student]!; i < of.from[student + 1]!; i++) {
    const table = of.right[i] ? found : missed
    const at = of.fault[i]! * nodes
    for (let q = 0; q < nodes; q++) posterior[q] = posterior[q]! + table[at + q]!
  }
  let most = -Infinity
  for (let q = 0; q < nodes; q++) most = Math.max(most, posterior[q]!)
  let sum = 0
  let mean = 0
  for (let q = 0; q < nodes; q++) {
    const p = Math.exp(posterior[q]! - most)
    posterior[q] = p
    sum += p
    mean += p * grid[q]!
  }
  for (let q = 0; q < nodes; q++) posterior[q] = posterior[q]! / sum
  return mean / sum
}

const mostSteps = 12
/** Discriminations stay within these. */
const flattest = 0.1
const sharpest = 5

/** Newton's method on (ln a, b) of one fault, with the expected counts. */
function maximise(
  f: number,
  grid: readonly number[],
  expected: Float64Array,
  right: Float64Array,
  a0: number,
  b0: number,
  spreadOfDiscrimination: number,
  prior: Prior | undefined,
): [a: number, b: number] {
  let [logA, b] = [Math.log(a0), b0]
  const tightA = 1 / spreadOfDiscrimination ** 2
  const tightB = prior && Number.isFinite(prior.spread) ? 1 / prior.spread ** 2 : 0
  for (let n = 0; n < mostSteps; n++) {
    const a = Math.exp(logA)
    let [gA, gB, hAA, hBB, hAB] = [
      -tightA * logA,
      -tightB * (b - (prior?.difficulty ?? 0)),
      tightA,
      tightB,
      0,
    ]
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
    const stepA = clip((gA * hBB - gB * hAB) / det)
    const stepB = clip((gB * hAA - gA * hAB) / det)
    logA = Math.min(Math.log(sharpest), Math.max(Math.log(flattest), logA + stepA))
    b = Math.min(2 * farthest, Math.max(-2 * farthest, b + stepB))
    if (Math.abs(stepA) + Math.abs(stepB) < 1e-6) break
  }
  return [Math.exp(logA), b]
}

const clip = (step: number): number => Math.min(1, Math.max(-1, step))

/** By the information that the attempts and the prior hold. */
function spreadOf(
  f: number,
  grid: readonly number[],
  expected: Float64Array,
  a: number,
  b: number,
  prior: Prior | undefined,
): number {
  let information = prior && Number.isFinite(prior.spread) ? 1 / prior.spread ** 2 : 0
  for (let q = 0; q < nodes; q++) {
    const p = chance(a, b, grid[q]!)
    information += expected[f * nodes + q]! * a * a * p * (1 - p)
  }
  return information > 0 ? 1 / Math.sqrt(information) : Infinity
}
