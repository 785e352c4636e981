import type { Words } from '../../core/document'
import { t, tell } from '../words'
import type { Circuit } from '../../core/circuit'
import { type Wiring, walkPaths } from '../../core/model'
import { partOfKind, type AnyPart } from '../../core/parts'
import type { Detail } from './detail'
import { firstLine, labelLines, linesAt, mostLines, noticeLines } from './label'
import { layOut, type Layout, type PlacedPart, type Tag } from './layout'
import { namedPoints, pointFigure } from './scene-points'
import { strokesOf } from './strokes'

/** What stands on the drawing beside the circuit itself: readings, the state it is in, what somebody made of it. */
export interface Marks {
  /** Text beside each point, by node. */
  readonly values?: ReadonlyMap<number, string>
  /** Share of the supply at each node, 0 to 1: tints the point. */
  readonly tint?: ReadonlyMap<number, number>
  readonly lit?: string | null
  readonly controls?: Readonly<Record<string, string>>
  readonly detached?: readonly string[]
  readonly struck?: ReadonlySet<string>
  readonly ringed?: ReadonlySet<string>
  /** Parts that jaws go round or that something stands in place of, and measuring places of the harness. */
  readonly held?: ReadonlySet<string>
  /** Short names of the points where leads stand. */
  readonly red?: string
  readonly black?: string
  /** What a part shows: bright, dim, dark. */
  readonly notices?: Readonly<Record<string, { readonly key: string; readonly text: Words }>>
  /** Amps through each part, by id: shown beside it. */
  readonly amps?: Readonly<Record<string, string>>
}

/** How a stroke is drawn; what that means in ink is the renderer's affair. */
export type Ink =
  'jaws' | 'line' | 'heavy' | 'filled' | 'partial' | 'ring' | 'strike' | 'dot' | 'red' | 'black'
/** How a text is set. */
export type Face = 'tag' | 'id' | 'name' | 'minor' | 'flow' | 'out' | 'notice' | 'point' | 'value' | 'lead'

export interface Span {
  readonly text: string
  readonly face: Face
  /** Starts a line of its own here, so far below the one before. */
  readonly dy?: number
  /** Room before it on the same line. */
  readonly dx?: number
}

/** One thing to be drawn, in the drawing's units. */
export type Shape =
  | { readonly type: 'path'; readonly d: string; readonly ink: Ink; readonly transform?: string }
  | {
      readonly type: 'circle'
      readonly x: number
      readonly y: number
      readonly r: number
      readonly ink: Ink
      readonly share?: number
    }
  | (Rectangle & { readonly type: 'rect'; readonly ink: Ink })
  | {
      readonly type: 'ellipse'
      readonly x: number
      readonly y: number
      readonly rx: number
      readonly ry: number
      readonly ink: Ink
    }
  | {
      readonly type: 'text'
      readonly x: number
      readonly y: number
      readonly anchor: 'start' | 'middle' | 'end'
      readonly spans: readonly Span[]
    }

export interface Rectangle {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

interface FigureBase {
  readonly key: string
  /** All that shows of it as one word: while it stays, nothing of it has changed. */
  readonly sign: string
  readonly shapes: () => readonly Shape[]
}
export interface PartFigure extends FigureBase {
  readonly id: string
  /** What it is called, in full where its label had to be cut. */
  readonly title: string
  readonly cut: boolean
  readonly back: boolean
  readonly lit: boolean
  readonly struck: boolean
  readonly ringed: boolean
  readonly place: Pick<PlacedPart, 'x' | 'y' | 'direction' | 'length'>
  /** What can be hit with a pointer, and where marks are drawn; and its label, easier on a tablet. */
  readonly box: Rectangle
  readonly reach: Rectangle
}
export interface PointFigure extends FigureBase {
  readonly name: string
  readonly title: string
  readonly part: string
  readonly node: number
  readonly x: number
  readonly y: number
}
export interface PlaceFigure extends FigureBase {
  readonly id: string
  readonly title: string
  readonly x: number
  readonly y: number
  readonly held: boolean
}
export interface LineFigure extends FigureBase {
  readonly back: boolean
  /** Of an end that goes on elsewhere: the point at which it does. */
  readonly on?: string
  readonly x?: number
  readonly y?: number
}

/** The drawing as data: what the screen and an exported picture both show. */
export interface Scene {
  readonly width: number
  readonly height: number
  readonly tags: readonly LineFigure[]
  readonly links: readonly LineFigure[]
  readonly parts: readonly PartFigure[]
  readonly points: readonly PointFigure[]
  readonly places: readonly PlaceFigure[]
}

/** What does not change while one measures: labels, boxes, which parts lead back. */
export interface Still {
  readonly layout: Layout
  readonly returns: ReadonlyMap<number, boolean>
  readonly parts: readonly StillPart[]
  readonly places: readonly StillPlace[]
}
/** A measuring place of the harness on one of its conductors. */
interface StillPlace {
  readonly id: string
  readonly name: string
  readonly part: string
  readonly x: number
  readonly y: number
  readonly down: boolean
}
interface StillPart {
  readonly placed: PlacedPart
  readonly definition: AnyPart
  readonly title: string
  readonly lines: readonly string[]
  readonly back: boolean
  readonly box: Rectangle
  readonly reach: Rectangle
  /** Lines that may come to stand beside it. */
  readonly most: number
}

const turn = { down: 0, left: 90, right: -90 }

/** The still half of the scene; kept as long as the circuit stays. */
export function stillOf(circuit: Circuit, wiring: Wiring): Still {
  const layout = layOut(circuit, wiring)
  const returns = returnsOf(circuit)
  const pieces = piecesOfParts(layout.parts)
  const parts = new Map(circuit.parts.map((p) => [p.id, p]))
  return {
    layout,
    returns: returns.nodes,
    parts: layout.parts.map((placed) => {
      const part = parts.get(placed.id)!
      const definition = partOfKind(placed.kind)
      return {
        placed,
        definition,
        title: `${placed.id} ${part.name || tell(definition.title)}`,
        lines: numbered(labelLines(part, placed), pieces.get(placed)),
        back: returns.parts.get(placed.id) === true,
        box: boxOf(placed, definition),
        reach: reachOf(placed),
        most: mostLines(part, placed),
      }
    }),
    places: placesOf(circuit, layout.parts),
  }
}

/** What stands in three pieces and more says which of how many each is: they belong together, wherever they are drawn. */
function piecesOfParts(parts: readonly PlacedPart[]): ReadonlyMap<PlacedPart, string> {
  const byId = new Map<string, PlacedPart[]>()
  for (const placed of parts) byId.set(placed.id, [...(byId.get(placed.id) ?? []), placed])
  return new Map(
    [...byId.values()].flatMap((all) =>
      all.length < 3 ? [] : all.map((placed, i) => [placed, `${i + 1}/${all.length}`] as const),
    ),
  )
}
const numbered = (lines: string[], piece: string | undefined): string[] =>
  piece ? [`${lines[0]} ${piece}`, ...lines.slice(1)] : lines

const along = { down: [0, 1], right: [1, 0], left: [-1, 0] } as const

/** Where a hand meets each conductor of the harness’s measuring places. */
function placesOf(circuit: Circuit, parts: readonly PlacedPart[]): readonly StillPlace[] {
  const at = new Map(parts.map((placed) => [placed.id, placed]))
  return circuit.bundles
    .flatMap(({ places }) => places)
    .flatMap(({ id, name, conductors }) =>
      conductors.flatMap(({ part, at: share }) => {
        const placed = at.get(part)
        if (!placed) return []
        const [dx, dy] = along[placed.direction]
        const far = placed.length * share
        return [{ id, name, part, x: placed.x + dx * far, y: placed.y + dy * far, down: dy !== 0 }]
      }),
    )
}

/** Everything that is drawn, with the marks on it. */
export function sceneOf(still: Still, marks: Marks, detail: Detail = 'all'): Scene {
  const { layout, returns } = still
  const named = namedPoints(layout.points, detail)
  return {
    width: layout.width,
    height: layout.height,
    tags: layout.tags.map(tagFigure),
    links: layout.links.map(({ d, node }) => ({
      key: d,
      sign: d,
      back: returns.get(node) ?? false,
      shapes: () => [{ type: 'path', d, ink: 'line' }],
    })),
    parts: still.parts.map((part) => partFigure(part, marks, detail)),
    points: layout.points.map((placed) => pointFigure(placed, marks, named.has(placed) ? detail : 'ids')),
    places: still.places.map((place) => placeFigure(place, marks, detail)),
  }
}

/** A stroke across the conductor, and the place’s short name; jaws where they are held. */
function placeFigure({ id, name, part, x, y, down }: StillPlace, marks: Marks, detail: Detail): PlaceFigure {
  const held = marks.held?.has(id) ?? false
  return {
    key: `${id} ${part}`,
    id,
    title: t('ui.schematic.measuringPlace', { id, name: name ? ` ${name}` : '', part }),
    sign: `${id} ${x} ${y} ${held} ${detail}`,
    x,
    y,
    held,
    shapes: () => [
      { type: 'path', d: down ? `M${x - 6} ${y}H${x + 6}` : `M${x} ${y - 6}V${y + 6}`, ink: 'line' },
      ...(held ? [{ type: 'path', d: jawsAt(x, y), ink: 'jaws' } as const] : []),
      {
        type: 'text',
        x: down ? x + 10 : x,
        // Along a rail the wire’s own label stands above.
        y: down ? y + 4 : y + 19,
        anchor: down ? 'start' : 'middle',
        spans: detail === 'ids' && !held ? [] : [{ text: id, face: 'point' }],
      },
    ],
  }
}

/** Two jaws round a middle, open on one side. */
const jawsAt = (x: number, y: number): string =>
  `M${x + 4} ${y - 9}A10 10 0 1 0 ${x + 4} ${y + 9}M${x + 4} ${y - 9}l5 3M${x + 4} ${y + 9}l5 -3`

function tagFigure({ x, y, name, at }: Tag): LineFigure {
  const d =
    at === 'top'
      ? `M${x} ${y - 14}V${y}M${x - 4} ${y - 8}L${x} ${y - 1}L${x + 4} ${y - 8}`
      : `M${x} ${y}V${y + 12}M${x - 4} ${y + 6}L${x} ${y + 13}L${x + 4} ${y + 6}`
  return {
    key: `${at}${x} ${y}`,
    sign: name,
    back: false,
    on: name,
    x,
    y,
    shapes: () => [
      { type: 'path', d, ink: 'line' },
      {
        type: 'text',
        x,
        y: at === 'top' ? y - 19 : y + 27,
        anchor: 'middle',
        spans: [{ text: name, face: 'tag' }],
      },
    ],
  }
}

function partFigure(still: StillPart, marks: Marks, detail: Detail): PartFigure {
  const { placed, definition, lines, back, box, reach, most, title } = still
  const detached = marks.detached?.includes(placed.id) ?? false
  const notice = marks.notices?.[placed.id]
  const known = definition.notice?.all.find((n) => n.key === notice?.key)
  const position = marks.controls?.[placed.id] ?? definition.positions?.[0]
  const closed = position !== undefined && placed.closes.includes(position)
  const pulled = known?.pulled ?? false
  const struck = marks.struck?.has(placed.id) ?? false
  const ringed = marks.ringed?.has(placed.id) ?? false
  const held = marks.held?.has(placed.id) ?? false
  const wire = definition.cable?.byTheMetre === true
  // Along the rails it is the same amps, and no room for them.
  const flow =
    placed.direction === 'down' && definition.role !== 'source' && detail !== 'ids'
      ? marks.amps?.[placed.id]
      : undefined
  // What is out has no values to look at: its word takes their line.
  const off = detached ? (definition.detach ? tell(definition.detach.done) : '') : ''
  const written = linesAt(lines, placed, detail, wire)
  const shown = detached ? written.slice(0, 2) : written
  const spoken = notice ? noticeAt(notice.text, placed, detail) : []
  // At less than full detail a label is as high as what is written: in the middle of its part.
  const count = detail === 'all' ? most : shown.length + (off ? 1 : 0) + spoken.length
  const top = firstLine(placed, count, detail)
  const transform = `translate(${placed.x} ${placed.y}) rotate(${turn[placed.direction]})`
  return {
    key: placed.key,
    id: placed.id,
    title,
    cut: lines.some((line) => line.endsWith('…')),
    back,
    lit: marks.lit === placed.id,
    struck,
    ringed,
    place: placed,
    box,
    reach,
    sign: `${detail} ${lines.join('|')} ${back} ${detached} ${notice?.key} ${flow} ${position} ${pulled} ${struck} ${ringed} ${held}`,
    shapes: () => [
      ...strokesOf(placed, { pulled, closed, detached }).map(({ d, dy, filled, heavy, partial }): Shape => ({
        type: 'path',
        d,
        ink: filled ? 'filled' : heavy ? 'heavy' : partial && placed.caption ? 'partial' : 'line',
        transform: dy ? `${transform} translate(0 ${dy})` : transform,
      })),
      ...(held
        ? [{ type: 'path', d: jawsAt(box.x + box.width / 2, box.y + box.height / 2), ink: 'jaws' } as const]
        : []),
      ...(ringed ? [ringRound(placed, box)] : []),
      ...(struck ? [{ type: 'path', d: strikeOf(box), ink: 'strike' } as const] : []),
      {
        type: 'text',
        x: placed.label.x,
        y: top,
        anchor: placed.label.anchor,
        spans: [
          ...shown.map((text, i): Span => {
            const face = wire || i > 1 ? 'minor' : i === 0 ? 'id' : 'name'
            return i ? { text, face, dy: 15 } : { text, face }
          }),
          ...(flow ? [{ text: `→ ${flow}`, face: 'flow', dx: 4 } as const] : []),
          ...(off ? [{ text: off, face: 'out', dy: 15 } as const] : []),
          ...spoken.map((text): Span => ({ text, face: 'notice', dy: 15 })),
        ],
      },
    ],
  }
}

/** What somebody notices of a part: all of it, or its first words. */
function noticeAt(text: Words, { direction }: PlacedPart, detail: Detail): readonly string[] {
  const lines = noticeLines(tell(text))
  if (detail === 'all') return lines
  return direction === 'down' ? lines.slice(0, 1).map((line) => line.replace(/[,:;]$/, ' …')) : []
}

/** What carries current back, parts and lines: drawn in another ink and weight than what feeds. */
function returnsOf(circuit: Circuit) {
  const parts = new Map<string, boolean>()
  const nodes = new Map<number, boolean>()
  const see = <K>(seen: Map<K, boolean>, key: K, back: boolean) =>
    seen.set(key, (seen.get(key) ?? true) && back)
  for (const { strides } of walkPaths(circuit))
    for (const { part, side, to } of strides) {
      see(parts, part, side === 'return')
      see(nodes, to.node, side !== 'feed')
    }
  return { parts, nodes }
}

function boxOf({ x, y, direction, length }: PlacedPart, { cable }: AnyPart): Rectangle {
  const inset = Math.min(6, length * 0.12)
  // Round a wire it stays clear of the names of its ends; its label can be hit as well.
  const half = cable?.byTheMetre ? 10 : 20
  if (direction === 'down') return { x: x - half, y: y + inset, width: 2 * half, height: length - 2 * inset }
  return {
    x: (direction === 'left' ? x - length : x) + inset,
    y: y - 15,
    width: length - 2 * inset,
    height: 30,
  }
}

function reachOf({ x, y, direction, length, label }: PlacedPart): Rectangle {
  if (direction === 'down') return { x: x - 150, y, width: 150, height: length }
  return {
    x: label.x - length / 2,
    y: Math.min(label.y - 12, y),
    width: length,
    height: Math.abs(label.y - y) + 30,
  }
}

function ringRound({ direction }: PlacedPart, { x, y, width, height }: Rectangle): Shape {
  const down = direction === 'down'
  return {
    type: 'ellipse',
    x: x + width / 2,
    y: y + height / 2,
    rx: down ? 24 : width / 2,
    ry: down ? height / 2 + 2 : 15,
    ink: 'ring',
  }
}

/** A short stroke across the middle, clear of the names beside it. */
function strikeOf({ x, y, width, height }: Rectangle): string {
  const cx = x + width / 2
  const cy = y + height / 2
  return `M${cx - 15} ${cy + 9}L${cx + 15} ${cy - 9}`
}
