import { piecesOf } from '../model'
import { refOf, type Circuit } from '../circuit'
import { faultOfKind, possibleFaults, type Fault } from '../faults'
import { partOfKind } from '../parts'
import { oddSeverity, placeOf, placeWeights, soundShare } from './priors'

/**
 * One way the circuit could be: sound, or one kind of fault on one piece. Where its severity is a number it is a family
 * of boards with one parameter x, counted along the kind's grid of severities: 0 at the first value, 1 at the second.
 */
export interface Family {
  /** Where it stands among all families of its predictor; for what is kept, its `name`. */
  readonly index: number
  /** What it is whatever other families there are, such as `open W4.copper`. */
  readonly name: string
  /** Undefined for the sound circuit. */
  readonly fault: Fault | undefined
  /** A second fault beside it, of exactly that size. */
  readonly beside?: Fault
  /** Which of those planted that is, counted from 1; 0 where it stands alone. */
  readonly company: number
  /** Severities at whole x; empty where there is none. */
  readonly grid: readonly number[]
  /** Where on the grid the planted severity lies, if it is one of these. */
  readonly mark?: number
  /** Names of the pieces that it strikes; none for the sound circuit. */
  readonly pieces: readonly string[]
  /** Relative likelihood before any evidence, all severities together. */
  readonly prior: number
}

/** A second fault is rarer than one. */
const pairShare = 0.3

/**
 * The sound circuit first, then every fault of the catalogue on every piece that it can strike. Where two faults may be
 * there, each of them also beside each that is planted: with the other one as it truly is, does the evidence find this one?
 * Such a family strikes its own piece only: of the other one it says nothing, so that none is doubted for being planted.
 */
export function familiesOf(circuit: Circuit, planted: readonly Fault[] = [], faults: 1 | 2 = 1): Family[] {
  const pieces = piecesOf(circuit)
  const pieceAt = (part: string, segment: string): string =>
    pieces.find((p) => p.part === part && p.unit.segments.includes(segment))?.id ?? part
  const all = possibleFaults(circuit)
  /** All that can strike one place share its weight, by how common each kind is; partners share their kind's. */
  const ways = new Map<string, number>()
  const shared = new Map<string, number>()
  const kinds = new Set<string>()
  for (const { part, segment, kind } of all) {
    const place = `${part}.${segment}`
    shared.set(`${place} ${kind}`, (shared.get(`${place} ${kind}`) ?? 0) + 1)
    if (kinds.has(`${place} ${kind}`)) continue
    kinds.add(`${place} ${kind}`)
    ways.set(place, (ways.get(place) ?? 0) + faultOfKind(kind).prior.weight)
  }
  const definitions = new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))
  const faulted = all.map((fault, i): Family => {
    const place = `${fault.part}.${fault.segment}`
    const own = planted.find((p) => sameFamily(p, fault))
    const grid = faultOfKind(fault.kind).severity?.grid ?? []
    const known = own?.severity === undefined ? grid : withValue(grid, own.severity)
    const { weight } = placeWeights[placeOf(definitions.get(fault.part)!, fault.segment)]
    const partners = fault.other?.split('.') as [string, string] | undefined
    return {
      index: i + 1,
      name: nameOf(fault),
      company: 0,
      fault: {
        ...fault,
        ...(own?.at !== undefined && { at: own.at }),
        ...(own?.cold !== undefined && { cold: own.cold }),
      },
      grid: known,
      ...(own?.severity !== undefined && known.length > 1 && { mark: known.indexOf(own.severity) }),
      pieces: [...new Set([pieceAt(fault.part, fault.segment), ...(partners ? [pieceAt(...partners)] : [])])],
      prior:
        (weight * faultOfKind(fault.kind).prior.weight) /
        ways.get(place)! /
        shared.get(`${place} ${fault.kind}`)!,
    }
  })
  const total = faulted.reduce((sum, f) => sum + f.prior, 0)
  const singles = [
    {
      index: 0,
      name: 'sound',
      company: 0,
      fault: undefined,
      grid: [],
      pieces: [],
      prior: soundShare * total,
    },
    ...faulted,
  ]
  if (faults === 1) return singles
  const pairs = planted.flatMap((beside) => {
    const other = pieceAt(beside.part, beside.segment)
    return faulted
      .filter(({ fault, pieces: own }) => !own.includes(other) && fault!.other?.split('.')[0] !== beside.part)
      .map((family) => ({
        ...family,
        name: `${family.name} beside ${nameOf(beside)}`,
        beside,
        company: planted.indexOf(beside) + 1,
        prior: (pairShare * family.prior) / planted.length,
      }))
  })
  return [...singles, ...pairs.map((family, i) => ({ ...family, index: singles.length + i }))]
}

const nameOf = ({ kind, part, segment, other }: Fault): string =>
  `${kind} ${refOf(part, segment)}${other === undefined ? '' : ` ${other}`}`

export const sameFamily = (a: Fault, b: Fault): boolean =>
  a.kind === b.kind && a.part === b.part && a.segment === b.segment && a.other === b.other

/** A planted severity has a place of its own on the grid. */
const withValue = (grid: readonly number[], value: number): readonly number[] =>
  grid.length === 0 || grid.includes(value) ? grid : [...grid, value].sort((p, q) => p - q)

/** The severity at x: between two values of the grid on a log scale. */
export function severityAt(grid: readonly number[], x: number): number {
  const i = Math.min(grid.length - 2, Math.max(0, Math.floor(x)))
  const [low, high] = [grid[i]!, grid[i + 1]!]
  const share = x - i
  if (share === 0) return low
  if (share === 1) return high
  return low > 0 ? low * (high / low) ** share : low + (high - low) * share
}

/** All faults of a family at x. */
export const faultsAt = (family: Pick<Family, 'fault' | 'grid' | 'beside'>, x: number): readonly Fault[] => {
  const own = faultAt(family, x)
  return [...(own ? [own] : []), ...(family.beside ? [family.beside] : [])]
}

/** The exact fault of a family at x; undefined for the sound circuit. */
export const faultAt = ({ fault, grid }: Pick<Family, 'fault' | 'grid'>, x: number): Fault | undefined =>
  fault && grid.length ? { ...fault, severity: severityAt(grid, x) } : fault

/** Where on the grid a severity lies. */
export function placeOnGrid(grid: readonly number[], severity: number): number {
  const i = grid.findIndex((value) => value >= severity)
  if (i <= 0) return i < 0 ? grid.length - 1 : 0
  const [low, high] = [grid[i - 1]!, grid[i]!]
  if (severity === high) return i
  return i - 1 + (low > 0 ? Math.log(severity / low) / Math.log(high / low) : (severity - low) / (high - low))
}

/** Share of a range of x that is left, odd severities counted as little as they are met. */
export function widthOf({ grid, fault }: Family, ranges: readonly (readonly [number, number])[]): number {
  if (grid.length < 2) return ranges.length ? 1 : 0
  const usual = fault && faultOfKind(fault.kind).severity?.usual
  const whole = grid.length - 1
  let sum = 0
  for (const [a, b] of ranges) {
    if (!usual) {
      sum += b - a
      continue
    }
    const [from, to] = [placeOnGrid(grid, usual[0]), placeOnGrid(grid, usual[1])]
    const inside = Math.max(0, Math.min(b, to) - Math.max(a, from))
    sum += inside + oddSeverity * (b - a - inside)
  }
  // A size that is known to a hundredth of its range is still that fault; one that fits at a single point hardly is.
  return ranges.length ? Math.max(sum / whole, sum > 0 ? 0.01 : 0.0003) : 0
}
