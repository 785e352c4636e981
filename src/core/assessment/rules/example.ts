import type { Fault } from '../../faults'

/** What is read in an example and how: between two points by their names, round conductors, across a fuse. */
export type ExampleReading =
  | {
      readonly read: 'volts' | 'ohms' | 'beep'
      readonly red: string
      readonly black: string
      /** In another state than the example's. */
      readonly state?: string | undefined
      /** Parts that are moved meanwhile. */
      readonly wiggled?: string[]
    }
  | { readonly read: 'lamp'; readonly red: string; readonly black: string; readonly amps: number }
  | {
      readonly read: 'clamp'
      readonly wires: readonly string[]
      /** A, that it adds of its own. */
      readonly also: number
      /** It sees direct current. */
      readonly sees: boolean
    }
  | { readonly read: 'bridge'; readonly red: string; readonly black: string; readonly rating: number }
  | {
      readonly read: 'fuseTable'
      readonly part: string
      readonly type: 'mini' | 'regular' | 'maxi'
      readonly rating: number
      /** The table is the fuse's own. */
      readonly own: boolean
    }
  | {
      readonly read: 'times'
      readonly of: ExampleReading
      readonly factor: number
      readonly said: 'written' | 'displayed'
      /** Instead of that of what is read. */
      readonly unit?: 'V'
    }

/** A rule on one circuit: the wrong way and the right way to read it. */
export interface RuleExample {
  /** A circuit that ships with the application, and one of its states. */
  readonly circuit: string
  readonly state: string
  readonly faults?: readonly Fault[]
  readonly wrong: ExampleReading
  readonly right: ExampleReading
}

export const onWorkLamp = { circuit: 'sweeper-work-lamp', state: 'on' } as const
export const onStarting = { circuit: 'van-starting', state: 'crank' } as const

/** Ω of a long coiled jumper with its clips (common practice, no source). */
export const coiled = 0.05

export const voltsReading = (red: string, black: string, state?: string) =>
  ({ read: 'volts', red, black, state }) as const
export const ohms = (red: string, black: string, state?: string) =>
  ({ read: 'ohms', red, black, state }) as const
export const beep = (red: string, black: string, state?: string) =>
  ({ read: 'beep', red, black, state }) as const
export const lamp = (red: string, black: string, amps: number) =>
  ({ read: 'lamp', red, black, amps }) as const
export const clamp = (wires: readonly string[], also = 0, sees = true) =>
  ({ read: 'clamp', wires, also, sees }) as const
export const bridge = (red: string, black: string, rating: number) =>
  ({ read: 'bridge', red, black, rating }) as const
export const fuseTable = (part: string, type: 'mini' | 'regular' | 'maxi', rating: number, own: boolean) =>
  ({ read: 'fuseTable', part, type, rating, own }) as const
export const times = (of: ExampleReading, factor: number, said: 'written' | 'displayed') =>
  ({ read: 'times', of, factor, said }) as const
