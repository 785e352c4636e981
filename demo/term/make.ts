import { writeFileSync } from 'node:fs'
import { brotliCompressSync, constants } from 'node:zlib'
import { parseArgs } from 'node:util'
import { advance, benchAfter, startBench, stepDoor, type Order, type Step } from '../../src/core/attempt'
import { demoLessons } from '../../src/server/demo/demo'
import type { StoredAttempt, Term } from '../../src/server/demo/term'
import { progressOf } from '../../src/server/judging/progress'
import { resultOf } from '../../src/server/judging/result'
import { Chance } from '../../test/chance'
import { Board } from './board'
import { judgedOtherwise } from './check'
import { live } from './live'
import { classes } from './people'
import { course, lastRounds, learner, wayOf } from './plan'

/**
 * Makes the demo school's term: `npm run term`. Every attempt is worked by a simulated student on the virtual bench and
 * judged by the judge; the same comes of the same seed. With `--check N` it judges N of the stored attempts again instead,
 * and says which marks have changed.
 */
const { values } = parseArgs({ options: { check: { type: 'string' } } })
if (values.check !== undefined) {
  const count = Number(values.check)
  const changed = judgedOtherwise(count)
  console.log(
    changed.length
      ? `${changed.join('\n')}\nMake the term anew: npm run term`
      : `${count} attempts judged again: all as they were`,
  )
  process.exit(changed.length ? 1 : 0)
}

const seed = 1
const chance = new Chance(seed)
const lessons = demoLessons()
const boards = new Map<string, Board>()
/** A set of a lesson, worked out once. */
function boardOf(lesson: number, turn: number): Board {
  const set = turn % lessons[lesson]!.sets.length
  const board = boards.get(`${lesson}.${set}`) ?? new Board(lessons[lesson]!, lesson, set, chance)
  boards.set(`${lesson}.${set}`, board)
  return board
}

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
  const board = boardOf(lesson, turn)
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
  const board = boardOf(lessonAt(stand), stand)
  const made = live(i, board.attempt(i % 3 === 2 ? 'careful' : 'textbook', i), board.order)
  // Two have not begun.
  const taken = i === 0 || i === 7 ? 0 : 2 + ((5 * i) % 7)
  const steps = made.steps.slice(0, Math.min(taken, made.steps.length - 3))
  const { judged, row } = stored(board, i, stand, steps, 2)
  return { ...row, progress: progressOf(steps, judged), actions: made.actions }
})

const term: Term = {
  seed,
  sets: lessons.map(({ sets }, l) =>
    sets.map((_, s) => {
      const { order, complaint } = boardOf(l, s)
      return { complaint, facts: order.frame.complaint }
    }),
  ),
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
