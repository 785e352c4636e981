import { partOfKind } from '../parts'
import type { Circuit, Part } from './schema'

/** What the whole circuit runs on. */
export interface System {
  /** Volts of the first source at rest, nominal. */
  readonly rest: number
  /** Class of the vehicle: what its lamps, loads and relays are made for. */
  readonly nominal: 12 | 24
}

/** The first source, whose negative post is the reference of every voltage. */
export const firstSource = (parts: readonly Part[]): Part | undefined =>
  parts.find((part) => partOfKind(part.kind).role === 'source')

/** Volts of the system, by its first source: a battery's blocks, or what a bench supply is set to. */
export function systemOf({ parts }: Pick<Circuit, 'parts'>): System {
  const source = firstSource(parts)
  const rest = (source && partOfKind(source.kind).supplies?.volts(source.parameters)) ?? 12.6
  return { rest, nominal: rest > 18 ? 24 : 12 }
}
