import { tell } from '../words'
import { letterSize, type Detail } from './detail'
import type { PlacedPoint } from './layout'
import type { Marks, PointFigure, Shape, Span } from './scene'

/** Points whose names have room at a detail: of several close by, the first. */
export function namedPoints(points: readonly PlacedPoint[], detail: Detail): ReadonlySet<PlacedPoint> {
  if (detail === 'all') return new Set(points)
  if (detail === 'ids') return new Set()
  const size = letterSize(detail)
  const named: PlacedPoint[] = []
  for (const one of points) {
    const wide = one.label.anchor === 'middle' ? 3.4 * size : 1
    const close = named.some(
      ({ label }) => Math.abs(label.x - one.label.x) < wide && Math.abs(label.y - one.label.y) < 1.05 * size,
    )
    if (!close) named.push(one)
  }
  return new Set(named)
}

export function pointFigure({ point, x, y, label }: PlacedPoint, marks: Marks, detail: Detail): PointFigure {
  const value = marks.values?.get(point.node)
  const share = marks.tint?.get(point.node)
  const red = marks.red === point.name
  const black = marks.black === point.name
  const middle = label.anchor === 'middle'
  return {
    key: String(point.node),
    name: point.name,
    title: `${point.name}, ${tell(point.title)}`,
    part: point.part,
    node: point.node,
    x,
    y,
    sign: `${detail} ${point.name} ${x} ${y} ${label.x} ${label.y} ${value} ${share?.toFixed(2)} ${red} ${black}`,
    shapes: () => [
      { type: 'circle', x, y, r: 4, ink: 'dot', ...(share !== undefined && { share }) },
      {
        type: 'text',
        x: label.x,
        y: label.y,
        anchor: label.anchor,
        spans: pointWords(point.name, value, { detail, middle, held: red || black }),
      },
      ...(red ? leadFlag(x, y, 'red') : []),
      ...(black ? leadFlag(x, y, 'black') : []),
    ],
  }
}

/** Its name and its reading; where there is room for one, the reading, and on a rail the name. */
function pointWords(
  name: string,
  value: string | undefined,
  { detail, middle, held }: { detail: Detail; middle: boolean; held: boolean },
): Span[] {
  if (detail === 'all')
    return [
      { text: name, face: 'point' },
      ...(value === undefined
        ? []
        : [
            middle
              ? { text: value, face: 'value' as const, dy: 15 }
              : { text: value, face: 'value' as const, dx: 7 },
          ]),
    ]
  if (held) return [{ text: name, face: 'point' }]
  if (detail === 'ids') return []
  return value === undefined || middle ? [{ text: name, face: 'point' }] : [{ text: value, face: 'value' }]
}

/** A flag with a letter, square for red and round for black: told apart by shape as well as colour. */
function leadFlag(x: number, y: number, lead: 'red' | 'black'): Shape[] {
  const red = lead === 'red'
  return [
    { type: 'path', d: `M${x} ${y}L${x - 17} ${red ? y - 12 : y + 12}`, ink: lead },
    red
      ? { type: 'rect', x: x - 33, y: y - 21, width: 17, height: 17, ink: lead }
      : { type: 'circle', x: x - 25, y: y + 14, r: 9, ink: lead },
    {
      type: 'text',
      x: red ? x - 24.5 : x - 25,
      y: red ? y - 8.5 : y + 18,
      anchor: 'middle',
      spans: [{ text: red ? 'R' : 'B', face: 'lead' }],
    },
  ]
}
