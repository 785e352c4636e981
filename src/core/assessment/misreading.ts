import { shownOf, type StepOf } from '../attempt'
import type { KeyOf } from '../../messages/codes'
import { solveBoard, type SolvedBoard } from '../board'
import type { Predictor, TestSetup } from '../diagnosis'
import { type Message, say } from '../document'
import { instrumentOf, numberOf, withConnected, type Place } from '../instruments'
import { partOfKind } from '../parts'

/** What a reading could have come from, how often that is so (common practice, no source), and what to ask. */
interface Explanation {
  readonly weight: number
  readonly ask: Message
}

/**
 * A reading that was typed or sent from a real board and that the board as it was planted does not allow: the likeliest
 * thing that would have shown it, as a question. Undefined where the reading is one that the board gives.
 */
export function explainMisreading(
  predictor: Predictor,
  board: SolvedBoard,
  setup: TestSetup,
  step: StepOf<'test'>,
): Message | undefined {
  const instrument = instrumentOf(setup.instrument)
  const value = numberOf(instrument, step.reading)
  const { meter, circuit, wiring } = predictor
  const around = (solved: SolvedBoard, place: Place = setup.place) => {
    const connected = withConnected(solved, setup.also ?? [], meter)
    return connected.ok
      ? instrument.expect({ solved: connected, place, settings: setup.settings, meter })
      : undefined
  }
  const allows = (solved: SolvedBoard, shown = value, place?: Place): boolean => {
    const found = around(solved, place)
    return found !== undefined && shown >= found.low && shown <= found.high
  }
  if (allows(board)) return undefined
  const found: Explanation[] = []
  const offer = (fits: boolean, weight: number, ask: Message) => fits && found.push({ weight, ask })
  const { place } = setup
  const text = shownOf(step.reading)
  const { unit } = step.reading
  const would = (solved: SolvedBoard) => {
    return shownOf(instrument.read({ solved, place, settings: setup.settings, meter }))
  }
  const { faults, blown } = board.board
  const inState = (state: typeof setup.state) => {
    const solved = solveBoard(circuit, faults, state, { blown })
    return solved.ok ? solved : undefined
  }
  for (const state of circuit.states) {
    const other = inState(state)
    if (!other || !allows(other)) continue
    offer(
      true,
      state.detached.length ? 4 : 6,
      say('assessment.otherState', { state: state.name, reading: would(other) }),
    )
  }
  for (const { id, kind } of circuit.parts) {
    if (partOfKind(kind).role !== 'load' || !partOfKind(kind).detach) continue
    const out = inState({ ...setup.state, detached: [...setup.state.detached, id] })
    if (out) offer(allows(out), 5, say('assessment.wasUnplugged', { part: id, reading: would(out) }))
  }
  if (place.type !== 'jaws') {
    offer(allows(board, -value), 5, say('assessment.wereReversed'))
    for (const [factor, weight] of [
      [1e-3, 5],
      [1e3, 4],
      [0.1, 2],
      [10, 2],
    ] as const)
      offer(
        Number.isFinite(value) && Math.abs(value * factor) > 1e-4 && allows(board, value * factor),
        weight,
        factor === 1e-3 || factor === 1e3
          ? say('assessment.prefix', { read: { value: value * factor, unit: unit }, text })
          : say('assessment.decimal', { read: { value: value * factor, unit: unit }, text }),
      )
    const near = (node: number) =>
      wiring.points.filter((p) => {
        if (p.inside || p.node === node) return false
        return board.board.elements.some(
          ({ a, b }) => (a === node && b === p.node) || (b === node && a === p.node),
        )
      })
    for (const p of near(place.red))
      offer(
        allows(board, value, { ...place, red: p.node }),
        3,
        say('assessment.neighbour', { point: p.name }),
      )
    for (const p of near(place.black))
      offer(
        allows(board, value, { ...place, black: p.node }),
        3,
        say('assessment.badGround', { point: p.name }),
      )
    offer(
      instrument.nature(setup.settings).needsDead === true && allows(board, value - meter.leadOhms),
      3,
      say('assessment.leadOhms', { ohms: { value: meter.leadOhms, unit: 'Ω' } }),
    )
  } else offer(allows(board, value - 0.08) || allows(board, value + 0.08), 3, say('assessment.clampZero'))
  const sound = predictor.board(undefined, setup.state, setup.conditions)
  if (sound) offer(allows(sound), 2, say('assessment.notPlanted', { reading: would(sound) }))
  found.sort((p, q) => q.weight - p.weight)
  return found[0]?.ask ?? say('assessment.asDrawn', { reading: would(board) })
}

const live = {
  otherState: 'liveState',
  wasUnplugged: 'livePlug',
  wereReversed: 'liveReversed',
  prefix: 'liveSize',
  decimal: 'liveSize',
  neighbour: 'liveRed',
  badGround: 'liveBlack',
  leadOhms: 'liveZero',
  clampZero: 'liveClamp',
} as const satisfies Record<string, KeyOf<'assessment'>>
/** What of a question is the student’s own, or the drawing’s. */
const harmless = ['state', 'part', 'read', 'text', 'point']

/** The question as it may be put while the work goes on: without what the board would have shown. */
export function liveQuestion({ code, params = {} }: Message, held: StepOf<'test'>['held']): Message {
  const key = Object.entries(live).find(([why]) => code === `assessment.${why}`)?.[1]
  const kept = Object.entries(params).filter(([name]) => harmless.includes(name))
  const leads = held.type === 'leads' ? { red: held.red, black: held.black } : undefined
  return key && (leads || key !== 'liveReversed')
    ? say(`assessment.${key}`, { ...Object.fromEntries(kept), ...leads })
    : say('assessment.liveLook')
}
