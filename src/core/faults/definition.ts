import type { Words } from '../document'
import type { AnyPart, Segment } from '../parts'
import type { Element, Owner } from '../solve'
import type { Severity } from './fault'

/** What a fault may do to the network around the segment that it strikes. */
export interface Site {
  /** Elements of the struck segment; what is returned takes their place. */
  readonly elements: readonly Element[]
  /** The segment's two nodes, whether or not anything joins them now. */
  readonly between: readonly [number, number]
  readonly owner: Owner
  readonly freshNode: () => number
  readonly ground: number
  /** The battery's positive post. */
  readonly supply: number
  /** How far along the conductor, 0 to 1. */
  readonly at: number
  /** mm² of the conductor, where the part has a section. */
  readonly section: number | undefined
  /** Ohms at a milliamp, of a fault whose kind has them. */
  readonly cold: number
  /** Volts of the whole system, nominal. */
  readonly nominal: number
  /** Somebody moves the part while measuring. */
  readonly wiggled: boolean
  /** The other piece that the fault involves. */
  readonly other?: { readonly elements: readonly Element[]; readonly between: readonly [number, number] }
}

/** What a fault leaves: the struck segment's elements, and those of the other piece if it changes them. */
export interface Struck {
  readonly own: Element[]
  readonly other?: Element[]
}

/** A relative weight before anything is measured, with its reason. It decides what counts as doubt. */
export interface Prior {
  readonly weight: number
  readonly why: string
}
/** Of most kinds none is met more often than the others. */
export const asUsual: Prior = { weight: 1, why: 'one of the usual ways in which such a piece fails' }

/** What faults have in common for a lesson, by which a work order narrows them down; and the skill that they ask for, if any. */
export const families = {
  opens: { title: 'faults.opens', skill: 'opens' },
  resistance: { title: 'faults.highResistance', skill: 'drops' },
  shorts: { title: 'faults.shorts', skill: 'shorts' },
  drains: { title: 'faults.drains', skill: 'drains' },
  switching: { title: 'faults.switchesAndContacts', skill: 'relays' },
  loads: { title: 'faults.loads', skill: 'loads' },
  sources: { title: 'faults.batteryAndSource', skill: 'starting' },
  modules: { title: 'faults.modules', skill: 'modules' },
  wiring: { title: 'faults.wrongPieceOrWrongPlace' },
} as const satisfies Readonly<Record<string, { readonly title: Words; readonly skill?: string }>>
export type Family = keyof typeof families

/** What an eye finds at a piece, the least first. */
export const sights = {
  unmarked: 'faults.sight.nothing',
  crusted: 'faults.sight.crusted',
  browned: 'faults.sight.browned',
  chafed: 'faults.sight.chafed',
  empty: 'faults.sight.empty',
  otherRating: 'faults.sight.otherRating',
  gone: 'faults.sight.gone',
} as const satisfies Readonly<Record<string, Words>>
export type Sight = keyof typeof sights

export interface FaultDefinition<K extends string = string> {
  readonly kind: K
  readonly title: Words
  readonly family: Family
  /** How often it is met beside the other kinds that can strike the same piece (common practice, no source). */
  readonly prior: Prior
  readonly severity?: Severity
  /** How it is made on a real board. */
  readonly built: Words
  readonly caution?: Words
  readonly describe: (severity: number, about: Pick<Site, 'section' | 'cold'>) => Words
  /** Ohms at a milliamp are a value of their own beside the severity. */
  readonly cold?: Omit<Severity, 'grid'>
  readonly strike: (site: Site, severity: number) => Element[] | Struck
  /** It involves a second piece: of what kinds of part and segment that may be. */
  readonly involves?: 'conductor' | 'pin'
  /** Segments that it strikes beside those that name it themselves. */
  readonly strikes?: (segment: Segment, part: AnyPart) => boolean
  /** It can make more current flow than the sound circuit: only such a fault melts what that does not. */
  readonly drawsMore?: true
  /** It makes heat on the board. */
  readonly heats?: true
  /** The conductor is touched on its way: before and behind the place run two currents. */
  readonly touches?: true
  /** It lies in the way of the current, and does the same wherever along the way that is. */
  readonly inLine?: true
  /** Taking the joint apart and together again hides it: it has “repaired itself”. */
  readonly reseats?: true
  /** What an eye finds of it on a vehicle, and whether only once the part is out or its plug apart; nothing unless said. */
  readonly seen?: { readonly as: Exclude<Sight, 'unmarked'>; readonly apart?: true }
  /** It is made from a resistor of its severity, or by cutting strands. */
  readonly madeBy?: 'resistor' | 'strands'
  /** Names that are taken for it where nothing in the bag told them apart. */
  readonly sameAs?: readonly string[]
  /** Repairs that cure it, by their keys, where they fit the piece. */
  readonly repairedBy: readonly string[]
}

/** Gives a definition its types; its kind stays a literal, from which `FaultKind` is made. */
export const defineFault = <const K extends string>(definition: FaultDefinition<K>): FaultDefinition<K> =>
  definition
