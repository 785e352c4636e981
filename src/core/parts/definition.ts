import { z } from 'zod'
import type { Law } from '../solve'
import type { Unit } from '../quantity'

/** What a parameter shows at its field; kept as the schema's metadata. */
export interface FieldMeta {
  label: string
  unit: Unit
}

/** A number with a unit and a range that is enforced with a message saying both. */
export function quantity(label: string, unit: Unit, least: number, most: number, preset: number) {
  const range = `${label} must lie between ${least} and ${most}${unit ? ` ${unit}` : ''}`
  return z.number({ error: range }).min(least, range).max(most, range).default(preset).meta({ label, unit })
}

export type TerminalKey = string

export interface Terminal {
  readonly key: TerminalKey
  /** Suffix of the point's short name: part F1, suffix `ta` gives `F1ta`. */
  readonly suffix: string
  readonly name: string
}

/** Kinds of fault that can strike a segment; what each does is in `faults/`. */
export const faultKinds = [
  'open',
  'highResistance',
  'corroded',
  'blown',
  'burntOut',
  'shortToGround',
  'shortToSupply',
  'stuckOpen',
  'leaky',
  'discharged',
  'seized',
  'dragging',
  'shortedTurns',
] as const
export type FaultKind = (typeof faultKinds)[number]

/** One piece of a part, between two of its terminals, that can fail by itself. */
export interface Segment {
  readonly key: string
  readonly name: string
  readonly between: readonly [TerminalKey, TerminalKey]
  readonly faults: readonly FaultKind[]
}

/** The small interface to the solver that a part writes itself into. Terminals by key, SI units. */
export interface Net {
  resistor(segment: string, a: TerminalKey, b: TerminalKey, ohms: number, tolerance: number): void
  source(
    segment: string,
    a: TerminalKey,
    b: TerminalKey,
    volts: number,
    ohms: number,
    toleranceVolts: number,
  ): void
  curve(segment: string, a: TerminalKey, b: TerminalKey, law: Law, tolerance: number): void
}

/** The surroundings that a part's equations may use. */
export interface Surroundings {
  /** °C */
  readonly temperature: number
  /** Position of this part's control in the state at hand. */
  readonly position: string | undefined
  /** Unplugged, pulled or lifted in the state at hand. */
  readonly detached: boolean
  /** A fuse that has melted in an earlier state. */
  readonly blown: boolean
  /** Faults planted in this part, with their severities: for those that change its own equations. */
  readonly struck: ReadonlyMap<FaultKind, number>
}

/** What runs through a segment, for notices and for what melts. */
export interface At {
  readonly volts: number
  readonly amps: number
  readonly watts: number
}

/** What a person would see, hear or feel: one word from a closed list per part, worst first. */
export interface Notice {
  /** Key that evidence is compared by, such as `dim`. */
  readonly key: string
  readonly text: string
}

export type Role = 'source' | 'protection' | 'control' | 'conductor' | 'connection' | 'load'

export interface PartDefinition<S extends z.ZodObject = z.ZodObject> {
  readonly kind: string
  readonly title: string
  /** Letters that a new part's id starts with. */
  readonly letters: string
  readonly role: Role
  readonly terminals: readonly Terminal[]
  /** Where a path enters and leaves unless it says otherwise. */
  readonly through: readonly [TerminalKey, TerminalKey]
  readonly parameters: S
  readonly segments: readonly Segment[]
  /** Positions of the control, the resting one first. */
  readonly positions?: readonly string[]
  /** What taking it out of circuit is called, and which segments that opens. */
  readonly detach?: {
    readonly verb: 'unplug' | 'pull' | 'lift'
    readonly done: string
    readonly opens: readonly string[]
  }
  /** Terminals that the load itself sits between, its socket left out. */
  readonly load?: readonly [TerminalKey, TerminalKey]
  /** Which segment melts, and the rating in amps. */
  readonly melts?: { readonly segment: string; readonly rating: (parameters: z.output<S>) => number }
  readonly stamp: (parameters: z.output<S>, net: Net, around: Surroundings) => void
  /** What a person notices, from what happens in `segment`. */
  readonly notice?: {
    readonly segment: string
    readonly read: (parameters: z.output<S>, at: At) => Notice
    readonly all: readonly Notice[]
  }
  /** One line of the main values, as a drawing carries it. */
  readonly summary: (parameters: z.output<S>) => string
}

/** A part whose parameters have been checked at the door: its schema's type is no longer needed. */
export type AnyPart = PartDefinition

/** Gives a definition its types; the value says everything about the part. */
export function definePart<S extends z.ZodObject>(definition: PartDefinition<S>): AnyPart {
  // Parameters are validated against `definition.parameters` before any of its functions meets them.
  return definition as unknown as AnyPart
}

export const passive: readonly FaultKind[] = ['open', 'highResistance', 'corroded']
