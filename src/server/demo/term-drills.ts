import { dayOf, type DrillAnswer } from '../../contract'
import type { Circuit } from '../../core/circuit'
import { Draw, DrillBench, makeItem, type DrillKey, type Item } from '../../core/learning'
import type { Queries } from '../database'
import { addSet } from '../learning/drill-sets'
import { keepAnswered } from '../learning/drills'
import { membersOf } from './members'
import type { Term, TermGround } from './term'

/** Kinds that a class has been set, in words and in keys, and how many days from now they are due. */
const sets = [
  {
    class: 0,
    name: 'Before the next lab day: both sides of a load',
    kinds: ['whichSide', 'limits', 'predict'],
    items: 8,
    due: 2,
  },
  {
    class: 1,
    name: 'Setting the meter, and what the display means',
    kinds: ['setMeter', 'meaning', 'unsafe'],
    items: 6,
    due: 5,
  },
] as const satisfies readonly { kinds: readonly DrillKey[]; [of: string]: unknown }[]
/** What is drilled without being set. */
const free: readonly DrillKey[] = ['predict', 'predictFault', 'arithmetic', 'drawing', 'meaning']
/** Questions of each kind that the term's answers are spread over. */
const questions = 6
const dayLength = 86_400_000
/** Days back to the first drill. */
const days = 18

interface Question {
  readonly circuit: Circuit
  readonly item: Item
}

/** What the students of the demo term have drilled by themselves in the last weeks, and what their classes are set now. */
export async function addDrills(
  db: Queries,
  term: Term,
  { lessons, instructor }: TermGround,
  students: readonly string[],
  classIds: readonly string[],
  now: number,
): Promise<void> {
  const draw = new Draw(term.seed)
  const benches = lessons.slice(0, 4).map(({ circuit }) => new DrillBench(circuit))
  const pools = new Map<DrillKey, readonly Question[]>()
  const poolOf = (kind: DrillKey): readonly Question[] => {
    const known = pools.get(kind)
    if (known) return known
    const made = Array.from({ length: questions }, (_, i): Question[] => {
      const bench = benches[i % benches.length]!
      const item = makeItem(bench, kind, draw.below(2 ** 31 - 2))
      return item ? [{ circuit: bench.circuit, item }] : []
    }).flat()
    pools.set(kind, made)
    return made
  }
  for (const { class: c, kinds, due, ...set } of sets) {
    const id = await addSet(
      db,
      { ...set, class: classIds[c]!, kinds: [...kinds], due: dayOf(new Date(now + due * dayLength)) },
      { id: instructor },
    )
    for (const [nth, n] of membersOf(term, c).entries()) {
      const able = abilityOf(term, n)
      const answer = async (kind: DrillKey, at: number, of: string | null) => {
        const question = draw.one(poolOf(kind))
        if (!question) return
        const given = answerTo(question.item, draw.next() < able, draw)
        await keepAnswered(db, { ...question, student: students[n]!, set: of, given, at })
      }
      for (let i = 0; i < 4 + draw.below(7); i++)
        await answer(draw.one(free)!, now - dayLength * (2 + (days - 2) * draw.next()), null)
      // Some are done with what they are set, some have begun, some have not.
      const done = [set.items, Math.floor(set.items / 2), 0, set.items][nth % 4]!
      for (let i = 0; i < done; i++) await answer(draw.one(kinds)!, now - dayLength * (0.2 + draw.next()), id)
    }
  }
}

/** Share of a student's answers that are right, as their lab work goes. */
function abilityOf({ attempts }: Term, student: number): number {
  const marks = attempts
    .filter((one) => one.student === student)
    .map(({ judged }) => judged.total / judged.of)
  const mean = marks.reduce((sum, mark) => sum + mark, 0) / Math.max(1, marks.length)
  return 0.35 + 0.6 * mean
}

/** The right answer, or one of the wrong ones; a wrong idea before a slip. */
function answerTo({ answer }: Item, right: boolean, draw: Draw): DrillAnswer {
  if (answer.type === 'choice') {
    const fits = answer.options.flatMap((one, i) => (one.right === right ? [{ ...one, i }] : []))
    const lures = fits.filter(({ misbelief }) => misbelief)
    return { type: 'choice', option: draw.one(!right && lures.length ? lures : fits)!.i }
  }
  const { value, near, direction, lures } = answer
  const said = right ? value : (draw.one(lures)?.value ?? value + 3 * Math.max(near, 0.1))
  return { type: 'value', value: said, ...(direction !== undefined && { direction }) }
}
