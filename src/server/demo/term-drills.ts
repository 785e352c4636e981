import { dayOf, type DrillAnswer } from '../../contract'
import type { Circuit } from '../../core/circuit'
import { Draw, DrillBench, makeItem, type DrillKey, type Item, type MisbeliefKey } from '../../core/learning'
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
    held: ['oneSideReadsSource', 'feedIsEnough', 'equalShares'],
  },
  {
    class: 1,
    name: 'Setting the meter, and what the display means',
    kinds: ['setMeter', 'meaning', 'unsafe'],
    items: 6,
    due: 5,
    held: ['ohmsOnLive', 'ampsAcross', 'displayIsReal'],
  },
] as const satisfies readonly {
  kinds: readonly DrillKey[]
  /** Wrong ideas that the weakest of the class hold. */
  held: readonly MisbeliefKey[]
  [of: string]: unknown
}[]
/** Of each class: how many hold a wrong idea, and how often it has shown by itself. */
const holders = 4
const showings = 3
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
  for (const { class: c, kinds, due, held, ...set } of sets) {
    const id = await addSet(
      db,
      { ...set, class: classIds[c]!, kinds: [...kinds], due: dayOf(new Date(now + due * dayLength)) },
      { id: instructor },
    )
    const members = membersOf(term, c)
    const weakest = members.toSorted((p, q) => abilityOf(term, p) - abilityOf(term, q)).slice(0, holders)
    const ideaOf = new Map(weakest.map((n, i): [number, MisbeliefKey] => [n, held[i % held.length]!]))
    for (const [n, idea] of ideaOf) {
      const asked = [...free, ...kinds].flatMap(poolOf).filter(({ item }) => lureOf(item, idea))
      for (let k = 0; k < showings && asked.length; k++) {
        const question = draw.one(asked)!
        const at = now - dayLength * (1 + 6 * draw.next())
        const given = lureOf(question.item, idea)!
        await keepAnswered(db, { ...question, student: students[n]!, set: null, given, at })
      }
    }
    for (const [nth, n] of members.entries()) {
      const able = abilityOf(term, n)
      const answer = async (kind: DrillKey, at: number, of: string | null) => {
        const question = draw.one(poolOf(kind))
        if (!question) return
        const idea = ideaOf.get(n)
        const given =
          (idea && lureOf(question.item, idea)) ?? answerTo(question.item, draw.next() < able, draw)
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

/** What somebody answers who holds a wrong idea; undefined where the question has nothing for it. */
function lureOf({ answer }: Item, idea: MisbeliefKey): DrillAnswer | undefined {
  if (answer.type === 'choice') {
    const option = answer.options.findIndex(({ misbelief }) => misbelief === idea)
    return option < 0 ? undefined : { type: 'choice', option }
  }
  const lure = answer.lures.find(({ misbelief }) => misbelief === idea)
  const { direction } = answer
  return lure && { type: 'value', value: lure.value, ...(direction !== undefined && { direction }) }
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
