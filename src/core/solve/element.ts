import type { CompiledNetwork } from './compiled'

/**
 * What a network is made of. Every element joins two nodes (indices; 0 is the reference) and carries an
 * `owner`, so that readings can be given back to the part that it belongs to.
 */
export interface Owner {
  /** Id of the part. */
  readonly part: string
  /** Which piece of the part: a joint, a conductor, a filament. */
  readonly segment: string
}

/**
 * A two-terminal law: current into `a` as a function of the voltage from a to b.
 * `at(v)` writes the current (A) and its slope di/dv (S, never negative) into `out`.
 */
export interface Law {
  at(v: number, out: CurveValue): void
  /** Siemens with which it is first taken for a plain resistor: about what it is at its rating. */
  readonly chord?: number
  /** Volts at whose tangent it is first taken, where a plain resistor would mislead: a source with a limit. */
  readonly start?: number
  /**
   * Of a law with a sharp knee: the voltage at which to evaluate it next, when the iteration proposes `v` and `before` was
   * the last; `v` itself near the answer. Keeps Newton from leaping over the knee.
   */
  limit?(v: number, before: number): number
  /**
   * The same law as SPICE lines between nodes `a` and `b`; `name` is free for naming its devices and inner
   * nodes. Lets any circuit be exported, and checked against another solver.
   */
  spice(name: string, a: string, b: string): string[]
}

export interface CurveValue {
  current: number
  slope: number
}

interface Joined {
  readonly a: number
  readonly b: number
  readonly owner: Owner
  /**
   * Half-width of the tolerance. For a source, volts of its open-circuit voltage; for everything else
   * relative, on the current that the element carries at a given voltage (0.05 = ±5 %).
   */
  readonly tolerance?: number
}

export type Element =
  /** Ohm's law. `ohms` above 0; Infinity is an open. */
  | (Joined & { readonly type: 'resistor'; readonly ohms: number })
  /** Open-circuit voltage of `a` over `b`, behind `ohms` > 0. */
  | (Joined & { readonly type: 'source'; readonly volts: number; readonly ohms: number })
  /** Voltage of `a` over `b` held exactly, whatever current that takes. */
  | (Joined & { readonly type: 'ideal'; readonly volts: number })
  /** Current driven out of `b` through the source into `a`, that is into node a from outside. */
  | (Joined & { readonly type: 'current'; readonly amps: number })
  /** Nonlinear element. */
  | (Joined & { readonly type: 'nonlinear'; readonly law: Law })

export interface Network {
  /** Nodes, the reference (0) included. */
  readonly nodeCount: number
  readonly elements: readonly Element[]
  /** The elements compiled, where that has been done before. */
  readonly compiled?: CompiledNetwork
}
