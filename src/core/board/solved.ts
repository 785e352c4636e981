import { cached } from '../cache'
import { copperArea, refOf, stateSignature, type Circuit, type CircuitState } from '../circuit'
import { type Message, say } from '../document'
import type { Fault } from '../faults'
import { modelOf } from '../model'
import { burns, meltsAbove, type At, type Notice } from '../parts'
import { Solver, type Network, type OperatingPoint } from '../solve'
import { buildBoard, jumperName, restModes, segmentAmps, senseOf, type Attachment, type Board } from './board'
import { exchanged } from './exchange'
import { SolvedBoard } from './solved-board'

export interface UnsolvedBoard {
  readonly ok: false
  readonly why: Message
}

export interface SolveOptions {
  /** Fuses that have melted in an earlier state. */
  readonly blown?: ReadonlySet<string>
  readonly attached?: readonly Attachment[]
  /** What is wrong with spares of the box, each by the part in whose place it goes. */
  readonly spares?: readonly Fault[]
  /** Parts that are out and whose coil is fed on the bench. */
  readonly onSource?: readonly string[]
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
  const { swapped, spares } = state
  if (swapped?.length || spares?.length) {
    const now = exchanged(circuit, faults, state, options.spares)
    return solveBoard(circuit, now.faults, now.state, options)
  }
  const start = options.from ?? startModes(circuit, faults, state, options)
  const together = settle({ circuit, faults, state, options }, start, false)
  if (!together.ok || !together.limitCycle) return together
  const inTurn = settle({ circuit, faults, state, options }, start, true)
  return inTurn.ok && !inTurn.limitCycle ? inTurn : together
}

interface Setting {
  readonly circuit: Circuit
  readonly faults: readonly Fault[]
  readonly state: CircuitState
  readonly options: SolveOptions
}

/** Less burns no conductor through, A. */
const leastBurning = 15

function settle(
  setting: Setting,
  start: ReadonlyMap<string, string>,
  inTurn: boolean,
): SolvedBoard | UnsolvedBoard {
  const { circuit, faults, state, options } = setting
  const { attached, spares, onSource } = options
  let blown: ReadonlySet<string> = new Set(options.blown)
  let modes = start
  let guess = options.guess
  let met = new Map<string, number>()
  let history: SolvedBoard[] = []
  for (let round = 0; round < mostRounds; round++) {
    const board = buildBoard(circuit, faults, state, {
      blown,
      modes,
      ...(attached && { attached }),
      ...(spares && { spares }),
      ...(onSource?.length && { onSource }),
    })
    const solver = new Solver(board)
    const point = solver.solve(nearVolts(board) ?? (guess?.length === board.nodeCount ? guess : undefined))
    if (!point.ok) return unsolved(board, point)
    const solved = new SolvedBoard(board, point, solver)
    // A jumper is fused no higher than what it feeds, and what is made to melt goes before what is not.
    const ways = [jumpersBlown, meltedNow, burntNow, burntOutNow]
    let melted: readonly string[] = []
    for (const way of ways) if (melted.length === 0) melted = way(board, point).filter((id) => !blown.has(id))
    if (melted.length) {
      blown = new Set([...blown, ...melted])
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
    if (again !== undefined) return cycling(history.slice(again))
    modes = next
    guess = point.voltage
  }
  return { ok: false, why: say('board.restless') }
}

/** Volts of a sound board; null where it has no answer. */
const soundVolts = cached({ owner: (sound: Network) => sound }, (sound) => {
  const point = new Solver(sound).solve()
  return point.ok ? point.voltage : null
})

/** Volts of the sound circuit switched the same way: most faults leave most of it where it was. */
function nearVolts({ state, sound, nodeCount, elements }: Board): Float64Array | undefined {
  if (state.bypassed?.length || sound.elements === elements) return undefined
  const volts = soundVolts(sound)
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
    why: names.length ? say('board.near', { why: point.why, points: names.slice(0, 4) }) : point.why,
  }
}

function cycling(phases: readonly SolvedBoard[]): SolvedBoard {
  const parts = [...phases[0]!.board.modes.keys()].filter((id) =>
    phases.some((phase) => phase.board.modes.get(id) !== phases[0]!.board.modes.get(id)),
  )
  return phases[0]!.inCycle({ phases, parts })
}

/** What was latched in the state before, or everything at rest. */
function startModes(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  { blown }: SolveOptions,
): ReadonlyMap<string, string> {
  const at = circuit.states.findIndex((s) => s.id === state.after)
  const before = circuit.states[at]
  const self = circuit.states.findIndex((s) => s.id === state.id)
  // Only a state before this one: a ring of states would never begin.
  if (!before || (self >= 0 && at >= self)) return restModes(circuit)
  const solved = solveBoard(circuit, faults, before, blown && { blown })
  return solved.ok ? solved.board.modes : restModes(circuit)
}

function nextModes({ board, point }: SolvedBoard, inTurn: boolean): Map<string, string> | undefined {
  let next: Map<string, string> | undefined
  for (const { part, definition } of board.model.partsWith('modes')) {
    const { sense, around } = senseOf(board, point, part)
    const now = definition.modes.next(part.parameters, sense, around)
    if (now === board.modes.get(part.id)) continue
    next ??= new Map(board.modes)
    next.set(part.id, now)
    if (inTurn) return next
  }
  return next
}

const modeSignature = (modes: ReadonlyMap<string, string>): string => [...modes.values()].join('|')

function meltedNow(board: Board, point: OperatingPoint): string[] {
  return board.model.partsWith('protects').flatMap(({ part, definition: { protects } }) => {
    if (!protects.melts || board.blown.has(part.id)) return []
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
const sectionsOf = cached(
  { owner: (circuit: Circuit) => circuit },
  (circuit): ReadonlyMap<string, number> =>
    new Map(
      modelOf(circuit)
        .partsWith('cable')
        .flatMap(({ part, definition: { protects, cable } }) => {
          const area = copperArea(part)
          // A link is made to melt, and says itself at what.
          return area === undefined || protects ? [] : [[refOf(part.id, cable.segment), area] as const]
        }),
    ),
)

/** Conductors that carry so much, on any stretch, that they burn through before anybody can switch off. */
function burntNow({ circuit, elements }: Board, point: OperatingPoint): string[] {
  const burnt = new Set<string>()
  const sections = sectionsOf(circuit)
  elements.forEach(({ owner }, i) => {
    const amps = Math.abs(point.current[i]!)
    if (amps < leastBurning) return
    const area = sections.get(refOf(owner.part, owner.segment))
    if (area !== undefined && burns(area, amps)) burnt.add(owner.part)
  })
  return [...burnt]
}

/** What bears only so many volts: its segments, and the volts that the first of them to go bears. */
const bearersOf = cached(
  { owner: (circuit: Circuit) => circuit },
  (circuit): { readonly least: number; readonly bearers: readonly Bearer[] } => {
    const bearers = modelOf(circuit)
      .partsWith('bears')
      .map(({ part, definition: { bears } }) => ({
        id: part.id,
        most: bears.most(part.parameters),
        segments: bears.segments.map((segment) => refOf(part.id, segment)),
      }))
    return { least: Math.min(...bearers.map(({ most }) => most)), bearers }
  },
)
interface Bearer {
  readonly id: string
  readonly most: number
  readonly segments: readonly string[]
}

/** Lamps and windings at more volts than they bear. */
function burntOutNow({ circuit, blown, elements, firstElement }: Board, point: OperatingPoint): string[] {
  const { voltage } = point
  const { least, bearers } = bearersOf(circuit)
  // Mostly the whole board has no such volts between any two points.
  let [low, high] = [Infinity, -Infinity]
  for (const volts of voltage) {
    if (volts < low) low = volts
    if (volts > high) high = volts
  }
  if (!(high - low > least)) return []
  return bearers.flatMap(({ id, most, segments }) => {
    if (blown.has(id)) return []
    const over = segments.some((segment) => {
      const element = elements[firstElement.get(segment) ?? -1]
      return element && Math.abs(voltage[element.a]! - voltage[element.b]!) > most
    })
    return over ? [id] : []
  })
}

/** The states of a circuit in which something is different, each once. */
const usedStates = cached(
  { owner: (circuit: Circuit) => circuit.states, key: ({ parts }) => parts },
  (circuit) => distinct(circuit, circuit.states),
)
function distinct(circuit: Circuit, states: readonly CircuitState[]): readonly CircuitState[] {
  const seen = new Set<string>()
  return states.filter((state) => {
    const signature = stateSignature(circuit, state)
    return !seen.has(signature) && seen.add(signature)
  })
}

/**
 * Fuses gone after the circuit has been used in each of its states, as the customer did before complaining.
 * A state that cannot be solved melts nothing.
 */
export function aftermath(circuit: Circuit, faults: readonly Fault[]): ReadonlySet<string> {
  const gone = new Set<string>()
  const model = modelOf(circuit)
  const moved = faults.flatMap(({ moving, part }) => (moving ? [part] : []))
  // On the road it was moved, too.
  const used = moved.length
    ? distinct(
        circuit,
        circuit.states.flatMap((s) => [s, { ...s, wiggled: moved }]),
      )
    : usedStates(circuit)
  for (const state of used) {
    const solved = solveBoard(circuit, faults, state)
    // A jumper's fuse is renewed before it is put on elsewhere.
    if (solved.ok) for (const id of solved.blown) if (model.find(id)) gone.add(id)
  }
  return gone
}

export interface Noticed extends Notice {
  readonly part: string
}

/** What a person sees, hears or feels on every part that shows anything. */
export function noticeAll(solved: SolvedBoard): Noticed[] {
  const { board, limitCycle } = solved
  const temperature = board.state.temperature ?? board.circuit.temperature
  const brightest = brightestOf(solved)
  const alike = likenesses(board.circuit)
  return board.model.partsWith('notice').map(({ part, definition: { notice } }): Noticed => {
    const of = (segment: string): At => meanAt(solved, part.id, segment)
    const beside = notice.beside && brightest.get(alike.get(part.id)!)
    const attention = {
      mode: board.modes.get(part.id) ?? '',
      inLimitCycle: limitCycle?.parts.includes(part.id) ?? false,
      temperature,
      of,
      ...(beside && { beside }),
    }
    return { part: part.id, ...notice.read(part.parameters, of(notice.segment), attention) }
  })
}

/** Parts that are compared by eye, each with the name that it shares with those that are like it. */
const likenesses = cached(
  { owner: (circuit: Circuit) => circuit },
  (circuit): ReadonlyMap<string, string> =>
    new Map(
      modelOf(circuit)
        .partsWith('notice')
        .flatMap(({ part, definition: { notice } }) =>
          notice.beside ? [[part.id, `${part.kind} ${notice.beside.like(part.parameters)}`] as const] : [],
        ),
    ),
)

/** Of parts that are like each other: how bright each light of the brightest is. */
function brightestOf(solved: SolvedBoard): ReadonlyMap<string, readonly number[]> {
  const found = new Map<string, readonly number[]>()
  const { model, circuit } = solved.board
  const alike = likenesses(circuit)
  for (const { part, definition } of model.partsWith('notice')) {
    const { beside } = definition.notice
    if (!beside) continue
    const key = alike.get(part.id)!
    const own = beside.shines(part.parameters, (segment) => meanAt(solved, part.id, segment))
    const known = found.get(key)
    found.set(key, known ? known.map((light, i) => Math.max(light, own[i]!)) : own)
  }
  return found
}

function meanAt(solved: SolvedBoard, part: string, segment: string): At {
  if (!solved.limitCycle) return at(solved, part, segment)
  const phases = solved.phases.map((phase) => at(phase, part, segment))
  const mean = (pick: (one: At) => number) => phases.reduce((sum, one) => sum + pick(one), 0) / phases.length
  return { volts: mean((p) => p.volts), amps: mean((p) => p.amps), watts: mean((p) => p.watts) }
}

function at({ board: { elements, firstElement }, point }: SolvedBoard, part: string, segment: string): At {
  // The load's own element comes last in its segment: what a fault puts before it is not what a person notices.
  let own = firstElement.get(refOf(part, segment)) ?? -1
  for (let i = own + 1; own >= 0 && elements[i]?.owner.part === part; i++)
    if (elements[i]!.owner.segment === segment) own = i
  const element = elements[own]
  if (!element || (element.type === 'resistor' && element.ohms === Infinity))
    return { volts: 0, amps: 0, watts: 0 }
  const amps = point.current[own]!
  const volts = point.voltage[element.a]! - point.voltage[element.b]!
  return { volts, amps, watts: volts * amps }
}
