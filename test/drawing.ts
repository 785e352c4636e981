import { tell } from '../src/web/words'
import { partOf } from '../src/core/model'
import { svgPathBbox } from 'svg-path-bbox'
import type { Circuit } from '../src/core/circuit'
import { partOfKind } from '../src/core/parts'
import type { Layout } from '../src/web/schematic/layout'
import { firstLine, labelLines, mostLines, noticeLines } from '../src/web/schematic/label'
import { strokesOf } from '../src/web/schematic/strokes'

/** Something on the drawing, in its units. */
export interface Box {
  readonly name: string
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

export interface Line {
  readonly name: string
  readonly node: number | undefined
  readonly from: readonly [number, number]
  readonly to: readonly [number, number]
}

/** Widths of a letter: the text face at 13 px on average (its own metrics), the face of readings at 12 px exactly. */
const letter = 6.3
const digit = 7.2
/** As long as readings get: “−123.4 mV”. */
const reading = 9

const lineHeight = 15

/** Every name, value and notice that the drawing may carry, as the boxes they fill. */
export function textOf(circuit: Circuit, layout: Layout): Box[] {
  const parts = layout.parts.map((placed): Box => {
    const part = partOf(circuit, placed.id)
    const spoken = partOfKind(placed.kind).notice?.all.flatMap(({ text }) => noticeLines(tell(text))) ?? []
    const lines = [...labelLines(part, placed), ...spoken]
    const count = mostLines(part, placed)
    const width = Math.max(...lines.map((line) => line.length)) * letter
    const { x, anchor } = placed.label
    return boxOf(`label of ${placed.key}`, x, anchor, width, firstLine(placed, count), count)
  })
  const points = layout.points.map(({ point, label }): Box => {
    const middle = label.anchor === 'middle'
    const width = middle
      ? Math.max(point.name.length, reading) * digit
      : (point.name.length + reading) * digit + 7
    return boxOf(`name of ${point.name}`, label.x, label.anchor, width, label.y, middle ? 2 : 1)
  })
  const tags = layout.tags.map(({ x, y, name, at }) =>
    boxOf(`tag ${name} at ${x}`, x, 'middle', name.length * digit, at === 'top' ? y - 19 : y + 27, 1),
  )
  return [...parts, ...points, ...tags]
}

function boxOf(name: string, x: number, anchor: string, width: number, baseline: number, lines: number): Box {
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2
  return {
    name,
    left,
    right: left + width,
    top: baseline - 9,
    bottom: baseline + 2 + (lines - 1) * lineHeight,
  }
}

const turned = {
  down: (x: number, y: number) => [x, y],
  left: (x: number, y: number) => [-y, x],
  right: (x: number, y: number) => [y, -x],
} as const

/** Everything that is drawn in ink: the strokes of symbols, and the lines between them. */
export function inkOf(layout: Layout): Box[] {
  const symbols = layout.parts.flatMap((placed) =>
    strokesOf(placed, { detached: false }).map(({ d, dy = 0 }): Box => {
      const [x0, y0, x1, y1] = svgPathBbox(d)
      const turn = turned[placed.direction]
      const [ax, ay] = turn(x0, y0 + dy)
      const [bx, by] = turn(x1, y1 + dy)
      return {
        name: `ink of ${placed.key}`,
        left: placed.x + Math.min(ax!, bx!),
        right: placed.x + Math.max(ax!, bx!),
        top: placed.y + Math.min(ay!, by!),
        bottom: placed.y + Math.max(ay!, by!),
      }
    }),
  )
  const lines = linesOf(layout).map(({ name, from, to }): Box => ({
    name,
    left: Math.min(from[0], to[0]),
    right: Math.max(from[0], to[0]),
    top: Math.min(from[1], to[1]),
    bottom: Math.max(from[1], to[1]),
  }))
  return [...symbols, ...lines]
}

/** The room of each part on its own axis: no other part may stand there. */
export const bodiesOf = (layout: Layout): Box[] =>
  axesOf(layout).map(({ name, from, to }) => {
    const flat = from[1] === to[1]
    const [low, high] = [Math.min(from[0], to[0]), Math.max(from[0], to[0])]
    return flat
      ? { name, left: low + 1, right: high - 1, top: from[1] - 0.5, bottom: from[1] + 0.5 }
      : { name, left: low - 10, right: low + 10, top: from[1] + 1, bottom: to[1] - 1 }
  })

/** The straight pieces of the links between columns. */
export function linesOf(layout: Layout): Line[] {
  return layout.links.flatMap(({ d, node }) => {
    const lines: Line[] = []
    let at: [number, number] = [0, 0]
    for (const [, way, rest] of d.matchAll(/([MVHh])([^MVHh]*)/g)) {
      const [p = 0, q = 0] = rest!.trim().split(/[ ,]+/).map(Number)
      const to: [number, number] =
        way === 'M' ? [p, q] : way === 'V' ? [at[0], p] : way === 'H' ? [p, at[1]] : [at[0] + p, at[1]]
      if (way !== 'M') lines.push({ name: `line ${d}`, node, from: at, to })
      at = to
    }
    return lines
  })
}

/** The straight pieces of the links, and the axes of the parts that they may run across. */
export function axesOf(layout: Layout): Line[] {
  return layout.parts.map(({ key, x, y, direction, length }) => ({
    name: `axis of ${key}`,
    node: undefined,
    from: [x, y],
    to: direction === 'down' ? [x, y + length] : [direction === 'left' ? x - length : x + length, y],
  }))
}

export const touch = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

/** Pairs of lines of different nodes that cross or run along each other; where ends only meet is no crossing. */
export function crossings(lines: readonly Line[], others: readonly Line[]): string[] {
  const found: string[] = []
  const inside = 0.5
  const range = (line: Line, axis: 0 | 1) => {
    const [p, q] = [line.from[axis], line.to[axis]].sort((a, b) => a - b) as [number, number]
    return [p + inside, q - inside] as const
  }
  for (const a of lines)
    for (const b of others) {
      if (a === b || (a.node !== undefined && a.node === b.node)) continue
      const flatA = Math.abs(a.from[1] - a.to[1]) < 0.01
      const flatB = Math.abs(b.from[1] - b.to[1]) < 0.01
      const axis = flatA ? 0 : 1
      if (flatA !== flatB) {
        const [low, high] = range(a, axis)
        const [low2, high2] = range(b, axis ? 0 : 1)
        const [at, at2] = [b.from[axis], a.from[axis ? 0 : 1]]
        if (at > low && at < high && at2 > low2 && at2 < high2) found.push(`${a.name} × ${b.name}`)
      } else if (Math.abs(a.from[axis ? 0 : 1] - b.from[axis ? 0 : 1]) < 1) {
        const [low, high] = range(a, axis)
        const [low2, high2] = range(b, axis)
        if (low < high2 && low2 < high) found.push(`${a.name} along ${b.name}`)
      }
    }
  return found
}
