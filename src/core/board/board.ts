import {
  firstSource,
  systemOf,
  wireUp,
  type Circuit,
  type CircuitState,
  type Part,
  type Wiring,
} from '../circuit'
import { faultOfKind, severityOf, type Fault } from '../faults'
import { partOfKind, type AnyPart, type Net, type Sense, type Surroundings } from '../parts'
import type { Element, OperatingPoint } from '../solve'

/** A circuit with its faults in one state, as a network; what an instrument adds its own elements to. */
export interface Board {
  readonly circuit: Circuit
  readonly state: CircuitState
  readonly wiring: Wiring
  readonly elements: readonly Element[]
  readonly nodeCount: number
  /** What each part that switches by itself has switched to, by part id. */
  readonly modes: ReadonlyMap<string, string>
  readonly faults: readonly Fault[]
  readonly blown: ReadonlySet<string>
  /** First of a part's elements, by part id and by `part.segment`; an element that is open stands for an open segment. */
  readonly firstElement: ReadonlyMap<string, number>
  /** Nodes inside parts, by `part#name`. */
  readonly inner: ReadonlyMap<string, number>
  /** What is connected from outside. */
  readonly attached: readonly Attachment[]
}

/** Something connected from outside between two nodes: an instrument, a jumper, a load. */
export type Attachment = (freshNode: () => number) => readonly Element[]

export interface BoardOptions {
  /** Fuses that have already melted. */
  readonly blown?: ReadonlySet<string>
  readonly wiring?: Wiring
  readonly modes?: ReadonlyMap<string, string>
  readonly attached?: readonly Attachment[]
}

const none: ReadonlyMap<string, number> = new Map()
const nothing: ReadonlySet<string> = new Set()
/** A fused jumper's own ohms: a metre of 2.5 mm² and two clips (common practice, no source). */
const jumperOhms = 0.015

/** Builds the network. Every segment has at least one element: one that is open has infinite ohms. */
export function buildBoard(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  { blown = nothing, wiring = wireUp(circuit), modes = restModes(circuit), attached = [] }: BoardOptions = {},
): Board {
  const elements: Element[] = []
  const firstElement = new Map<string, number>()
  const inner = new Map<string, number>()
  let nodeCount = wiring.count
  const freshNode = () => nodeCount++
  const ground = groundNode(circuit, wiring)
  const supply = supplyNode(circuit, wiring)
  const nominal = systemOf(circuit).rest
  const struckParts = new Set(faults.flatMap((f) => [f.part, ...(f.other ? [f.other.split('.')[0]!] : [])]))
  const owned = new Map<string, Owned>()

  for (const part of circuit.parts) {
    const definition = partOfKind(part.kind)
    const own: Element[] = []
    const node = (key: string): number => {
      if (!key.startsWith('#')) return wiring.nodeOf(part.id, key)
      const known = inner.get(part.id + key)
      if (known !== undefined) return known
      const fresh = freshNode()
      inner.set(part.id + key, fresh)
      return fresh
    }
    const joined = (segment: string, a: string, b: string, tolerance: number) => ({
      a: node(a),
      b: node(b),
      owner: { part: part.id, segment },
      tolerance,
    })
    const net: Net = {
      resistor: (s, a, b, ohms, tolerance) =>
        own.push({ type: 'resistor', ...joined(s, a, b, tolerance), ohms }),
      source: (s, a, b, volts, ohms, tolerance) =>
        own.push({ type: 'source', ...joined(s, a, b, tolerance), volts, ohms }),
      curve: (s, a, b, law, tolerance) => own.push({ type: 'curve', ...joined(s, a, b, tolerance), law }),
      current: (s, a, b, amps) => own.push({ type: 'current', ...joined(s, a, b, 0), amps }),
    }
    const around = surroundings(circuit, faults, state, blown, modes, part, definition)
    const known = around.struck.size === 0 ? stampsKept(wiring, part, around) : undefined
    if (known) {
      owned.set(part.id, known)
      continue
    }
    const insideBefore = inner.size
    definition.stamp(part.parameters, net, around)
    const opened = around.detached ? (definition.detach?.opens ?? []) : []
    const standing = opened.length ? own.filter((e) => !opened.includes(e.owner.segment)) : own
    for (const { key, between } of definition.segments) {
      if (standing.some((e) => e.owner.segment === key)) continue
      const [a, b] = between
      standing.push({ type: 'resistor', ...joined(key, a, b, 0), ohms: Infinity })
    }
    const stamped = ownedBy(part.id, standing)
    owned.set(part.id, stamped)
    // Nodes of its own get their numbers anew each time: such a part is stamped each time.
    if (around.struck.size === 0 && inner.size === insideBefore) keepStamp(wiring, part, around, stamped)
  }

  for (const fault of faults) {
    const part = circuit.parts.find((p) => p.id === fault.part)!
    const at = segmentOf(circuit, wiring, `${fault.part}.${fault.segment}`)
    const other = fault.other === undefined ? undefined : segmentOf(circuit, wiring, fault.other)
    const pick = (id: string, segment: string) =>
      owned.get(id)!.elements.filter((e) => e.owner.segment === segment && !isOpen(e))
    const section = part.parameters.section
    const struck = faultOfKind(fault.kind).strike(
      {
        elements: pick(at.part, at.segment),
        between: at.between,
        owner: { part: at.part, segment: at.segment },
        freshNode,
        ground,
        supply,
        nominal,
        at: fault.at ?? 0.5,
        section: typeof section === 'number' ? section : undefined,
        wiggled: state.wiggled?.includes(fault.part) ?? false,
        ...(other && { other: { elements: pick(other.part, other.segment), between: other.between } }),
      },
      severityOf(fault),
    )
    const change = (id: string, segment: string, now: readonly Element[]) =>
      owned.set(
        id,
        ownedBy(id, [...owned.get(id)!.elements.filter((e) => e.owner.segment !== segment), ...now]),
      )
    const result = Array.isArray(struck) ? { own: struck } : struck
    change(at.part, at.segment, result.own)
    if (other && result.other) change(other.part, other.segment, result.other)
  }

  for (const part of circuit.parts) {
    const own = owned.get(part.id)!
    if (!struckParts.has(part.id)) {
      for (const { name, at } of own.heads) firstElement.set(name, elements.length + at)
      for (const element of own.elements) elements.push(element)
      continue
    }
    const definition = partOfKind(part.kind)
    for (const element of [...own.elements].sort((p, q) => rankOf(definition, p) - rankOf(definition, q))) {
      const name = `${part.id}.${element.owner.segment}`
      if (!firstElement.has(name)) firstElement.set(name, elements.length)
      elements.push(element)
    }
    for (const segment of definition.segments) {
      const name = `${part.id}.${segment.key}`
      if (firstElement.has(name)) continue
      firstElement.set(name, elements.length)
      elements.push({
        type: 'resistor',
        a: wiring.nodeOf(part.id, segment.between[0]),
        b: wiring.nodeOf(part.id, segment.between[1]),
        ohms: Infinity,
        owner: { part: part.id, segment: segment.key },
      })
    }
  }
  for (const [from, to] of state.bypassed ?? []) {
    const [a, b] = [from, to].map((end) => {
      const [id, key] = end.split('.') as [string, string]
      return wiring.nodeOf(id, key)
    }) as [number, number]
    elements.push({
      type: 'resistor',
      a,
      b,
      ohms: jumperOhms,
      tolerance: 0.3,
      owner: { part: '', segment: 'jumper' },
    })
  }
  for (const attach of attached) elements.push(...attach(freshNode))
  return { circuit, state, wiring, elements, nodeCount, modes, faults, blown, firstElement, inner, attached }
}

const isOpen = (element: Element): boolean => element.type === 'resistor' && element.ohms === Infinity

/** A part's elements, and where each of its segments begins among them, by `part.segment`. */
interface Owned {
  readonly elements: readonly Element[]
  readonly heads: readonly { readonly name: string; readonly at: number }[]
}

function ownedBy(id: string, elements: readonly Element[]): Owned {
  const heads = new Map<string, number>()
  elements.forEach(({ owner }, at) => {
    const name = `${id}.${owner.segment}`
    if (!heads.has(name)) heads.set(name, at)
  })
  return { elements, heads: [...heads].map(([name, at]) => ({ name, at })) }
}

interface Stamped {
  readonly part: Part
  readonly around: Surroundings
  readonly owned: Owned
}

/** Elements of sound parts as they were stamped last, by the wiring whose nodes they carry and by part. */
const stamps = new WeakMap<Wiring, Map<string, Stamped[]>>()
const stampsPerPart = 8

function stampsKept(wiring: Wiring, part: Part, around: Surroundings): Owned | undefined {
  const list = stamps.get(wiring)?.get(part.id)
  if (!list) return undefined
  for (const stamped of list) {
    const a = stamped.around
    if (
      stamped.part === part &&
      a.mode === around.mode &&
      a.position === around.position &&
      a.detached === around.detached &&
      a.blown === around.blown &&
      a.temperature === around.temperature &&
      a.engineRuns === around.engineRuns &&
      a.sinceKeyOff === around.sinceKeyOff
    )
      return stamped.owned
  }
  return undefined
}

function keepStamp(wiring: Wiring, part: Part, around: Surroundings, owned: Owned): void {
  let byPart = stamps.get(wiring)
  if (!byPart) stamps.set(wiring, (byPart = new Map()))
  const list = byPart.get(part.id) ?? []
  if (list.length >= stampsPerPart) list.shift()
  list.push({ part, around, owned })
  byPart.set(part.id, list)
}

/** Elements of one segment stay in their own order, segments in the order of the part. */
const rankOf = (definition: AnyPart, element: Element): number => {
  const at = definition.segments.findIndex((s) => s.key === element.owner.segment)
  return at < 0 ? definition.segments.length : at
}

/** Every part that switches by itself, at rest. */
export function restModes(circuit: Circuit): ReadonlyMap<string, string> {
  return new Map(
    circuit.parts.flatMap((part) => {
      const modes = partOfKind(part.kind).modes
      return modes ? [[part.id, modes.rest] as const] : []
    }),
  )
}

function surroundings(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  blown: ReadonlySet<string>,
  modes: ReadonlyMap<string, string>,
  part: Part,
  definition: AnyPart,
): Surroundings {
  const mine = faults.filter((f) => f.part === part.id)
  return {
    temperature: state.temperature ?? circuit.temperature,
    position: state.controls[part.id] ?? definition.positions?.[0],
    detached: state.detached.includes(part.id),
    blown: blown.has(part.id),
    struck: mine.length ? struckBy(mine) : none,
    mode: modes.get(part.id) ?? '',
    engineRuns: state.engine === 'running',
    sinceKeyOff: state.sinceKeyOff ?? 0,
  }
}

const struckBy = (faults: readonly Fault[]): ReadonlyMap<string, number> =>
  new Map(
    faults.flatMap((f) => [
      [f.kind, severityOf(f)],
      [`${f.segment}.${f.kind}`, severityOf(f)],
    ]),
  )

/** What a part on a solved board feels, and where it stands: for what it switches to and what a scan tool shows. */
export function senseOf(
  board: Board,
  point: OperatingPoint,
  part: Part,
): { sense: Sense; around: Surroundings } {
  const node = (key: string) =>
    key.startsWith('#') ? (board.inner.get(part.id + key) ?? 0) : board.wiring.nodeOf(part.id, key)
  return {
    sense: {
      volts: (a, b) => {
        const [p, q] = [node(a), node(b)]
        return point.island[p] === point.island[q] ? point.voltage[p]! - point.voltage[q]! : 0
      },
      amps: (segment) => segmentAmps(board, point, part.id, segment),
    },
    around: surroundings(
      board.circuit,
      board.faults,
      board.state,
      board.blown,
      board.modes,
      part,
      partOfKind(part.kind),
    ),
  }
}

/** Where a chafed wire touches: the metal near the loads, or the battery's negative post without one. */
function groundNode(circuit: Circuit, wiring: Wiring): number {
  for (const { id, kind } of circuit.parts) {
    const { ground } = partOfKind(kind)
    if (ground !== undefined) return wiring.nodeOf(id, ground)
  }
  return 0
}

/** Positive post of the first battery. */
function supplyNode(circuit: Circuit, wiring: Wiring): number {
  const source = firstSource(circuit.parts)
  return source ? wiring.nodeOf(source.id, 'pos') : 0
}

function segmentOf(circuit: Circuit, wiring: Wiring, name: string) {
  const [id, key] = name.split('.') as [string, string]
  const part = circuit.parts.find((p) => p.id === id)!
  const [a, b] = partOfKind(part.kind).segments.find((s) => s.key === key)!.between
  return {
    part: id,
    segment: key,
    between: [wiring.nodeOf(id, a), wiring.nodeOf(id, b)] as [number, number],
  }
}

/** Amps through a segment, from its first terminal to its second; 0 where it is open. */
export function segmentAmps(
  { firstElement }: Pick<Board, 'firstElement'>,
  point: OperatingPoint,
  part: string,
  segment: string,
): number {
  const i = firstElement.get(`${part}.${segment}`)
  return i === undefined ? 0 : point.current[i]!
}
