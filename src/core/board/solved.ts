import type { Message } from '../document'
import { say } from './phrases'
import { copperArea, stateSignature, type Circuit, type CircuitState } from '../circuit'
import { wireUp, type Wiring } from '../model'
import type { Fault } from '../faults'
import { burns, meltsAbove, partOfKind, type At, type Notice } from '../parts'
import { Solver, type NetworkSolver, type OperatingPoint } from '../solve'
import { jumperName, buildBoard, restModes, segmentAmps, senseOf, type Attachment, type Board } from './board'

export interface SolvedBoard {
  readonly ok: true
  readonly board: Board
  readonly point: OperatingPoint
  readonly solver: NetworkSolver
  /** Fuses that have melted, by part id. */
  readonly blown: ReadonlySet<string>
  /** Something switches to and fro without end: every phase of it, each solved, and the parts that swing. */
  readonly swing?: { readonly phases: readonly SolvedBoard[]; readonly parts: readonly string[] }
}

export interface UnsolvedBoard {
  readonly ok: false
  readonly why: Message
}

export interface SolveOptions {
  /** Fuses that have melted in an earlier state. */
  readonly blown?: ReadonlySet<string>
  readonly wiring?: Wiring
  readonly attached?: readonly Attachment[]
  /** What each part had switched to before: what latches stays latched. From rest, or the state before, unless said. */
  readonly from?: ReadonlyMap<string, string>
  /** Node voltages of a board like it, to start from. */
  readonly guess?: Float64Array
}

/** Rounds of switching that a board is given before it is called unsettled. */
const mostRounds = 400

/**
 * Solves a board in its state. Fuses that this state melts are melted; what switches by itself does so until nothing
 * changes. All that want to switch do so together; if that goes round in circles, one after the other; and if that
 * does too, the circle is the answer: the relay buzzes, and the phases carry its extremes.
 */
export function solveBoard(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  options: SolveOptions = {},
): SolvedBoard | UnsolvedBoard {
  const wiring = options.wiring ?? wireUp(circuit)
  const blown = new Set(options.blown)
  const start = options.from ?? startModes(circuit, faults, state, { ...options, wiring })
  const together = settle({ circuit, faults, state, options: { ...options, wiring }, blown }, start, false)
  if (!together.ok || !together.swing) return together
  const inTurn = settle({ circuit, faults, state, options: { ...options, wiring }, blown }, start, true)
  return inTurn.ok && !inTurn.swing ? inTurn : together
}

interface Setting {
  readonly circuit: Circuit
  readonly faults: readonly Fault[]
  readonly state: CircuitState
  readonly options: SolveOptions & { readonly wiring: Wiring }
  readonly blown: ReadonlySet<string>
}

/** Less burns no conductor through, A. */
const leastBurning = 15

function settle(
  setting: Setting,
  start: ReadonlyMap<string, string>,
  inTurn: boolean,
): SolvedBoard | UnsolvedBoard {
  const { circuit, faults, state, options } = setting
  const { wiring, attached } = options
  const blown = new Set(setting.blown)
  let modes = start
  let guess = options.guess
  let met = new Map<string, number>()
  let history: SolvedBoard[] = []
  for (let round = 0; round < mostRounds; round++) {
    const board = buildBoard(circuit, faults, state, {
      blown: new Set(blown),
      wiring,
      modes,
      ...(attached && { attached }),
    })
    const solver = new Solver(board)
    const point = solver.solve(nearVolts(board) ?? (guess?.length === board.nodeCount ? guess : undefined))
    if (!point.ok) return unsolved(board, point)
    const solved: SolvedBoard = { ok: true, board, point, solver, blown: board.blown }
    // A jumper is fused no higher than what it feeds, and what is made to melt goes before what is not.
    const ways = [jumpersBlown, meltedNow, burntNow]
    let melted: readonly string[] = []
    for (const way of ways) if (melted.length === 0) melted = way(board, point).filter((id) => !blown.has(id))
    if (melted.length) {
      for (const id of melted) blown.add(id)
      met = new Map()
      history = []
      guess = undefined
      continue
    }
    const next = nextModes(solved, inTurn)
    if (!next) return solved
    met.set(modeSignature(modes), history.length)
    history.push(solved)
    const again = met.get(modeSignature(next))
    if (again !== undefined) return swinging(history.slice(again))
    modes = next
    guess = point.voltage
  }
  return { ok: false, why: say('restless') }
}

/** Volts of sound boards, by their elements: null where there is no answer. */
const soundVolts = new WeakMap<Board['elements'], Float64Array | null>()

/** Volts of the sound circuit switched the same way: most faults leave most of it where it was. */
function nearVolts(board: Board): Float64Array | undefined {
  const { circuit, state, blown, wiring, modes, nodeCount, elements } = board
  if (state.bypassed?.length) return undefined
  const sound = buildBoard(circuit, [], state, { blown, wiring, modes })
  if (sound.elements === elements) return undefined
  let volts = soundVolts.get(sound.elements)
  if (volts === undefined) {
    const point = new Solver(sound).solve()
    volts = point.ok ? point.voltage : null
    soundVolts.set(sound.elements, volts)
  }
  if (!volts) return undefined
  const guess = new Float64Array(nodeCount)
  guess.set(volts.subarray(0, nodeCount))
  // A node that the fault has added lies beside the one that it is joined to.
  for (const { a, b } of elements) {
    if (a >= volts.length && b < volts.length) guess[a] = volts[b]!
    else if (b >= volts.length && a < volts.length) guess[b] = volts[a]!
  }
  return guess
}

function unsolved(board: Board, point: { why: Message; nodes: readonly number[] }): UnsolvedBoard {
  const names = board.wiring.points
    .filter((p) => !p.inside && point.nodes.includes(p.node))
    .map((p) => p.name)
  return {
    ok: false,
    why: names.length ? say('near', { why: point.why, points: names.slice(0, 4) }) : point.why,
  }
}

function swinging(phases: readonly SolvedBoard[]): SolvedBoard {
  const parts = [...phases[0]!.board.modes.keys()].filter((id) =>
    phases.some((phase) => phase.board.modes.get(id) !== phases[0]!.board.modes.get(id)),
  )
  return { ...phases[0]!, swing: { phases, parts } }
}

/** What was latched in the state before, or everything at rest. */
function startModes(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  options: SolveOptions & { readonly wiring: Wiring },
): ReadonlyMap<string, string> {
  const at = circuit.states.findIndex((s) => s.id === state.after)
  const before = circuit.states[at]
  const self = circuit.states.findIndex((s) => s.id === state.id)
  // Only a state before this one: a ring of states would never begin.
  if (!before || (self >= 0 && at >= self)) return restModes(circuit)
  const { wiring, blown } = options
  const solved = solveBoard(circuit, faults, before, { wiring, ...(blown && { blown }) })
  return solved.ok ? solved.board.modes : restModes(circuit)
}

function nextModes({ board, point }: SolvedBoard, inTurn: boolean): Map<string, string> | undefined {
  if (board.modes.size === 0) return undefined
  let next: Map<string, string> | undefined
  for (const part of board.circuit.parts) {
    const modes = partOfKind(part.kind).modes
    if (!modes) continue
    const { sense, around } = senseOf(board, point, part)
    const now = modes.next(part.parameters, sense, around)
    if (now === board.modes.get(part.id)) continue
    next ??= new Map(board.modes)
    next.set(part.id, now)
    if (inTurn) return next
  }
  return next
}

const modeSignature = (modes: ReadonlyMap<string, string>): string => [...modes.values()].join('|')

function meltedNow(board: Board, point: OperatingPoint): string[] {
  return board.circuit.parts.flatMap((part) => {
    const { protects } = partOfKind(part.kind)
    if (!protects?.melts || board.blown.has(part.id)) return []
    const amps = segmentAmps(board, point, part.id, protects.segment)
    const { around } = senseOf(board, point, part)
    return Math.abs(amps) > meltsAbove * protects.rating(part.parameters, around.struck) ? [part.id] : []
  })
}

/** Fused jumpers of a state through which more runs than their fuse carries. */
function jumpersBlown({ state, elements, blown }: Board, point: OperatingPoint): string[] {
  const { bypassed, jumperFuse } = state
  if (!bypassed?.length || jumperFuse === undefined) return []
  return bypassed
    .map((_, i) => jumperName(i))
    .filter((name) => {
      const at = elements.findIndex(({ owner }) => owner.segment === name)
      return at >= 0 && !blown.has(name) && Math.abs(point.current[at]!) > meltsAbove * jumperFuse
    })
}

/** Sections of a circuit's conductors, mm², by `part.segment`. */
const sections = new WeakMap<Circuit, ReadonlyMap<string, number>>()

function sectionsOf(circuit: Circuit): ReadonlyMap<string, number> {
  let known = sections.get(circuit)
  if (!known) {
    known = new Map(
      circuit.parts.flatMap((part) => {
        const area = copperArea(part)
        // A link is made to melt, and says itself at what.
        if (area === undefined || partOfKind(part.kind).protects) return []
        return [[`${part.id}.${partOfKind(part.kind).cable!.segment}`, area] as const]
      }),
    )
    sections.set(circuit, known)
  }
  return known
}

/** Conductors that carry so much, on any stretch, that they burn through before anybody can switch off. */
function burntNow({ circuit, elements }: Board, point: OperatingPoint): string[] {
  const burnt = new Set<string>()
  elements.forEach(({ owner }, i) => {
    const amps = Math.abs(point.current[i]!)
    if (amps < leastBurning) return
    const area = sectionsOf(circuit).get(`${owner.part}.${owner.segment}`)
    if (area !== undefined && burns(area, amps)) burnt.add(owner.part)
  })
  return [...burnt]
}

/**
 * Fuses gone after the circuit has been used in each of its states, as the customer did before complaining.
 * A state that cannot be solved melts nothing.
 */
export function aftermath(circuit: Circuit, faults: readonly Fault[], wiring?: Wiring): ReadonlySet<string> {
  const gone = new Set<string>()
  const own = new Set(circuit.parts.map(({ id }) => id))
  const seen = new Set<string>()
  for (const state of circuit.states) {
    const signature = stateSignature(state)
    if (seen.has(signature)) continue
    seen.add(signature)
    const solved = solveBoard(circuit, faults, state, wiring && { wiring })
    // A jumper's fuse is renewed before it is put on elsewhere.
    if (solved.ok) for (const id of solved.blown) if (own.has(id)) gone.add(id)
  }
  return gone
}

/** Every phase of a board that swings; the board itself otherwise. */
export const phasesOf = (solved: SolvedBoard): readonly SolvedBoard[] => solved.swing?.phases ?? [solved]

/** Amps through a segment; of a board that swings, the mean over its phases, taken as equally long. */
export function meanAmps(solved: SolvedBoard, part: string, segment: string): number {
  const phases = phasesOf(solved)
  return phases.reduce((sum, p) => sum + segmentAmps(p.board, p.point, part, segment), 0) / phases.length
}

/** Volts of a over b, or undefined where nothing ties the two together; the mean where the board swings. */
export function voltsBetween(solved: SolvedBoard, a: number, b: number): number | undefined {
  const phases = phasesOf(solved)
  let sum = 0
  for (const { point } of phases) {
    // What floats in one phase keeps the meter at nothing for that while.
    if (point.island[a] === point.island[b]) sum += point.voltage[a]! - point.voltage[b]!
    else if (phases.length === 1) return undefined
  }
  return sum / phases.length
}

export interface Noticed extends Notice {
  readonly part: string
}

/** What a person sees, hears or feels on every part that shows anything. */
export function noticeAll(solved: SolvedBoard): Noticed[] {
  const { board } = solved
  return board.circuit.parts.flatMap((part): Noticed[] => {
    const { notice } = partOfKind(part.kind)
    if (!notice) return []
    const of = (segment: string): At => meanAt(solved, part.id, segment)
    const attention = {
      mode: board.modes.get(part.id) ?? '',
      swings: solved.swing?.parts.includes(part.id) ?? false,
      temperature: board.state.temperature ?? board.circuit.temperature,
      of,
    }
    return [{ part: part.id, ...notice.read(part.parameters, of(notice.segment), attention) }]
  })
}

function meanAt(solved: SolvedBoard, part: string, segment: string): At {
  const phases = phasesOf(solved).map((phase) => at(phase, part, segment))
  const mean = (pick: (one: At) => number) => phases.reduce((sum, one) => sum + pick(one), 0) / phases.length
  return { volts: mean((p) => p.volts), amps: mean((p) => p.amps), watts: mean((p) => p.watts) }
}

function at({ board, point }: SolvedBoard, part: string, segment: string): At {
  // The load's own element comes last in its segment: what a fault puts before it is not what a person notices.
  const own = board.elements.findLastIndex((e) => e.owner.part === part && e.owner.segment === segment)
  const element = board.elements[own]
  if (!element || (element.type === 'resistor' && element.ohms === Infinity))
    return { volts: 0, amps: 0, watts: 0 }
  const amps = point.current[own]!
  const volts = point.voltage[element.a]! - point.voltage[element.b]!
  return { volts, amps, watts: volts * amps }
}
