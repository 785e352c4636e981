import { say, type Message } from '../../core/document'
import { type Desk, type DeskAction, type Taken, type User } from '../../contract'
import {
  asSeen,
  benchAfter,
  mostSteps,
  stepDoor,
  type BenchState,
  type Source,
  type Step,
  type StepOf,
} from '../../core/attempt'
import { often, DatabaseFailure, type Database, type Queries } from '../database'
import { hintOf, prepared } from '../judging'
import { tellFloor } from '../floor/floor'
import {
  addStep,
  beginOrder,
  concludeOrder,
  load,
  loadSteps,
  opened,
  type Order,
  type Standing,
} from './orders'
import { HttpError } from '../http/http-error'
import type { Stopping, Workers } from '../workers/pool'

/**
 * An order of one's own; whoever is signed in at a bench has that bench's of that day only.
 * @throws HttpError 404, in the same words as for one that does not exist: whose it is is nobody's business
 */
export async function loadOwn(
  db: Queries,
  id: string,
  { id: student, bench }: Pick<User, 'id' | 'bench'>,
): Promise<Order & Standing> {
  const order = await load(db, id)
  const elsewhere = bench && (order.day !== bench.day || order.station !== bench.name)
  if (order.studentId !== student || elsewhere || order.early) throw new HttpError(404, say('school.noOrder'))
  // Who was not there cannot begin an examination that is over.
  if (order.exam !== null && !order.begun && order.left !== null && order.left < 0)
    throw new HttpError(409, say('school.examOver'))
  return order
}

export async function loadDesk(db: Database, id: string, student: User): Promise<Desk> {
  await loadOwn(db, id, student)
  await beginOrder(db, id)
  const order = await loadOwn(db, id, student)
  const steps = await loadSteps(db, id)
  const { faults, families, bag, meter, mode, source, hints, limit, procedure, handbook } = order.frame
  return {
    id: order.id,
    complaint: order.complaint,
    circuit: order.circuit,
    frame: { faults, families, bag, meter, mode, source, hints, limit, procedure, handbook },
    left: order.left,
    steps: steps.map(({ step }) => asSeen(step)),
    concluded: order.concluded !== null,
  }
}

/** The student’s work is done: after the conclusion there may have been a repair and its proof. Said twice, it is done once. */
export async function finish(db: Queries, id: string, student: Pick<User, 'id' | 'bench'>): Promise<void> {
  const order = await loadOwn(db, id, student)
  if (order.concluded !== null) return
  const [row] = await db.query(
    `select 1 from steps where work_order_id = $1 and body->>'type' = 'conclude'`,
    [id],
  )
  if (!row) throw new HttpError(409, say('attempt.concludeFirst'))
  await concludeOrder(db, id)
  await tellFloor(db, id)
}

/** An order whose review its student has been given. */
export async function loadReleased(db: Queries, id: string, student: User): Promise<Order> {
  const order = await loadOwn(db, id, student)
  if (order.released === null) throw new HttpError(404, say('school.noOrder'))
  return order
}

/** A step as its student is told of it: one that is a question asks. */
const told = (position: number, step: Step): Taken => ({
  position,
  step: asSeen(step),
  ...(step.type === 'question' && { question: step.about }),
})

const questionOf = (
  { arrangement, instrument, settings, held, reading }: StepOf<'test'>,
  about: Message,
): Step => ({
  type: 'question',
  arrangement,
  instrument,
  settings,
  held,
  typed: reading.text || (reading.word ?? ''),
  about,
})

/** The kinds of the steps so far, in order; and the one that was taken under a key, where there is one. */
async function stepsUpTo(
  db: Queries,
  id: string,
  key: string,
): Promise<{ readonly types: Step['type'][]; readonly same: Taken | undefined }> {
  const rows = await db.query<{ position: number; type: Step['type']; same: unknown }>(
    often(`select position, body->>'type' as type, case when key = $2 then body end as same from steps
     where work_order_id = $1 order by position`),
    [id, key],
  )
  const same = rows.find((row) => row.same !== null)
  return {
    types: rows.map(({ type }) => type),
    same: same && told(same.position, opened(stepDoor.read(same.same))),
  }
}

/** Seconds for which a step may have been on its way when the time was up: a connection that was lost costs nobody. */
const grace = 30
/** Where readings may come from, by where the order says they do: whatever a meter sends may be typed. */
const sources: Readonly<Record<Source, readonly Source[]>> = {
  model: ['model'],
  typed: ['typed'],
  meter: ['meter', 'typed'],
}
/** What may be said once the time is up. */
const afterTime: readonly DeskAction['action']['type'][] = ['infer', 'conclude']

/** Times that a step is worked out again because another of the same order came first. */
const mostTries = 4

/**
 * Takes one step of a student: what it shows on the faulted board is worked out beside the server first, then recorded in a
 * short transaction, then answered. If another step has come in between, it is worked out again on the bench as it is now.
 */
export const takeStep = (
  database: Database,
  workers: Workers,
  id: string,
  student: User,
  action: DeskAction,
  stopping: Stopping = {},
): Promise<Taken> =>
  workers.inTurn(student.id, () => stepNow(database, workers, id, student, action, stopping))

/** What a student wrote on paper at a real board, typed in by the instructor: a step of the student’s like any other. */
export async function typeIn(
  database: Database,
  workers: Workers,
  id: string,
  action: DeskAction,
): Promise<Taken> {
  const order = await load(database, id)
  if (order.frame.source === 'model') throw new HttpError(409, say('attempt.virtual'))
  const [student] = await database.query<User>('select id, login, name, role from users where id = $1', [
    order.studentId,
  ])
  return takeStep(database, workers, id, student!, action)
}

async function stepNow(
  database: Database,
  workers: Workers,
  id: string,
  student: User,
  { key, action }: DeskAction,
  stopping: Stopping,
): Promise<Taken> {
  for (let n = 0; n < mostTries; n++) {
    const order = await loadOwn(database, id, student)
    const before = await stepsUpTo(database, id, key)
    if (before.same) return before.same
    if (order.concluded !== null) throw new HttpError(409, say('attempt.concluded'))
    if (order.left !== null && order.left < -grace && !afterTime.includes(action.type))
      throw new HttpError(409, say('attempt.timeUp'))
    if (order.stopped !== null) throw new HttpError(409, say('school.stopped', { text: order.stopped }))
    if (order.taken >= mostSteps) throw new HttpError(409, say('attempt.noSteps', { most: mostSteps }))
    const bench = order.bench ?? (await benchSoFar(database, workers, order))
    const { circuit, planted, frame, spares } = order
    if (action.type === 'test' && !sources[frame.source].includes(action.source))
      throw new HttpError(409, say(frame.source === 'model' ? 'attempt.virtual' : 'attempt.typed'))
    if (action.type === 'hint') {
      if (!frame.hints) throw new HttpError(409, say('attempt.noHints'))
      const steps = await loadSteps(database, id)
      const says = await hintOf(
        database,
        workers,
        order,
        steps.map(({ step }) => step),
        action.level,
      )
      const hinted = await record(database, id, key, order.taken, { ...action, says }, bench)
      if (hinted) return hinted
      continue
    }
    const { performed, bench: after } = await workers.perform(
      { order: { circuit, planted, frame, spares }, bench, before: before.types, action },
      stopping,
    )
    if (!performed.ok) throw new HttpError(performed.trouble === 'order' ? 409 : 422, performed.why)
    const { step } = performed
    if (step.type === 'test' && step.source !== 'model' && step.asked?.answer !== 'stands') {
      const first = await prepared(database, workers, order, order.rubric, stopping)
      const asked = { order: { circuit, planted, frame, spares }, bench, step, prepared: first }
      const about = await workers.question(asked, stopping)
      if (about) {
        const question = await record(database, id, key, order.taken, questionOf(step, about), bench)
        if (question) return question
        continue
      }
    }
    const taken = await record(database, id, key, order.taken, step, after)
    if (taken) return taken
  }
  throw new HttpError(503, say('school.tooBusy'))
}

/** Orders of before the bench was kept with them: it is worked out from their steps once. */
async function benchSoFar(
  database: Database,
  workers: Workers,
  order: Order & Standing,
): Promise<BenchState> {
  const { circuit, planted, frame, spares } = order
  if (order.taken === 0) return workers.start({ order: { circuit, planted, frame, spares } })
  const steps = await loadSteps(database, order.id)
  return benchAfter(
    order,
    steps.map(({ step }) => step),
  )
}

/**
 * Writes the step and tells the Floor, in one statement: all of it or nothing. Undefined where others have come first: it is to
 * be worked out again, or is there already.
 */
async function record(
  database: Database,
  id: string,
  key: string,
  position: number,
  step: Step,
  bench: BenchState | undefined,
): Promise<Taken | undefined> {
  const written = await addStep(database, { id, key, position, body: stepDoor.write(step), bench }).catch(
    (error: unknown) => {
      // The same step was sent twice at once, and the other one is there.
      if (error instanceof DatabaseFailure && error.trouble === 'duplicate') return false
      throw error
    },
  )
  return written ? told(position, step) : undefined
}

/** An order whose steps are told their verdicts at once. */
export async function loadPractice(db: Queries, id: string, student: User): Promise<Order> {
  const order = await loadOwn(db, id, student)
  if (order.frame.mode !== 'practice') throw new HttpError(409, say('school.notPractice'))
  return order
}
