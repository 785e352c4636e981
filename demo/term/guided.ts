import { defaultRubric, Judging, type Prepared } from '../../src/core/assessment'
import { complaintOf, repairsFor, type Order } from '../../src/core/attempt'
import { rankTests, type Choice, type Predictor } from '../../src/core/diagnosis'
import { settingsOf, instrumentOf } from '../../src/core/instruments'
import { findPieces, piecesOf } from '../../src/core/model'
import { piecesStruck } from '../../src/core/faults'
import type { Chance } from '../../test/chance'
import { Attempt } from '../../test/attempt'

/** Doubt on a piece, 0 to 1, below which the student strikes it out. */
const cleared = 0.003
/** Doubt on one piece from which it is called found. */
const found = 0.85
const mostTests = 9

/** How far a student who reasons test by test gets. */
export interface Care {
  /** V (or A, or Ω per ten) by which predictions are out. */
  readonly out: number
  /** Tests that are taken before the student guesses; all that are needed unless given. */
  readonly tests?: number
  /** Says what readings clear. */
  readonly says: boolean
  readonly sure: number
}

/**
 * A student who picks each test from those that tell most: the way through a drain or a module, where no path from post to
 * post leads to the fault. Predicts by a good twin of the board.
 */
export function guided(
  predictor: Predictor,
  order: Order,
  prepared: Prepared,
  care: Care,
  chance: Chance,
): Attempt {
  const { circuit, planted, frame } = order
  const usual = complaintOf(order)[0]?.arrangement ?? { controls: {}, detached: [] }
  const attempt = new Attempt(circuit, planted, usual, frame)
  const twin = new Attempt(circuit, [], usual, frame)
  attempt.operate()
  const all = piecesOf(circuit).map(({ id }) => id)
  let last: Choice | undefined
  let doubts: ReadonlyMap<string, number> = new Map()
  const measure = ({ setup, held, arrangement }: Choice) => {
    const options = { instrument: setup.instrument, settings: setup.settings, arrangement }
    const { reading } = twin.measure(held, 0, options)
    const { value } = reading
    const off = care.out * (chance.next() < 0.5 ? -1 : 1)
    const said =
      value === undefined
        ? reading.word !== undefined
          ? { word: reading.word }
          : ('OL' as const)
        : Math.abs(value) < 1e-3
          ? value
          : value + off * Math.min(1, Math.abs(value))
    attempt.measure(held, said, {
      ...options,
      settings: settingsOf(instrumentOf(setup.instrument), setup.settings),
    })
  }
  for (let n = 0; n < Math.min(mostTests, care.tests ?? mostTests); n++) {
    const { belief, bench } = new Judging(predictor, order, defaultRubric, prepared)
      .follow(attempt.steps)
      .followed()
    doubts = belief.doubts
    if (Math.max(...doubts.values()) > found) break
    const choices = rankTests(belief, frame.bag, bench)
    last = choices[care.out > 0.2 ? chance.below(Math.min(3, choices.length)) : 0]
    if (!last) break
    measure(last)
    if (!care.says) continue
    const after = new Judging(predictor, order, defaultRubric, prepared).follow(attempt.steps).followed()
      .belief.doubts
    attempt.infer(all.filter((id) => (after.get(id) ?? 0) < cleared))
    doubts = after
  }
  const ranked = [...doubts].sort((p, q) => q[1] - p[1])
  const guilty = piecesStruck(circuit, planted)
  const [piece = guilty[0]!] = ranked[0] ?? []
  const right = guilty.includes(piece)
  attempt.conclude(piece, right ? planted[0]!.kind : 'open', care.sure)
  const ways = [...new Set(findPieces(circuit, piece).flatMap((one) => repairsFor(circuit, one)))]
  for (const { key } of ways.slice(0, 3)) {
    attempt.act({ type: 'repair', piece, by: key })
    if (!last) break
    measure(last)
    if (right) break
  }
  attempt.operate()
  return attempt
}
