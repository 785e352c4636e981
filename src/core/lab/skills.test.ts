import { describe, expect, it } from 'vitest'
import {
  evidenceOf,
  levelOf,
  levelsOf,
  needsOf,
  nextOf,
  ready,
  reliability,
  rotate,
  skillKeys,
  topicsOf,
  type Evidence,
} from '.'
import type { Fault } from '../faults'
import { Predictor } from '../diagnosis'
import { complaintOf, Student } from '../../../test/students'
import { demoCircuit } from '../../../test/demo'

const seen = (shares: readonly number[], age = 0): Evidence[] =>
  shares.map((share) => ({ skill: 'drops', share, weight: 1, age }))

describe('what a person can do', () => {
  it('is the closed form of a Beta distribution with what was seen counted in', () => {
    // Eight right and two wrong: Beta(9, 3), mean 9/12, variance 27/(144·13).
    const { level, spread, evidence, thin } = levelOf(seen([1, 1, 1, 1, 1, 1, 1, 1, 0, 0]))
    expect(level).toBeCloseTo(0.75, 12)
    expect(spread).toBeCloseTo(Math.sqrt(27 / (144 * 13)), 12)
    expect(evidence).toBe(10)
    expect(thin).toBe(false)
  })

  it('is half known from nothing, and says that it is thin', () => {
    expect(levelOf([])).toMatchObject({ level: 0.5, evidence: 0, thin: true })
    expect(levelOf(seen([1]))).toMatchObject({ thin: true })
  })

  it('fades: after sixty days a reading of it counts half', () => {
    expect(levelOf(seen([1, 1], 60))).toEqual(levelOf([{ skill: 'drops', share: 1, weight: 1, age: 0 }]))
    expect(levelOf(seen([1, 1, 1], 600)).level).toBeLessThan(0.51)
  })

  it('takes its topics from what was planted and where', () => {
    const topics = (name: string, fault: Fault) => topicsOf(demoCircuit(name), [fault]).sort()
    const bad = (part: string, segment: string): Fault => ({
      kind: 'highResistance',
      part,
      segment,
      severity: 1,
    })
    expect(topics('sweeper-work-lamp', bad('G1', 'foot'))).toEqual(['drops', 'grounds'])
    expect(topics('van-cooling-fan', { kind: 'open', part: 'K1', segment: 'coil' })).toEqual([
      'opens',
      'relays',
    ])
    expect(topics('van-starting', bad('W1', 'copper'))).toEqual(['drops'])
    expect(topics('sweeper-module-powers', { kind: 'outputDead', part: 'N1', segment: 'high1' })).toEqual([
      'modules',
    ])
  })

  it('grows with a textbook attempt, in every way of working that it shows', () => {
    const circuit = demoCircuit('sweeper-work-lamp')
    const planted: Fault[] = [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }]
    const { arrangement, complaint } = complaintOf(circuit, planted)!
    const student = new Student(circuit, planted, arrangement, complaint)
    student.work()
    const judged = student.attempt.judged(new Predictor(circuit))
    const levels = levelsOf([0, 1, 2].flatMap((age) => evidenceOf(circuit, planted, judged, age)))
    for (const skill of ['drops', 'meter', 'prediction', 'inference', 'proof', 'safety'] as const)
      expect(levels[skill].level, skill).toBeGreaterThan(0.7)
    expect(levels.shorts).toMatchObject({ level: 0.5, thin: true })
    expect(ready(levels.drops)).toBe(true)
    // What nobody has seen comes before what is known.
    expect(nextOf(levels).at(-1)).toBe('drops')
    expect(Object.keys(levels)).toEqual(skillKeys)
  })

  it('holds what somebody was sure of against what was true', () => {
    const said = [
      { sure: 90, right: true, count: 1 },
      { sure: 100, right: false, count: 1 },
      { sure: 30, right: false, count: 3 },
    ]
    expect(reliability(said)).toEqual([
      { from: 20, to: 40, sure: 30, right: 0, count: 3 },
      { from: 80, to: 100, sure: 95, right: 50, count: 2 },
    ])
    expect(reliability([])).toEqual([])
  })
})

describe('what a group needs', () => {
  it('is the first of each of its people before the second of any, as families of faults', () => {
    expect(
      needsOf([
        ['drops', 'relays'],
        ['shorts', 'drops'],
      ]),
    ).toEqual(['resistance', 'shorts', 'switching'])
    expect(needsOf([[], ['safety']])).toEqual([])
  })

  it('comes in the first round where the benches allow it', () => {
    const stands = ['Opens', 'High resistance', 'Shorts'].map((family, i) => ({
      name: `Bench ${i + 1}`,
      task: `task ${i}`,
      family,
    }))
    const needs = [['Shorts'], ['Opens'], ['High resistance']]
    const { seats, broken } = rotate(
      stands,
      needs.map((own, g) => ({ name: `Group ${g}`, needs: own })),
      2,
    )
    expect(broken).toEqual([])
    expect(seats.map((row) => stands[row[0]!]!.family)).toEqual(['Shorts', 'Opens', 'High resistance'])
  })
})
