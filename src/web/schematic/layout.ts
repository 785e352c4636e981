import { wireUp, type Circuit, type CircuitPath, type Point, type Wiring } from '../../core/circuit'
import { partOfKind } from '../../core/parts'
import { symbolOf } from './symbols'

export type Direction = 'down' | 'left' | 'right'

/** A part as it is drawn: its axis starts at (x, y) and runs in `direction` for `length`. */
export interface PlacedPart {
  readonly id: string
  readonly kind: string
  readonly x: number
  readonly y: number
  readonly direction: Direction
  readonly length: number
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

export interface Layout {
  readonly width: number
  readonly height: number
  readonly parts: readonly PlacedPart[]
  readonly points: readonly PlacedPoint[]
  readonly links: readonly Link[]
}

/** Drawing units, about CSS pixels at full size. */
const batteryX = 148
const columnX = 402
const columnStep = 272
/** Between where a branch leaves the column and its first part. */
const branchDrop = 26
const top = 46
const pointGap = 19
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
  const kinds = new Map(circuit.parts.map((part) => [part.id, part.kind]))
  const pointAt = new Map(wiring.points.map((point) => [point.node, point]))
  const parts: PlacedPart[] = []
  const points = new Map<number, PlacedPoint>()
  const links: Link[] = []

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
    const keys = definition.terminals.map((t) => t.key)
    const reversed = enter !== undefined && leave !== undefined && keys.indexOf(enter) > keys.indexOf(leave)
    const symbol = symbolOf(definition.kind)
    const vertical = direction === 'down'
    const label = vertical
      ? { x: x - labelGap, y: y + length / 2 + 4, anchor: 'end' as const, below: false }
      : direction === 'right'
        ? { x: x + length / 2, y: y - 16, anchor: 'middle' as const, below: false }
        : { x: x - length / 2, y: y + 34, anchor: 'middle' as const, below: true }
    parts.push({ id, kind: definition.kind, x, y, direction, length, label })
    keys.forEach((key, i) => {
      const share = symbol.terminals[i] ?? i / (keys.length - 1)
      const along = (reversed ? 1 - share : share) * length
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

  const [first, ...others] = circuit.paths
  let bottom = first ? placeLoop(first) : top
  others.forEach((path, i) => (bottom = Math.max(bottom, placeBranch(path, columnX + columnStep * (i + 1)))))

  /** The main path: up and over from the battery, down the column, back along the bottom. */
  function placeLoop(path: CircuitPath): number {
    const steps = path.steps
    const kindAt = (i: number) => kinds.get(steps[i]!.part)
    let head = 0
    while (head < steps.length && kindAt(head) === 'wire') head++
    let tail = steps.length
    while (tail > head && ['chassis', 'strap', 'wire'].includes(kindAt(tail - 1)!)) tail--
    const source = path.from.split('.')[0]!
    const column = steps.slice(head, tail)
    let y = top
    stretched(column).forEach((length, i) => {
      const { part, enter, leave } = column[i]!
      place(part, columnX, y, 'down', length, enter, leave)
      y += length
    })
    const end = Math.max(y + railGap, top + 240)
    const battery = symbolOf(kinds.get(source)!)
    const batteryTop = (top + end - battery.length) / 2
    place(source, batteryX, batteryTop, 'down', battery.length)
    const span = columnX - batteryX
    steps
      .slice(0, head)
      .forEach(({ part }, i) => place(part, batteryX + (span / head) * i, top, 'right', span / head))
    const rail = steps.slice(tail)
    const wanted = rail.reduce((sum, { part }) => sum + symbolOf(kinds.get(part)!).length, 0)
    let railX = columnX
    for (const { part, enter, leave } of rail) {
      const length = (span * symbolOf(kinds.get(part)!).length) / wanted
      place(part, railX, end, 'left', length, enter, leave)
      railX -= length
    }
    // The corners: battery to both rails, and the column's foot to the bottom one.
    const plus = wiring.nodeOf(source, 'p')
    const minus = wiring.nodeOf(source, 'n')
    const endNode = column.length ? points.get(nodeAfter(column[column.length - 1]!))!.point.node : plus
    links.push({ node: plus, d: `M${batteryX} ${batteryTop}V${top}${head ? '' : `H${columnX}`}` })
    links.push({
      node: minus,
      d: `M${batteryX} ${batteryTop + battery.length}V${end}${rail.length ? '' : `H${columnX}`}`,
    })
    if (y < end) links.push({ node: endNode, d: `M${columnX} ${y}V${end}` })
    return end
  }

  /**
   * Lengths of the column's parts. Where a branch comes back, the wire before that place grows until the branch
   * beside it has room, so that both ends of a branch run straight across.
   */
  function stretched(column: CircuitPath['steps']): number[] {
    const lengths = column.map(({ part }) => lengthOf(part))
    const enters = column.map(({ part, enter }) =>
      wiring.nodeOf(part, enter ?? partOfKind(kinds.get(part)!).through[0]),
    )
    for (const branch of others) {
      const [from, to] = [branch.from, branch.to].map((end) => enters.indexOf(nodeOfEnd(end)))
      if (from === undefined || to === undefined || from < 0 || to <= from) continue
      const have = lengths.slice(from, to).reduce((sum, l) => sum + l, 0)
      const want = branchDrop + branch.steps.reduce((sum, { part }) => sum + lengthOf(part), 0)
      lengths[to - 1]! += Math.max(0, want - have)
    }
    return lengths
  }

  function nodeOfEnd(end: string): number {
    const [part, key] = end.split('.') as [string, string]
    return wiring.nodeOf(part, key)
  }

  /** A further path: a column of its own, tied to where it branches off and where it comes back. */
  function placeBranch(path: CircuitPath, x: number): number {
    const start = points.get(nodeOfEnd(path.from))
    const begin = (start?.y ?? top) + branchDrop
    let y = begin
    for (const { part, enter, leave } of path.steps) {
      const length = lengthOf(part)
      place(part, x, y, 'down', length, enter, leave)
      y += length
    }
    if (start) links.push({ node: start.point.node, d: `M${start.x} ${start.y}H${x}V${begin}` })
    const end = points.get(nodeOfEnd(path.to))
    for (const tied of [start, end]) if (tied) liftLabel(tied)
    if (end && end.x !== x) {
      // A branch longer than the way beside it comes back up in a lane of its own.
      const lane = y > end.y ? `H${x - labelGap / 2 - 16}` : ''
      links.push({ node: end.point.node, d: `M${x} ${y}${lane}V${end.y}H${end.x}` })
    }
    return Math.max(y, end?.y ?? y)
  }

  /** A line leaves this point sideways: its name stands on that line instead of across it. */
  function liftLabel(placed: PlacedPoint): void {
    if (placed.label.anchor !== 'start') return
    points.set(placed.point.node, { ...placed, label: { ...placed.label, y: placed.y - 5 } })
  }

  function lengthOf(id: string): number {
    const kind = kinds.get(id)!
    const wanted = symbolOf(kind).length
    // Room for the names of all points on the way.
    return Math.max(wanted, (partOfKind(kind).terminals.length - 1) * pointGap)
  }

  function nodeAfter({ part, leave }: { part: string; leave?: string | undefined }): number {
    return wiring.nodeOf(part, leave ?? partOfKind(kinds.get(part)!).through[1])
  }

  return {
    width: columnX + columnStep * others.length + 132,
    height: bottom + 76,
    parts,
    points: [...points.values()],
    links,
  }
}
