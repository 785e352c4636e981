import { wireUp, type Circuit, type CircuitState, type Wiring } from '../circuit'
import { faultOfKind, severityOf, type Fault } from '../faults'
import { partOfKind, type Net, type Notice } from '../parts'
import { Solver, type Element, type OperatingPoint } from '../solve'

/** A circuit with its faults in one state, as a network; what an instrument adds its own elements to. */
export interface Board {
  readonly circuit: Circuit
  readonly state: CircuitState
  readonly wiring: Wiring
  readonly elements: readonly Element[]
  readonly nodeCount: number
}

export interface SolvedBoard {
  readonly ok: true
  readonly board: Board
  readonly point: OperatingPoint
  readonly solver: Solver
  /** Fuses that have melted, by part id. */
  readonly blown: ReadonlySet<string>
}

export interface UnsolvedBoard {
  readonly ok: false
  readonly message: string
}

/** Builds the network. `blown` names fuses that have already melted. */
export function buildBoard(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  blown: ReadonlySet<string> = new Set(),
  wiring: Wiring = wireUp(circuit),
): Board {
  const elements: Element[] = []
  let nodeCount = wiring.count
  const freshNode = () => nodeCount++
  const ground = groundNode(circuit, wiring)
  const supply = supplyNode(circuit, wiring)
  for (const part of circuit.parts) {
    const definition = partOfKind(part.kind)
    const own: Element[] = []
    const node = (key: string) => wiring.nodeOf(part.id, key)
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
    }
    const detached = state.detached.includes(part.id)
    definition.stamp(part.parameters, net, {
      temperature: circuit.temperature,
      position: state.controls[part.id] ?? definition.positions?.[0],
      detached,
      blown: blown.has(part.id),
      struck: new Map(faults.filter((f) => f.part === part.id).map((f) => [f.kind, severityOf(f)])),
    })
    const opened = detached ? (definition.detach?.opens ?? []) : []
    let kept = own.filter((e) => !opened.includes(e.owner.segment))
    for (const fault of faults.filter((f) => f.part === part.id)) {
      const struck = kept.filter((e) => e.owner.segment === fault.segment)
      const rest = kept.filter((e) => e.owner.segment !== fault.segment)
      const segment = definition.segments.find((s) => s.key === fault.segment)!
      const site = {
        elements: struck,
        between: [node(segment.between[0]), node(segment.between[1])] as const,
        owner: { part: part.id, segment: segment.key },
        freshNode,
        ground,
        supply,
      }
      kept = [...rest, ...faultOfKind(fault.kind).strike(site, severityOf(fault))]
    }
    elements.push(...kept)
  }
  return { circuit, state, wiring, elements, nodeCount }
}

/** Where a chafed wire touches: the chassis near the loads, or the battery's negative post without one. */
function groundNode(circuit: Circuit, wiring: Wiring): number {
  const metal = circuit.parts.find((part) => part.kind === 'chassis')
  return metal ? wiring.nodeOf(metal.id, 'a') : 0
}

/** Positive post of the first battery. */
function supplyNode(circuit: Circuit, wiring: Wiring): number {
  const source = circuit.parts.find((part) => partOfKind(part.kind).role === 'source')
  return source ? wiring.nodeOf(source.id, 'pos') : 0
}

/** Solves a board in its state; fuses that this state melts are melted and the rest solved again. */
export function solveBoard(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  blownBefore: ReadonlySet<string> = new Set(),
  wiring?: Wiring,
): SolvedBoard | UnsolvedBoard {
  const blown = new Set(blownBefore)
  for (;;) {
    const board = buildBoard(circuit, faults, state, blown, wiring)
    const solver = new Solver(board)
    const point = solver.solve()
    if (!point.ok) {
      const names = board.wiring.points.filter((p) => point.nodes.includes(p.node)).map((p) => p.name)
      return {
        ok: false,
        message: names.length ? `${point.message} (near ${names.slice(0, 4).join(', ')})` : point.message,
      }
    }
    const melted = meltedNow(board, point).filter((id) => !blown.has(id))
    if (melted.length === 0) return { ok: true, board, point, solver, blown }
    for (const id of melted) blown.add(id)
  }
}

function meltedNow(board: Board, point: OperatingPoint): string[] {
  return board.circuit.parts.flatMap((part) => {
    const melts = partOfKind(part.kind).melts
    if (!melts) return []
    const amps = segmentAmps(board, point, part.id, melts.segment)
    return Math.abs(amps) > 1.35 * melts.rating(part.parameters) ? [part.id] : []
  })
}

/**
 * Fuses gone after the circuit has been used in each of its states, as the customer did before complaining.
 * A state that cannot be solved melts nothing.
 */
export function aftermath(circuit: Circuit, faults: readonly Fault[], wiring?: Wiring): ReadonlySet<string> {
  const gone = new Set<string>()
  if (!circuit.parts.some((part) => partOfKind(part.kind).melts)) return gone
  for (const state of circuit.states) {
    const solved = solveBoard(circuit, faults, state, new Set(), wiring)
    if (solved.ok) for (const id of solved.blown) gone.add(id)
  }
  return gone
}

/** Amps through a segment, from its first terminal to its second; 0 where it is open. */
export function segmentAmps(
  { elements }: Board,
  point: OperatingPoint,
  part: string,
  segment: string,
): number {
  const i = elements.findIndex((e) => e.owner.part === part && e.owner.segment === segment)
  return i < 0 ? 0 : point.current[i]!
}

/** Volts of a over b, or undefined where nothing ties the two together. */
export function voltsBetween({ point }: SolvedBoard, a: number, b: number): number | undefined {
  return point.island[a] === point.island[b] ? point.voltage[a]! - point.voltage[b]! : undefined
}

export interface Noticed extends Notice {
  readonly part: string
}

/** What a person sees, hears or feels on every part that shows anything. */
export function noticeAll(solved: SolvedBoard): Noticed[] {
  const { board, point } = solved
  return board.circuit.parts.flatMap((part): Noticed[] => {
    const definition = partOfKind(part.kind)
    if (!definition.notice) return []
    // The load's own element comes last in its segment: what a fault puts before it is not what a person notices.
    const { segment } = definition.notice
    const own = board.elements.findLastIndex((e) => e.owner.part === part.id && e.owner.segment === segment)
    const element = board.elements[own]
    const amps = element ? point.current[own]! : 0
    const volts = element ? point.voltage[element.a]! - point.voltage[element.b]! : 0
    return [
      { part: part.id, ...definition.notice.read(part.parameters, { volts, amps, watts: volts * amps }) },
    ]
  })
}
