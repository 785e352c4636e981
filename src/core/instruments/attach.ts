import { solveBoard, type Attachment, type SolvedBoard, type UnsolvedBoard } from '../board'
import type { Element, Law } from '../solve'

const owner = { part: '', segment: 'instrument' }

/**
 * The same circuit with something heavy connected: switched, melted and solved anew, for a lamp or an ammeter may pull a
 * relay in or blow a fuse, where a voltmeter does not.
 */
export function solveWith(solved: SolvedBoard, attachment: Attachment): SolvedBoard | UnsolvedBoard {
  const { circuit, faults, state, wiring, blown } = solved.board
  return solveBoard(circuit, faults, state, { blown, wiring, attached: [attachment] })
}

/** Plain ohms between two nodes. */
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
      { type: 'curve', a: tip, b, law, owner },
    ]
  }

/** Amps through what was connected, the mean where the board swings. */
export function instrumentAmps(solved: SolvedBoard): number {
  const phases = solved.swing?.phases ?? [solved]
  const each = phases.map(({ board, point }) => {
    const i = board.elements.findIndex((e) => e.owner === owner)
    return i < 0 ? 0 : point.current[i]!
  })
  return each.reduce((sum, amps) => sum + amps, 0) / each.length
}

/** Volts across what was connected, its leads left out. */
export function instrumentVolts(solved: SolvedBoard): number {
  const phases = solved.swing?.phases ?? [solved]
  const each = phases.map(({ board, point }) => {
    const element = board.elements.find((e) => e.owner === owner)
    return element ? point.voltage[element.a]! - point.voltage[element.b]! : 0
  })
  return each.reduce((sum, volts) => sum + volts, 0) / each.length
}
