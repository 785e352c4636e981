import { partOf, piecesOf } from '../../model'
import { type Circuit, partIn, splitRef } from '../../circuit'
import { canMove, faultOfKind, possibleFaults, type Fault } from '../../faults'
import { partOfKind } from '../../parts'
import { nameOf, sameHypothesis, type Hypothesis } from './hypothesis'
import { placeOf, placeWeights, soundShare } from './priors'
import { withValue } from './severity-grid'

/** A second fault is rarer than one. */
const pairShare = 0.3

/** The same faults, there only while their part is moved, of those that can be so. */
const movingOf = (circuit: Circuit, faults: readonly Fault[]): Fault[] =>
  faults
    .filter(({ kind, part }) => canMove(kind, partOfKind(partOf(circuit, part).kind)))
    .map((fault) => ({ ...fault, moving: true }))

/**
 * The sound circuit first, then every fault of the catalogue on every piece that it can strike. Where two faults may be
 * there, each of them also beside each that is planted: with the other one as it truly is, does the evidence find this one?
 * Such a hypothesis strikes its own piece only: of the other one it says nothing, so that none is doubted for being planted.
 * @param faults how many there may be
 */
export function hypothesesOf(
  circuit: Circuit,
  planted: readonly Fault[] = [],
  faults: 1 | 2 = 1,
): Hypothesis[] {
  const pieces = piecesOf(circuit)
  const pieceAt = (part: string, segment: string): string =>
    pieces.find((p) => p.part === part && p.unit.segments.includes(segment))?.id ?? part
  const usual = possibleFaults(circuit)
  // What comes and goes is thought of at every place once it may be the fault of this order.
  const all = planted.some(({ moving }) => moving) ? [...usual, ...movingOf(circuit, usual)] : usual
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
  const faulted = all.map((fault, i): Hypothesis => {
    const place = `${fault.part}.${fault.segment}`
    const own = planted.find((p) => sameHypothesis(p, fault))
    const grid = faultOfKind(fault.kind).severity?.grid ?? []
    const known = own?.severity === undefined ? grid : withValue(grid, own.severity)
    const { weight } = placeWeights[placeOf(definitions.get(fault.part)!, fault.segment)]
    const partners = fault.other === undefined ? undefined : splitRef(fault.other)
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
      ...(own?.severity !== undefined && known.length > 1 && { plantedAt: known.indexOf(own.severity) }),
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
      .filter(
        ({ fault, pieces: own }) =>
          !own.includes(other) && (fault!.other === undefined || partIn(fault!.other) !== beside.part),
      )
      .map((hypothesis) => ({
        ...hypothesis,
        name: `${hypothesis.name} beside ${nameOf(beside)}`,
        beside,
        company: planted.indexOf(beside) + 1,
        prior: (pairShare * hypothesis.prior) / planted.length,
      }))
  })
  return [...singles, ...pairs.map((hypothesis, i) => ({ ...hypothesis, index: singles.length + i }))]
}
