import { coded, say } from '../document'
import { z } from 'zod'
import type { TerminalRef } from './refs'
import { partOfKind } from '../parts'
import type { Part } from './schema'

/** `part.terminal`, such as `B1.p`. */
export const terminalRef = z
  .string()
  .regex(/^[A-Z]{1,3}[0-9]{1,3}\.[a-z0-9]+$/i, coded(say('circuit.terminalRef'))) as unknown as z.ZodType<
  TerminalRef,
  TerminalRef
>

const warmth = coded(say('circuit.temperature', { least: '−40', most: 120 }))

/** A circuit state is data that the instructor names: controls, and what is taken out. */
export const stateSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z
    .string()
    .min(1, coded(say('circuit.stateName')))
    .max(80),
  /** Part id → position of its control. A control not named rests. */
  controls: z.record(z.string(), z.string()).default({}),
  /** Ids of parts that are unplugged, pulled or lifted. */
  detached: z.array(z.string()).default([]),
  /** Pairs of terminals joined by a fused jumper, such as `["W2.b", "L1.a"]`. */
  bypassed: z.array(z.tuple([terminalRef, terminalRef])).optional(),
  /** A, of the fuse in each of these jumpers; none: a piece of wire. */
  jumperFuse: z.number().min(1).max(40).optional(),
  /** What the battery has just been through, and how long ago that ended. */
  battery: z
    .strictObject({ after: z.enum(['charging', 'load']), minutes: z.number().min(0).max(1440) })
    .optional(),
  /** Ids of parts that somebody moves while measuring. */
  wiggled: z.array(z.string()).optional(),
  /** Pairs of like parts that have changed places, and ids of parts in whose place the spare of the box stands. */
  swapped: z.array(z.tuple([z.string(), z.string()])).optional(),
  spares: z.array(z.string()).optional(),
  /** The engine turns by itself: the alternator is driven. */
  engine: z.enum(['off', 'running']).optional(),
  /** °C, where it is not the circuit's own. */
  temperature: z.number().min(-40, warmth).max(120, warmth).optional(),
  /** Seconds since the key was turned off: modules fall asleep in steps. */
  sinceKeyOff: z.number().min(0).max(1e6).optional(),
  /** Id of the state that it was entered from: what latched there stays latched. From rest unless said. */
  after: z.string().optional(),
})
export type CircuitState = z.infer<typeof stateSchema>

/** A state that a person can set with the controls and by taking things out; the weather and the past are not theirs. */
export const settable = ({ temperature, bypassed, after, battery }: CircuitState): boolean =>
  temperature === undefined && !bypassed?.length && after === undefined && battery === undefined

/**
 * The same for two states in which the circuit is the same, whatever they are called, and whether they name a control that
 * rests or not.
 */
export const stateSignature = (
  { parts }: { readonly parts: readonly Part[] },
  state: CircuitState,
): string => {
  const { controls, detached, bypassed, wiggled, engine, temperature, sinceKeyOff, after, battery } = state
  const positions = parts.flatMap(({ id, kind }) => {
    const position = controls[id]
    return position === undefined || position === partOfKind(kind).positions?.[0] ? [] : [`${id}=${position}`]
  })
  return [
    positions.sort().join(),
    [...detached].sort().join(),
    (bypassed ?? []).map((pair) => pair.join('~')).join(),
    [...(wiggled ?? [])].sort().join(),
    engine === 'running' ? engine : '',
    temperature ?? '',
    sinceKeyOff ?? 0,
    after ?? '',
    state.jumperFuse ?? '',
    battery ? `${battery.after} ${battery.minutes}` : '',
    ...(state.swapped?.length || state.spares?.length
      ? [
          (state.swapped ?? [])
            .map((pair) => [...pair].sort().join('~'))
            .sort()
            .join(),
          [...(state.spares ?? [])].sort().join(),
        ]
      : []),
  ].join(';')
}

/** The state to open a circuit in: the first in which somebody has switched something on, as that is where volts drop. */
export const openingState = ({
  states,
  parts,
}: {
  states: readonly CircuitState[]
  parts: readonly Part[]
}) =>
  states.find(({ controls }) =>
    parts.some(({ id, kind }) => {
      const position = controls[id]
      return position !== undefined && position !== partOfKind(kind).positions?.[0]
    }),
  ) ?? states[0]!
