import { type Words } from '../document'
import { cached } from '../cache'
import { firstSource, partIn, refOf, type Circuit, type Part } from '../circuit'
import { partOfKind, routeThrough, type AnyPart, type Role } from '../parts'
import { cavitiesOf } from './cavities'

/** A place where a lead can go. */
export interface Point {
  readonly node: number
  /** Short name that is typed: `F1b`. */
  readonly name: string
  /** What it is: “holder, load side”. */
  readonly title: Words
  readonly part: string
  readonly terminal: string
  /** Inside a housing, where no lead can go. */
  readonly inside: boolean
  /** Other short names of the same place, such as the wire end that meets it. */
  readonly aliases: readonly string[]
}

export interface Wiring {
  /** Nodes, the reference (0, the first battery's negative post) included. */
  readonly count: number
  /** @throws Error where the circuit has no such terminal */
  readonly nodeOf: (part: string, terminal: string) => number
  /** One per node, in the order in which the paths meet them. */
  readonly points: readonly Point[]
  /** Point of any of its names, where it lies in a plug among them, upper or lower case; undefined where no lead reaches. */
  readonly find: (name: string) => Point | undefined
}

type Kinds = ReadonlyMap<string, AnyPart>

/** A joint is called after the piece that a probe would touch: a terminal before a wire's end. */
const rank: Readonly<Record<Role, number>> = {
  source: 0,
  protection: 1,
  control: 1,
  load: 1,
  connection: 1,
  conductor: 2,
}

/** All that the wiring takes from the parts: which there are, and what their terminals are called. */
function wiringNames(circuit: Circuit): string {
  return circuit.parts
    .map(({ id, kind, parameters }) => {
      const { suffixes, faces, absent } = partOfKind(kind)
      const named = [suffixes, faces, faces && absent].flatMap((of) => (of ? [of(parameters)] : []))
      return named.length ? `${id} ${kind} ${JSON.stringify(named)}` : `${id} ${kind}`
    })
    .join()
}

/**
 * Nodes and probe points of a circuit. Paths say which terminals meet; nothing else is stored, so a part
 * that is taken out leaves no half-connection behind. A value that is changed wires nothing anew.
 */
export const wiringOf = cached({ owner: (circuit: Circuit) => circuit.paths, key: wiringNames }, makeWiring)

function makeWiring(circuit: Circuit): Wiring {
  const index = new Map<string, number>()
  const all: { part: string; terminal: string }[] = []
  for (const part of circuit.parts) {
    for (const { key } of partOfKind(part.kind).terminals) {
      index.set(refOf(part.id, key), all.length)
      all.push({ part: part.id, terminal: key })
    }
  }
  const parent = all.map((_, i) => i)
  const root = (i: number): number => (parent[i] === i ? i : (parent[i] = root(parent[i]!)))
  const join = (a: string, b: string) => {
    const i = index.get(a)
    const j = index.get(b)
    if (i !== undefined && j !== undefined) parent[root(i)] = root(j)
  }
  const kindOf: Kinds = new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))
  const met: string[] = []
  for (const path of circuit.paths) {
    let last = path.from
    const source = sourceOf(kindOf, path.from)
    if (source) met.push(refOf(source, 'pos'))
    met.push(last)
    for (const step of path.steps) {
      const definition = kindOf.get(step.part)
      if (!definition) continue
      const { terminals } = routeThrough(definition, step.enter, step.leave)
      join(last, refOf(step.part, terminals[0]!))
      met.push(...terminals.map((key) => refOf(step.part, key)))
      last = refOf(step.part, terminals[terminals.length - 1]!)
    }
    if (path.steps.length) join(last, path.to)
    met.push(path.to)
    const sink = sourceOf(kindOf, path.to)
    if (sink) met.push(refOf(sink, 'neg'))
  }

  const source = firstSource(circuit.parts)
  const number = new Map<number, number>()
  const numberOf = (i: number) => {
    const r = root(i)
    const known = number.get(r)
    if (known !== undefined) return known
    number.set(r, number.size)
    return number.size - 1
  }
  if (source) numberOf(index.get(refOf(source.id, 'neg'))!)
  all.forEach((_, i) => numberOf(i))

  const partsById = new Map(circuit.parts.map((part) => [part.id, part]))
  const members = Array.from({ length: number.size }, (): number[] => [])
  all.forEach((_, i) => members[numberOf(i)]!.push(i))
  const place = new Map(met.map((name, i) => [name, met.length - i] as const).reverse())
  const early = (i: number) => -(place.get(refOf(all[i]!.part, all[i]!.terminal)) ?? 0)
  const points = members.map((list, node): Point => {
    const named = list
      .map((i) => ({ i, ...describe(partsById.get(all[i]!.part)!, all[i]!.terminal) }))
      .sort((p, q) => p.rank - q.rank || early(p.i) - early(q.i))
    const first = named[0]!
    return {
      node,
      name: first.name,
      title: first.title,
      part: all[first.i]!.part,
      terminal: all[first.i]!.terminal,
      aliases: named.slice(1).map((n) => n.name),
      inside: named.every((n) => n.inside),
    }
  })
  const order = new Map(points.map((point) => [point.node, Math.min(...members[point.node]!.map(early))]))
  const sorted = [...points].sort((p, q) => order.get(p.node)! - order.get(q.node)!)
  const byName = new Map<string, Point>()
  for (const point of sorted) {
    if (point.inside) continue
    for (const name of [point.name, ...point.aliases]) byName.set(fold(name), point)
  }
  const byNode = new Map(sorted.map((point) => [point.node, point]))
  for (const part of circuit.parts)
    for (const { terminal, name } of cavitiesOf(part)) {
      const point = byNode.get(numberOf(index.get(refOf(part.id, terminal))!))
      if (point && !point.inside) byName.set(fold(name), point)
    }
  return {
    count: number.size,
    /** @throws Error where the circuit has no such terminal */
    nodeOf: (part, terminal) => {
      const i = index.get(refOf(part, terminal))
      if (i === undefined) throw new Error(`no terminal ${part}.${terminal}`)
      return numberOf(i)
    },
    points: sorted,
    // `W3.b` as documents write it is the same as `W3b`.
    find: (name) => byName.get(fold(name)) ?? byName.get(fold(name.replace('.', ''))),
  }
}

const fold = (name: string): string =>
  name
    .trim()
    .toLowerCase()
    .replace(/[-\u2013]/g, '−')

/** Id of the battery that a path's end belongs to: its posts come before and after its clamps. */
function sourceOf(kindOf: Kinds, end: string): string | undefined {
  const id = partIn(end)
  return kindOf.get(id)?.role === 'source' ? id : undefined
}

/** The terminal of a part that goes by a printed name, upper or lower case; undefined where none does. */
export function terminalNamed(
  { parts }: Pick<Circuit, 'parts'>,
  written: string,
): { readonly part: Part; readonly terminal: string } | undefined {
  const name = fold(written)
  for (const part of parts)
    if (name.startsWith(part.id.toLowerCase()))
      for (const { key } of partOfKind(part.kind).terminals)
        if (fold(describe(part, key).name) === name) return { part, terminal: key }
  return undefined
}

/** The name that a part's terminal goes by on the drawing. */
export const terminalName = (part: Part, terminal: string): string => describe(part, terminal).name

function describe({ id, kind, parameters }: Part, terminal: string) {
  const definition = partOfKind(kind)
  const { suffix, name, inside } = definition.terminals.find((t) => t.key === terminal)!
  const written = definition.suffixes?.(parameters)[terminal] ?? suffix
  return {
    name: id + written,
    title: name,
    rank: rank[definition.role],
    inside: inside ?? false,
  }
}
