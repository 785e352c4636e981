import { frameSchema } from '../../core/attempt'
import type { Lesson } from '../../core/lab'
import type { Difficulty } from '../../core/learning'
import type { LessonRow, StoredLesson } from '../../contract'
import { keepDifficulty, loadLesson } from '../class/lessons'
import type { Queries } from '../database'
import { currentRubric } from '../orders/rubrics'
import type { Workers } from '../workers/pool'
import { computedDifficulty } from './computed'

/** How hard each set of a lesson is, null where that could not be worked out. */
export type SetDifficulties = readonly (Difficulty | null)[]

/** Lessons whose sets are being worked out, so that two who look at one do not ask twice. */
const under = new WeakMap<Queries, Map<string, Promise<SetDifficulties>>>()

/** How hard each set of a lesson is; worked out, set by set, where it has not been since its last version. */
export function setDifficulties(
  db: Queries,
  workers: Workers,
  { id, version, lesson }: StoredLesson,
): Promise<SetDifficulties> {
  const running = under.get(db) ?? new Map<string, Promise<SetDifficulties>>()
  under.set(db, running)
  const key = `${id} ${version}`
  const now =
    running.get(key) ??
    workOut(db, workers, lesson).then(async (sets) => {
      await keepDifficulty(db, { id, version }, sets)
      return sets
    })
  running.set(key, now)
  void now.catch(() => undefined).then(() => running.delete(key))
  return now
}

async function workOut(db: Queries, workers: Workers, lesson: Lesson): Promise<SetDifficulties> {
  const rubric = await currentRubric(db)
  const { circuit, sets, frame: own } = lesson
  const found: (Difficulty | null)[] = []
  for (const { faults: planted, facts } of sets) {
    try {
      const said = facts?.length ? facts : own.complaint
      const complaint = said?.length ? said : await workers.draft({ circuit, planted })
      const frame = frameSchema.parse({ ...own, complaint, ...(planted.length > 1 && { faults: 2 }) })
      const order = { circuit, planted, frame }
      found.push(await computedDifficulty(db, workers, order, rubric, { behind: true }))
    } catch {
      // A circuit too large to judge has no difficulty either: the lesson is shown without.
      found.push(null)
    }
  }
  return found
}

/** Milliseconds for which somebody waits; then it is asked for again. */
const patience = 1500

/** What is there soon; null while it is still being worked out. */
export const soon = (sets: Promise<SetDifficulties>): Promise<SetDifficulties | null> =>
  Promise.race([sets, new Promise<null>((late) => setTimeout(() => late(null), patience).unref())])

/** Works out, one lesson after the other and behind everything else, what a list does not know yet. */
export function workOutLeft(db: Queries, workers: Workers, list: readonly LessonRow[]): void {
  const left = list.filter(({ difficulties }) => difficulties === null)
  void left
    .reduce(
      (before, { id }) =>
        before.then(async () => void (await setDifficulties(db, workers, await loadLesson(db, id)))),
      Promise.resolve(),
    )
    // A lesson that is gone meanwhile, a server that ends: whoever looks again asks again.
    .catch(() => undefined)
}
