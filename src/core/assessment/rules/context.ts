import { cached } from '../../cache'
import type { Predictor } from '../../diagnosis'
import { findPieces, partOf, type Piece, walkPath } from '../../model'
import { segmentAmps, type SolvedBoard } from '../../board'
import { instrumentOf, type Nature } from '../../instruments'
import { partOfKind } from '../../parts'
import { arrangementOf, shownOf, stateOf, still } from '../../attempt'
import { settable, stateSignature, type CircuitState } from '../../circuit'
import { type Message, say } from '../../document'
import type { Ahead, TestContext } from './rule'

/** Pairs of points that are remembered of one circuit. */
const most = 2000

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

/** The board carries current through one of these pieces. */
export const carries = ({ board, point }: SolvedBoard, pieces: ReadonlySet<string>): boolean =>
  [...pieces].some((name) =>
    findPieces(board.circuit, name).some(({ part, unit }) =>
      unit.segments.some((s) => Math.abs(segmentAmps(board, point, part, s)) > loaded),
    ),
  )

/** The healthy circuit would carry current through what is between the leads in this state. */
export function meantToCarry(context: Pick<TestContext, 'predictor' | 'setup'>): boolean {
  const healthy = context.predictor.board(undefined, context.setup.state)
  return healthy !== undefined && carries(healthy, piecesBetween(context))
}

/**
 * What the same reading would have been in the first named state in which a good circuit sends current through what is
 * between the leads, or through the load; undefined where there is none, or nobody may know it yet.
 */
export function loadedReading(context: TestContext): Message | undefined {
  const { predictor, setup, boardIn, order } = context
  const between = piecesBetween(context)
  const state = order.circuit.states.filter(settable).find((one) => {
    const healthy = predictor.board(undefined, stateOf(arrangementOf(one)))
    return healthy && (between.size ? carries(healthy, between) : flows(healthy))
  })
  const solved = state && boardIn?.(stateOf(arrangementOf(state)))
  if (!state || !solved) return undefined
  const voltage = readsVolts(context) ? setup : { ...setup, instrument: 'volts' as const, settings: {} }
  const reading = instrumentOf(voltage.instrument).read({
    solved,
    place: voltage.place,
    settings: voltage.settings,
    meter: predictor.meter,
  })
  return say('assessment.withLoad', { state: state.name, reading: shownOf(reading) })
}

/** What the instrument is, as it is set. */
export const natureOf = ({ setup }: Pick<TestContext, 'setup'>): Nature =>
  instrumentOf(setup.instrument).nature(setup.settings)

/** It reads volts and loads nothing. */
export const readsVolts = ({ setup }: Pick<TestContext, 'setup'>): boolean => {
  const { asks, nature } = instrumentOf(setup.instrument)
  return asks.type === 'value' && asks.unit === 'V' && !nature(setup.settings).needsDead
}

/** The two nodes that it is held to; undefined for jaws. */
export const endsOf = ({
  setup: { place },
}: Pick<TestContext, 'setup'>): readonly [number, number] | undefined =>
  place.type === 'jaws' ? undefined : [place.red, place.black]

/**
 * On which sides of a load a node lies, over all paths.
 * @param node index of the node
 */
export function sidesOf({ predictor }: Pick<TestContext, 'predictor'>, node: number): ReadonlySet<string> {
  const sides = new Set<string>()
  for (const path of predictor.circuit.paths)
    for (const { from, to, side } of walkPath(predictor.circuit, path).strides)
      if (from.node === node || to.node === node) sides.add(side)
  return sides
}

/** Both leads on the same side of the load, or across one joint or wire: a drop test. */
export function isDropTest(context: Pick<TestContext, 'predictor' | 'setup'>): boolean {
  const ends = endsOf(context)
  return ends !== undefined && isDrop(context.predictor, ends)
}

const isDrop = cached<[Predictor, readonly number[]], boolean>(
  { owner: (predictor) => predictor, key: (_, ends) => ends.join(), most },
  isDropBetween,
)

function isDropBetween(predictor: Predictor, ends: readonly number[]): boolean {
  const [red, black] = ends as readonly [number, number]
  const between = [...piecesOn(predictor, ends)]
  const lossy = (name: string) =>
    findPieces(predictor.circuit, name).every(({ part, unit }) => {
      const { role, loads = [] } = partOfKind(partOf(predictor.circuit, part).kind)
      return (
        role !== 'load' &&
        (role !== 'source' || !unit.segments.includes('cells')) &&
        !unit.segments.some((s) => loads.includes(s))
      )
    })
  if (between.length > 0 && between.every(lossy)) return true
  return predictor.circuit.paths.some((path) => {
    const walk = walkPath(predictor.circuit, path)
    const sides = (node: number) =>
      new Set(walk.strides.filter((s) => s.from.node === node || s.to.node === node).map((s) => s.side))
    const [p, q] = [sides(red), sides(black)]
    return (p.has('feed') && q.has('feed')) || (p.has('return') && q.has('return'))
  })
}

/** Pieces that the student newly strikes out by this reading. */
export function newlyStruck({ earlier, predictor }: TestContext, { inference }: Ahead): readonly Piece[] {
  const before = [...earlier].reverse().find((step) => step.type === 'infer')
  const known = new Set(before?.type === 'infer' ? before.struck : [])
  return (inference?.struck ?? [])
    .filter((name) => !known.has(name))
    .flatMap((name) => findPieces(predictor.circuit, name))
}

/** Of them, those that the readings do not bear: what is still in doubt. A claim that is right needs no rule. */
export const unborne = (context: TestContext, ahead: Ahead): readonly Piece[] =>
  newlyStruck(context, ahead).filter(
    ({ id }) => context.after.lostWith(id, new Set()) > context.thresholds.follows,
  )

/** Pieces on the way between the two leads, along any path. */
export function piecesBetween(context: Pick<TestContext, 'predictor' | 'setup'>): ReadonlySet<string> {
  const ends = endsOf(context)
  return ends ? onTheWay(context.predictor, ends) : new Set()
}

const onTheWay = cached<[Predictor, readonly number[]], ReadonlySet<string>>(
  { owner: (predictor) => predictor, key: (_, ends) => ends.join(), most },
  piecesOn,
)

function piecesOn({ circuit, wiring }: Predictor, ends: readonly number[]): ReadonlySet<string> {
  const found = new Set<string>()
  for (const path of circuit.paths) {
    const { strides } = walkPath(circuit, path)
    const at = (node: number) => strides.findIndex((s) => s.from.node === node)
    const last = strides[strides.length - 1]
    const [p, q] = ends.map((node) => (last?.to.node === node ? strides.length : at(node))) as [
      number,
      number,
    ]
    if (p < 0 || q < 0) continue
    for (const { part, segment } of strides.slice(Math.min(p, q), Math.max(p, q)))
      for (const piece of findPieces(circuit, `${part}.${segment.key}`)) found.add(piece.id)
  }
  // A joint that lies beside every path, or at its very end: from post to clamp.
  for (const { id, kind } of circuit.parts)
    for (const { key, between } of partOfKind(kind).segments) {
      const nodes = between.map((end) => wiring.nodeOf(id, end))
      if (nodes.every((node) => ends.includes(node)) && nodes[0] !== nodes[1])
        for (const piece of findPieces(circuit, `${id}.${key}`)) found.add(piece.id)
    }
  return found
}

/** Pieces of the feed that lead to a lead which stands on it, along any path. */
export function feedBefore(context: Pick<TestContext, 'predictor' | 'setup'>): ReadonlySet<string> {
  const ends: readonly number[] = endsOf(context) ?? []
  const { circuit } = context.predictor
  const found = new Set<string>()
  for (const path of circuit.paths) {
    const { strides } = walkPath(circuit, path)
    const at = strides.findLastIndex(({ to, side }) => side === 'feed' && ends.includes(to.node))
    for (const { part, segment, side } of strides.slice(0, at + 1))
      if (side === 'feed') for (const { id } of findPieces(circuit, `${part}.${segment.key}`)) found.add(id)
  }
  return found
}

/** Volts between two nodes on the board as it truly is; 0 where nothing ties them. */
export const voltsOn = (solved: SolvedBoard, a: number, b: number): number => solved.volts(a, b) ?? 0

/** What a good circuit has between the two leads in this state. */
export function healthyVolts(
  { predictor, setup }: Pick<TestContext, 'predictor' | 'setup'>,
  a: number,
  b: number,
): number {
  const healthy = predictor.board(undefined, setup.state)
  return healthy ? voltsOn(healthy, a, b) : 0
}

/** Amps of the largest load of the circuit as it should be, in whichever state it runs: it may be out during the test. */
export function mostAmps({ predictor }: Pick<TestContext, 'predictor'>): number {
  return Math.max(
    0,
    ...predictor.circuit.states.filter(settable).map((state) => mostAmpsIn(predictor, state)),
  )
}

function mostAmpsIn(predictor: Predictor, state: CircuitState): number {
  const healthy = predictor.board(undefined, state)
  if (!healthy) return 0
  const { board, point } = healthy
  return Math.max(
    0,
    ...board.circuit.parts.flatMap(({ id, kind }) => {
      const { role, loads = [] } = partOfKind(kind)
      return role === 'load' ? loads.map((s) => Math.abs(segmentAmps(board, point, id, s))) : []
    }),
  )
}

/** The state in which the customer complained: what it asks for is no mistake. */
export const isComplained = ({ order, step }: Pick<TestContext, 'order' | 'step'>): boolean =>
  order.frame.complaint.some(
    ({ arrangement }) =>
      stateSignature(order.circuit, stateOf(still(arrangement))) ===
      stateSignature(order.circuit, stateOf(still(step.arrangement))),
  )
