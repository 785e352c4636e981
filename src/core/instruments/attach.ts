import { solveBoard, type Attachment, type SolvedBoard, type UnsolvedBoard } from '../board'
import type { Element, Law } from '../solve'
import type { Place } from './held'

const owner = { part: '', segment: 'instrument' }

/**
 * The same circuit with something heavy connected: switched, melted and solved anew, for a lamp or an ammeter may pull a
 * relay in or blow a fuse, where a voltmeter does not. What is connected already stays; `out` is taken out for it.
 */
export function solveWith(
  solved: SolvedBoard,
  attachment: Attachment | readonly Attachment[],
  out: readonly string[] = [],
  onSource: readonly string[] = [],
): SolvedBoard | UnsolvedBoard {
  const { circuit, faults, state, blown, attached, modes, spares, onSource: fed } = solved.board
  const opened = out.filter((id) => !state.detached.includes(id))
  return solveBoard(
    circuit,
    faults,
    opened.length ? { ...state, detached: [...state.detached, ...opened] } : state,
    {
      blown,
      attached: [...attached, ...(typeof attachment === 'function' ? [attachment] : attachment)],
      from: modes,
      spares,
      onSource: [...fed, ...onSource],
    },
  )
}

/** The two nodes that something with two ends joins; undefined for what has jaws. */
export const endsOf = (place: Place): readonly [number, number] | undefined =>
  place.type === 'jaws' ? undefined : [place.red, place.black]

/** Parts that must be out for it to stand there. */
export const outFor = (place: Place): readonly string[] => (place.type === 'gap' ? [place.part] : [])

/**
 * Plain ohms between two nodes.
 * @param a node
 * @param b node
 * @param ohms Ω
 */
export const ohmsAcross = (a: number, b: number, ohms: number): Attachment => {
  const element: Element = { type: 'resistor', a, b, ohms, owner }
  return () => (a === b ? [] : [element])
}

/** A law behind the ohms of two leads. */
export const lawAcross =
  (a: number, b: number, law: Law, leadOhms: number): Attachment =>
  (freshNode) => {
    if (a === b) return []
    const tip = freshNode()
    return [
      { type: 'resistor', a, b: tip, ohms: leadOhms, owner: { part: '', segment: 'lead' } },
      { type: 'nonlinear', a: tip, b, law, owner },
    ]
  }

/** Amps through what was connected last, the mean over a limit cycle. */
export const instrumentAmps = (solved: SolvedBoard): number =>
  meanOf(solved, ({ point }, i) => point.current[i]!)

/** Volts across what was connected last, its leads left out. */
export const instrumentVolts = (solved: SolvedBoard): number =>
  meanOf(solved, ({ board, point }, i) => {
    const { a, b } = board.elements[i]!
    return point.voltage[a]! - point.voltage[b]!
  })

function meanOf({ phases }: SolvedBoard, of: (phase: SolvedBoard, element: number) => number): number {
  const each = phases.map((phase) => {
    const i = phase.board.elements.findLastIndex((e) => e.owner === owner)
    return i < 0 ? 0 : of(phase, i)
  })
  return each.reduce((sum, one) => sum + one, 0) / each.length
}
