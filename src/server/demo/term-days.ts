import { dayOf } from '../../contract'
import type { Term } from './term'

/** A lab day of the demo term. */
export interface TermDay {
  readonly class: number
  readonly meeting: number
  readonly name: string
  /** As YYYY-MM-DD on the clock of this machine. */
  readonly date: string
  /** ms since 1970 */
  readonly begins: number
  readonly start: string
  /** Length of a round, minutes. */
  readonly minutes: number
  readonly rounds: number
  /** Each bench: what it has, and who begins there. */
  readonly stands: readonly { readonly student: number; readonly lesson: number; readonly set: number }[]
  /** Rounds that were handed out. */
  readonly out: readonly number[]
  readonly word: string
  readonly today: boolean
  readonly yesterday: boolean
  readonly roundBegins: (round: number) => number
  /** Nothing of it was finished later than this, ms since 1970. */
  readonly latest: number
  /** When its reviews were given to the students, ms since 1970. */
  readonly released: number
}

const dayLength = 86_400_000
const minute = 60_000
/** How long ago the rounds of today began, minutes. */
const ago = [70, 14] as const
const roundLength = 55

const words = ['amber-anvil-41', 'copper-hinge-27', 'maple-socket-63', 'linen-valve-18', 'basalt-clamp-52']

/** Weekends are moved to the Friday before. */
function workday(ms: number): number {
  const weekday = new Date(ms).getDay()
  return ms - (weekday === 6 ? 1 : weekday === 0 ? 2 : 0) * dayLength
}

function at(ms: number, hours: number): number {
  const day = new Date(ms)
  return new Date(day.getFullYear(), day.getMonth(), day.getDate(), hours).getTime()
}

const clock = (ms: number) => {
  const time = new Date(ms)
  return `${String(time.getHours()).padStart(2, '0')}:${String(time.getMinutes()).padStart(2, '0')}`
}

/**
 * The lab days of the term, one a week for each class: the first class is at it today, its second round under way, the
 * second class was there yesterday.
 * @param now ms since 1970
 */
export function daysOfTerm(term: Pick<Term, 'attempts' | 'under' | 'classes'>, now: number): TermDay[] {
  const last = Math.max(...term.attempts.map(({ meeting }) => meeting))
  let before = 0
  return term.classes.flatMap((group, c) => {
    const from = before
    before += group.students.length
    return Array.from({ length: last + 1 }, (_, meeting): TermDay => {
      const ofDay = term.attempts.filter(
        (one) => one.meeting === meeting && one.student >= from && one.student < before,
      )
      const today = c === 0 && meeting === last
      const yesterday = c === 1 && meeting === last
      const back = (last - meeting) * 7 * dayLength + c * dayLength
      const noon = back > dayLength ? workday(now - back) : now - back
      const begins = today ? now - ago[0] * minute : at(noon, 9)
      const rounds = meeting === last ? 2 : 1
      const roundBegins = (round: number) =>
        today && round > 0 ? now - ago[1] * minute : begins + round * roundLength * minute
      return {
        class: c,
        meeting,
        name: `${group.name.split(',')[0]!}, week ${meeting + 1}`,
        date: dayOf(new Date(today ? now : begins)),
        begins,
        start: clock(begins),
        minutes: roundLength,
        rounds,
        stands: ofDay
          .filter(({ round }) => round === 0)
          .sort((p, q) => p.stand - q.stand)
          .map(({ student, lesson, set }) => ({ student, lesson, set })),
        out: Array.from({ length: rounds }, (_, round) => round),
        word: words[(meeting + 2 * c) % words.length]!,
        today,
        yesterday,
        roundBegins,
        latest: today ? now - (ago[1] + 1) * minute : begins + (rounds + 1) * roundLength * minute,
        released: today ? now - ago[1] * minute : Math.min(now - minute, at(begins, 16)),
      }
    })
  })
}
