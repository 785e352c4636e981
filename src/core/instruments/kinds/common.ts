import { partOf, type Wiring } from '../../model'
import { heldInHand, inHand, type SolvedBoard } from '../../board'
import { systemOf, type Circuit, firstSource } from '../../circuit'
import { type Message, say, messageOf } from '../../document'
import { noticeText, partOfKind, type AnyPart } from '../../parts'
import { formatQuantity } from '../../quantity'
import { outFor } from '../attach'
import type { ConnectionEffect } from '../connect'
import type { Held, Place } from '../held'
import { noEffects, type Connection, type Interval, type Reading, type Use } from '../instrument'

/** The two nodes, and what is out while they are bridged. Jaws join nothing. */
export function across({ place }: Pick<Use, 'place'>): {
  red: number
  black: number
  out: readonly string[]
} {
  if (place.type === 'jaws') return { red: 0, black: 0, out: [] }
  return { red: place.red, black: place.black, out: outFor(place) }
}

/** The same, of a part that is out and held by its own ends: that part alone. */
export function inTheHand(use: Pick<Use, 'solved' | 'place'>): {
  solved: SolvedBoard
  red: number
  black: number
} {
  const { red, black } = across(use)
  if (use.place.type === 'hand') {
    const { part, pins, spare } = use.place
    return heldInHand(use.solved, part, pins, spare) ?? { solved: use.solved, red, black }
  }
  return inHand(use.solved, red, black) ?? { solved: use.solved, red, black }
}

/** Why a part that is to be held in the hand is not there: it is not out. */
export function notInHand({ solved, place }: Pick<Use, 'solved' | 'place'>): Reading | undefined {
  if (place.type !== 'hand' || heldInHand(solved, place.part, place.pins, place.spare)) return undefined
  return { ...nothing('–'), signs: [say('instruments.apartFirst', { id: place.part })] }
}

/** Lamps and loads of the bag are those of the vehicle's own system. */
export const systemVolts = (solved: Pick<SolvedBoard, 'board'>): number =>
  systemOf(solved.board.circuit).nominal

export const nothing = (text: string): Reading => ({ unit: '', text, signs: [], did: noEffects })

export const around = (value: number, half: number): Interval => ({ low: value - half, high: value + half })
export const openLoop: Interval = { low: Infinity, high: Infinity }

/** Amps vary with the parts by about a twentieth (common practice, no source). */
export const ampsSpread = 0.05

/** Signs for fuses that blew with it. */
export const blewSigns = (ids: readonly string[]): Message[] =>
  ids.map((id) => say('instruments.blew', { id }))

export const inAmps = (value: number) => ({ value, unit: 'A' })
export const inVolts = (value: number) => ({ value, unit: 'V' })

export const connection = (place: Place, attached: Connection['attached']): Connection => ({
  attached,
  opens: outFor(place),
})

/** Slices of about a fifth of a volt, of a drop of a twentieth; of a factor of two; single words. */
export const byFifth = (value: number): number =>
  !Number.isFinite(value)
    ? Infinity
    : Math.abs(value) < 1
      ? Math.round(value / 0.05) / 4
      : Math.round(value / 0.2)
export const byFactor =
  (least: number) =>
  (value: number): number =>
    Number.isFinite(value)
      ? Math.sign(value) * Math.round(Math.log2(Math.max(least, Math.abs(value)) / least))
      : Infinity
export const byWord = (value: number): number => Math.round(value)

/** Every point that a lead reaches, against the battery's negative post. */
export const pointsToGround = (_: Circuit, wiring: Wiring): Held[] => {
  const ground = wiring.points.find((p) => p.node === 0)
  return wiring.points
    .filter((p) => p.node !== 0 && !p.inside)
    .map((p) => ({ type: 'leads', red: p.name, black: ground?.name ?? '' }))
}

/** Every piece that leads reach at both ends. */
export function heldPieces(circuit: Circuit, wiring: Wiring): Held[] {
  const at = new Map(wiring.points.filter((p) => !p.inside).map((p) => [p.node, p.name]))
  return circuit.parts.flatMap((part) =>
    partOfKind(part.kind).segments.flatMap(({ between }): Held[] => {
      const [a, b] = between.map((key) => wiring.nodeOf(part.id, key)) as [number, number]
      const [red, black] = [at.get(a), at.get(b)]
      return red !== undefined && black !== undefined && a !== b ? [{ type: 'leads', red, black }] : []
    }),
  )
}

/** Feed and return of every load, each against the other pole of the battery. */
export function loadEnds(circuit: Circuit, wiring: Wiring): Held[] {
  const at = new Map(wiring.points.filter((p) => !p.inside).map((p) => [p.node, p.name]))
  const source = firstSource(circuit.parts)
  const plus = source && at.get(wiring.nodeOf(source.id, 'pos'))
  const minus = at.get(0)
  return circuit.parts.flatMap((part): Held[] => {
    const { role, through } = partOfKind(part.kind)
    if (role !== 'load') return []
    const [feed, back] = through.map((key) => at.get(wiring.nodeOf(part.id, key)))
    return [
      ...(feed && minus ? [{ type: 'leads' as const, red: feed, black: minus }] : []),
      ...(back && plus ? [{ type: 'leads' as const, red: plus, black: back }] : []),
    ]
  })
}

/** Everything that can be taken out so that something else stands in its place. */
export const gaps =
  (type: 'series' | 'inPlaceOf', roles: readonly string[]) =>
  (circuit: Circuit): Held[] =>
    circuit.parts.flatMap((part): Held[] => {
      const { role, detach } = partOfKind(part.kind)
      return detach?.gap && roles.includes(role) ? [{ type, part: part.id }] : []
    })

/** Amps as a meter shows them. */
export const showAmps = (value: number): string => formatQuantity(value, 'A')

/** Whether the board finds no rest: a slow instrument then shows the mean. */
export const inLimitCycle = (solved: SolvedBoard): boolean => solved.phases.length > 1

/** At every part of which something is so. */
export const partsWith = (circuit: Circuit, is: (definition: AnyPart) => boolean): Held[] =>
  circuit.parts.filter(({ kind }) => is(partOfKind(kind))).map(({ id }) => ({ type: 'at', part: id }))

/** What joining two places changes: fuses that go, and parts that now do something else. */
export const changes = (use: Use, connected: ConnectionEffect) => [
  ...blewSigns(connected.blownByIt),
  ...connected.changed.map(({ part, key }) => {
    const kind = partOf(use.solved.board.circuit, part).kind
    return say('instruments.changed', { id: part, notice: messageOf(noticeText(kind, key)) })
  }),
]
