import { coded, type Message, type Words, type Code, messageOf, say } from '../document'
import { z } from 'zod'
import type { Law } from '../solve'
import type { Unit } from '../quantity'

export type Table = readonly { readonly value: number; readonly text: Words }[]

/** What a parameter shows at its field; kept as the schema's metadata. */
export interface FieldMeta {
  label: Words
  unit: Unit
  /** The keys to choose from, where it is no number, and what they are called. */
  options?: readonly string[]
  names?: Readonly<Record<string, Words>>
  /** Values that the trade takes from a table, with what the table calls them. */
  table?: Table
}

/** A number with a unit and a range that is enforced with a message saying both. */
export function quantity(
  label: Words,
  unit: Unit,
  least: number,
  most: number,
  preset: number,
  table?: Table,
) {
  const range = coded(
    say('parts.range', {
      label: messageOf(label),
      least: { shown: String(least) },
      most: { shown: String(most) },
      unit: unit || 'none',
    }),
  )
  return z
    .number({ error: range })
    .min(least, range)
    .max(most, range)
    .default(preset)
    .meta({ label, unit, ...(table && { table }) })
}

/** A line of text that `check` finds fault with, or not. */
export const text = (label: Words, preset: string, check: (value: string) => Message | undefined) =>
  z
    .string()
    .max(120, coded(say('parts.long', { label: messageOf(label), most: 120 })))
    .superRefine((value, context) => {
      const wrong = check(value)
      if (wrong)
        context.addIssue({
          code: 'custom',
          message: coded(say('parts.condition', { label: messageOf(label), why: wrong })),
        })
    })
    .default(preset)
    .meta({ label, unit: '' })

/** One word out of a few: keys, with what they are called. */
export function choice<const T extends readonly [string, ...string[]]>(
  label: Words,
  options: T,
  preset: T[number],
  names: Readonly<Record<T[number], Words>>,
) {
  const said = coded(say('parts.options', { label: messageOf(label), options: [...options] as string[] }))
  // Zod cannot see that a member of the tuple is a default of its own enum.
  return z
    .enum(options, { error: said })
    .default(preset as never)
    .meta({ label, unit: '', options, names })
}

export type TerminalKey = string

export interface Terminal {
  readonly key: TerminalKey
  /** Suffix of the point's short name: part F1, suffix `ta` gives `F1ta`. */
  readonly suffix: string
  readonly name: Words
  /** Inside the housing: part of the model, but no lead can reach it. */
  readonly inside?: boolean
  /** An input, a signal or a reference of electronics: what loads it can ruin it. */
  readonly sensitive?: true
}

/** What a piece does while something changes; the equations are in `time/`. Parameters by key. */
export type InTime =
  | { readonly type: 'winding'; readonly henry: string }
  | { readonly type: 'filament'; readonly watts: string }
  | { readonly type: 'motor' }
  | { readonly type: 'starter' }

/** One piece of a part, between two of its terminals, that can fail by itself. */
export interface Segment {
  readonly key: string
  readonly name: Words
  readonly between: readonly [TerminalKey, TerminalKey]
  /** Kinds of fault, by their keys in the catalogue, that the part knows can strike it; others say so themselves. */
  readonly faults: readonly string[]
  readonly inTime?: InTime
}

/** A piece as the trade names it when it strikes it out: a relay's coil side, a lamp's socket. */
export interface StrikeUnit {
  readonly key: string
  readonly name: Words
  readonly segments: readonly string[]
}

/** How hard a part is to reach the first time. */
export const accesses = ['hand', 'cover', 'dash', 'under'] as const
export type Access = (typeof accesses)[number]

/** The small interface to the solver that a part writes itself into. Terminals by key, SI units. */
export interface Net {
  resistor(segment: string, a: TerminalKey, b: TerminalKey, ohms: number, tolerance: number): void
  /** A joint, a contact or bare metal: its ohms scatter as the circuit's contacts do, and are never quite zero. */
  contact(segment: string, a: TerminalKey, b: TerminalKey, ohms: number): void
  source(
    segment: string,
    a: TerminalKey,
    b: TerminalKey,
    volts: number,
    ohms: number,
    toleranceVolts: number,
  ): void
  nonlinear(segment: string, a: TerminalKey, b: TerminalKey, law: Law, tolerance: number): void
  /** Current that is driven through the part from b to a, whatever the volts. */
  current(segment: string, a: TerminalKey, b: TerminalKey, amps: number): void
}

/** The surroundings that a part's equations may use. */
export interface Surroundings {
  /** °C */
  readonly temperature: number
  /** Volts by which one rested 12 V block may stand off its own. */
  readonly rest: number
  /** By what share contacts' ohms may stand off their own. */
  readonly contacts: number
  /** Position of this part's control in the state at hand. */
  readonly position: string | undefined
  /** Unplugged, pulled or lifted in the state at hand. */
  readonly detached: boolean
  /** A fuse that has melted in an earlier state. */
  readonly blown: boolean
  /** Of a part that switches by itself: what it has switched to. */
  readonly mode: string
  readonly engineRuns: boolean
  /** What the battery has just been through; rested unless said. */
  readonly battery?: { readonly after: 'charging' | 'load'; readonly minutes: number }
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
  readonly text: Words
  /** Its armature is pulled in: the drawing shows its contacts so. */
  readonly pulled?: true
}

/** What else tells a person how a part does. */
export interface Attention {
  readonly mode: string
  /** It finds no rest: it switches to and fro. */
  readonly inLimitCycle: boolean
  /** °C around it. */
  readonly temperature: number
  /** The same as `at`, of any segment. */
  readonly of: (segment: string) => At
  /** The most that `shines` tells of any part like it on the board, itself included, in the same order. */
  readonly beside?: readonly number[]
}

/** One line of live data. */
export interface ScanRow {
  /** Of a value that is on or off: by what it is asked for, and whether it is on. */
  readonly key?: string
  readonly on?: boolean
  readonly name: Words
  readonly value: Words
}

/** Mating faces by the half that they belong to: rows from above, null where there is no cavity. */
export type Faces = Readonly<Record<string, readonly (readonly (TerminalKey | null)[])[]>>

export type Role = 'source' | 'protection' | 'control' | 'conductor' | 'connection' | 'load'

export interface PartDefinition<S extends z.ZodObject = z.ZodObject> {
  readonly kind: string
  /** Key of the graphic symbol that it is drawn with. */
  readonly symbol: string
  readonly access: Access
  /** Keys of what the Handbook has about it: its procedure first. */
  readonly seeAlso: readonly string[]
  readonly title: Words
  /** Letters that a new part's id starts with. */
  readonly letters: string
  readonly role: Role
  /** Words it is called by when somebody types a path, and the values that bare numbers then mean, in this order. */
  readonly quick: {
    readonly words: readonly string[]
    readonly main?: readonly string[]
    /** Its rated volts are its own, not the system's. */
    readonly ownVolts?: true
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
  /**
   * A part of many pieces is drawn pass by pass: the symbol of the pass that runs over a segment, and the positions in
   * which it is drawn closed. The first that fits is taken.
   */
  readonly passes?: readonly {
    readonly segment: string
    readonly symbol: string
    readonly caption: Words
    readonly closes?: readonly string[]
  }[]
  /** Positions in which the control's own way is closed. */
  readonly closes?: readonly string[]
  /** Positions of the control, the resting one first. */
  readonly positions?: readonly string[]
  /** Positions in which a gear is engaged: nobody cranks so. */
  readonly inGear?: readonly string[]
  /** What positions are called, where it is not what positions of that key are called elsewhere. */
  readonly positionNames?: Readonly<Record<string, Words>>
  /** What taking it out of circuit is called, and which segments that opens. */
  readonly detach?: {
    readonly verb: 'parts.unplug' | 'parts.pull' | 'parts.lift'
    readonly done: Words
    readonly opens: readonly string[]
    /**
     * What of it is then in the hand, and which of its own ends stands for each end by which it is named; all of a load and
     * of a control unless said, nothing of what only joins.
     */
    readonly comesOut?: {
      readonly segments: readonly string[]
      readonly pins?: Readonly<Record<TerminalKey, TerminalKey>>
    }
    /** The two places between which something else can then stand: an ammeter, a lamp, a jumper; red first. */
    readonly gap?: readonly [TerminalKey, TerminalKey]
  }
  /** A source: volts of the system at rest, nominal. */
  readonly supplies?: {
    readonly volts: (parameters: z.output<S>) => number
    /** Amps of the cold-cranking test, of what has such a rating. */
    readonly coldCranking?: (parameters: z.output<S>) => number
    /** What it stores, in A·h when full and as it is, and the segment that it gives them through. */
    readonly stores?: {
      readonly segment: string
      readonly ampHours: (parameters: z.output<S>) => { readonly full: number; readonly left: number }
    }
  }
  /** What burns out for good at more volts than it bears: its segments are open from then on. */
  readonly bears?: {
    readonly segments: readonly string[]
    readonly most: (parameters: z.output<S>) => number
  }
  /** Metal that a chafed wire touches: at which terminal. */
  readonly ground?: TerminalKey
  /** A length of cable: which parameters say how long and how thick; by the metre, off a roll, or made up. */
  readonly cable?: {
    readonly segment: string
    readonly length: string
    readonly section: string
    readonly byTheMetre?: true
  }
  /** It turns, throws or grips when it runs: mind hands. */
  readonly moves?: boolean
  /** Takes current by itself, though it may be no load: a path through it is no short. */
  readonly takesCurrent?: boolean
  /** By custom its own cable has no fuse. */
  readonly fedUnfused?: true
  /** Falls asleep some time after the key is off. */
  readonly sleeps?: true
  /** Which of its pins a wiring list names: all, or those that something meets. */
  readonly pinout?: 'all' | 'met'
  /** Parameter with the watts that it stands. */
  readonly ratedWatts?: string
  /** Terminals that it does not have with these parameters. */
  readonly absent?: (parameters: z.output<S>) => readonly TerminalKey[]
  /** How far sound ones stray, by parameter: ln of the factor within which two thirds of them lie. */
  readonly spread?: Readonly<Record<string, number>>
  /** Amps that it lets out at the most before it shuts down by itself: what hangs on it needs no fuse. */
  readonly limitsAmps?: number
  /** Values that follow from the choice of a size, where they are not given themselves. */
  readonly sizes?: {
    readonly by: string
    readonly presets: Readonly<Record<string, Readonly<Record<string, number>>>>
  }
  /** Pieces that a student strikes out or rings; every segment is in one of them. */
  readonly units: readonly StrikeUnit[]
  /** Segments that are one article at the parts counter: they are condemned and replaced together. */
  readonly orderedAs?: readonly string[]
  /** It gives current of its own beside the battery: a path from it begins there. */
  readonly generates?: boolean
  /** Segments that are the load itself, its socket left out: what a path runs on. */
  readonly loads?: readonly string[]
  /** Segments that are meant to take volts on the way to a load, or after it: a step resistor, an exciter. */
  readonly steps?: readonly string[]
  /** Pairs of terminals between which it is measured when it lies on the bench; from end to end unless said. */
  readonly benchPairs?: readonly (readonly [TerminalKey, TerminalKey])[]
  /** What a lesson about it is about, beside how it failed. */
  readonly topic?: 'relays' | 'starting' | 'charging' | 'modules' | 'grounds'
  /** What an eye sees of its plugs and sockets from the front. */
  readonly faces?: (parameters: z.output<S>) => Faces
  /** One that is like it is at hand: in a socket beside it, or in the spares box. It is swapped in a moment. */
  readonly interchangeable?: true
  /** It guards what comes after it. */
  readonly protects?: {
    readonly segment: string
    /** Amps. */
    readonly rating: (parameters: z.output<S>, struck: ReadonlyMap<string, number>) => number
    /** Amps, from and to, that its body is made for. */
    readonly range?: (parameters: z.output<S>) => readonly [number, number]
    /** It melts, once and for all, rather than trip. */
    readonly melts?: true
    /** mm² of the thinnest wire that it guards, where it is chosen by section and not by amps. */
    readonly guards?: (parameters: z.output<S>) => number
    /** A blade fuse: the spots on its back for two tips, and its body, by which millivolts become amps. */
    readonly blade?: {
      readonly spots: readonly [TerminalKey, TerminalKey]
      readonly body: (parameters: z.output<S>) => 'mini' | 'regular' | 'maxi'
    }
  }
  /** Of a part that switches by itself: where it rests, and what it does next; it may fail to settle. */
  readonly modes?: {
    readonly rest: string
    readonly all: readonly string[]
    /** Seconds from when it is told to until it is there. */
    readonly travel?: number
    readonly next: (parameters: z.output<S>, sense: Sense, around: Surroundings) => string
  }
  /** The segment whose current moves it, of what can be tried on the bench. */
  readonly coil?: string
  /** What a scan tool would show of it. */
  readonly scan?: (parameters: z.output<S>, sense: Sense, around: Surroundings) => readonly ScanRow[]
  readonly stamp: (parameters: z.output<S>, net: Net, around: Surroundings) => void
  /** What a person notices, from what happens in `segment`. */
  readonly notice?: {
    readonly segment: string
    /** A driver would complain of it, though it is no load. */
    readonly complained?: true
    readonly read: (parameters: z.output<S>, at: At, more: Attention) => Notice
    readonly all: readonly Notice[]
    /** How bright each of its lights is, and which parts are like it: an eye sees them beside each other. */
    readonly beside?: {
      readonly like: (parameters: z.output<S>) => string
      readonly shines: (parameters: z.output<S>, of: (segment: string) => At) => readonly number[]
    }
  }
  /** One line of the main values, as a drawing carries it. */
  readonly summary: (parameters: z.output<S>) => Words
}

/** What a control's position is called. */
export const positionName = ({ positionNames }: Pick<AnyPart, 'positionNames'>, key: string): Words =>
  positionNames?.[key] ?? (`parts.position.${key}` as Code)

/**
 * Rated volts that a winding stands for good. Heat ∝ V²: some 40 K over its surroundings at the rated volts (common practice, no
 * source), and insulation of class F ends at 155 °C (IEC 60085, from memory): 130 K over a room are 1.8 times the volts.
 */
export const windingBears = 1.8

/** A part whose parameters have been checked at the door: its schema's type is no longer needed. */
export type AnyPart = PartDefinition

/** Gives a definition its types; the value says everything about the part. */
export function definePart<S extends z.ZodObject>(definition: PartDefinition<S>): AnyPart {
  // Parameters are validated against `definition.parameters` before any of its functions meets them.
  return definition as unknown as AnyPart
}

export const passive: readonly string[] = ['open', 'highResistance', 'corroded']
