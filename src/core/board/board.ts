import { cached } from '../cache'
import {
  firstSource,
  partIn,
  refOf,
  schoolScatter,
  splitRef,
  systemOf,
  type Circuit,
  type CircuitState,
  type SegmentRef,
  type TerminalRef,
} from '../circuit'
import { coldOf, faultOfKind, severityOf, struckBy, type Fault } from '../faults'
import { modelOf, type Model, type ModelPart, type Wiring } from '../model'
import type { Net, Sense, Surroundings } from '../parts'
import {
  compileNetwork,
  type CompiledNetwork,
  type Element,
  type Network,
  type OperatingPoint,
} from '../solve'

/** A circuit with its faults in one state, as a network; what an instrument adds its own elements to. */
export interface Board extends Network {
  readonly circuit: Circuit
  readonly model: Model
  readonly state: CircuitState
  readonly wiring: Wiring
  /** What each part that switches by itself has switched to, by part id. */
  readonly modes: ReadonlyMap<string, string>
  readonly faults: readonly Fault[]
  readonly blown: ReadonlySet<string>
  /** First of a part's elements, by part id and by `part.segment`; an element that is open stands for an open segment. */
  readonly firstElement: ElementIndex
  /** Nodes inside parts, by `part#name`. */
  readonly inner: ReadonlyMap<string, number>
  /** The same without a fault and with nothing connected: its elements are one list as long as nothing else changes. */
  readonly sound: Network
  /** What is connected from outside. */
  readonly attached: readonly Attachment[]
}

/** The place of an element by name. */
export interface ElementIndex {
  get(name: string): number | undefined
}

/** Something connected from outside between two nodes: an instrument, a jumper, a load. */
export type Attachment = (freshNode: () => number) => readonly Element[]

export interface BoardOptions {
  /** Fuses that have already melted. */
  readonly blown?: ReadonlySet<string>
  readonly modes?: ReadonlyMap<string, string>
  readonly attached?: readonly Attachment[]
}

/** Ohms of the best of contacts: none is nought. */
const leastContact = 1e-6
const nothing: ReadonlySet<string> = new Set()
/** A fused jumper's own ohms: a metre of 2.5 mm² and two clips (common practice, no source). */
const jumperOhms = 0.015

/** What a state's jumpers are called among what carries current and what blows. */
export const jumperName = (i: number): string => `jumper${i + 1}`

/** Builds the network. Every segment has at least one element: one that is open has infinite ohms. */
export function buildBoard(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  { blown = nothing, modes = restModes(circuit), attached = [] }: BoardOptions = {},
): Board {
  const model = modelOf(circuit)
  const { wiring } = model
  const sound = soundBoardsOf(circuit)(state, blown, modes)
  const board = { circuit, model, state, wiring, sound, modes, faults, blown, attached }
  if (faults.length === 0 && attached.length === 0 && !state.bypassed?.length) return { ...board, ...sound }
  let { nodeCount, inner } = sound
  const freshNode = () => nodeCount++
  const struck = new Map<string, Owned>()
  if (faults.length) {
    for (const part of struckParts(model, faults)) {
      const around = surroundings({ circuit, faults, state, blown, modes }, part)
      // Equations that know the fault may need a node of their own, beside those of the sound part.
      const own = new Map(inner)
      struck.set(part.part.id, stampPart(part, around, wiring, own, freshNode))
      if (own.size > inner.size) inner = own
    }
    strikeAll(model, faults, state, struck, freshNode)
  }
  const { elements, firstElement } = struck.size ? withStruck(model, sound, struck) : sound
  const all = struck.size ? elements : elements.slice()
  for (const [i, ends] of (state.bypassed ?? []).entries()) {
    // One whose fuse has gone joins nothing.
    if (blown.has(jumperName(i))) continue
    const [a, b] = ends.map((end) => wiring.nodeOf(...splitRef(end as TerminalRef))) as [number, number]
    all.push({
      type: 'resistor',
      a,
      b,
      ohms: jumperOhms,
      tolerance: 0.3,
      owner: { part: '', segment: jumperName(i) },
    })
  }
  for (const attach of attached) all.push(...attach(freshNode))
  return { ...board, elements: all, nodeCount, firstElement, inner }
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
    const name = refOf(id, owner.segment)
    if (!heads.has(name)) heads.set(name, at)
  })
  return { elements, heads: [...heads].map(([name, at]) => ({ name, at })) }
}

/** The circuit without a fault, laid out once for everything that is then struck in it. */
interface Sound {
  readonly elements: Element[]
  readonly compiled: CompiledNetwork
  readonly nodeCount: number
  readonly inner: ReadonlyMap<string, number>
  readonly firstElement: ReadonlyMap<string, number>
  /** Where each part's elements begin, in the order of the parts; one entry more for the end. */
  readonly starts: Int32Array
}

/** Sound boards of a state by what has blown and switched; a few, for a search goes through many. */
const soundBoardsOf = cached({ owner: (circuit: Circuit) => circuit }, (circuit) =>
  cached<[state: CircuitState, blown: ReadonlySet<string>, modes: ReadonlyMap<string, string>], Sound>(
    { owner: (state) => state, key: (_, blown, modes) => signOf(modes, blown), most: 64 },
    (state, blown, modes) => {
      const { parts, wiring } = modelOf(circuit)
      const elements: Element[] = []
      const firstElement = new Map<string, number>()
      const inner = new Map<string, number>()
      const starts = new Int32Array(parts.length + 1)
      let nodeCount = wiring.count
      const freshNode = () => nodeCount++
      parts.forEach((part, i) => {
        const around = surroundings({ circuit, faults: [], state, blown, modes }, part)
        const { elements: own, heads } = stampPart(part, around, wiring, inner, freshNode)
        starts[i] = elements.length
        for (const { name, at } of heads) firstElement.set(name, elements.length + at)
        elements.push(...own)
      })
      starts[parts.length] = elements.length
      const compiled = compileNetwork({ nodeCount, elements })
      return { elements, compiled, nodeCount, inner, firstElement, starts }
    },
  ),
)

/** What has switched and blown, as one word. */
function signOf(modes: ReadonlyMap<string, string>, blown: ReadonlySet<string>): string {
  let sign = ''
  for (const mode of modes.values()) sign += `${mode},`
  for (const id of blown) sign += `${id};`
  return sign
}

/** A part's own elements; nodes inside it are numbered in `inner`. */
function stampPart(
  { part, definition }: ModelPart,
  around: Surroundings,
  wiring: Wiring,
  inner: Map<string, number>,
  freshNode: () => number,
): Owned {
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
    contact: (s, a, b, ohms) =>
      own.push({ type: 'resistor', ...joined(s, a, b, around.contacts), ohms: Math.max(ohms, leastContact) }),
    source: (s, a, b, volts, ohms, tolerance) =>
      own.push({ type: 'source', ...joined(s, a, b, tolerance), volts, ohms }),
    nonlinear: (s, a, b, law, tolerance) =>
      own.push({ type: 'nonlinear', ...joined(s, a, b, tolerance), law }),
    current: (s, a, b, amps) => own.push({ type: 'current', ...joined(s, a, b, 0), amps }),
  }
  definition.stamp(part.parameters, net, around)
  const opened: readonly string[] = [
    ...(around.detached ? (definition.detach?.opens ?? []) : []),
    ...(around.blown && definition.cable ? [definition.cable.segment] : []),
  ]
  const standing = opened.length ? own.filter((e) => !opened.includes(e.owner.segment)) : own
  for (const { key, between } of definition.segments) {
    if (standing.some((e) => e.owner.segment === key)) continue
    const [a, b] = between
    standing.push({ type: 'resistor', ...joined(key, a, b, 0), ohms: Infinity })
  }
  return ownedBy(part.id, standing)
}

/** Parts that the faults touch, in the order of the circuit's parts: nodes of their own are numbered in that order. */
function struckParts(model: Model, faults: readonly Fault[]): readonly ModelPart[] {
  const ids = new Set(
    faults.flatMap(({ part, other }) => (other === undefined ? [part] : [part, partIn(other)])),
  )
  return [...ids].map((id) => model.part(id)).sort((p, q) => p.index - q.index)
}

/** Has every fault change the elements of the pieces that it strikes. */
function strikeAll(
  model: Model,
  faults: readonly Fault[],
  state: CircuitState,
  owned: Map<string, Owned>,
  freshNode: () => number,
): void {
  const { ground, supply, nominal } = railsOf(model.circuit)
  for (const fault of faults) {
    const { part, segment, between } = model.segment(fault.part, fault.segment)
    const other =
      fault.other === undefined ? undefined : model.segment(...splitRef(fault.other as SegmentRef))
    const pick = (id: string, segment: string) =>
      owned.get(id)!.elements.filter((e) => e.owner.segment === segment && !isOpen(e))
    const section = part.parameters.section
    const struck = faultOfKind(fault.kind).strike(
      {
        elements: pick(part.id, segment.key),
        between,
        owner: { part: part.id, segment: segment.key },
        freshNode,
        ground,
        supply,
        nominal,
        at: fault.at ?? 0.5,
        section: typeof section === 'number' ? section : undefined,
        cold: coldOf(fault),
        wiggled: state.wiggled?.includes(fault.part) ?? false,
        ...(other && {
          other: { elements: pick(other.part.id, other.segment.key), between: other.between },
        }),
      },
      severityOf(fault),
    )
    const change = (id: string, segment: string, now: readonly Element[]) =>
      owned.set(
        id,
        ownedBy(id, [...owned.get(id)!.elements.filter((e) => e.owner.segment !== segment), ...now]),
      )
    const result = Array.isArray(struck) ? { own: struck } : struck
    change(part.id, segment.key, result.own)
    if (other && result.other) change(other.part.id, other.segment.key, result.other)
  }
}

/** The sound board with the struck parts' elements in place of theirs. */
function withStruck(
  { parts, wiring }: Model,
  sound: Sound,
  struck: ReadonlyMap<string, Owned>,
): { elements: Element[]; firstElement: ElementIndex } {
  const elements: Element[] = []
  const fresh = new Map<string, number>()
  /** Where a struck part's elements ended on the sound board, and how far all behind them has moved. */
  const moves: { from: number; by: number }[] = []
  let copied = 0
  const copyTo = (end: number) => {
    while (copied < end) elements.push(sound.elements[copied++]!)
  }
  for (const { part, definition, index: i } of parts) {
    const own = struck.get(part.id)
    if (!own) continue
    copyTo(sound.starts[i]!)
    const at = elements.length
    for (const element of [...own.elements].sort((p, q) => rankOf(definition, p) - rankOf(definition, q)))
      elements.push(element)
    for (const segment of definition.segments) {
      if (own.elements.some((e) => e.owner.segment === segment.key)) continue
      elements.push({
        type: 'resistor',
        a: wiring.nodeOf(part.id, segment.between[0]),
        b: wiring.nodeOf(part.id, segment.between[1]),
        ohms: Infinity,
        owner: { part: part.id, segment: segment.key },
      })
    }
    for (let k = elements.length - 1; k >= at; k--) fresh.set(refOf(part.id, elements[k]!.owner.segment), k)
    copied = sound.starts[i + 1]!
    moves.push({ from: copied, by: elements.length - copied })
  }
  copyTo(sound.elements.length)
  const firstElement = {
    get(name: string): number | undefined {
      const own = fresh.get(name)
      if (own !== undefined) return own
      const before = sound.firstElement.get(name)
      if (before === undefined) return undefined
      let by = 0
      for (const move of moves) if (before >= move.from) by = move.by
      return before + by
    },
  }
  return { elements, firstElement }
}

/** Elements of one segment stay in their own order, segments in the order of the part. */
const rankOf = (definition: ModelPart['definition'], element: Element): number => {
  const at = definition.segments.findIndex((s) => s.key === element.owner.segment)
  return at < 0 ? definition.segments.length : at
}

/** Every part that switches by itself, at rest. */
export const restModes = cached(
  { owner: (circuit: Circuit) => circuit },
  (circuit): ReadonlyMap<string, string> =>
    new Map(
      modelOf(circuit)
        .partsWith('modes')
        .map(({ part, definition }) => [part.id, definition.modes.rest]),
    ),
)

function surroundings(
  { circuit, faults, state, blown, modes }: Pick<Board, 'circuit' | 'faults' | 'state' | 'blown' | 'modes'>,
  { part, definition }: ModelPart,
): Surroundings {
  return {
    temperature: state.temperature ?? circuit.temperature,
    ...(circuit.scatter ?? schoolScatter),
    position: state.controls[part.id] ?? definition.positions?.[0],
    detached: state.detached.includes(part.id),
    blown: blown.has(part.id),
    struck: struckBy(faults, part.id),
    mode: modes.get(part.id) ?? '',
    engineRuns: state.engine === 'running',
    sinceKeyOff: state.sinceKeyOff ?? 0,
    ...(state.battery && { battery: state.battery }),
  }
}

/** What a part on a solved board feels, and where it stands: for what it switches to and what a scan tool shows. */
export function senseOf(
  board: Board,
  point: OperatingPoint,
  { id }: { readonly id: string },
): { sense: Sense; around: Surroundings } {
  const node = (key: string) =>
    key.startsWith('#') ? (board.inner.get(id + key) ?? 0) : board.wiring.nodeOf(id, key)
  return {
    sense: {
      volts: (a, b) => {
        const [p, q] = [node(a), node(b)]
        return point.island[p] === point.island[q] ? point.voltage[p]! - point.voltage[q]! : 0
      },
      amps: (segment) => segmentAmps(board, point, id, segment),
    },
    around: surroundings(board, board.model.part(id)),
  }
}

/** Nodes that any fault may be led to, and the system's volts. */
const railsOf = cached({ owner: (circuit: Circuit) => circuit }, (circuit) => {
  const { wiring } = modelOf(circuit)
  // Where a chafed wire touches: the metal near the loads, or the battery's negative post without one.
  const [metal] = modelOf(circuit).partsWith('ground')
  const source = firstSource(circuit.parts)
  return {
    ground: metal ? wiring.nodeOf(metal.part.id, metal.definition.ground) : 0,
    /** Positive post of the first battery. */
    supply: source ? wiring.nodeOf(source.id, 'pos') : 0,
    nominal: systemOf(circuit).rest,
  }
})

/** Amps through a segment, from its first terminal to its second; 0 where it is open. */
export function segmentAmps(
  { firstElement }: Pick<Board, 'firstElement'>,
  point: OperatingPoint,
  part: string,
  segment: string,
): number {
  const i = firstElement.get(refOf(part, segment))
  return i === undefined ? 0 : point.current[i]!
}
