import { type Message, say } from '../document'
import { Solver, type Element } from '../solve'
import type { Dynamic } from './dynamic'

/** A network some of whose elements have a state of their own. */
export interface TimedNetwork {
  readonly nodeCount: number
  readonly elements: readonly Element[]
  /** By index of the element; its law is replaced step by step. */
  readonly dynamics: ReadonlyMap<number, Dynamic>
}

export interface Instant {
  /** Seconds since the start. */
  readonly time: number
  readonly voltage: Float64Array
  readonly current: Float64Array
  /** States, by index of the element. */
  readonly states: ReadonlyMap<number, number>
}

export interface IntegrateOptions {
  readonly until: number
  /** First step, s. */
  readonly first?: number
  /** Longest step, s. */
  readonly longest?: number
  /** Local error that a step may make, as a share of what matters. */
  readonly tolerance?: number
  /** Called with every instant that is accepted; `false` ends the run. */
  readonly visit: (instant: Instant) => boolean
}

export interface Failed {
  readonly ok: false
  readonly why: Message
}

const mostSteps = 20000
const leastStep = 1e-10

/**
 * Integrates by backward Euler with step doubling: a step is taken whole and in halves, their difference is the local
 * error, and the extrapolation 2·halves − whole is second order (Hairer and Wanner, Solving ODEs II). Stiff parts, such as
 * a winding that is suddenly cut off, are damped and never ring.
 * @param states at the start, by index of the element
 */
export function integrate(
  network: TimedNetwork,
  states: ReadonlyMap<number, number>,
  { until, first = 1e-5, longest = Infinity, tolerance = 1e-4, visit }: IntegrateOptions,
): { readonly ok: true } | Failed {
  let x = new Map(states)
  let time = 0
  let h = Math.min(first, until)
  let guess: Float64Array | undefined
  for (let n = 0; n < mostSteps && time < until * (1 - 1e-12); n++) {
    h = Math.min(h, longest, until - time)
    const whole = step(network, x, h, guess)
    const half = whole.ok ? step(network, x, h / 2, guess) : whole
    const halves = half.ok ? step(network, half.states, h / 2, half.voltage) : half
    if (!whole.ok || !half.ok || !halves.ok) {
      h /= 4
      if (h < leastStep) return { ok: false, why: say('time.lost') }
      continue
    }
    let error = 0
    for (const [i, dynamic] of network.dynamics) {
      const [a, b] = [whole.states.get(i)!, halves.states.get(i)!]
      error = Math.max(error, Math.abs(a - b) / (dynamic.scale + Math.abs(b)))
    }
    if (error > tolerance && h > leastStep * 4) {
      h *= Math.max(0.2, 0.9 * Math.sqrt(tolerance / error))
      continue
    }
    time += h
    x = new Map([...halves.states].map(([i, value]) => [i, 2 * value - whole.states.get(i)!] as const))
    guess = halves.voltage
    if (visit({ time, voltage: halves.voltage, current: halves.current, states: x }) === false)
      return { ok: true }
    h *= Math.min(3, 0.9 * Math.sqrt(tolerance / Math.max(error, tolerance / 12)))
  }
  return time < until * (1 - 1e-9) ? { ok: false, why: say('time.restless') } : { ok: true }
}

type Stepped =
  | {
      readonly ok: true
      readonly states: ReadonlyMap<number, number>
      readonly voltage: Float64Array
      readonly current: Float64Array
    }
  | { readonly ok: false }

function step(
  { nodeCount, elements, dynamics }: TimedNetwork,
  x: ReadonlyMap<number, number>,
  h: number,
  guess: Float64Array | undefined,
): Stepped {
  const now = elements.map((element, i): Element => {
    const dynamic = dynamics.get(i)
    if (!dynamic) return element
    const { a, b, owner } = element
    return { type: 'nonlinear', a, b, owner, law: dynamic.law(x.get(i)!, h) }
  })
  const point = new Solver({ nodeCount, elements: now }).solve(guess)
  if (!point.ok) return { ok: false }
  const states = new Map(
    [...dynamics].map(([i, dynamic]) => {
      const { a, b } = elements[i]!
      return [i, dynamic.after(x.get(i)!, h, point.voltage[a]! - point.voltage[b]!)] as const
    }),
  )
  return { ok: true, states, voltage: point.voltage, current: point.current }
}
