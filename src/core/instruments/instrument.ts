import type { Attachment, SolvedBoard } from '../board'
import type { Circuit } from '../circuit'
import type { Wiring } from '../model'
import type { Message, Words } from '../document'
import type { Unit } from '../quantity'
import type { Held, Hold, Place } from './held'
import type { MeterType } from './meter'

/** Something that is set on an instrument before it is held: a closed list with its default. */
export interface Setting {
  readonly key: string
  readonly label: Words
  readonly options: readonly { readonly key: string; readonly label: Words }[]
  readonly preset: string
}
export type Settings = Readonly<Record<string, string>>

/** What an instrument did to the bench by being connected. */
export interface Effects {
  /** Fuses of the circuit that blew, by part id. */
  readonly blown: readonly string[]
  /** The jack of the meter whose fuse blew. */
  readonly meterFuse?: 'A' | 'mA'
}

/** What an instrument tells. */
export interface Reading {
  /** As shown, SI; undefined for OL and for what is told in a word. */
  readonly value?: number | undefined
  readonly unit: Unit
  /** As the display writes it, such as `12.34 V` or `OL`; empty for what an eye reads. */
  readonly text: string
  /** Key of what is seen, out of the instrument's scale: `bright`. */
  readonly word?: string
  /** What it tells beside its number. */
  readonly signs: readonly Message[]
  readonly did: Effects
}

/** Where a reading would lie; both ends Infinity for OL. Of what is told in a word: its place on the scale. */
export interface Interval {
  readonly low: number
  readonly high: number
}

/** Words that an instrument tells in, worst or least first, each with what it is called. */
export type Scale = Readonly<Record<string, Words>>

/** How a prediction is asked for. */
export type Ask =
  | { readonly type: 'value'; readonly unit: Unit; readonly open: boolean }
  | { readonly type: 'beep' }
  | { readonly type: 'word'; readonly words: Scale }

/** What technique rules and cautions go by. */
export interface Nature {
  /** It sends a current of its own: the circuit must be dead. */
  readonly needsDead?: true
  /** It is as good as a piece of wire: across a source it is a short. */
  readonly shorts?: true
  /** It carries the circuit's own current past something: a jumper or a load. */
  readonly carries?: true
  /** Amps that it draws at the system's volts; 0 for what reads without loading. */
  readonly draws: number
  /** It reads the volts between its two tips and loads them with next to nothing. */
  readonly between?: true
  /** Nothing in it melts before the wire does. */
  readonly unfused?: true
  /** It gives nothing for direct current. */
  readonly blind?: true
  /** It was not set to zero before it was held. */
  readonly notZeroed?: true
  /** It is an eye: nothing is predicted, nothing is held, and what it sees is of the model’s board only. */
  readonly byEye?: true
  /** It can be left where it is while something else reads, though it loads nothing. */
  readonly stays?: true
  /** It proves amps, not only that there is a way. */
  readonly underLoad?: true
}

/** An instrument where it is held, set as it is set, on a board that is solved with all else that is connected. */
export interface Use {
  readonly solved: SolvedBoard
  readonly place: Place
  readonly settings: Settings
  readonly meter: MeterType
}

/** What an instrument brings to the board while something else reads. */
export interface Connection {
  readonly attached: readonly Attachment[]
  /** Parts that are out while it stands in their place. */
  readonly opens: readonly string[]
  /** Parts that are out and whose coil it feeds on the bench. */
  readonly onSource?: readonly string[]
}

/** What a bag is made of: each has one or more instruments in it. */
export const devices = {
  multimeter: 'instruments.instrument.multimeter',
  clamp: 'instruments.instrument.clamp',
  lamps: 'instruments.instrument.testLamps',
  loads: 'instruments.instrument.jumperAndLoads',
  battery: 'instruments.instrument.batteryTester',
  hand: 'instruments.instrument.byHand',
  scan: 'instruments.instrument.scanTool',
} as const
export type Device = keyof typeof devices

/** An instrument says everything about itself; nothing else knows its key. */
export interface Instrument<K extends string = string> {
  readonly key: K
  readonly device: Device
  readonly title: Words
  readonly about: Words
  /** Keys of the cautions that stand near it as it is set: one that always stands there is not read. */
  readonly cautions: (settings: Settings) => readonly string[]
  readonly settings: readonly Setting[]
  readonly holds: readonly Hold[]
  readonly nature: (settings: Settings) => Nature
  readonly read: (use: Use) => Reading
  /** Half-width and all: what a board may make it show, the parts' tolerances included. */
  readonly expect: (use: Use) => Interval
  /**
   * About what it would read, from the board's volts and their small-signal response alone: for weighing which test tells
   * most, never for judging. Undefined where it would not be used so; an instrument without it is not weighed.
   */
  readonly guess?: (use: Use) => number | undefined
  /** What it brings to the board, where that is more than a voltmeter does. */
  readonly connect?: (use: Omit<Use, 'solved'>, circuit: Circuit) => Connection
  /** Slice of its outcomes that a person can tell from the next: equal slices are one outcome. */
  readonly tells: (value: number) => number
  readonly asks: Ask
  /** Where it makes sense to hold it. */
  readonly places: (circuit: Circuit, wiring: Wiring) => readonly Held[]
  /** Minutes to set it up where the place is open already. */
  readonly minutes: number
}

export const defineInstrument = <const K extends string>(instrument: Instrument<K>): Instrument<K> =>
  instrument

/** The settings with defaults for what is not said. */
export const settingsOf = ({ settings }: Pick<Instrument, 'settings'>, said: Settings = {}): Settings =>
  Object.fromEntries(settings.map(({ key, preset }) => [key, said[key] ?? preset]))

/**
 * A reading as the number that evidence is compared by: Infinity for OL, a word's place on the scale.
 * @returns in the reading's unit, or the word's place from 0
 */
export const numberOf = (
  { asks }: Pick<Instrument, 'asks'>,
  { word, value }: Pick<Reading, 'word' | 'value'>,
): number =>
  word !== undefined && asks.type === 'word' ? Object.keys(asks.words).indexOf(word) : (value ?? Infinity)

export const noEffects: Effects = { blown: [] }
