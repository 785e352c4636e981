import { partOfKind, type TerminalKey } from '../parts'
import type { Part } from '../circuit'

/** A cavity as it is named by who sees the plug from the back, where the wires go in and no number is moulded. */
export interface NamedCavity {
  readonly terminal: TerminalKey
  /** `X1/A 1.3`: half A of X1, upper row, third from the left, from the back. */
  readonly name: string
}

/** `X1/A`: a half of a plug, by a letter that every language reads. */
export const halfId = ({ id, kind, parameters }: Part, half: string): string =>
  `${id}/${String.fromCharCode(65 + Object.keys(partOfKind(kind).faces?.(parameters) ?? {}).indexOf(half))}`

/** Name of a cavity by where it lies: row and place in it, counted from 1 and from the back. */
export const cavityName = (half: string, row: number, column: number): string => `${half} ${row}.${column}`

/** Whether a point was named by where it lies in a plug and not by what is drawn. */
export const isCavityName = (name: string): boolean => /\/[a-z] \d+\.\d+$/i.test(name.trim())

/** Every cavity of a part that has faces, half by half, from the back. */
export function cavitiesOf(part: Part): readonly NamedCavity[] {
  const { faces, absent } = partOfKind(part.kind)
  const missing = absent?.(part.parameters) ?? []
  return Object.entries(faces?.(part.parameters) ?? {}).flatMap(([half, rows]) =>
    rows.flatMap((row, r) =>
      row
        .toReversed()
        .flatMap((terminal, c): NamedCavity[] =>
          terminal === null || missing.includes(terminal)
            ? []
            : [{ terminal, name: cavityName(halfId(part, half), r + 1, c + 1) }],
        ),
    ),
  )
}
