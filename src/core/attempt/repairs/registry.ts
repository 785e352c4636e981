import { Registry } from '../../registry'
import { partOf, type Piece } from '../../model'
import { remake } from './remake'
import { recrimp } from './recrimp'
import { solder } from './solder'
import { terminal } from './terminal'
import { replace } from './replace'
import { charge } from './charge'
import { reseat } from './reseat'
import { refit } from './refit'
import { insulate } from './insulate'
import { repin } from './repin'
import { remove } from './remove'
import { turn } from './turn'
import { tighten } from './tighten'
import { moveGround } from './move-ground'
import { groundWire } from './ground-wire'
import { splitRef, type Circuit } from '../../circuit'
import { faultOfKind, type Fault } from '../../faults'
import { partOfKind, type AnyPart, type Segment } from '../../parts'
import type { Repair } from './repair'

/** Every repair there is. A new one is its file and its line here. */
const all = [
  remake,
  recrimp,
  solder,
  terminal,
  replace,
  charge,
  reseat,
  refit,
  insulate,
  repin,
  remove,
  turn,
  tighten,
  moveGround,
  groundWire,
] as const

export type RepairKey = (typeof all)[number]['key']
export const repairs: readonly Repair<RepairKey>[] = all
export const repairKeys = all.map(({ key }) => key)
const registry = new Registry<Repair<RepairKey>>('repair', repairs, ({ key }) => key)
/** @throws UnknownKey */
export const repairOf = (key: RepairKey): Repair<RepairKey> => registry.get(key)

const segmentsOf = (circuit: Circuit, piece: Piece): readonly [AnyPart, readonly Segment[]] => {
  const definition = partOfKind(partOf(circuit, piece.part).kind)
  return [definition, definition.segments.filter((s) => piece.unit.segments.includes(s.key))]
}

/** Ways that fit a piece. */
export function repairsFor(circuit: Circuit, piece: Piece): Repair<RepairKey>[] {
  const [definition, segments] = segmentsOf(circuit, piece)
  return repairs.filter((repair) => segments.some((segment) => repair.fits(segment, definition)))
}

/**
 * Whether a repair of this piece takes the fault away: it strikes there, the way cures its kind, and fits the place. Of two
 * pieces that touch either may be put right; with a new unit all comes that is sold with it.
 */
export function cures(circuit: Circuit, piece: Piece, by: RepairKey, fault: Fault): boolean {
  if (!faultOfKind(fault.kind).repairedBy.includes(by)) return false
  const [definition] = segmentsOf(circuit, piece)
  const ends = [[fault.part, fault.segment] as const, ...(fault.other ? [splitRef(fault.other)] : [])]
  return ends.some(([part, key]) => {
    const segment = definition.segments.find((s) => s.key === key)
    if (part !== piece.part || !segment || !repairOf(by).fits(segment, definition)) return false
    return piece.unit.segments.includes(key) || (by === 'replace' && isSoldWith(definition, piece, key))
  })
}

/** Whether a segment comes new when a piece is ordered from the parts counter. */
const isSoldWith = ({ orderedAs = [] }: AnyPart, { unit }: Piece, segment: string): boolean =>
  orderedAs.includes(segment) && unit.segments.some((s) => orderedAs.includes(s))
