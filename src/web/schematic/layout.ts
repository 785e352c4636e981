import type { Words } from '../../core/document'
import { wireUp, type Point, type Wiring } from '../../core/model'
import { type Circuit, type CircuitPath, partIn, refOf, splitRef, type TerminalRef } from '../../core/circuit'
import { partOfKind, routeThrough, type AnyPart, type Route } from '../../core/parts'
import { noticeRoom } from './label'
import { passSymbol, type PassSymbol } from './passes'
import { symbolOf } from './symbols'

export type Direction = 'down' | 'left' | 'right'

/** A part as it is drawn: its axis starts at (x, y) and runs in `direction` for `length`. */
export interface PlacedPart {
  /** One per pass: a relay is drawn once for its coil and once for its contacts. */
  readonly key: string
  readonly id: string
  /** Which symbol is drawn, and which piece of the part that is, where it is drawn more than once. */
  readonly symbol: string
  readonly caption: Words | ''
  /** Positions in which it is drawn closed. */
  readonly closes: readonly string[]
  readonly kind: string
  readonly x: number
  readonly y: number
  readonly direction: Direction
  readonly length: number
  /** Of the length, what is lead to a place before the symbol, and behind it. */
  readonly before: number
  readonly after: number
  /** `below`: lines go down from (x, y); otherwise they are centred on it, or stand on it above a rail. */
  readonly label: {
    readonly x: number
    readonly y: number
    readonly anchor: 'start' | 'middle' | 'end'
    readonly below: boolean
  }
}

export interface PlacedPoint {
  readonly point: Point
  readonly x: number
  readonly y: number
  readonly label: { readonly x: number; readonly y: number; readonly anchor: 'start' | 'middle' | 'end' }
}

export interface Link {
  readonly node: number
  readonly d: string
}

/** Where a column begins or ends at a point that is drawn elsewhere: its name stands for the line. */
export interface Tag {
  readonly x: number
  readonly y: number
  readonly name: string
  readonly node: number
  readonly at: 'top' | 'foot'
}

export interface Layout {
  readonly tags: readonly Tag[]
  readonly width: number
  readonly height: number
  readonly parts: readonly PlacedPart[]
  readonly points: readonly PlacedPoint[]
  readonly links: readonly Link[]
}

/** Drawing units, about CSS pixels at full size. */
const batteryX = 156
/** Where the first column stands, unless its rails need more. */
const leastX = 460
const columnStep = 324
/** A column that stands alone stands farther away: panes are wider than it is high. */
const loneSpread = 160
/** A stretch of rail, wide enough for the names above and below it. */
const railStretch = 120
const headStretch = 132
/** Above and below a column, for the name of a point that is drawn elsewhere. */
const tagRoom = 34
/** Between where a branch leaves the column and its first part. */
const branchDrop = 26
const top = 46
const pointGap = 19
/** From a place before a symbol to the symbol. */
const leadLength = 24
/** A label of as many lines, and room to the next. */
const labelRoom = (lines: number) => 12 + 15 * lines
/** Clearance between the foot of the column and the ground rail, for the last part's own label. */
const railGap = 30
/** Room beside a column for a lead's flag, before the part's name. */
const labelGap = 42

const step = { down: [0, 1], left: [-1, 0], right: [1, 0] } as const

/**
 * Lays a circuit out from its paths alone: the battery on the left, supply along the top, each path a column in
 * which current flows down, ground along the bottom. Nothing is stored; the same circuit always looks the same.
 */
export function layOut(circuit: Circuit, wiring: Wiring = wireUp(circuit)): Layout {
  const known = kept.get(wiring)
  if (known) return known
  const layout = arrange(circuit, wiring)
  kept.set(wiring, layout)
  return layout
}

/** Layouts hang on the wiring alone: a value that is changed moves nothing, and costs nothing. */
const kept = new WeakMap<Wiring, Layout>()

function arrange(circuit: Circuit, wiring: Wiring): Layout {
  const kinds = new Map(circuit.parts.map((part) => [part.id, part.kind]))
  const pointAt = new Map(wiring.points.map((point) => [point.node, point]))
  const parts: PlacedPart[] = []
  const points = new Map<number, PlacedPoint>()
  const links: Link[] = []
  const tags: Tag[] = []

  const place = (
    id: string,
    x: number,
    y: number,
    direction: Direction,
    length: number,
    enter?: string,
    leave?: string,
  ) => {
    const definition = partOfKind(kinds.get(id)!)
    const all = definition.terminals.map((t) => t.key)
    const whole = routeThrough(definition, enter, leave)
    const pass = passSymbol(definition, whole)
    // A part of one piece shows all its terminals; of many pieces, those of this pass that a lead can reach.
    const keys = pass
      ? whole.terminals.filter((key) => !definition.terminals.find((t) => t.key === key)!.inside)
      : all.filter((key) => !definition.terminals.find((t) => t.key === key)!.inside)
    const reversed =
      !pass && enter !== undefined && leave !== undefined && all.indexOf(enter) > all.indexOf(leave)
    const symbol = symbolOf(pass?.symbol ?? definition.symbol)
    const { before, after } = leadsOf(definition, whole, pass)
    const vertical = direction === 'down'
    const label = vertical
      ? { x: x - labelGap, y: y + length / 2 + 4, anchor: 'end' as const, below: false }
      : direction === 'right'
        ? { x: x + length / 2, y: y - 16, anchor: 'middle' as const, below: false }
        : // A wire between two bolted parts stands a step lower: its line is wider than its stretch of rail.
          {
            x: x - length / 2,
            y: y + (definition.cable?.byTheMetre ? 80 : 34),
            anchor: 'middle' as const,
            below: true,
          }
    parts.push({
      key: `${id}:${parts.length}`,
      id,
      kind: definition.kind,
      symbol: pass?.symbol ?? definition.symbol,
      closes: pass?.closes ?? definition.closes ?? [],
      caption: pass?.caption ?? '',
      x,
      y,
      direction,
      length,
      before,
      after,
      label,
    })
    keys.forEach((key, i) => {
      const share = pass ? 0 : (symbol.terminals[i] ?? i / (keys.length - 1))
      const along = pass
        ? alongPass(whole.terminals, key, pass.piece, { length, before, after })
        : (reversed ? 1 - share : share) * length
      const node = wiring.nodeOf(id, key)
      if (points.has(node)) return
      const px = x + step[direction][0] * along
      const py = y + step[direction][1] * along
      points.set(node, {
        point: pointAt.get(node)!,
        x: px,
        y: py,
        label: vertical
          ? { x: px + 13, y: py + 4, anchor: 'start' }
          : direction === 'right'
            ? { x: px, y: py + 22, anchor: 'middle' }
            : { x: px, y: py - 26, anchor: 'middle' },
      })
    })
  }

  // The loop is the first path that begins at a source; without one the source stands by itself, and all else beside it.
  const isSource = (id: string | undefined) => partOfKind(kinds.get(id ?? '')!).role === 'source'
  const begins = circuit.paths.filter((p) => isSource(partIn(p.from)))
  const loop = begins.find((p) => p.to === refOf(partIn(p.from), 'n')) ?? begins[0]
  const alone = circuit.parts.find((p) => isSource(p.id))
  const others = circuit.paths.filter((p) => p !== loop)
  // By the number of paths alone: a part that is put in moves nothing before it.
  const apart = circuit.paths.length === 1 ? loneSpread : 0
  let columnX = leastX + apart
  let bottom = top
  if (loop) bottom = placeLoop(loop)
  else if (alone)
    bottom = placeLoop({ id: '', name: '', from: `${alone.id}.p`, to: `${alone.id}.n`, steps: [] })
  // Columns stand side by side as far as a page goes, then in a further row; three fit into any pane.
  const { length: paths } = circuit.paths
  const perRow = paths <= 3 ? Math.max(2, paths) : Math.ceil(Math.sqrt(paths * 1.3))
  let column = 1
  let rowTop = top - 20
  let rowFoot = bottom + 60
  for (const path of others) {
    if (column === perRow) {
      column = 0
      rowTop = rowFoot
    }
    const foot = placeBranch(path, columnX + columnStep * column, rowTop)
    bottom = Math.max(bottom, foot)
    rowFoot = Math.max(rowFoot, foot + 60)
    column++
  }

  /** The main path: up and over from the battery, down the column, back along the bottom. */
  function placeLoop(path: CircuitPath): number {
    const steps = path.steps
    const at = (i: number) => partOfKind(kinds.get(steps[i]!.part)!)
    const metal = ({ role, cable, ground }: AnyPart) =>
      role === 'conductor' && (cable !== undefined || ground !== undefined)
    let head = 0
    while (head < steps.length && at(head).cable?.byTheMetre) head++
    let tail = steps.length
    const comesHome = nodeOfEnd(path.to) === wiring.nodeOf(partIn(path.from), 'n')
    while (comesHome && tail > head && metal(at(tail - 1))) tail--
    const source = partIn(path.from)
    const column = steps.slice(head, tail)
    const rail = steps.slice(tail)
    const stretch = (part: string) =>
      Math.max(railStretch, symbolOf(partOfKind(kinds.get(part)!).symbol).length)
    const wanted = rail.reduce((sum, { part }) => sum + stretch(part), 0)
    columnX = Math.max(leastX + apart, batteryX + Math.max(wanted, head * headStretch))
    let y = top
    stretched(column).forEach((length, i) => {
      const { part, enter, leave } = column[i]!
      place(part, columnX, y, 'down', length, enter, leave)
      y += length
    })
    const end = Math.max(y + railGap, top + 240)
    const battery = symbolOf(partOfKind(kinds.get(source)!).symbol)
    const batteryTop = (top + end - battery.length) / 2
    place(source, batteryX, batteryTop, 'down', battery.length)
    const span = columnX - batteryX
    steps
      .slice(0, head)
      .forEach(({ part }, i) => place(part, batteryX + (span / head) * i, top, 'right', span / head))
    let railX = columnX
    for (const { part, enter, leave } of rail) {
      const length = (span * stretch(part)) / wanted
      place(part, railX, end, 'left', length, enter, leave)
      railX -= length
    }
    // The corners: battery to both rails, and the column's foot to the bottom one.
    const plus = wiring.nodeOf(source, 'p')
    const minus = wiring.nodeOf(source, 'n')
    const endNode = column.length ? points.get(nodeAfter(column[column.length - 1]!))!.point.node : plus
    const waiting = steps.length === 0
    const across = waiting ? 'h60' : `H${columnX}`
    links.push({ node: plus, d: `M${batteryX} ${batteryTop}V${top}${head ? '' : across}` })
    const foot0 = batteryTop + battery.length
    if (waiting || comesHome)
      links.push({ node: minus, d: `M${batteryX} ${foot0}V${end}${rail.length ? '' : across}` })
    // Nothing on this path comes back to it: its name says where others do.
    else tags.push({ x: batteryX, y: foot0, name: pointAt.get(minus)?.name ?? '', node: minus, at: 'foot' })
    if (waiting || comesHome) {
      if (y < end && !waiting) links.push({ node: endNode, d: `M${columnX} ${y}V${end}` })
      return end
    }
    // It does not come back to the battery by itself: its foot is tied by name to where it goes.
    const foot = nodeOfEnd(path.to)
    tags.push({ x: columnX, y, name: pointAt.get(foot)?.name ?? path.to, node: foot, at: 'foot' })
    return Math.max(end, y + tagRoom)
  }

  /**
   * Lengths of the column's parts. Where a branch comes back, the wire before that place grows until the branch
   * beside it has room, so that both ends of a branch run straight across.
   */
  function stretched(column: CircuitPath['steps']): number[] {
    const lengths = column.map(lengthOf)
    const enters = column.map(({ part, enter }) =>
      wiring.nodeOf(part, enter ?? partOfKind(kinds.get(part)!).through[0]),
    )
    for (const branch of others.slice(0, 1)) {
      const [from, to] = [branch.from, branch.to].map((end) => enters.indexOf(nodeOfEnd(end)))
      if (from === undefined || to === undefined || from < 0 || to <= from) continue
      const have = lengths.slice(from, to).reduce((sum, l) => sum + l, 0)
      const want = branchDrop + branch.steps.reduce((sum, one) => sum + lengthOf(one), 0)
      lengths[to - 1]! += Math.max(0, want - have)
    }
    return lengths
  }

  function nodeOfEnd(end: TerminalRef): number {
    const [part, key] = splitRef(end)
    return wiring.nodeOf(part, key)
  }

  /** A further path: a column of its own, tied to the column beside it by lines, and to all else by name. */
  function placeBranch(path: CircuitPath, x: number, fresh: number): number {
    const start = points.get(nodeOfEnd(path.from))
    const left = x - columnStep
    const beside = (placed: PlacedPoint | undefined): placed is PlacedPoint =>
      placed !== undefined && placed.x === left && placed.y >= fresh
    const lineIn = beside(start)
    const begin = lineIn ? start.y + branchDrop : fresh + tagRoom
    let y = begin
    for (const one of path.steps) {
      const length = lengthOf(one)
      place(one.part, x, y, 'down', length, one.enter, one.leave)
      y += length
    }
    const first = nodeOfEnd(path.from)
    if (lineIn) {
      links.push({ node: first, d: `M${start.x} ${start.y}H${x}V${begin}` })
      liftLabel(start)
    } else {
      tags.push({ x, y: begin, name: pointAt.get(first)?.name ?? path.from, node: first, at: 'top' })
      pointAtEnd(first, x, begin)
    }
    const last = nodeOfEnd(path.to)
    const end = points.get(last)
    if (end && end.x === x && Math.abs(end.y - y) < 1) return y + tagRoom
    // A branch that is longer than the way beside it would have to come back up through names: it is tied by name.
    if (beside(end) && end.y >= y) {
      liftLabel(end)
      links.push({ node: last, d: `M${x} ${y}V${end.y}H${end.x}` })
      return end.y
    }
    tags.push({ x, y, name: pointAt.get(last)?.name ?? path.to, node: last, at: 'foot' })
    pointAtEnd(last, x, y)
    return y + tagRoom
  }

  /** A point that nothing else has placed yet stands where the column meets it. */
  function pointAtEnd(node: number, x: number, y: number): void {
    const point = pointAt.get(node)
    if (!point || point.inside || points.has(node)) return
    points.set(node, { point, x, y, label: { x: x + 13, y: y + 4, anchor: 'start' } })
  }

  /** A line leaves this point sideways: its name stands on that line instead of across it. */
  function liftLabel(placed: PlacedPoint): void {
    if (placed.label.anchor !== 'start') return
    points.set(placed.point.node, { ...placed, label: { ...placed.label, y: placed.y - 5 } })
  }

  function lengthOf({ part, enter, leave }: CircuitPath['steps'][number]): number {
    const definition = partOfKind(kinds.get(part)!)
    const route = routeThrough(definition, enter, leave)
    const pass = passSymbol(definition, route)
    const wanted = symbolOf(pass?.symbol ?? definition.symbol).length
    // Room for all lines beside it, with what it may come to say of itself.
    const spoken = definition.cable?.byTheMetre ? 0 : labelRoom(3 + noticeRoom(definition.kind))
    if (pass) return Math.max(wanted, spoken)
    const shown = definition.terminals.filter((t) => !t.inside).length
    // Room for the names of all points on the way.
    return Math.max(wanted, spoken, (shown - 1) * pointGap)
  }

  function nodeAfter({ part, leave }: { part: string; leave?: string | undefined }): number {
    return wiring.nodeOf(part, leave ?? partOfKind(kinds.get(part)!).through[1])
  }

  return {
    width: columnX + columnStep * Math.min(others.length, perRow - 1) + 132,
    height: bottom + 92,
    tags,
    parts,
    points: [...points.values()],
    links,
  }
}

/** Leads to the places that a pass shows before and behind the piece that its symbol stands for. */
function leadsOf(definition: AnyPart, { terminals }: Route, pass: PassSymbol | undefined) {
  if (pass?.piece === undefined) return { before: 0, after: 0 }
  const shown = terminals.map((key) => !definition.terminals.find((t) => t.key === key)!.inside)
  const [head, foot] = [pass.piece, pass.piece + 1]
  return {
    before: shown[head] ? shown.slice(0, head).filter(Boolean).length * leadLength : 0,
    after: shown[foot] ? shown.slice(foot + 1).filter(Boolean).length * leadLength : 0,
  }
}

/** How far along a pass one of its places stands: on the leads, or at even steps where there are none. */
function alongPass(
  way: readonly string[],
  key: string,
  piece: number | undefined,
  { length, before, after }: Pick<PlacedPart, 'length' | 'before' | 'after'>,
): number {
  const at = way.indexOf(key)
  if (piece === undefined || (!before && !after)) return (length * at) / Math.max(1, way.length - 1)
  if (at <= piece) return piece ? (before * at) / piece : 0
  const behind = way.length - 2 - piece
  return length - (behind ? (after * (way.length - 1 - at)) / behind : 0)
}
