import { findPieces, piecesOf } from '../../src/core/model'
import type { Circuit } from '../../src/core/circuit'
import type { Fault } from '../../src/core/faults'
import { partOfKind } from '../../src/core/parts'
import type { Attempt } from '../../test/attempt'
import type { Chance } from '../../test/chance'
import { OtherRoute } from '../../test/other-route'
import {
  guess,
  habits,
  measureAll,
  postsOf,
  Student,
  swapAndLook,
  type complaintOf,
  type Habit,
  type Leg,
} from '../../test/students'
import type { Frame } from '../../src/core/attempt'

type Complained = NonNullable<ReturnType<typeof complaintOf>>

/** What a student is handed: the board, and what the customer says of it. */
export interface Given {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  readonly complained: Complained
  readonly frame: Frame
  readonly habit: Habit
  readonly chance: Chance
}

/**
 * Takes volts at the load’s plug with the load unplugged, finds all that the source has, and calls the feed good: nothing
 * flows, so nothing is lost.
 */
class Unloaded extends Student {
  protected override narrow({ legs, load }: { legs: readonly Leg[]; load: number }): {
    leg: Leg
    dead: boolean
  } {
    const [plus, minus] = postsOf(this.circuit)
    this.read(plus, minus)
    this.say([])
    const loaded = this.arrangement
    const part = legs[load]!.pieces[0]!.split('.')[0]!
    this.arrangement = { ...loaded, detached: [...loaded.detached, part] }
    const before = legs[load]!.from
    this.read(before, minus)
    this.arrangement = loaded
    this.leave(legs.slice(load))
    if (load + 1 < legs.length && this.good(legs[load + 1]!.from, minus) < 0.2) {
      const lost = this.read(legs[load]!.to, minus)
      if (lost > 0.4) {
        this.leave(legs.slice(load + 1))
        return { leg: legs[load + 1]!, dead: false }
      }
    }
    this.leave([legs[load]!])
    return { leg: legs[load]!, dead: true }
  }
}

/** Blames whatever the customer complained of. */
const deadPart = (circuit: Circuit, { complaint }: Complained) => {
  const part = complaint[0]?.part
  return piecesOf(circuit).find((piece) => piece.part === part)?.id
}

const firstFuse = (circuit: Circuit) =>
  piecesOf(circuit).find((piece) =>
    findPieces(circuit, piece.id).some(
      ({ part }) => partOfKind(circuit.parts.find((p) => p.id === part)!.kind).role === 'protection',
    ),
  )?.id

type Manner = ConstructorParameters<typeof Student>[6]

/** Lets a student of some school go the whole way; undefined where the board offers that school no path. */
function worked(
  { circuit, planted, complained, habit, frame }: Given,
  manner: Manner,
  School: typeof Student = Student,
): Attempt | undefined {
  const { arrangement, complaint } = complained
  const one = new School(circuit, planted, arrangement, complaint, habit, frame, manner)
  return one.work() ? one.attempt : undefined
}

/** In which ways the made-up students work: what each does of its own accord, well or badly. */
export const ways = {
  textbook: (given) => worked(given, { out: 0.04, sure: 70 + 10 * given.chance.below(4) }),
  meterAndLamp: (given) => worked(given, { sure: 80 }, OtherRoute),
  careful: (given) => worked(given, { out: 0.3, extra: true, sure: 60 + 10 * given.chance.below(4) }),
  rough: (given) => worked(given, { out: 0.9, extra: true, sure: 50 + 10 * given.chance.below(4) }),
  silent: (given) => worked(given, { out: 0.2, silent: true, sure: 90 }),
  unloaded: (given) => worked(given, { out: 0.2, sure: 80 }, Unloaded),
  deadPart: (given) =>
    worked(given, { out: 0.4, sure: 80, blames: () => deadPart(given.circuit, given.complained) }),
  fuseFirst: (given) => {
    const fuse = firstFuse(given.circuit)
    return fuse === undefined ? undefined : worked(given, { out: 0.5, sure: 70, blames: () => fuse })
  },
  everyPoint: (given) =>
    measureAll(
      given.circuit,
      given.planted,
      given.complained,
      `${given.planted[0]!.part}.${given.planted[0]!.segment}`,
    ),
  guess: (given) => {
    const piece = deadPart(given.circuit, given.complained)
    return piece === undefined
      ? undefined
      : guess(given.circuit, given.planted, given.complained, { piece, kind: 'open' })
  },
  swap: (given) => swapAndLook(given.circuit, given.planted, given.complained),
} as const satisfies Record<string, (given: Given) => Attempt | undefined>
export type Way = keyof typeof ways

export const habitOf = (n: number): Habit => habits[n % habits.length]!
