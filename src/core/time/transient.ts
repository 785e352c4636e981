import { type Code, type Words } from '../document'
import { buildBoard, restModes, senseOf, solveBoard, type Board } from '../board'
import { wireUp, type Wiring } from '../model'
import { refOf, type Circuit, type CircuitState, firstSource } from '../circuit'
import { struckBy, type Fault } from '../faults'
import { partOfKind } from '../parts'
import type { Element, Law, OperatingPoint } from '../solve'
import type { Dynamic } from './dynamic'
import { linkHeat } from './fuse'
import { integrate, type Failed, type Instant } from './integrate'
import { dynamicOf } from './registry'

export interface Sample {
  /** Seconds since the change; 0 is just before it. */
  readonly time: number
  /** Volts over the reference, by node of the wiring. */
  readonly voltage: Float64Array
  /** Amps through a segment, from its first terminal to its second. */
  readonly amps: (part: string, segment: string) => number
}

export interface Happening {
  readonly time: number
  readonly part: string
  /** What it does: it pulls in, lets go, melts. */
  readonly what: Words
}

export interface Course {
  readonly ok: true
  readonly wiring: Wiring
  readonly samples: readonly Sample[]
  readonly happenings: readonly Happening[]
}

export interface CourseOptions {
  /** The state that it has settled in before; at rest, with nothing connected, unless said. */
  readonly from?: CircuitState
  readonly to: CircuitState
  /** Seconds to follow. */
  readonly until: number
}

const mostHappenings = 400

/**
 * What happens in the time after a change of state: inrush, flyback, start, sag, a melting fuse, a relay that pulls, or
 * buzzes. Contacts that open carry on as an arc above the breakdown of a small gap in air.
 */
export function course(
  circuit: Circuit,
  faults: readonly Fault[],
  { from, to, until }: CourseOptions,
): Course | Failed {
  const wiring = wireUp(circuit)
  const before = from && solveBoard(circuit, faults, from)
  if (before && !before.ok) return before
  let modes = before ? before.board.modes : restModes(circuit)
  const blown = new Set(before?.blown)
  const samples: Sample[] = []
  const happenings: Happening[] = []
  let kept = new Map<string, number>()
  if (before) {
    samples.push(sampleOf(before.board, 0, before.point.voltage, before.point.current))
    kept = settledStates(before.board, before.point)
  }
  const heat = new Map<string, number>()
  const moving: Moving = new Map()
  let time = 0
  while (time < until && happenings.length < mostHappenings) {
    const board = buildBoard(circuit, faults, to, { modes, blown: new Set(blown) })
    const timed = withGaps(board)
    const dynamics = dynamicsOf(timed)
    const start = time
    let last = start
    let next: ReadonlyMap<string, string> | undefined
    const states = new Map([...dynamics].map(([i, d]) => [i, kept.get(nameOf(timed, i)) ?? d.settled(0)]))
    const done = integrate({ nodeCount: timed.nodeCount, elements: timed.elements, dynamics }, states, {
      until: until - start,
      first: Math.min(1e-5, until / 1e4),
      longest: until / 150,
      visit: (instant) => {
        const now = start + instant.time
        samples.push(sampleOf(timed, now, instant.voltage, instant.current))
        kept = new Map([...instant.states].map(([i, value]) => [nameOf(timed, i), value]))
        const melted = warmFuses(timed, instant, heat, now - last)
        last = now
        time = now
        for (const part of melted) {
          blown.add(part)
          happenings.push({ time: now, part, what: 'time.does.melts' })
        }
        next = switched(timed, instant, now, happenings, moving)
        return !next && melted.length === 0
      },
    })
    if (!done.ok) return done
    if (next) modes = next
    else if (time >= until * (1 - 1e-9)) break
  }
  return { ok: true, wiring, samples, happenings }
}

const nameOf = (board: Board, i: number): string => {
  const { part, segment } = board.elements[i]!.owner
  return `${part}.${segment}`
}

/**
 * Volts that a small gap in air stands before it breaks down: the least of Paschen's curve, about 330 V (from memory).
 * Above, the arc carries.
 */
export const breakdownVolts = 330

const gap: Law = {
  at(v, out) {
    const over = Math.abs(v) - breakdownVolts
    const leak = 1e-9
    out.current = leak * v + (over > 0 ? Math.sign(v) * over * 0.05 : 0)
    out.slope = leak + (over > 0 ? 0.05 : 0)
  },
  spice: () => [],
}

/** Open contacts of switches and relays become gaps: what a winding drives across them must go somewhere. */
function withGaps(board: Board): Board {
  const controls = new Set(
    board.circuit.parts.filter((p) => partOfKind(p.kind).role === 'control').map((p) => p.id),
  )
  return {
    ...board,
    elements: board.elements.map((e): Element => {
      const opens = e.type === 'resistor' && e.ohms === Infinity && controls.has(e.owner.part)
      return opens ? { type: 'nonlinear', a: e.a, b: e.b, owner: e.owner, law: gap } : e
    }),
  }
}

function dynamicsOf(board: Board): Map<number, Dynamic> {
  const kelvin = (board.state.temperature ?? board.circuit.temperature) + 273.15
  const parts = new Map(board.circuit.parts.map((part) => [part.id, part]))
  const found = new Map<number, Dynamic>()
  const taken = new Set<string>()
  // What a fault puts before the load comes first in its segment; the load's own element is the last.
  for (let i = board.elements.length - 1; i >= 0; i--) {
    const element = board.elements[i]!
    const part = parts.get(element.owner.part)
    const name = nameOf(board, i)
    const dynamic = part && !taken.has(name) && dynamicOf(part, element, kelvin)
    if (!dynamic) continue
    taken.add(name)
    found.set(i, dynamic)
  }
  return found
}

function settledStates(board: Board, point: OperatingPoint): Map<string, number> {
  return new Map(
    [...dynamicsOf(board)].map(([i, dynamic]) => {
      const { a, b } = board.elements[i]!
      return [nameOf(board, i), dynamic.settled(point.voltage[a]! - point.voltage[b]!)]
    }),
  )
}

function sampleOf(board: Board, time: number, voltage: Float64Array, current: Float64Array): Sample {
  return {
    time,
    voltage: voltage.slice(0, board.wiring.count),
    amps: (part, segment) => {
      const i = board.firstElement.get(`${part}.${segment}`)
      return i === undefined ? 0 : current[i]!
    },
  }
}

function warmFuses(board: Board, { current }: Instant, heat: Map<string, number>, h: number): string[] {
  return board.model.partsWith('protects').flatMap(({ part, definition: { protects } }) => {
    const i = board.firstElement.get(refOf(part.id, protects.segment))
    if (!protects.melts || i === undefined || board.blown.has(part.id)) return []
    const rating = protects.rating(part.parameters, struckBy(board.faults, part.id))
    const warm = linkHeat(heat.get(part.id) ?? 0, h, current[i]!, rating)
    heat.set(part.id, warm)
    return warm >= 1 ? [part.id] : []
  })
}

/** What is on its way from one position to another, since when. */
type Moving = Map<string, { readonly to: string; readonly since: number }>

/** What has switched by now, as the new modes; undefined while nothing has. */
function switched(
  board: Board,
  { voltage, current }: Instant,
  time: number,
  happenings: Happening[],
  moving: Moving,
): ReadonlyMap<string, string> | undefined {
  let next: Map<string, string> | undefined
  const point: OperatingPoint = {
    ok: true,
    voltage,
    current,
    island: new Int32Array(voltage.length),
    iterations: 0,
    residual: 0,
  }
  for (const part of board.circuit.parts) {
    const { modes } = partOfKind(part.kind)
    if (!modes) continue
    const { sense, around } = senseOf(board, point, part)
    const now = modes.next(part.parameters, sense, around)
    if (now === around.mode) {
      moving.delete(part.id)
      continue
    }
    // An armature or a plunger is on its way for a while; where what pulls it is gone before it arrives, it falls back.
    const { travel = 0 } = modes
    const begun = moving.get(part.id)
    const since = begun?.to === now ? begun.since : time
    if (time - since < travel) {
      moving.set(part.id, { to: now, since })
      continue
    }
    moving.delete(part.id)
    next ??= new Map(board.modes)
    next.set(part.id, now)
    happenings.push({ time, part: part.id, what: doing(now) })
  }
  return next
}

/** Amps that a battery gives after the key is off, step by step until the modules sleep. */
export function fallingAsleep(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  seconds: readonly number[],
): { readonly time: number; readonly amps: number }[] {
  const source = firstSource(circuit.parts)
  return seconds.flatMap((time) => {
    const solved = solveBoard(circuit, faults, { ...state, sinceKeyOff: time })
    if (!solved.ok || !source) return []
    const i = solved.board.firstElement.get(`${source.id}.clampPlus`)!
    return [{ time, amps: Math.abs(solved.point.current[i]!) }]
  })
}

/** What a part does that switches to `mode`; a module says after it which of its outputs are on. */
const doing = (mode: string): Words => `time.does.${mode.split(' ')[0]!}` as Code
