import { arrangementOf, type Arrangement, type Frame } from '../src/core/attempt'
import { settable, type Circuit } from '../src/core/circuit'
import { instrumentOf, locate, readWith, settingsOf, workshopMeter, type Held } from '../src/core/instruments'
import type { InstrumentKey } from '../src/core/instruments'
import type { MisbeliefKey } from '../src/core/learning'
import { piecesOf, wireUp } from '../src/core/model'
import { aftermath, solveBoard } from '../src/core/board'
import { stateOf } from '../src/core/attempt'
import { repairsFor } from '../src/core/attempt'
import type { Fault } from '../src/core/faults'
import { partOfKind } from '../src/core/parts'
import type { Attempt } from './attempt'
import type { Chance } from './chance'
import { postsOf, Student, type complaintOf, type Leg } from './students'

type Complained = NonNullable<ReturnType<typeof complaintOf>>

/** What a simulated student with a wrong idea is handed. */
export interface Handed {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  readonly complained: Complained
  readonly frame: Frame
  readonly chance: Chance
}

/** A wrong idea as somebody acts it out on a bench; written from what its holders do, not from how it is looked for. */
interface Acted {
  readonly before?: (student: Student, handed: Handed) => boolean | undefined
  readonly predicts?: (good: number, red: string, black: string, student: Student) => number
  readonly blames?: (handed: Handed) => string | undefined
}

/** How often a holder lets the idea lead. */
const led = 0.85

const outOf = (arrangement: Arrangement, part: string): Arrangement => ({
  ...arrangement,
  detached: [...new Set([...arrangement.detached, part])],
})
const partIn = (leg: Leg): string => leg.pieces[0]!.split('.')[0]!
const piecesOfLegs = (legs: readonly Leg[]) => legs.flatMap(({ pieces }) => pieces)
const ofPart = (circuit: Circuit, part: string | undefined) =>
  piecesOf(circuit).find((piece) => piece.part === part)?.id
const withRole = (circuit: Circuit, role: string) =>
  circuit.parts.find(({ kind }) => partOfKind(kind).role === role)?.id
/** A state in which the battery is off. */
const dead = (circuit: Circuit): Arrangement | undefined => {
  const strap = circuit.parts.find(({ kind }) => kind === 'strap')?.id
  const state = circuit.states.filter(settable).find(({ detached }) => strap && detached.includes(strap))
  return state && arrangementOf(state)
}
const wireOn = (legs: readonly Leg[]) => legs.map(partIn).find((part) => part.startsWith('W'))

/** What a good circuit tells an instrument that is held so. */
function goodReading({ circuit }: Student, instrument: InstrumentKey, held: Held, arrangement: Arrangement) {
  const located = locate(circuit, wireUp(circuit), held)
  const board = solveBoard(circuit, [], stateOf(arrangement), { blown: aftermath(circuit, []) })
  if (!located.ok || !board.ok) throw new Error('no such place')
  const settings = settingsOf(instrumentOf(instrument))
  const read = readWith(board, { instrument, settings, place: located.place }, [], workshopMeter)
  if (!read.ok) throw new Error('no reading')
  return read.reading
}
/** Measures with a right prediction. */
function measure(
  student: Student,
  instrument: InstrumentKey,
  held: Held,
  arrangement = student.arranged,
): void {
  const good = goodReading(student, instrument, held, arrangement)
  const { asks } = instrumentOf(instrument)
  const said =
    asks.type === 'word'
      ? { word: good.word! }
      : asks.type === 'beep'
        ? good.signs.some(({ code }) => code === 'instruments.beeps')
          ? 'beep'
          : 'OL'
        : (good.value ?? 'OL')
  student.attempt.measure(held, said, { instrument, arrangement })
}
const leads = (red: string, black: string): Held => ({ type: 'leads', red, black })

export const acted: Readonly<Record<MisbeliefKey, Acted>> = {
  voltsMeanFeed: {
    before: (student) => {
      const { legs, load } = student.way()!
      const [, minus] = postsOf(student.circuit)
      measure(student, 'volts', leads(legs[load]!.from, minus), outOf(student.arranged, partIn(legs[load]!)))
      student.strike(piecesOfLegs(legs.slice(0, load)))
    },
  },
  moreVoltsBetter: {
    before: (student) => {
      const { legs, load } = student.way()!
      const [, minus] = postsOf(student.circuit)
      measure(student, 'volts', leads(legs[load]!.from, minus))
      // “More than the book says: nothing is wrong on either side of it.”
      const last = student.attempt.steps.at(-1)
      const good = student.good(legs[load]!.from, minus)
      if (last?.type === 'test' && (last.reading.value ?? 0) > good + 0.1)
        student.strike([...piecesOfLegs(legs.slice(0, load)), ...piecesOfLegs(legs.slice(load + 1))])
    },
  },
  offMeansNoVolts: {
    before: (student) => {
      const { legs, load } = student.way()!
      const [, minus] = postsOf(student.circuit)
      const off = outOf(student.arranged, partIn(legs[load]!))
      student.attempt.measure(leads(legs[load]!.from, minus), 0, { arrangement: off })
      student.strike([])
    },
  },
  ohmsProveWire: {
    before: (student) => {
      const { legs, load } = student.way()!
      const off = dead(student.circuit)
      if (!off) return
      const side = student.planted.some(({ part }) => legs.slice(0, load).some((leg) => partIn(leg) === part))
        ? legs.slice(0, load)
        : legs.slice(load + 1)
      for (const leg of side.filter(({ pieces }) => !/B1|ST/.test(pieces[0]!)).slice(0, 3)) {
        measure(student, 'continuity', leads(leg.from, leg.to), off)
        const last = student.attempt.steps.at(-1)
        if (last?.type === 'test' && last.reading.signs.some(({ code }) => code === 'instruments.beeps'))
          student.strike(leg.pieces)
      }
    },
  },
  lampProvesWire: {
    before: (student) => {
      const { legs, load } = student.way()!
      const [, minus] = postsOf(student.circuit)
      measure(
        student,
        'testLamp',
        leads(legs[load]!.from, minus),
        outOf(student.arranged, partIn(legs[load]!)),
      )
      const last = student.attempt.steps.at(-1)
      if (last?.type === 'test' && last.reading.word !== 'dark')
        student.strike(piecesOfLegs(legs.slice(0, load)))
    },
  },
  noDropIsGood: {
    before: (student) => {
      const { legs, load } = student.way()!
      const off = outOf(student.arranged, partIn(legs[load]!))
      for (const side of [legs.slice(0, load), legs.slice(load + 1)]) {
        if (side.length < 2) continue
        measure(student, 'volts', leads(side[0]!.from, side.at(-1)!.to), off)
        const last = student.attempt.steps.at(-1)
        if (last?.type === 'test' && Math.abs(last.reading.value ?? 1) < 0.02)
          student.strike(piecesOfLegs(side))
      }
    },
  },
  sourceOnDrop: {
    before: (student) => {
      const { legs, load } = student.way()!
      const [plus, minus] = postsOf(student.circuit)
      for (const side of [legs.slice(0, load), legs.slice(load + 1)]) {
        if (!side.length) continue
        measure(student, 'volts', leads(side[0]!.from, side.at(-1)!.to))
        const last = student.attempt.steps.at(-1)
        // “Twelve volts: this side is good.”
        if (last?.type === 'test' && (last.reading.value ?? 0) > 0.8 * student.good(plus, minus))
          student.strike(piecesOfLegs(side))
      }
    },
  },
  openReadsNothing: {
    before: (student) => {
      const { circuit } = student
      const { legs, load } = student.way()!
      const off = circuit.states.filter(settable).map(arrangementOf)
      const [plus, minus] = postsOf(circuit)
      for (const arrangement of off)
        for (const leg of legs.filter((_, i) => i !== load)) {
          const good = student.good(leg.from, leg.to, arrangement)
          if (Math.abs(good) < 0.8 * student.good(plus, minus, arrangement)) continue
          student.attempt.measure(leads(leg.from, leg.to), 0, { arrangement })
          student.strike([])
          return
        }
    },
  },
  oneSideReadsSource: {
    predicts: (good, red, black, student) =>
      isOneSide(student, red, black) ? student.good(...postsOf(student.circuit)) : good,
  },
  equalShares: {
    predicts: (good, red, black, student) =>
      isOneSide(student, red, black) ? student.good(...postsOf(student.circuit)) / 2 : good,
  },
  currentUsedUp: {
    before: (student) => {
      const { legs, load } = student.way()!
      for (const [wire, share] of [
        [wireOn(legs.slice(0, load)), 1],
        [wireOn(legs.slice(load + 1)), 0.6],
      ] as const) {
        if (!wire) continue
        const held: Held = { type: 'jaws', round: [wire] }
        const { value = 0 } = goodReading(student, 'clamp', held, student.arranged)
        student.attempt.measure(held, share * value, { instrument: 'clamp', arrangement: student.arranged })
        student.strike([])
      }
    },
  },
  anyGroundWillDo: {
    before: (student) => {
      const { legs, load } = student.way()!
      const ground = legs[load + 1]
      if (!ground) return
      // The nearest metal, which is behind the fault or not.
      for (const near of [legs[load]!.to, ground.to]) {
        measure(student, 'volts', leads(legs[0]!.to, near))
        student.strike(piecesOfLegs([...legs.slice(0, load), ...legs.slice(load + 1)]).slice(0, 4))
      }
    },
  },
  feedIsEnough: {
    before: (student) => {
      const { legs, load } = student.way()!
      const [plus] = postsOf(student.circuit)
      measure(student, 'volts', leads(plus, legs[load]!.from))
      student.strike(piecesOfLegs(legs.slice(0, load)))
      const [piece] = legs[load]!.pieces
      student.attempt.conclude(piece!, 'highResistance')
      const [way] = repairsFor(
        student.circuit,
        piecesOf(student.circuit).find(({ id }) => id === piece)!,
      )
      if (way) student.attempt.act({ type: 'repair', piece: piece!, by: way.key })
      student.attempt.operate(student.arranged)
      return true
    },
  },
  clickIsContact: {
    before: (student, { circuit }) => {
      const contacts = piecesOf(circuit).filter(({ id }) => /\.contacts$/.test(id))
      if (!contacts.length) return
      measure(student, 'volts', leads(...postsOf(circuit)))
      student.strike(contacts.map(({ id }) => id))
    },
  },
  fuseIsFault: { blames: ({ circuit }) => ofPart(circuit, withRole(circuit, 'protection')) },
  dimIsBattery: { blames: ({ circuit }) => ofPart(circuit, withRole(circuit, 'source')) },
  deadPartIsBad: { blames: ({ circuit, complained }) => ofPart(circuit, complained.complaint[0]?.part) },
  newPartTells: {
    before: (student, { circuit, chance }) => {
      const all = piecesOf(circuit).filter((piece) =>
        repairsFor(circuit, piece).some(({ key }) => key === 'replace'),
      )
      for (let n = 0; n < 2; n++)
        student.attempt.act({ type: 'repair', piece: chance.pick(all).id, by: 'replace' })
    },
  },
  ohmsOnLive: {
    before: (student) => {
      const { legs, load } = student.way()!
      measure(student, 'ohms', leads(legs[load]!.from, legs[load]!.to))
      student.strike([])
    },
  },
  ampsAcross: {
    before: (student) => {
      student.attempt.measure(leads(...postsOf(student.circuit)), 4, {
        instrument: 'amps',
        arrangement: student.arranged,
      })
      student.strike([])
    },
  },
  jawsRoundAll: {
    before: (student) => {
      const { legs, load } = student.way()!
      const round = [wireOn(legs.slice(0, load)), wireOn(legs.slice(load + 1))].filter(
        (one) => one !== undefined,
      )
      if (round.length < 2) return
      measure(student, 'clamp', { type: 'jaws', round })
      student.strike([])
    },
  },
  minusIsFault: {
    before: (student) => {
      const { legs, load } = student.way()!
      const { from, to } = legs[load]!
      measure(student, 'volts', leads(to, from))
      const last = student.attempt.steps.at(-1)
      student.strike([])
      if (last?.type === 'test' && (last.reading.value ?? 0) < -0.005) {
        measure(student, 'volts', leads(from, to))
        student.strike([])
      }
    },
  },
  displayIsReal: {
    before: (student) => {
      const { circuit } = student
      const { legs, load } = student.way()!
      const [, minus] = postsOf(circuit)
      // Nothing holds the plug of what is unplugged, with the switch open.
      for (const state of circuit.states.filter(settable)) {
        const arrangement = outOf(arrangementOf(state), partIn(legs[load]!))
        const from = leads(legs[load]!.from, minus)
        if (!goodReading(student, 'volts', from, arrangement).signs.some(({ code }) => /floating/.test(code)))
          continue
        measure(student, 'volts', from, arrangement)
        student.strike([...piecesOfLegs(legs.slice(load)), ...piecesOfLegs(legs.slice(0, 2))])
        return
      }
    },
  },
}

/** Two points of one side of what does not work, or the ends of one piece beside it. */
function isOneSide(student: Student, red: string, black: string): boolean {
  const way = student.way()
  if (!way) return false
  const at = (name: string) => way.legs.findIndex(({ from }) => from === name)
  const last = way.legs.at(-1)!.to
  const [a, b] = [red, black].map((name) => (name === last ? way.legs.length : at(name))) as [number, number]
  if (a < 0 || b < 0 || Math.abs(a - b) === way.legs.length) return false
  return Math.max(a, b) <= way.load || Math.min(a, b) > way.load
}

/** Slips that anybody makes: a prediction that is far off, a piece struck out too early. */
function slips(handed: Handed, often: number) {
  const { chance, circuit } = handed
  const all = piecesOf(circuit).map(({ id }) => id)
  return {
    predicts: (good: number) =>
      chance.next() < often
        ? chance.pick([0, good / 2, 12, -good, good + 1])
        : good + (chance.next() - 0.5) * 0.1,
    rash: () => (chance.next() < often ? [chance.pick(all)] : []),
  }
}

/** One attempt of somebody who holds a wrong idea, or none; undefined where this board offers no such way. */
export function workAs(idea: MisbeliefKey | undefined, handed: Handed, careless = 0.04): Attempt | undefined {
  const { circuit, planted, complained, frame, chance } = handed
  const own = slips(handed, careless)
  const leads = idea !== undefined && chance.next() < led ? acted[idea] : undefined
  const blamed = leads?.blames?.(handed)
  const student: Student = new Student(
    circuit,
    planted,
    complained.arrangement,
    complained.complaint,
    chance.pick(['loadFirst', 'batteryOutward', 'groundFirst', 'halving'] as const),
    frame,
    {
      sure: 60 + 10 * chance.below(4),
      rash: own.rash,
      predicts: (good, red, black) => {
        const said = leads?.predicts?.(good, red, black, student)
        return said === undefined || said === good ? own.predicts(good) : said
      },
      before: (one) => leads?.before?.(one, handed),
      ...(blamed !== undefined && { blames: () => blamed }),
      ...(blamed === undefined &&
        chance.next() < careless && { blames: () => chance.pick(piecesOf(circuit)).id }),
    },
  )
  if (!student.way()) return undefined
  return student.work() ? student.attempt : undefined
}
