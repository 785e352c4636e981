import { randomInt } from 'node:crypto'
import { say } from '../../core/document'
import type { Circuit } from '../../core/circuit'
import { readCircuit } from '../../core/editing'
import {
  Draw,
  drillKeys,
  drillLevels,
  findDrill,
  findMisbelief,
  judgeItem,
  nextDrill,
  type Answered,
  type DrillKey,
  type Item,
  type MisbeliefEvidence,
  type Told,
} from '../../core/learning'
import type { DrillAnswer, DrillItem, Drills, DrillTold, User } from '../../contract'
import { templateCircuits } from '../circuits/library'
import type { Database, Queries } from '../database'
import { HttpError } from '../http/http-error'
import type { Workers } from '../workers/pool'
import { handbookFor } from '../exams/exams'
import { ownSets } from './drill-sets'
import { keepIdeas } from './misbeliefs'

/** Table `drill_items`: questions with their keys, which never leave the server before they are answered. */

/** Answers that count in what somebody can do. */
const mostAnswers = 600
/** Circuits of somebody's own that items are made of, the newest first. */
const mostCircuits = 8
/** Share of items about circuits that somebody has worked at. */
const ownShare = 0.7
/** Kinds and circuits that are tried until one makes a question. */
const mostTries = 8
/** Minutes for which a question that was left open is asked again: a reload loses nothing. */
const staysOpen = 60

async function answersOf(db: Queries, user: string): Promise<Answered[]> {
  const rows = await db.query<Omit<Answered, 'at'> & { at: number; kind: string }>(
    `select kind, difficulty, share, extract(epoch from answered_at)::float8 * 1000 as at from drill_items
     where user_id = $1 and answered_at is not null order by answered_at desc limit ${mostAnswers}`,
    [user],
  )
  return rows.filter(({ kind }) => findDrill(kind)).reverse()
}

/** What somebody can do, and what they have been set. */
export async function drillsOf(db: Queries, user: Pick<User, 'id'>): Promise<Drills> {
  const answers = await answersOf(db, user.id)
  const now = Date.now()
  const midnight = new Date(now).setHours(0, 0, 0, 0)
  return {
    levels: drillLevels(answers, now).map(({ kind, level, spread, ability, answers: count }) => ({
      kind,
      level,
      spread,
      ability,
      answers: count,
    })),
    today: answers.filter(({ at }) => at >= midnight).length,
    sets: await ownSets(db, user.id),
  }
}

interface Row {
  readonly id: string
  readonly user_id: string
  readonly circuit: Circuit
  readonly item: Item
  readonly answer: DrillAnswer | null
}

/** Circuits that somebody may see: of own work that is finished; those that come with the application are for everybody. */
async function circuitsOf(db: Queries, user: string): Promise<Circuit[]> {
  const rows = await db.query<{ document: unknown }>(
    `select document from (
       select distinct on (circuit) document, concluded_at from current_orders
       where student_id = $1 and concluded_at is not null order by circuit, concluded_at desc) o
     order by concluded_at desc limit ${mostCircuits}`,
    [user],
  )
  return rows.flatMap(({ document }) => {
    const read = readCircuit(document, { unfinished: true })
    return read.ok ? [read.value] : []
  })
}

/** What is asked for: of a set, or of one kind alone. */
interface Asked {
  readonly set?: string | undefined
  readonly kind?: string | undefined
}

/**
 * The next question: the one that was left open, or a new one of the kind and difficulty that teaches most now.
 * @throws HttpError 422 for a kind or a set that there is not
 */
export const nextItem = (
  db: Database,
  workers: Workers,
  user: Pick<User, 'id'>,
  ask: Asked,
): Promise<DrillItem> =>
  // Asked twice at once it is one question: nobody picks among several.
  workers.inTurn(`drills ${user.id}`, () => itemFor(db, workers, user, ask))

async function itemFor(
  db: Database,
  workers: Workers,
  user: Pick<User, 'id'>,
  { set, kind }: Asked,
): Promise<DrillItem> {
  if ((await handbookFor(db, user)) !== null) throw new HttpError(409, say('school.examNoDrills'))
  const [open] = await db.query<Row>(
    `select id, user_id, circuit, item, answer from drill_items
     where user_id = $1 and answered_at is null and given_at > now() - interval '${staysOpen} minutes'
       and set_id is not distinct from $2 and ($3::text is null or kind = $3) order by given_at desc limit 1`,
    [user.id, set ?? null, kind ?? null],
  )
  if (open) return asSeen(open)
  const own = set === undefined ? undefined : (await ownSets(db, user.id)).find(({ id }) => id === set)
  if (set !== undefined && !own) throw new HttpError(422, say('school.noDrillSet'))
  // A set is done by its own kinds: nobody chooses the easiest among all.
  const asked: readonly string[] = own?.kinds ?? drillKeys
  const among = asked.filter(
    (key): key is DrillKey => findDrill(key) !== undefined && (kind === undefined || key === kind),
  )
  if (!among.length) throw new HttpError(422, say('school.noDrillKind'))
  const answers = await answersOf(db, user.id)
  const draw = new Draw(randomInt(2 ** 31 - 2))
  const [mine, all] = [await circuitsOf(db, user.id), templateCircuits()]
  for (let n = 0; n < mostTries; n++) {
    const next = nextDrill(
      drillLevels(answers, Date.now()),
      answers.slice(-2).map((one) => one.kind),
      Date.now(),
      draw,
      among,
    )
    const circuit = draw.one(mine.length && draw.next() < ownShare ? mine : all)!
    const item = await workers.item({
      circuit,
      kind: next.kind,
      seed: draw.below(2 ** 31 - 2),
      wanted: next.difficulty,
    })
    if (!item) continue
    const [row] = await db.query<{ id: string }>(
      `insert into drill_items (user_id, set_id, kind, difficulty, circuit, item) values ($1, $2, $3, $4, $5, $6) returning id`,
      [user.id, set ?? null, item.kind, item.difficulty, JSON.stringify(circuit), JSON.stringify(item)],
    )
    return asSeen({ id: row!.id, circuit, item })
  }
  throw new HttpError(409, say('school.noDrillItem'))
}

/** Without its key, nor anything that gives it away. */
const asSeen = ({ id, circuit, item }: Pick<Row, 'id' | 'circuit' | 'item'>): DrillItem => ({
  id,
  kind: item.kind,
  circuit,
  state: item.state,
  detached: [...item.detached],
  leads: item.leads ? [...item.leads] : null,
  given: [...item.given],
  asks: item.asks,
  answer:
    item.answer.type === 'choice'
      ? { type: 'choice', options: item.answer.options.map(({ says }) => says) }
      : { type: 'value', unit: item.answer.unit, direction: item.answer.direction !== undefined },
})

const toldOf = ({ answer }: Item, { share, right, but, why, key }: Told): DrillTold => ({
  share,
  right,
  but: but ?? null,
  why,
  key,
  option: answer.type === 'choice' ? answer.options.findIndex((one) => one.right) : null,
})

/** How a drill's answers speak for a wrong idea: a lure is taken by most who hold it and by some who guess (common practice, no source). */
const chances = { held: 0.65, not: 0.15 } as const

/**
 * Judges an answer and keeps it; asked twice, the first answer stands and is told again.
 * @throws HttpError 404 for a question of somebody else, 422 for an answer of another shape
 */
export async function answerItem(
  db: Database,
  id: string,
  user: Pick<User, 'id' | 'role'>,
  given: DrillAnswer,
): Promise<DrillTold> {
  return db.transaction(async (tx) => {
    const [row] = await tx.query<Row>(
      'select id, user_id, circuit, item, answer from drill_items where id = $1 and user_id = $2 for update',
      [id, user.id],
    )
    if (!row) throw new HttpError(404, say('school.noDrillItem'))
    const told = judged(row.item, row.answer ?? given)
    if (!row.answer) {
      await tx.query('update drill_items set answer = $2, share = $3, answered_at = now() where id = $1', [
        id,
        JSON.stringify(given),
        told.share,
      ])
      // What an instructor tries out says nothing of anybody.
      if (user.role === 'student') await keepIdeas(tx, { student: user.id, item: id }, ideasOf(told))
    }
    return toldOf(row.item, told)
  })
}

/** A question of a student's past with its answer, as it would stand here had it been asked then. */
export async function keepAnswered(
  tx: Queries,
  {
    student,
    set,
    circuit,
    item,
    given,
    at,
  }: {
    readonly student: string
    readonly set: string | null
    readonly circuit: Circuit
    readonly item: Item
    readonly given: DrillAnswer
    /** ms since 1970 */
    readonly at: number
  },
): Promise<void> {
  const told = judged(item, given)
  const [row] = await tx.query<{ id: string }>(
    `insert into drill_items (user_id, set_id, kind, difficulty, circuit, item, given_at, answer, share, answered_at)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $7) returning id`,
    [
      student,
      set,
      item.kind,
      item.difficulty,
      JSON.stringify(circuit),
      JSON.stringify(item),
      new Date(at).toISOString(),
      JSON.stringify(given),
      told.share,
    ],
  )
  await keepIdeas(tx, { student, item: row!.id }, ideasOf(told))
}

function judged(item: Item, given: DrillAnswer): Told {
  try {
    return judgeItem(item, given)
  } catch (error) {
    if (error instanceof RangeError) throw new HttpError(422, say('school.drillAnswer'))
    throw error
  }
}

const ideasOf = ({ ideas }: Told): MisbeliefEvidence[] =>
  ideas
    .filter(({ misbelief }) => findMisbelief(misbelief))
    .map(({ misbelief, shown }) => ({
      misbelief,
      shown: Number(shown),
      occasions: 1,
      weight: shown ? Math.log(chances.held / chances.not) : Math.log((1 - chances.held) / (1 - chances.not)),
      step: null,
    }))

/** What drills say of the skills of some students: by day, with how much each counts. */
export async function drillEvidence(
  db: Queries,
  students: readonly string[],
): Promise<{ student: string; skill: string; share: number; age: number }[]> {
  const rows = await db.query<{ student: string; kind: string; share: number; age: number }>(
    `select user_id as student, kind, share, extract(epoch from now() - answered_at)::float8 / 86400 as age from drill_items
     where user_id = any($1::uuid[]) and answered_at is not null and answered_at > now() - interval '180 days'`,
    [students],
  )
  return rows.flatMap(({ kind, ...row }) => {
    const skill = findDrill(kind)?.skill
    return skill ? [{ ...row, skill }] : []
  })
}

/** Takes away all that one student has drilled. */
export const forgetDrills = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from drill_items where user_id = $1', [student])
