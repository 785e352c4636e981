import { cached } from '../cache'
import { refOf, type Circuit, type CircuitPath, type Part, type SegmentRef } from '../circuit'
import { partOfKind, type AnyPart, type Segment } from '../parts'
import { piecesOf, type Piece } from './pieces'
import { spareSegments } from './spare'
import { walksOf, type Walk } from './walks'
import { wiringOf, type Wiring } from './wiring'

/** A part of a circuit with its definition. */
export interface ModelPart {
  readonly part: Part
  readonly definition: AnyPart
  /** Where it stands among the circuit's parts. */
  readonly index: number
}

/** One whose definition has a capability, such as `modes` or `notice`. */
export interface PartWith<K extends keyof AnyPart> extends ModelPart {
  readonly definition: AnyPart & { readonly [P in K]-?: NonNullable<AnyPart[P]> }
}

/** One segment of one part, and the nodes that it joins. */
export interface ModelSegment {
  readonly ref: SegmentRef
  readonly part: Part
  readonly segment: Segment
  readonly between: readonly [number, number]
}

/** @throws where a circuit has no part or segment of a name */
export class NotInCircuit extends Error {
  constructor(readonly missing: string) {
    super(`the circuit has no ${missing}`)
    this.name = 'NotInCircuit'
  }
}

/**
 * A circuit compiled once: its parts by id, its nodes, the ways along its paths, its pieces and segments. Made from a
 * document and never changed; whatever is asked for first is worked out then.
 */
export class Model {
  readonly parts: readonly ModelPart[]
  private readonly byId: ReadonlyMap<string, ModelPart>

  constructor(readonly circuit: Circuit) {
    const byId = new Map<string, ModelPart>()
    this.parts = circuit.parts.map((part, index) => {
      const own = { part, definition: partOfKind(part.kind), index }
      // Of two with one id, which no finished circuit has, the first counts.
      if (!byId.has(part.id)) byId.set(part.id, own)
      return own
    })
    this.byId = byId
  }

  find(id: string): ModelPart | undefined {
    return this.byId.get(id)
  }

  /** @throws NotInCircuit */
  part(id: string): ModelPart {
    const found = this.byId.get(id)
    if (!found) throw new NotInCircuit(id)
    return found
  }

  /** Parts whose definition has a capability, in the order of the circuit. */
  partsWith<K extends keyof AnyPart>(capability: K): readonly PartWith<K>[] {
    let found = this.byCapability.get(capability)
    if (!found) {
      found = this.parts.filter(({ definition }) => definition[capability] !== undefined)
      this.byCapability.set(capability, found)
    }
    return found as readonly PartWith<K>[]
  }
  private readonly byCapability = new Map<keyof AnyPart, readonly ModelPart[]>()

  get wiring(): Wiring {
    return (this.wired ??= wiringOf(this.circuit))
  }
  private wired: Wiring | undefined

  get walks(): readonly Walk[] {
    return (this.walked ??= walksOf(this.circuit, this.wiring))
  }
  private walked: readonly Walk[] | undefined

  get pieces(): readonly Piece[] {
    return piecesOf(this.circuit)
  }

  /** Pins that nothing is wired to, as `part.segment`. */
  get spare(): ReadonlySet<string> {
    return spareSegments(this.circuit)
  }

  /** @throws NotInCircuit */
  segment(part: string, key: string): ModelSegment {
    const found = this.segments.get(refOf(part, key))
    if (!found) throw new NotInCircuit(refOf(part, key))
    return found
  }

  /** Every segment of every part, in the order of the circuit. */
  get segments(): ReadonlyMap<SegmentRef, ModelSegment> {
    return (this.segmentsByRef ??= this.listSegments())
  }
  private segmentsByRef: ReadonlyMap<SegmentRef, ModelSegment> | undefined

  private listSegments(): ReadonlyMap<SegmentRef, ModelSegment> {
    const { nodeOf } = this.wiring
    return new Map(
      this.parts.flatMap(({ part, definition }) =>
        definition.segments.map((segment) => {
          const ref = refOf(part.id, segment.key)
          const [a, b] = segment.between
          return [ref, { ref, part, segment, between: [nodeOf(part.id, a), nodeOf(part.id, b)] as const }]
        }),
      ),
    )
  }
}

/** The compiled circuit of a document. */
export const modelOf = cached({ owner: (circuit: Circuit) => circuit }, (circuit) => new Model(circuit))

/** Nodes and probe points of a circuit. */
export const wireUp = (circuit: Circuit): Wiring => modelOf(circuit).wiring

/** Every path's walk, in the order of the circuit. */
export const walkPaths = (circuit: Circuit): readonly Walk[] => modelOf(circuit).walks

/**
 * The walk along one path of a circuit.
 * @throws NotInCircuit
 */
export function walkPath(circuit: Circuit, path: CircuitPath): Walk {
  const found = walkPaths(circuit)[circuit.paths.indexOf(path)]
  if (!found) throw new NotInCircuit(path.id)
  return found
}

/** A part of a circuit by its id, or undefined. */
export const findPart = (circuit: Circuit, id: string | null | undefined): Part | undefined =>
  id ? modelOf(circuit).find(id)?.part : undefined

/**
 * A part of a circuit by its id.
 * @throws NotInCircuit
 */
export const partOf = (circuit: Circuit, id: string): Part => modelOf(circuit).part(id).part
