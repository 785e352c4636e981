import {
  findPart,
  isCavityName,
  wireUp,
  terminalName,
  terminalNamed,
  type Point,
  type Wiring,
} from '../model'
import { z } from 'zod'
import { handOf } from '../board'
import { type Circuit, firstSource, type Part } from '../circuit'
import { type Message, say, type Words } from '../document'
import { partOfKind } from '../parts'
import type { Clamped } from './clamp'

const name = z.string().max(20)

/** Where an instrument is held, as a step stores it: by the names that are printed on the drawing. */
export const heldSchema = z.discriminatedUnion('type', [
  /** Two leads on two points. */
  z.strictObject({ type: z.literal('leads'), red: name, black: name }),
  /** Jaws round measuring places or conductors, all of them together; `against` the arrow. */
  z.strictObject({
    type: z.literal('jaws'),
    round: z.array(name).min(1).max(12),
    against: z.boolean().optional(),
  }),
  /** Cut into the circuit where a part is taken out: a fuse pulled, a clamp lifted, a plug opened. */
  z.strictObject({ type: z.literal('series'), part: name }),
  /** In the place of a part that is out: across the fuse's holder, 30 to 87 of the relay's socket. */
  z.strictObject({ type: z.literal('inPlaceOf'), part: name }),
  /** Two tips on the test spots of a fuse that stays in. */
  z.strictObject({ type: z.literal('spots'), part: name }),
  /** At a part as a whole: a plug taken apart, a relay in the hand, a module’s diagnosis. */
  z.strictObject({ type: z.literal('at'), part: name }),
  /** A part in the hand, or the spare of the box for it, by two of its own terminals. */
  z.strictObject({ type: z.literal('hand'), red: name, black: name, spare: z.boolean().optional() }),
  /** On the battery's posts. */
  z.strictObject({ type: z.literal('posts') }),
])
export type Held = z.infer<typeof heldSchema>
export type Hold = Held['type']

/** What each way of holding is called. */
export const holds: Readonly<Record<Hold, Words>> = {
  leads: 'instruments.held.twoLeads',
  jaws: 'instruments.held.jawsRoundAConductor',
  series: 'instruments.held.cutIntoTheCircuit',
  inPlaceOf: 'instruments.held.inPlaceOfAPart',
  spots: 'instruments.held.onTheTestSpotsOf',
  at: 'instruments.held.atAPart',
  hand: 'instruments.held.inTheHand',
  posts: 'instruments.held.onTheBatterysPosts',
}

/** The same as nodes and conductors of one circuit. */
export type Place =
  | {
      readonly type: 'leads' | 'posts' | 'spots' | 'at'
      readonly red: number
      readonly black: number
      readonly part?: string
    }
  | {
      readonly type: 'hand'
      readonly part: string
      readonly pins: readonly [string, string]
      readonly spare: boolean
      readonly red: number
      readonly black: number
    }
  | { readonly type: 'jaws'; readonly conductors: readonly Clamped[] }
  /** `part` is taken out, and the two ends of its way are bridged. */
  | { readonly type: 'gap'; readonly part: string; readonly red: number; readonly black: number }

export type Located =
  | {
      readonly ok: true
      readonly place: Place
      /** The same by the points' own names, or by where a pin lies in its plug. */
      readonly held: Held
    }
  | { readonly ok: false; readonly why: Message }

/** Finds where the names lead; a name that is none is told with what there is. */
export function locate(circuit: Circuit, wiring: Wiring, held: Held): Located {
  switch (held.type) {
    case 'leads': {
      const red = pointFor(wiring, 'red', held.red)
      if (!red.ok) return red
      const black = pointFor(wiring, 'black', held.black)
      if (!black.ok) return black
      return {
        ok: true,
        place: { type: 'leads', red: red.point.node, black: black.point.node },
        // Where it lies in a plug is all that who found it there can tell.
        held: { type: 'leads', red: saidOf(held.red, red.point), black: saidOf(held.black, black.point) },
      }
    }
    case 'jaws': {
      const conductors: Clamped[] = []
      for (const one of held.round) {
        const found = conductorsOf(circuit, one)
        if (!found) return { ok: false, why: say('instruments.noConductor', { name: one }) }
        conductors.push(...found.map((c) => (held.against ? { ...c, against: !c.against } : c)))
      }
      return { ok: true, place: { type: 'jaws', conductors }, held }
    }
    case 'series':
    case 'inPlaceOf': {
      const part = findPart(circuit, held.part)
      const gap = part && partOfKind(part.kind).detach?.gap
      if (!part || !gap) return { ok: false, why: say('instruments.noGap', { id: held.part }) }
      const [a, b] = gap
      return {
        ok: true,
        place: {
          type: 'gap',
          part: part.id,
          red: wiring.nodeOf(part.id, a),
          black: wiring.nodeOf(part.id, b),
        },
        held,
      }
    }
    case 'spots': {
      const part = findPart(circuit, held.part)
      const spots = part && partOfKind(part.kind).protects?.blade?.spots
      if (!part || !spots) return { ok: false, why: say('instruments.noSpots', { id: held.part }) }
      const [red, black] = spots.map((key) => wiring.nodeOf(part.id, key)) as [number, number]
      return { ok: true, place: { type: 'spots', part: part.id, red, black }, held }
    }
    case 'at': {
      const part = findPart(circuit, held.part)
      if (!part) return { ok: false, why: say('instruments.noPartAt', { id: held.part }) }
      const [red, black] = partOfKind(part.kind).through.map((key) => wiring.nodeOf(part.id, key))
      return { ok: true, place: { type: 'at', part: part.id, red: red ?? 0, black: black ?? 0 }, held }
    }
    case 'hand':
      return locateInHand(circuit, wiring, held)
    case 'posts': {
      const source = firstSource(circuit.parts)!
      const [red, black] = (['pos', 'neg'] as const).map((key) => wiring.nodeOf(source.id, key)) as [
        number,
        number,
      ]
      return { ok: true, place: { type: 'posts', part: source.id, red, black }, held }
    }
  }
}

function locateInHand(circuit: Circuit, wiring: Wiring, held: Extract<Held, { type: 'hand' }>): Located {
  const [red, black] = [held.red, held.black].map((written) => terminalNamed(circuit, written))
  const part = red?.part ?? black?.part
  const pins = part ? handPins(part) : []
  const named = pins.map((key) => terminalName(part!, key))
  const refused = (why: Message): Located => ({ ok: false, why })
  if (!part || !pins.length) return refused(say('instruments.noHand', { name: held.red || held.black }))
  if (
    !red ||
    !black ||
    red.part !== black.part ||
    !pins.includes(red.terminal) ||
    !pins.includes(black.terminal)
  )
    return refused(say('instruments.noPins', { id: part.id, pins: named }))
  if (held.spare && !partOfKind(part.kind).interchangeable)
    return refused(say('instruments.noSpare', { id: part.id }))
  const [from, to] = [red.terminal, black.terminal]
  return {
    ok: true,
    place: {
      type: 'hand',
      part: part.id,
      pins: [from, to],
      spare: held.spare === true,
      red: wiring.nodeOf(part.id, from),
      black: wiring.nodeOf(part.id, to),
    },
    held: { ...held, red: terminalName(part, from), black: terminalName(part, to) },
  }
}

/** Terminals of a part by which it is held when it is in the hand; none of what does not come out. */
export function handPins({ kind, parameters }: Part): string[] {
  const definition = partOfKind(kind)
  const { segments, pins } = handOf(definition)
  const ends = new Set(
    definition.segments.filter(({ key }) => segments.includes(key)).flatMap(({ between }) => between),
  )
  const absent = definition.absent?.(parameters) ?? []
  return definition.terminals
    .filter(({ key, inside }) => !inside && !absent.includes(key) && ends.has(pins[key] ?? key))
    .map(({ key }) => key)
}

/** The same by the points' own names: a pin that was found in its plug is the point that is drawn. */
export function heldByPoints(circuit: Circuit, held: Held): Held {
  if (held.type !== 'leads') return held
  const wiring = wireUp(circuit)
  const named = (name: string) => wiring.find(name)?.name ?? name
  return { ...held, red: named(held.red), black: named(held.black) }
}

const saidOf = (written: string, { name }: Point): string => (isCavityName(written) ? written.trim() : name)

function pointFor(
  wiring: Wiring,
  lead: 'red' | 'black',
  written: string,
): { ok: true; point: Point } | { ok: false; why: Message } {
  const point = wiring.find(written)
  if (point) return { ok: true, point }
  const known = wiring.points
    .filter((p) => !p.inside)
    .slice(0, 4)
    .map((p) => p.name)
    .join(', ')
  return {
    ok: false,
    why: written.trim()
      ? say('instruments.noPoint', { name: written.trim(), lead, known })
      : say('instruments.onNothing', { lead }),
  }
}

/** The conductors of a measuring place, or one conductor half-way along or where it is said: `W4@25`, a quarter of the way. */
function conductorsOf(circuit: Circuit, written: string): readonly Clamped[] | undefined {
  const [low = '', spot = '50'] = written.trim().toLowerCase().split('@')
  if (!/^\d{1,3}$/.test(spot) || Number(spot) > 100) return undefined
  const place = circuit.bundles.flatMap((b) => b.places).find((p) => p.id.toLowerCase() === low)
  if (place) return place.conductors
  const part = circuit.parts.find((p) => p.id.toLowerCase() === low)
  if (!part) return undefined
  const { role, cable } = partOfKind(part.kind)
  if (role !== 'conductor' && !cable) return undefined
  return [{ part: part.id, at: Number(spot) / 100, against: false }]
}
