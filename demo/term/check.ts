import { stepDoor } from '../../src/core/attempt'
import { demoLessons } from '../../src/server/demo/demo'
import { demoTerm } from '../../src/server/demo/term'
import { Chance } from '../../test/chance'
import { Board } from './board'

/** Marks may differ by this much, of 100, before the stored term is out of date. */
const same = 0.05

/**
 * Judges some attempts of the stored term again, spread over all of it.
 * @param count how many
 * @returns a line for each whose mark is another now
 */
export function judgedOtherwise(count: number): string[] {
  const lessons = demoLessons()
  const { attempts } = demoTerm()
  const every = Math.max(1, Math.floor(attempts.length / Math.max(1, count)))
  return attempts
    .filter((_, i) => i % every === 0)
    .slice(0, count)
    .flatMap(({ lesson, set, steps, judged }, i) => {
      const board = new Board(lessons[lesson]!, lesson, set, new Chance(1))
      const read = steps.map((step) => {
        const found = stepDoor.read(step)
        if (!found.ok) throw new Error('a step of the demo term cannot be read')
        return found.value
      })
      const now = board.judge(read)
      return Math.abs(now.total - judged.total) < same
        ? []
        : [`attempt ${i * every}: ${judged.total} of ${judged.of} before, ${now.total} now`]
    })
}
