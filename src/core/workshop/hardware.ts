import type { Words } from '../document'
import { findPart, partOf, walkPaths } from '../model'
import type { Circuit } from '../circuit'
import { solveBoard, segmentAmps } from '../board'
import { faultOfKind, severityOf, type Fault } from '../faults'
import { strandsOf } from '../parts'
import { fuseFor } from './ampacity'
import { combine, heatOf, nearest, wattsFor, type Combination, type Heat } from './resistors'
import { protection } from './rules'

/** Real parts that make a fault of so many ohms. */
export interface ResistorMade {
  readonly wanted: number
  readonly single: Combination
  readonly pair: Combination
  /** Watts in the state that heats it most, with the values of `pair`, in all. */
  readonly watts: number
  readonly hottest: string
  /** Rating to buy for each; undefined where none that is sold will do. */
  readonly rating: number | undefined
  readonly heat: Heat | undefined
}

export interface Hardware {
  readonly fault: Fault
  readonly built: Words
  readonly caution: Words | undefined
  readonly resistor?: ResistorMade
  /** Of a conductor that loses strands: how many of how many to cut. */
  readonly strands?: { readonly cut: number; readonly of: number }
  /** Fuse of the branch that the fault stands in, with the amps that run there at most. */
  readonly fuse?: {
    readonly amps: number
    readonly rating: number
    readonly fits: boolean
    readonly stands: number | undefined
  }
}

/** What a fault is built from on the real board, from the worst that it meets in any of the circuit's states. */
export function hardwareFor(circuit: Circuit, fault: Fault): Hardware {
  const definition = faultOfKind(fault.kind)
  const made =
    definition.madeBy === 'resistor' && definition.severity?.unit === 'Ω' && severityOf(fault) > 0.01
      ? resistorFor(circuit, fault)
      : undefined
  const walks = walkPaths(circuit)
  const walk = walks.find((w) => w.strides.some((s) => s.part === fault.part))
  const thinnest = Math.min(
    ...(walk?.strides ?? []).flatMap(({ part }) => {
      const section = findPart(circuit, part)?.parameters.section
      return typeof section === 'number' ? [section] : []
    }),
  )
  const amps = Math.max(0, ...circuit.states.map((state) => runs(circuit, [], state, fault)))
  const stands = [...protection({ circuit, walks })].find(([id]) =>
    walk?.strides.some((s) => s.part === id && s.side === 'feed'),
  )?.[1]
  const { section } = partOf(circuit, fault.part).parameters
  const of = definition.madeBy === 'strands' && typeof section === 'number' ? strandsOf(section) : undefined
  return {
    fault,
    built: definition.built,
    caution: definition.caution,
    ...(made && { resistor: made }),
    // One strand at the least is left, or it would be an open.
    ...(of && { strands: { cut: Math.min(of - 1, Math.round((of * severityOf(fault)) / 100)), of } }),
    ...(Number.isFinite(thinnest) && {
      fuse: {
        amps,
        ...fuseFor(amps, thinnest),
        stands: stands !== undefined && Number.isFinite(stands) ? stands : undefined,
      },
    }),
  }
}

/** Amps through the struck piece in a state. */
function runs(
  circuit: Circuit,
  faults: readonly Fault[],
  state: Circuit['states'][number],
  { part, segment }: Fault,
): number {
  const solved = solveBoard(circuit, faults, state)
  return solved.ok ? Math.abs(segmentAmps(solved.board, solved.point, part, segment)) : 0
}

function resistorFor(circuit: Circuit, fault: Fault): ResistorMade {
  const wanted = severityOf(fault)
  const single = nearest(wanted, 'E12')
  const pair = combine(wanted, 'E24')
  let watts = 0
  let hottest = circuit.states[0]!.name
  for (const state of circuit.states) {
    const shed = shedIn(circuit, { ...fault, severity: pair.total }, state)
    if (shed <= watts) continue
    watts = shed
    hottest = state.name
  }
  const each = worstShare(pair) * watts
  const rating = wattsFor(each)
  return {
    wanted,
    single,
    pair,
    watts,
    hottest,
    rating,
    heat: rating === undefined ? undefined : heatOf(each, rating),
  }
}

/** Watts in the resistor that makes the fault: what the whole board sheds in that piece beyond what it sheds when sound. */
function shedIn(circuit: Circuit, fault: Fault, state: Circuit['states'][number]): number {
  const solved = solveBoard(circuit, [fault], state)
  if (!solved.ok) return 0
  const ohms = severityOf(fault)
  const { board, point } = solved
  let most = 0
  board.elements.forEach((e, i) => {
    const own = e.owner.part === fault.part && e.owner.segment === fault.segment
    if (!own || e.type !== 'resistor' || !Number.isFinite(e.ohms)) return
    // In series with what was there, or by itself where it bridges.
    const share = Math.min(1, ohms / e.ohms)
    most = Math.max(most, point.current[i]! ** 2 * e.ohms * share)
  })
  return most
}

/** The larger share of the watts that one of the two has to shed. */
function worstShare({ how, ohms, total }: Combination): number {
  if (how === 'single') return 1
  const shares = ohms.map((r) => (how === 'series' ? r / total : total / r))
  return Math.max(...shares)
}
