import { describe, expect, it } from 'vitest'
import { fitTwoParameter, type Response } from './fit'

/** A generator of its own, so that the same comes each time (Park and Miller, Communications of the ACM 31, 1988). */
function generator(seed: number) {
  let state = seed
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647
  const normal = () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next())
  return { next, normal }
}

/**
 * Section 6 of the Law School Admission Test: five items, a thousand people, by how many showed each pattern (Bock and
 * Lieberman, Psychometrika 35, 1970; the counts from memory).
 */
const patterns: Readonly<Record<string, number>> = {
  '00000': 3,
  '00001': 6,
  '00010': 2,
  '00011': 11,
  '00100': 1,
  '00101': 1,
  '00110': 3,
  '00111': 4,
  '01000': 1,
  '01001': 8,
  '01011': 16,
  '01101': 3,
  '01110': 2,
  '01111': 15,
  '10000': 10,
  '10001': 29,
  '10010': 14,
  '10011': 81,
  '10100': 3,
  '10101': 28,
  '10110': 15,
  '10111': 80,
  '11000': 16,
  '11001': 56,
  '11010': 21,
  '11011': 173,
  '11100': 11,
  '11101': 61,
  '11110': 28,
  '11111': 298,
}

describe('the two-parameter logistic fit', () => {
  it('agrees with the published estimates of the LSAT example', () => {
    const responses: Response[] = []
    let students = 0
    for (const [pattern, count] of Object.entries(patterns))
      for (let n = 0; n < count; n++) {
        for (const [fault, one] of [...pattern].entries())
          responses.push({ student: students, fault, right: one === '1' })
        students++
      }
    expect(students).toBe(1000)
    const fit = fitTwoParameter(responses, students, 5, { spreadOfDiscrimination: Infinity })
    // Rizopoulos, Journal of Statistical Software 17 (5), 2006, for the same data; from memory.
    const published = [
      [-3.36, 0.825],
      [-1.37, 0.723],
      [-0.28, 0.89],
      [-1.866, 0.689],
      [-3.124, 0.657],
    ] as const
    for (const [i, [difficulty, discrimination]] of published.entries()) {
      expect(fit.faults[i]!.difficulty).toBeCloseTo(difficulty, 1)
      expect(fit.faults[i]!.discrimination).toBeCloseTo(discrimination, 1)
    }
  })

  it('finds known difficulties again: four hundred students, sixty faults, nine in ten within 0.3 logit', () => {
    // One draw of sixty is a matter of luck, from 49 to 60 of them: six are counted together.
    const seeds = [1, 2, 3, 4, 5, 6]
    let near = 0
    for (const seed of seeds) {
      const { next, normal } = generator(7919 * seed)
      const abilities = Array.from({ length: 400 }, normal)
      const faults = Array.from({ length: 60 }, () => ({ b: 1.2 * normal(), a: Math.exp(0.25 * normal()) }))
      const responses = abilities.flatMap((ability, student) =>
        faults.map(({ a, b }, fault) => ({
          student,
          fault,
          right: next() < 1 / (1 + Math.exp(-a * (ability - b))),
        })),
      )
      // What is computed beforehand is off by chance, as it will be.
      const priors = faults.map(({ b }) => ({ difficulty: b + 0.8 * normal(), spread: 0.8 }))
      const fit = fitTwoParameter(responses, 400, 60, { priors })
      near += faults.filter(({ b }, i) => Math.abs(fit.faults[i]!.difficulty - b) <= 0.3).length
      // Abilities are in the order of what they were.
      const order = abilities.map((_, i) => i).toSorted((p, q) => abilities[p]! - abilities[q]!)
      const mean = (of: readonly number[]) => of.reduce((sum, i) => sum + fit.abilities[i]!, 0) / of.length
      expect(mean(order.slice(-100)) - mean(order.slice(0, 100))).toBeGreaterThan(1.8)
    }
    expect(near / (60 * seeds.length)).toBeGreaterThanOrEqual(0.9)
  })

  it('stays at what was computed beforehand while nobody has tried it, and leaves it as attempts come in', () => {
    const prior = { difficulty: 1.5, spread: 0.8 }
    const untried = fitTwoParameter([], 1, 1, { priors: [prior] }).faults[0]!
    expect(untried).toMatchObject({ difficulty: 1.5, attempts: 0 })
    expect(untried.spread).toBeCloseTo(0.8, 6)
    const found = (n: number) =>
      fitTwoParameter(
        Array.from({ length: n }, (_, student) => ({ student, fault: 0, right: true })),
        n,
        1,
        { priors: [prior] },
      ).faults[0]!
    expect(found(3).difficulty).toBeLessThan(1.5)
    expect(found(30).difficulty).toBeLessThan(found(3).difficulty)
    expect(found(30).spread).toBeLessThan(found(3).spread)
  })

  it('says that a fault is a bad question where strong and weak miss it alike', () => {
    const { next, normal } = generator(7)
    const abilities = Array.from({ length: 300 }, normal)
    const responses = abilities.flatMap((ability, student) =>
      Array.from({ length: 10 }, (_, fault) => ({
        student,
        fault,
        right: next() < (fault === 0 ? 0.5 : 1 / (1 + Math.exp(-1.2 * ability))),
      })),
    )
    const { faults } = fitTwoParameter(responses, 300, 10)
    const others = faults.slice(1).map(({ discrimination }) => discrimination)
    expect(faults[0]!.discrimination).toBeLessThan(0.6 * Math.min(...others))
  })

  it('refuses a response to nothing', () => {
    expect(() => fitTwoParameter([{ student: 0, fault: 2, right: true }], 1, 1)).toThrow(RangeError)
  })
})
