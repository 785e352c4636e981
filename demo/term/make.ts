import { writeFileSync } from 'node:fs'
import { brotliCompressSync, constants } from 'node:zlib'
import { defaultRubric, judgeAttempt, prepareJudging, type JudgedAttempt } from '../../src/core/assessment'
import {
  advance,
  benchAfter,
  complaintWords,
  draftComplaint,
  frameSchema,
  startBench,
  stepDoor,
  type Order,
  type Step,
} from '../../src/core/attempt'
import { Predictor } from '../../src/core/diagnosis'
import { tell } from '../../src/core/words'
import { demoLessons } from '../../src/server/demo/demo'
import type { StoredAttempt, Term } from '../../src/server/demo/term'
import { progressOf } from '../../src/server/judging/progress'
import { resultOf } from '../../src/server/judging/result'
import { Chance } from '../../test/chance'
import type { Attempt } from '../../test/attempt'
import { complaintOf } from '../../test/students'
import { guided } from './guided'
import { live } from './live'
import { classes } from './people'
import { course, lastRounds, learner, wayOf } from './plan'
import { habitOf, ways, type Way } from './ways'

/**
 * Makes the demo school's term: `npm run term`. Every attempt is worked by a simulated student on the virtual bench and
 * judged by the judge; the same comes of the same seed.
 */
const seed = 1
const chance = new Chance(seed)
const lessons = demoLessons()

/** One set of a lesson as it is handed out, with what judging it needs. */
class Board {
  readonly order: Order
  readonly complaint: string
  private readonly predictor: Predictor
  private readonly prepared
  private readonly complained
  /** No path from post to post leads to it: it is looked for test by test. */
  private readonly byTests: boolean

  constructor(
    readonly lesson: number,
    readonly set: number,
  ) {
    const { circuit, sets, frame } = lessons[lesson]!
    const { faults: planted, complaint } = sets[set]!
    const facts = draftComplaint(circuit, planted)
    const words = complaintWords(circuit, facts)
    this.complaint = complaint || (words ? tell(words) : '')
    this.order = { circuit, planted, frame: frameSchema.parse({ ...frame, complaint: facts }) }
    this.predictor = new Predictor(circuit, undefined, planted, this.order.frame.faults)
    this.prepared = prepareJudging(this.predictor, this.order)
    this.complained = complaintOf(circuit, planted)
    this.byTests = this.judge(this.worked('textbook', 0)?.steps ?? []).total < 60
  }

  private worked(way: Way, habit: number): Attempt | undefined {
    const { circuit, planted, frame } = this.order
    const { complained } = this
    if (!complained) return undefined
    try {
      return ways[way]({ circuit, planted, complained, frame, habit: habitOf(habit), chance })
    } catch {
      // A way that this board does not offer: a lamp on it, a fuse in it.
      return undefined
    }
  }

  attempt(way: Way, habit: number): Attempt {
    const worked = this.byTests ? undefined : this.worked(way, habit)
    if (worked) return worked
    const well = way === 'textbook' || way === 'meterAndLamp' || way === 'careful'
    const care = well
      ? { out: way === 'careful' ? 0.25 : 0.05, says: true, sure: 70 + 10 * chance.below(4) }
      : { out: 0.6, tests: 1 + chance.below(2), says: way !== 'silent', sure: 40 + 10 * chance.below(5) }
    return guided(this.predictor, this.order, this.prepared, care, chance)
  }

  judge(steps: readonly Step[]): JudgedAttempt {
    return judgeAttempt(this.predictor, this.order, steps, defaultRubric, this.prepared)
  }
}

const boards = lessons.map((lesson, l) => lesson.sets.map((_, s) => new Board(l, s)))
console.log(`${boards.flat().length} boards`)

/** Seconds from the beginning at which each step was taken: what the bench takes, and time to think. */
function secondsOf(order: Order, steps: readonly Step[], slow: number): number[] {
  let bench = startBench(order)
  let thought = 20
  return steps.map((step) => {
    bench = advance(order, bench, step)
    thought += (8 + chance.below(30)) * slow
    return Math.round(60 * bench.minutes + thought)
  })
}

function stored(board: Board, who: number, stand: number, steps: readonly Step[], slow: number) {
  const { order } = board
  const judged = board.judge(steps)
  return {
    judged,
    row: {
      lesson: board.lesson,
      set: board.set,
      student: who,
      stand,
      steps: steps.map((step) => stepDoor.write(step)),
      seconds: secondsOf(order, steps, slow),
      bench: benchAfter(order, steps),
      tests: steps.filter(({ type }) => type === 'test').length,
    },
  }
}

const people = classes.flatMap((one) => one.students)
const learners = people.map((_, n) => learner(n, chance))
const attempts: StoredAttempt[] = []
const marks: number[][] = course.map(() => [])

function finished(
  who: number,
  stand: number,
  lesson: number,
  turn: number,
  meeting: number,
  round: number,
): void {
  const board = boards[lesson]![turn % boards[lesson]!.length]!
  const way = wayOf(learners[who]!, meeting, lesson, chance)
  const made = board.attempt(way, learners[who]!.habit)
  const { judged, row } = stored(board, who, stand, made.steps, way === 'textbook' ? 1 : 1.5)
  attempts.push({ ...row, meeting, round, judged, result: resultOf(board.order, made.steps, judged) })
  ;(marks[meeting] ??= []).push((100 * judged.total) / judged.of)
}

const size = classes[0].students.length
/** At the last meeting one half begins where the other goes on: the benches of each half have a lesson of their own. */
const seat = (i: number, round: number) => (i + (round * size) / 2) % size
const lessonAt = (stand: number) => lastRounds[stand < size / 2 ? 0 : 1]

for (const [c, group] of classes.entries()) {
  for (const [meeting, lesson] of course.entries())
    for (let i = 0; i < size; i++) finished(c * size + i, i, lesson, i + 2 * meeting, meeting, 0)
  // The first class is at it now, its second round under way; the second was there yesterday.
  for (let round = 0; round <= c; round++)
    for (let i = 0; i < size; i++) {
      const stand = seat(i, round)
      finished(c * size + i, stand, lessonAt(stand), stand, course.length, round)
    }
  console.log(`${group.name}: ${attempts.length} attempts`)
}

/** Work that goes on in the second round of today: how many of its steps each has taken. */
const under = classes[0].students.map((_, i) => {
  const stand = seat(i, 1)
  const ofLesson = boards[lessonAt(stand)]!
  const board = ofLesson[stand % ofLesson.length]!
  const made = live(i, board.attempt(i % 3 === 2 ? 'careful' : 'textbook', i), board.order)
  // Two have not begun.
  const taken = i === 0 || i === 7 ? 0 : 2 + ((5 * i) % 7)
  const steps = made.steps.slice(0, Math.min(taken, made.steps.length - 3))
  const { judged, row } = stored(board, i, stand, steps, 2)
  return { ...row, progress: progressOf(steps, judged), actions: made.actions }
})

const term: Term = {
  seed,
  sets: boards.map((one) => one.map(({ order, complaint }) => ({ complaint, facts: order.frame.complaint }))),
  classes: classes.map(({ name, students }) => ({
    name,
    students: students.map(([login, n]) => [login, n]),
  })),
  attempts,
  under,
}
const text = JSON.stringify(term)
const packed = brotliCompressSync(text, {
  params: { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_LGWIN]: 24 },
})
writeFileSync(new URL('../term.json.br', import.meta.url), packed)
for (const [meeting, of] of marks.entries())
  console.log(
    `meeting ${meeting + 1}: ${of.length} attempts, mean mark ${(of.reduce((s, m) => s + m, 0) / of.length).toFixed(1)}`,
  )
console.log(`${attempts.length} attempts, ${text.length} bytes, ${packed.length} packed`)
