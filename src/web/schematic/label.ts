import type { Part } from '../../core/circuit'
import { partOfKind } from '../../core/parts'
import type { PlacedPart } from './layout'

/** Letters that there is room for: between two columns, and along a rail. */
const mostBeside = 24
const mostAlong = 18

/** The lines beside a part: its short name, its own name, its values; of a wire one line. */
export function labelLines(
  { id, name, parameters }: Part,
  { kind, caption, direction }: Pick<PlacedPart, 'kind' | 'caption' | 'direction'>,
): string[] {
  const definition = partOfKind(kind)
  const summary = definition.summary(parameters)
  const most = direction === 'down' ? mostBeside : mostAlong
  const lines = definition.cable?.byTheMetre
    ? [`${id}  ${summary}`]
    : [id, name || definition.title, caption || summary]
  return lines.filter(Boolean).map((line) => cut(line, most))
}

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text

/** Where the first line stands, when so many are to be written. */
export function firstLine(
  { label, direction }: Pick<PlacedPart, 'label' | 'direction'>,
  lines: number,
): number {
  if (label.below) return label.y
  return label.y - (lines - 1) * (direction === 'down' ? 7.5 : 15)
}

/** What a person notices, in lines that fit beside a column; broken after a comma where there is one. */
export function noticeLines(text: string): string[] {
  const clauses = text.length > mostBeside ? text.split(/(?<=[,:]) /) : [text]
  return clauses.flatMap((clause) => {
    const lines: string[] = []
    for (const word of clause.split(' ')) {
      const last = lines.at(-1)
      if (last !== undefined && `${last} ${word}`.length <= mostBeside)
        lines[lines.length - 1] = `${last} ${word}`
      else lines.push(word)
    }
    return lines
  })
}

/** Lines to keep free below a label for the longest that may be noticed of such a part. */
export const noticeRoom = (kind: string): number => {
  const { notice } = partOfKind(kind)
  return Math.max(0, ...(notice?.all ?? []).map(({ text }) => noticeLines(text).length))
}

/** Lines of a label with all that may come to stand there. */
export const mostLines = (part: Part, placed: Parameters<typeof labelLines>[1]): number =>
  Math.max(labelLines(part, placed).length, partOfKind(placed.kind).detach ? 3 : 1) + noticeRoom(placed.kind)
