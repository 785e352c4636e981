import type { FaultKind } from '../parts'
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

export interface FaultDefinition {
  readonly kind: FaultKind
  readonly title: string
  readonly severity?: Severity
  /** How it is made on a real board. */
  readonly built: string
  readonly caution?: string
  readonly describe: (severity: number) => string
  readonly strike: (site: Site, severity: number) => Element[] | Struck
  /** It involves a second piece: of what kinds of part and segment that may be. */
  readonly involves?: 'conductor' | 'pin'
}
