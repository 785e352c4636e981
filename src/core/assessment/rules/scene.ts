import { segmentAmps, type SolvedBoard } from '../../board'
import { instrumentOf, type Nature } from '../../instruments'
import { partOfKind } from '../../parts'
import { walkPath } from '../../readings'
import type { Scene } from './rule'

/** Amps from which a path counts as under load. */
const loaded = 0.02

/** Some load of the circuit carries current. */
export const flows = ({ board, point }: SolvedBoard): boolean =>
  board.circuit.parts.some((part) => {
    const { role, segments } = partOfKind(part.kind)
    return (
      role === 'load' && segments.some((s) => Math.abs(segmentAmps(board, point, part.id, s.key)) > loaded)
    )
  })

/** The healthy circuit would carry current in this state, so its loads are switched on. */
export function meantToRun({ predictor, setup }: Scene): boolean {
  const healthy = predictor.board(undefined, setup.state)
  return healthy !== undefined && flows(healthy)
}

export const natureOf = ({ setup }: Pick<Scene, 'setup'>): Nature =>
  instrumentOf(setup.instrument).nature(setup.settings)

/** It reads volts and loads nothing. */
export const readsVolts = ({ setup }: Pick<Scene, 'setup'>): boolean => {
  const { asks, nature } = instrumentOf(setup.instrument)
  return asks.type === 'value' && asks.unit === 'V' && !nature(setup.settings).needsDead
}

/** Both leads on the same side of the load: a drop test. */
export function isDropTest({ predictor, setup }: Scene): boolean {
  const { place } = setup
  if (place.type === 'jaws') return false
  return predictor.circuit.paths.some((path) => {
    const walk = walkPath(predictor.circuit, predictor.wiring, path)
    const sides = (node: number) =>
      new Set(walk.strides.filter((s) => s.from.node === node || s.to.node === node).map((s) => s.side))
    const red = sides(place.red)
    const black = sides(place.black)
    return (red.has('feed') && black.has('feed')) || (red.has('return') && black.has('return'))
  })
}

/** The student strikes something out by this reading. */
export function claims({ inference, earlier }: Scene): boolean {
  const before = [...earlier].reverse().find((step) => step.type === 'infer')
  const known = new Set(before?.type === 'infer' ? before.struck : [])
  return inference?.struck.some((id) => !known.has(id)) ?? false
}
