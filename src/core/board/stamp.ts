import { refOf, schoolScatter } from '../circuit'
import { struckBy } from '../faults'
import type { ModelPart, Wiring } from '../model'
import type { Net, Surroundings } from '../parts'
import type { Element } from '../solve'
import type { Board } from './board'

/** Minimum contact resistance, Ω. */
const leastContact = 1e-6

/** A part's elements, and where each of its segments begins among them, by `part.segment`. */
export interface Owned {
  readonly elements: readonly Element[]
  readonly heads: readonly { readonly name: string; readonly at: number }[]
}

export function ownedBy(id: string, elements: readonly Element[]): Owned {
  const heads = new Map<string, number>()
  elements.forEach(({ owner }, at) => {
    const name = refOf(id, owner.segment)
    if (!heads.has(name)) heads.set(name, at)
  })
  return { elements, heads: [...heads].map(([name, at]) => ({ name, at })) }
}

/** A part's own elements; nodes inside it are numbered in `inner`. */
export function stampPart(
  { part, definition }: ModelPart,
  around: Surroundings,
  wiring: Wiring,
  inner: Map<string, number>,
  freshNode: () => number,
): Owned {
  const own: Element[] = []
  const node = (key: string): number => {
    if (!key.startsWith('#')) return wiring.nodeOf(part.id, key)
    const known = inner.get(part.id + key)
    if (known !== undefined) return known
    const fresh = freshNode()
    inner.set(part.id + key, fresh)
    return fresh
  }
  const joined = (segment: string, a: string, b: string, tolerance: number) => ({
    a: node(a),
    b: node(b),
    owner: { part: part.id, segment },
    tolerance,
  })
  const net: Net = {
    resistor: (s, a, b, ohms, tolerance) =>
      own.push({ type: 'resistor', ...joined(s, a, b, tolerance), ohms }),
    contact: (s, a, b, ohms) =>
      own.push({ type: 'resistor', ...joined(s, a, b, around.contacts), ohms: Math.max(ohms, leastContact) }),
    source: (s, a, b, volts, ohms, tolerance) =>
      own.push({ type: 'source', ...joined(s, a, b, tolerance), volts, ohms }),
    nonlinear: (s, a, b, law, tolerance) =>
      own.push({ type: 'nonlinear', ...joined(s, a, b, tolerance), law }),
    current: (s, a, b, amps) => own.push({ type: 'current', ...joined(s, a, b, 0), amps }),
  }
  definition.stamp(part.parameters, net, around)
  const opened: readonly string[] = [
    ...(around.detached ? (definition.detach?.opens ?? []) : []),
    ...(around.blown && definition.cable ? [definition.cable.segment] : []),
    ...(around.blown ? (definition.bears?.segments ?? []) : []),
  ]
  const standing = opened.length ? own.filter((e) => !opened.includes(e.owner.segment)) : own
  for (const { key, between } of definition.segments) {
    if (standing.some((e) => e.owner.segment === key)) continue
    const [a, b] = between
    standing.push({ type: 'resistor', ...joined(key, a, b, 0), ohms: Infinity })
  }
  return ownedBy(part.id, standing)
}

export function surroundings(
  { circuit, faults, state, blown, modes }: Pick<Board, 'circuit' | 'faults' | 'state' | 'blown' | 'modes'>,
  { part, definition }: ModelPart,
): Surroundings {
  return {
    temperature: state.temperature ?? circuit.temperature,
    ...(circuit.scatter ?? schoolScatter),
    position: state.controls[part.id] ?? definition.positions?.[0],
    detached: state.detached.includes(part.id),
    blown: blown.has(part.id),
    struck: struckBy(faults, part.id),
    mode: modes.get(part.id) ?? '',
    engineRuns: state.engine === 'running',
    sinceKeyOff: state.sinceKeyOff ?? 0,
    ...(state.battery && { battery: state.battery }),
  }
}
