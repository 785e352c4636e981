import type { Circuit, Part } from '../circuit'
import { partOfKind, type TerminalKey } from '../parts'
import { cavityName, halfId } from './cavities'
import { terminalName, type Wiring } from './wiring'

/** From which side an eye meets a plug: its mating face, which is covered while it is together, or where the wires go in. */
export const faceSides = ['front', 'back'] as const
export type FaceSide = (typeof faceSides)[number]

/** One cavity of a plug, as it lies before the eye. */
export interface Cavity {
  readonly terminal: TerminalKey
  /** Printed name of its point. */
  readonly name: string
  /** What is moulded beside it, on the mating face. */
  readonly mark: string
  /** Its name by where it lies, from the back. */
  readonly place: string
}

/** What can be looked at of a part: each half of a plug has a face of its own. */
export const halvesOf = ({ kind, parameters }: Part): readonly string[] =>
  Object.keys(partOfKind(kind).faces?.(parameters) ?? {})

/**
 * Rows of cavities from above, from left to right as the eye meets them; undefined marks where there is none. From the back
 * everything lies mirrored.
 * @returns empty for what has no face, or no such half
 */
export function faceOf(
  part: Part,
  half: string,
  side: FaceSide,
): readonly (readonly (Cavity | undefined)[])[] {
  const { faces, absent } = partOfKind(part.kind)
  const missing = absent?.(part.parameters) ?? []
  const rows = faces?.(part.parameters)[half] ?? []
  return rows.map((row, r) => {
    const cavities = row.map((terminal, c): Cavity | undefined => {
      if (terminal === null || missing.includes(terminal)) return undefined
      const name = terminalName(part, terminal)
      const place = cavityName(halfId(part, half), r + 1, row.length - c)
      return { terminal, name, place, mark: name.slice(part.id.length).replace(/^\./, '') }
    })
    return side === 'back' ? cavities.reverse() : cavities
  })
}

/** Colour codes of the wires that go into a cavity, each as often as there are wires; a wire that has none is left out. */
export function coloursAt({ parts }: Circuit, wiring: Wiring, part: string, terminal: string): string[] {
  const node = wiring.nodeOf(part, terminal)
  return parts.flatMap(({ id, kind, parameters }) => {
    const { role, terminals } = partOfKind(kind)
    const colour = parameters['colour']
    return role === 'conductor' &&
      typeof colour === 'string' &&
      colour !== 'none' &&
      terminals.some(({ key }) => wiring.nodeOf(id, key) === node)
      ? [colour]
      : []
  })
}
