import { partOfKind, type StrikeUnit } from '../parts'
import type { Circuit } from './schema'
import { spareSegments } from './spare'

/** A piece as the trade strikes it out or names it: `W4`, or `K1.coil` of a part that has several. */
export interface Piece {
  readonly id: string
  readonly part: string
  readonly unit: StrikeUnit
}

const kept = new WeakMap<Circuit['paths'], { parts: Circuit['parts']; made: readonly Piece[] }>()

/** Every piece of a circuit, in the order of its parts. */
export function piecesOf(circuit: Pick<Circuit, 'parts' | 'paths'>): readonly Piece[] {
  const known = kept.get(circuit.paths)
  if (known?.parts === circuit.parts) return known.made
  const spare = spareSegments(circuit)
  const made = circuit.parts.flatMap((part) => {
    const { units } = partOfKind(part.kind)
    const wired = units.filter((u) => !u.segments.every((key) => spare.has(`${part.id}.${key}`)))
    return wired.map((unit) => ({
      id: units.length === 1 ? part.id : `${part.id}.${unit.key}`,
      part: part.id,
      unit,
    }))
  })
  kept.set(circuit.paths, { parts: circuit.parts, made })
  return made
}

/**
 * The pieces that a name stands for: a part's all (`K1`), one of them (`K1.coil`), or the one that a segment belongs to
 * (`W4.copper`). None for a name that is no piece's.
 */
export function findPieces(circuit: Pick<Circuit, 'parts' | 'paths'>, name: string): Piece[] {
  const [id, key] = name.split('.')
  return piecesOf(circuit).filter(
    ({ part, unit }) => part === id && (key === undefined || unit.key === key || unit.segments.includes(key)),
  )
}

/** What a piece is called: “K1 fan relay, coil side”. */
export function pieceName(circuit: Pick<Circuit, 'parts' | 'paths'>, { part: id, unit }: Piece): string {
  const part = circuit.parts.find((p) => p.id === id)!
  const { title, units } = partOfKind(part.kind)
  return `${id} ${part.name || title}${units.length > 1 ? `, ${unit.name}` : ''}`
}
