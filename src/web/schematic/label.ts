import type { Part } from '../../core/circuit'
import { partOfKind } from '../../core/parts'
import { tell } from '../words'
import { letterSize, lineHeight, type Detail } from './detail'
import type { PlacedPart } from './layout'

/** Letters that there is room for: between two columns, and along a rail. */
const mostBeside = 24
const mostAlong = 18
const mostNamed = 17

/** The lines beside a part: its short name, its own name, its values; of a wire one line. */
export function labelLines(
  { id, name, parameters }: Part,
  { kind, caption, direction }: Pick<PlacedPart, 'kind' | 'caption' | 'direction'>,
): string[] {
  const definition = partOfKind(kind)
  const summary = tell(definition.summary(parameters))
  const most = direction === 'down' ? mostBeside : mostAlong
  const lines = definition.cable?.byTheMetre
    ? [fitting(`${id}  ${summary}`, most)]
    : [id, name || tell(definition.title), (caption && tell(caption)) || summary]
  return lines.filter(Boolean).map((line) => cut(line, most))
}

/** What of a part’s lines is written at less than full detail: along a rail its short name alone. */
export function linesAt(
  lines: readonly string[],
  { id, direction, label }: Pick<PlacedPart, 'id' | 'direction' | 'label'>,
  detail: Detail,
  wire: boolean,
): readonly string[] {
  if (detail === 'all') return lines
  const named = detail === 'names' && direction === 'down' && !wire
  // In the first column there is the edge of the drawing; a letter is half as wide as it is high.
  const room = label.anchor === 'end' ? Math.floor(label.x / (letterSize(detail) / 2)) : mostNamed
  return [
    wire ? id : lines[0]!,
    ...(named ? lines.slice(1, 2).map((line) => cut(line, Math.min(mostNamed, room))) : []),
  ]
}

/** A wire’s colour and section are wanted before its length. */
const fitting = (line: string, most: number): string =>
  line.length > most ? (line.split(', ')[0] ?? line) : line

const cut = (text: string, most: number): string =>
  text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text

/** Where the first line stands, when so many are to be written. */
export function firstLine(
  { label, direction }: Pick<PlacedPart, 'label' | 'direction'>,
  lines: number,
  detail: Detail = 'all',
): number {
  if (label.below) return label.y
  const height = detail === 'all' ? 15 : lineHeight(detail)
  return label.y - (lines - 1) * (direction === 'down' ? height / 2 : height)
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
  return Math.max(0, ...(notice?.all ?? []).map(({ text }) => noticeLines(tell(text)).length))
}

/** Lines of a label with all that may come to stand there. */
export const mostLines = (part: Part, placed: Parameters<typeof labelLines>[1]): number =>
  Math.max(labelLines(part, placed).length, partOfKind(placed.kind).detach ? 3 : 1) + noticeRoom(placed.kind)
