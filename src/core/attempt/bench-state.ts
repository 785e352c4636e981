import { findPart, partOf, findPieces, type Piece } from '../model'
import {
  aftermath,
  bodyAt,
  placesOf,
  solveBoard,
  type Exchanged,
  type SolvedBoard,
  type UnsolvedBoard,
} from '../board'
import { type Circuit, type CircuitState } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { partOfKind } from '../parts'
import { accessMinutes, instrumentMinutes } from './minutes'
import type { Order } from './order'
import { cures, repairOf, type RepairKey } from './repairs'
import type { Arrangement, Step } from './steps'

/** What the steps so far have left of the board and of the meter: all that the next step begins with. */
export interface BenchState {
  /** Fuses of the circuit that are gone now: of a part its own by its id, of the box’s spare for it by that behind a +. */
  readonly blown: readonly string[]
  /** Of them, those that an instrument of the student’s blew, no fault; and those that were renewed and have blown again. */
  readonly spent: readonly string[]
  /** Fuses that were renewed or replaced, once for each time. */
  readonly renewed: readonly string[]
  /** Jacks of the meter whose fuse is gone, and how many were renewed. */
  readonly meterFuses: readonly ('A' | 'mA')[]
  readonly meterRenewed: number
  /** What is out at the moment, and what was out and is in again: a slack terminal that was reseated behaves. */
  readonly out: readonly string[]
  readonly reseated: readonly string[]
  /** What has changed places at the moment. */
  readonly exchange?: Exchanged
  /** What had switched by itself and holds. */
  readonly latched: Readonly<Record<string, string>>
  readonly repairs: readonly { readonly piece: string; readonly by: RepairKey }[]
  /** New parts and wires that went in. */
  readonly replaced: number
  /** Parts whose place is open already. */
  readonly reached: readonly string[]
  /** Simulated minutes since the work began. */
  readonly minutes: number
}

/** The bench as it is found: the customer has used the circuit in each of its states. */
export function startBench({ circuit, planted }: Order): BenchState {
  return {
    blown: [...aftermath(circuit, planted)],
    spent: [],
    renewed: [],
    meterFuses: [],
    meterRenewed: 0,
    out: [],
    reseated: [],
    latched: {},
    repairs: [],
    replaced: 0,
    reached: [],
    minutes: 0,
  }
}

/** The bench after one more step. Pure: what a step did is kept with it. */
export function advance(order: Order, bench: BenchState, step: Step): BenchState {
  switch (step.type) {
    case 'operate': {
      const moved = arranged(bench, step.arrangement)
      const swap = swapMinutes(order.circuit, bench, step.arrangement)
      return {
        ...moved,
        // What blows while a jumper is on was blown by the jumper.
        ...effects(moved, step, Boolean(step.also?.length)),
        reached: swap.reached,
        minutes: bench.minutes + 0.5 + swap.minutes,
      }
    }
    case 'test': {
      const moved = arranged(bench, step.arrangement)
      const swap = swapMinutes(order.circuit, bench, step.arrangement)
      const { minutes, reached } = instrumentMinutes(order.circuit, { ...bench, reached: swap.reached }, step)
      return {
        ...moved,
        ...effects(moved, step, true),
        reached,
        minutes: bench.minutes + swap.minutes + minutes,
      }
    }
    case 'repair': {
      const repair = repairOf(step.by)
      const [piece] = findPieces(order.circuit, step.piece)
      const cost = piece
        ? accessMinutes(order.circuit, bench, [piece.part])
        : { minutes: 0, reached: bench.reached }
      // A new fuse stands in the holder: whatever has blown the old one is not known to have blown it yet.
      const fuse =
        repair.consumes &&
        piece &&
        (canMelt(order.circuit, piece) || hasBurntOut(order.circuit, bench, piece))
          ? [piece.part]
          : []
      return {
        ...bench,
        repairs: [...bench.repairs, { piece: step.piece, by: step.by }],
        reseated: piece && repair.reseats ? union(bench.reseated, [piece.part]) : bench.reseated,
        replaced: bench.replaced + (repair.consumes ? 1 : 0),
        blown: bench.blown.filter((id) => !fuse.includes(id)),
        spent: bench.spent.filter((id) => !fuse.includes(id)),
        renewed: [...bench.renewed, ...fuse],
        reached: cost.reached,
        minutes: bench.minutes + cost.minutes + repair.minutes,
      }
    }
    case 'renew': {
      const jack = step.fuse === 'A' || step.fuse === 'mA' ? step.fuse : undefined
      if (jack)
        return {
          ...bench,
          meterFuses: bench.meterFuses.filter((j) => j !== jack),
          meterRenewed: bench.meterRenewed + 1,
          minutes: bench.minutes + 2,
        }
      const body = bodyAt(bench.exchange ?? {}, step.fuse)
      return {
        ...bench,
        blown: bench.blown.filter((id) => id !== body),
        spent: bench.spent.filter((id) => id !== body),
        renewed: [...bench.renewed, body],
        minutes: bench.minutes + 1,
      }
    }
    case 'infer':
    case 'conclude':
    case 'hint':
    case 'question':
      return bench
  }
}

/** The bench that all of `steps` leave. */
export const benchAfter = (order: Order, steps: readonly Step[]): BenchState =>
  steps.reduce((bench, step) => advance(order, bench, step), startBench(order))

function arranged(bench: BenchState, { detached, swapped = [], spares = [] }: Arrangement): BenchState {
  const back = bench.out.filter((id) => !detached.includes(id))
  const exchange = { swapped, spares }
  const moved = changedPlaces(bench, exchange)
  return {
    ...bench,
    out: detached,
    reseated: union(bench.reseated, [...back, ...moved]),
    ...((moved.length || bench.exchange) && { exchange }),
    // A relay that was pulled out rests.
    ...(moved.length && {
      latched: Object.fromEntries(Object.entries(bench.latched).filter(([id]) => !moved.includes(id))),
    }),
  }
}

/** Places in which another body stands than before. */
function changedPlaces({ exchange = {} }: BenchState, now: Exchanged): string[] {
  const named = [exchange, now].flatMap(({ swapped = [], spares = [] }) => [...swapped.flat(), ...spares])
  return [...new Set(named)].filter((id) => bodyAt(exchange, id) !== bodyAt(now, id))
}

/** Minutes to pull one and press another in (common practice, no source). */
const toSwap = 1

function swapMinutes(circuit: Circuit, bench: BenchState, arrangement: Arrangement) {
  const moved = changedPlaces(bench, arrangement)
  const { minutes, reached } = accessMinutes(circuit, bench, moved)
  return { minutes: minutes + moved.length * toSwap, reached }
}

function effects(
  bench: BenchState,
  { did }: Extract<Step, { type: 'operate' | 'test' }>,
  byInstrument = false,
): Pick<BenchState, 'blown' | 'spent' | 'meterFuses' | 'latched'> {
  const exchange = bench.exchange ?? {}
  const places = did?.blown ?? []
  const bodies = places.map((id) => bodyAt(exchange, id))
  // One that stands in another's place was not there when the fault blew what it could.
  const again = bodies.filter((body, i) => bench.renewed.includes(body) || body !== places[i])
  return {
    blown: union(bench.blown, bodies),
    spent: union(bench.spent, byInstrument ? bodies : again),
    meterFuses: did?.meterFuse ? union(bench.meterFuses, [did.meterFuse]) : bench.meterFuses,
    latched: did?.latched ?? bench.latched,
  }
}

const union = <T>(a: readonly T[], b: readonly T[]): readonly T[] =>
  b.length ? [...new Set([...a, ...b])] : a

/** Faults that the board shows: not cured, nor, being slack, hidden because its joint was taken apart and put together. */
export const faultsLeft = (
  circuit: Circuit,
  planted: readonly Fault[],
  bench: Pick<BenchState, 'repairs' | 'reseated' | 'renewed'>,
): Fault[] =>
  faultsUncured(circuit, planted, bench).filter(
    (fault) => !(faultOfKind(fault.kind).reseats && bench.reseated.includes(fault.part)),
  )

/** Faults that nothing has put right: neither repaired nor gone with the old fuse, whether or not they show now. */
export function faultsUncured(
  circuit: Circuit,
  planted: readonly Fault[],
  { repairs, renewed }: Pick<BenchState, 'repairs' | 'renewed'>,
): Fault[] {
  return planted.filter(
    (fault) =>
      !(renewed.includes(fault.part) && fuseOf(circuit, fault.part) === fault.segment) &&
      !repairs.some(({ piece, by }) =>
        findPieces(circuit, piece).some((one) => cures(circuit, one, by, fault)),
      ),
  )
}

const fuseOf = (circuit: Circuit, id: string): string | undefined => {
  const part = findPart(circuit, id)
  if (!part) return undefined
  const { protects, cable } = partOfKind(part.kind)
  return protects?.segment ?? cable?.segment
}

/** A lamp or a winding that got more volts than it bears. */
const hasBurntOut = (circuit: Circuit, { blown }: BenchState, { part, unit }: Piece): boolean =>
  blown.includes(part) &&
  partOfKind(partOf(circuit, part).kind).bears?.segments.some((s) => unit.segments.includes(s)) === true

/** A fuse in its holder, or a conductor that has burnt through. */
const canMelt = (circuit: Circuit, { part, unit }: Piece): boolean =>
  unit.segments.some((segment) => segment === fuseOf(circuit, part))

/** The state of the circuit that an arrangement makes. */
export const stateOf = (arrangement: Arrangement): CircuitState => ({
  id: 'bench',
  name: 'bench',
  ...arrangement,
})

/** The board that the bench is, arranged so. */
export function boardOf(
  { circuit, planted, spares }: Order,
  bench: BenchState,
  arrangement: Arrangement,
): SolvedBoard | UnsolvedBoard {
  const now = arranged(bench, arrangement)
  const latched = Object.entries(bench.latched)
  return solveBoard(circuit, faultsLeft(circuit, planted, now), stateOf(arrangement), {
    blown: new Set(placesOf(arrangement, bench.blown)),
    ...(spares && { spares }),
    ...(latched.length && { from: modesFrom(circuit, bench.latched) }),
  })
}

function modesFrom(circuit: Circuit, latched: BenchState['latched']): ReadonlyMap<string, string> {
  return new Map(
    circuit.parts.flatMap(({ id, kind }) => {
      const { modes } = partOfKind(kind)
      return modes ? [[id, latched[id] ?? modes.rest] as const] : []
    }),
  )
}

/** What has switched by itself, where that is not its rest: how the next step finds it. */
export function latchedOf(solved: SolvedBoard): Record<string, string> | undefined {
  // In a limit cycle nothing is held.
  const moved = [...solved.board.modes].filter(([id, mode]) => {
    const { kind } = partOf(solved.board.circuit, id)
    return mode !== partOfKind(kind).modes?.rest && !solved.limitCycle?.parts.includes(id)
  })
  return moved.length ? Object.fromEntries(moved) : undefined
}
