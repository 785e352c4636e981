import { describe, expect, it } from 'vitest'
import { Predictor } from '../diagnosis'
import { findPieces, piecesOf } from '../model'
import { type Circuit } from '../circuit'
import { describeFault, possibleFaults, type Fault } from '../faults'
import type { JudgedAttempt } from '.'
import { complaintOf, guess, habits, Student } from '../../../test/students'
import { demoCircuit, demoNames } from '../../../test/demo'

/** Every so-many-th fault in every run; all of them, with every habit, in a campaign. */
const campaign = process.env.BRACHYON_CAMPAIGN !== undefined
const every = campaign ? 1 : 37
const names = campaign
  ? demoNames
  : ['sweeper-work-lamp', 'van-cooling-fan', 'gritter-spinner', 'sweeper-side-harness', 'bench-drop-board']

interface Marked {
  readonly name: string
  readonly total: number
  readonly judged: JudgedAttempt
}

const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length
const offset = (name: string) =>
  campaign ? 0 : demoNames.indexOf(name as (typeof demoNames)[number]) % every

/** Faults that a customer would notice, of one circuit. */
function faultsOf(circuit: Circuit, name: string): { fault: Fault; i: number }[] {
  return possibleFaults(circuit)
    .map((fault, i) => ({ fault, i }))
    .filter(({ i }) => i % every === offset(name))
    .filter(({ fault }) => complaintOf(circuit, [fault]) !== undefined)
}

describe('simulated students', () => {
  const textbook: Marked[] = []
  const lucky: Marked[] = []
  const wrong: Marked[] = []

  it.each(names)(
    'work on %s',
    (name) => {
      const circuit = demoCircuit(name)
      const predictor = new Predictor(circuit)
      const pieces = piecesOf(circuit)
      for (const { fault, i } of faultsOf(circuit, name)) {
        const complaint = complaintOf(circuit, [fault])!
        const right = findPieces(circuit, `${fault.part}.${fault.segment}`)[0]!.id
        const label = `${name}: ${describeFault(circuit, fault)}`
        for (const habit of campaign ? habits : [habits[i % habits.length]!]) {
          const student = new Student(circuit, [fault], complaint.arrangement, complaint.complaint, habit)
          if (!student.work()) continue
          const { steps } = student.attempt
          const judged = student.attempt.judged(predictor)
          // Honest readings never contradict each other, nor clear what is planted.
          expect(judged.contradictions, label).toEqual([])
          const concluded = steps.findIndex((s) => s.type === 'conclude')
          expect(Object.keys(judged.doubts[concluded]!), label).toContain(right)
          const conclusion = steps[concluded]
          if (conclusion?.type !== 'conclude' || conclusion.piece !== right) continue
          textbook.push({ name: `${label}, ${habit}`, total: judged.total, judged })
        }
        const guessed = (piece: string, kind: Fault['kind']): Marked => {
          const judged = guess(circuit, [fault], complaint, { piece, kind }).judged(predictor)
          return { name: label, total: judged.total, judged }
        }
        lucky.push(guessed(right, fault.kind))
        const other = pieces.find((p) => p.part !== fault.part && p.part !== fault.other?.split('.')[0])!
        wrong.push(guessed(other.id, 'open'))
      }
    },
    campaign ? 3_600_000 : 120_000,
  )

  it('of the textbook, who find the piece, earn 95 and more, and nineteen of twenty above 90', () => {
    expect(textbook.length).toBeGreaterThan(5)
    const low = textbook.filter(({ total }) => total <= 90)
    const said = low.map(({ name, total }) => `${total} ${name}`).join('\n')
    expect(mean(textbook.map((m) => m.total)), said).toBeGreaterThanOrEqual(95)
    expect(low.length / textbook.length, said).toBeLessThanOrEqual(0.05)
  })

  it('who guess after one reading at the battery earn 40 at most when lucky', () => {
    expect(mean(lucky.map((m) => m.total))).toBeLessThanOrEqual(40)
    // Where that reading and the complaint prove the piece it was no guess.
    for (const { name, total, judged } of lucky)
      if (judged.evidence < 0.5) expect(total, name).toBeLessThanOrEqual(40)
  })

  it('who guess wrong earn 20 at most', () => {
    for (const { name, total } of wrong) expect(total, name).toBeLessThanOrEqual(20)
  })
})

describe('two faults', () => {
  const circuits = campaign
    ? ['sweeper-brush-relay', 'van-key-off-drain', 'gritter-salt-sensor', 'sweeper-module-powers']
    : ['van-rear-lamps']

  it.each(circuits)(
    'on %s: a student who repairs the first, looks again and finds the second is judged to the end',
    (name) => {
      const circuit = demoCircuit(name)
      const pair = twoOf(circuit)
      const complaint = complaintOf(circuit, pair)!
      const student = new Student(circuit, pair, complaint.arrangement, complaint.complaint, 'loadFirst', {
        faults: 2,
      })
      const found = student.workOn(pair)
      const predictor = new Predictor(circuit, undefined, pair, 2)
      const judged = student.attempt.judged(predictor)
      expect(judged.contradictions).toEqual([])
      expect(found).toBe(2)
      const conclusions = judged.judgements.filter((j) => j.aspect === 'conclusion')
      expect(conclusions).toHaveLength(2)
      // What one-fault reasoning leaves open where there are two is not yet shown, and costs.
      for (const one of conclusions) expect(one.share).toBeGreaterThan(0.3)
      expect(judged.judgements.find((j) => j.aspect === 'repair')!.share).toBeGreaterThan(0.7)
    },
    campaign ? 600_000 : 120_000,
  )
})

/** Two bad joints that a student finds one after the other: what is judged here is the judge, not the student. */
function twoOf(circuit: Circuit): Fault[] {
  const sized = possibleFaults(circuit)
    .filter((f) => f.kind === 'highResistance')
    .map((f): Fault => ({ ...f, severity: 1.5 }))
    .filter((f) => complaintOf(circuit, [f]) !== undefined)
  for (const [i, first] of sized.entries())
    for (const second of sized.slice(i + 1).reverse()) {
      if (second.part === first.part) continue
      const pair = [first, second]
      const complaint = complaintOf(circuit, pair)!
      const student = new Student(circuit, pair, complaint.arrangement, complaint.complaint, 'loadFirst', {
        faults: 2,
      })
      if (student.workOn(pair) === 2) return pair
    }
  throw new Error('no pair that this student finds')
}
