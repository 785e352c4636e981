import { describe, expect, it } from 'vitest'
import { Predictor } from '../diagnosis'
import { findPieces, piecesOf } from '../model'
import { type Circuit } from '../circuit'
import { describeFault, possibleFaults, type Fault } from '../faults'
import { firstBelief, type JudgedAttempt } from '.'
import {
  complaintOf,
  guess,
  habits,
  measureAll,
  Student,
  swapAll,
  swapAndLook,
  type Habit,
  type Manner,
} from '../../../test/students'
import { OtherRoute } from '../../../test/other-route'
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
  /** The complaint alone had left nothing to find out: there was nothing to say, and no luck in it. */
  readonly given: boolean
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

/** Students by what they do, with the marks that they earned. */
const sorts = {
  textbook: [],
  otherRoute: [],
  silent: [],
  measuresAll: [],
  swapsAndLooks: [],
  swapsAll: [],
  wrongPart: [],
  wrongPiece: [],
  lucky: [],
  guessesWrong: [],
  sloppy: [],
} as Record<string, Marked[]>

describe('simulated students', () => {
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
        const elsewhere = pieces.find(
          (p) => p.part !== fault.part && p.part !== fault.other?.split('.')[0],
        )!.id
        const inPart = pieces.find((p) => p.part === fault.part && p.id !== right)?.id
        const asked = guess(circuit, [fault], complaint, { piece: right, kind: fault.kind }).order
        const given = firstBelief(predictor, asked).doubt(right) >= 0.9
        const keep = (sort: keyof typeof sorts, judged: JudgedAttempt, how = '') =>
          sorts[sort]!.push({ name: `${label}${how}`, total: judged.total, judged, given })
        const goes = (sort: keyof typeof sorts, manner: Manner, habit: Habit) => {
          const student = new Student(
            circuit,
            [fault],
            complaint.arrangement,
            complaint.complaint,
            habit,
            {},
            manner,
          )
          if (!student.work()) return
          const { steps } = student.attempt
          const judged = student.attempt.judged(predictor)
          const concluded = steps.findIndex((s) => s.type === 'conclude')
          // Honest readings never contradict each other, nor clear what is planted.
          expect(judged.contradictions, label).toEqual([])
          expect(Object.keys(judged.doubts[concluded]!), label).toContain(right)
          const conclusion = steps[concluded]
          const found = conclusion?.type === 'conclude' && conclusion.piece === right
          if (manner.blames || found) keep(sort, judged, `, ${habit}`)
        }
        const usual = habits[i % habits.length]!
        for (const habit of campaign ? habits : [usual]) goes('textbook', {}, habit)
        const other = new OtherRoute(circuit, [fault], complaint.arrangement, complaint.complaint)
        if (other.work() && other.told) {
          const judged = other.attempt.judged(predictor)
          const conclusion = other.attempt.steps.find((s) => s.type === 'conclude')
          // Where the lamp finds it, not where a repair was lucky.
          if (conclusion?.piece === right && judged.evidence > 0.5) keep('otherRoute', judged)
        }
        goes('silent', { silent: true }, usual)
        goes('sloppy', { out: 0.3, extra: true }, usual)
        goes('wrongPart', { blames: () => elsewhere }, usual)
        if (inPart) goes('wrongPiece', { blames: () => inPart }, usual)
        keep('measuresAll', measureAll(circuit, [fault], complaint, right).judged(predictor))
        keep('swapsAndLooks', swapAndLook(circuit, [fault], complaint).judged(predictor))
        keep('swapsAll', swapAll(circuit, [fault], complaint).judged(predictor))
        const guessed = (piece: string, kind: Fault['kind']) =>
          guess(circuit, [fault], complaint, { piece, kind }).judged(predictor)
        keep('lucky', guessed(right, fault.kind))
        keep('guessesWrong', guessed(elsewhere, 'open'))
      }
    },
    campaign ? 3_600_000 : 240_000,
  )

  const told = (list: readonly Marked[]) => list.map(({ name, total }) => `${total} ${name}`).join('\n')
  /** The readings tell what is named from what is there. */
  const tells = (j: JudgedAttempt['judgements'][number]) => j.verdict.code !== 'assessment.cannotTell'
  const totals = (sort: keyof typeof sorts) => sorts[sort]!.map(({ total }) => total)

  it('of the textbook, who find the piece, earn 95 and more, and nineteen of twenty above 90', () => {
    const textbook = sorts.textbook!
    expect(textbook.length).toBeGreaterThan(5)
    const low = textbook.filter(({ total }) => total <= 90)
    expect(mean(totals('textbook')), told(low)).toBeGreaterThanOrEqual(95)
    expect(low.length / textbook.length, told(low)).toBeLessThanOrEqual(0.05)
  })

  it('who go another way, by lamp, clamp and ohms, earn as much where these find it', () => {
    const low = sorts.otherRoute!.filter(({ total }) => total <= 90)
    expect(sorts.otherRoute!.length).toBeGreaterThan(3)
    expect(mean(totals('otherRoute')), told(low)).toBeGreaterThanOrEqual(94)
    expect(low.length / sorts.otherRoute!.length, told(low)).toBeLessThanOrEqual(0.15)
  })

  it.each([
    ['take the same readings and say nothing', 'silent', 88],
    ['measure every point and say nothing', 'measuresAll', 75],
    ['replace part after part and look after each', 'swapsAndLooks', 30],
    ['replace everything and look once', 'swapsAll', 20],
    ['name another piece of the part after a full search', 'wrongPiece', 45],
    ['guess wrong after one reading', 'guessesWrong', 20],
  ] as const)('who %s earn what they should', (_, sort, most) => {
    const over = sorts[sort]!.filter(
      ({ total, given, judged }) => total > most && !given && judged.judgements.every(tells),
    )
    expect(sorts[sort]!.length).toBeGreaterThan(3)
    expect(told(over)).toBe('')
  })

  it('who name a wrong part after a full search earn 20 at most, but where the readings do not tell it from the right one', () => {
    const over = sorts.wrongPart!.filter(({ total, judged }) => total > 20 && judged.judgements.every(tells))
    expect(over.map(({ name, total }) => `${total} ${name}`)).toEqual([])
    expect(mean(totals('wrongPart'))).toBeLessThanOrEqual(20)
  })

  it('who guess after one reading at the battery earn 40 at most when lucky', () => {
    expect(told(sorts.lucky!.filter(({ total, given }) => total > 40 && !given))).toBe('')
  })

  it('who are honest but sloppy earn about 80 to 95', () => {
    expect(mean(totals('sloppy'))).toBeGreaterThanOrEqual(80)
    expect(mean(totals('sloppy'))).toBeLessThanOrEqual(95)
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
