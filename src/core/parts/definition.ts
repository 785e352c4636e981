import { z } from 'zod'
import type { Law } from '../solve'
import type { Unit } from '../quantity'

export type Table = readonly { readonly value: number; readonly text: string }[]

/** What a parameter shows at its field; kept as the schema's metadata. */
export interface FieldMeta {
  label: string
  unit: Unit
  /** The words to choose from, where it is no number. */
  options?: readonly string[]
  /** Values that the trade takes from a table, with what the table calls them. */
  table?: Table
}

/** A number with a unit and a range that is enforced with a message saying both. */
export function quantity(
  label: string,
  unit: Unit,
  least: number,
  most: number,
  preset: number,
  table?: Table,
) {
  const range = `${label} must lie between ${least} and ${most}${unit ? ` ${unit}` : ''}`
  return z
    .number({ error: range })
    .min(least, range)
    .max(most, range)
    .default(preset)
    .meta({ label, unit, ...(table && { table }) })
}

/** A line of text that `check` finds fault with, or not. */
export const text = (label: string, preset: string, check: (value: string) => string | undefined) =>
  z
    .string()
    .max(120, `${label} is at most 120 letters long`)
    .superRefine((value, context) => {
      const wrong = check(value)
      if (wrong) context.addIssue({ code: 'custom', message: `${label}: ${wrong}` })
    })
    .default(preset)
    .meta({ label, unit: '' })

/** One word out of a few. */
export function choice<const T extends readonly [string, ...string[]]>(
  label: string,
  options: T,
  preset: T[number],
) {
  const said = `${label} must be one of ${options.join(', ')}`
  // Zod cannot see that a member of the tuple is a default of its own enum.
  return z
    .enum(options, { error: said })
    .default(preset as never)
    .meta({ label, unit: '', options })
}

export type TerminalKey = string

export interface Terminal {
  readonly key: TerminalKey
  /** Suffix of the point's short name: part F1, suffix `ta` gives `F1ta`. */
  readonly suffix: string
  readonly name: string
  /** Inside the housing: part of the model, but no lead can reach it. */
  readonly inside?: boolean
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
  'strandsLost',
  'slack',
  'missingPin',
  'swapped',
  'reversed',
  'shortBetween',
  'wrongFuse',
  'missingFuse',
  'sulphated',
  'welded',
  'sticking',
  'burnt',
  'weak',
  'wrongBulb',
  'drain',
  'outputDead',
  'inputNotSeen',
  'notSleeping',
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
  /** Current that is driven through the part from b to a, whatever the volts. */
  current(segment: string, a: TerminalKey, b: TerminalKey, amps: number): void
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
  /** Of a part that switches by itself: what it has switched to. */
  readonly mode: string
  readonly engineRuns: boolean
  /** Seconds since the key was turned off; 0 while it is on. */
  readonly sinceKeyOff: number
  /**
   * Severities of the faults planted in this part, by kind and by `segment.kind`: for those that change its own
   * equations.
   */
  readonly struck: ReadonlyMap<string, number>
}

/** What runs through a segment, for notices and for what melts. */
export interface At {
  readonly volts: number
  readonly amps: number
  readonly watts: number
}

/** What a part that switches by itself feels of its surroundings. */
export interface Sense {
  /** Volts of terminal a over terminal b; 0 where nothing ties them together. */
  readonly volts: (a: TerminalKey, b: TerminalKey) => number
  /** Amps through a segment from its first terminal to its second. */
  readonly amps: (segment: string) => number
}

/** What a person would see, hear or feel: one word from a closed list per part, worst first. */
export interface Notice {
  /** Key that evidence is compared by, such as `dim`. */
  readonly key: string
  readonly text: string
}

/** What else tells a person how a part does. */
export interface Attention {
  readonly mode: string
  /** It finds no rest: it switches to and fro. */
  readonly swings: boolean
  /** The same as `at`, of any segment. */
  readonly of: (segment: string) => At
}

/** One line of live data. */
export interface ScanRow {
  readonly name: string
  readonly value: string
}

export type Role = 'source' | 'protection' | 'control' | 'conductor' | 'connection' | 'load'

export interface PartDefinition<S extends z.ZodObject = z.ZodObject> {
  readonly kind: string
  readonly title: string
  /** Letters that a new part's id starts with. */
  readonly letters: string
  readonly role: Role
  /** Words it is called by when somebody types a path, and the values that bare numbers then mean, in this order. */
  readonly quick?: {
    readonly words: readonly string[]
    readonly main?: readonly string[]
    /** Values that follow from those said and from the volts of the \`system\`. */
    readonly fill?: (said: Readonly<Record<string, number | undefined>>) => Readonly<Record<string, number>>
  }
  readonly terminals: readonly Terminal[]
  /** Short names that this part's terminals go by instead, such as a relay's other numbering. */
  readonly suffixes?: (parameters: z.output<S>) => Readonly<Record<TerminalKey, string>>
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
  /** It gives current of its own beside the battery: a path from it begins there. */
  readonly generates?: boolean
  /** Segments that are the load itself, its socket left out: what a path runs on. */
  readonly loads?: readonly string[]
  /** Pairs of terminals between which it is measured when it lies on the bench; from end to end unless said. */
  readonly benchPairs?: readonly (readonly [TerminalKey, TerminalKey])[]
  /** Which segment melts, and the rating in amps. */
  readonly melts?: {
    readonly segment: string
    readonly rating: (parameters: z.output<S>, struck: ReadonlyMap<string, number>) => number
  }
  /** Of a part that switches by itself: where it rests, and what it does next; it may fail to settle. */
  readonly modes?: {
    readonly rest: string
    readonly next: (parameters: z.output<S>, sense: Sense, around: Surroundings) => string
  }
  /** What a scan tool would show of it. */
  readonly scan?: (parameters: z.output<S>, sense: Sense, around: Surroundings) => readonly ScanRow[]
  readonly stamp: (parameters: z.output<S>, net: Net, around: Surroundings) => void
  /** What a person notices, from what happens in `segment`. */
  readonly notice?: {
    readonly segment: string
    readonly read: (parameters: z.output<S>, at: At, more: Attention) => Notice
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
