import { aftermath, solveBoard } from '../board'
import { openingState, systemOf, type Circuit, type CircuitState } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { clampAmps, withTestLamp } from '../instruments'
import { modelOf, walkPaths } from '../model'
import { brightness, partOfKind, type Notice } from '../parts'

/** Amps of the lamp that stands in the fuse's place, at the system's volts. */
export const lampForFuseAmps = 2

/** A lamp in the place of one fuse, every load unplugged: what a clamp then reads along the harness. */
export interface LampForFuse {
  readonly fuse: string
  readonly state: CircuitState
  readonly glow: Notice
  /** Volts across the lamp. */
  readonly volts: number
  /** Amps near either end of each conductor behind the fuse: they differ where the current leaves on the way. */
  readonly places: readonly { readonly part: string; readonly near: number; readonly far: number }[]
}

/** How far along a conductor a clamp sits near its ends. */
const ends = { near: 0.05, far: 0.95 }

/**
 * The key of the lamp in place of the fuse, for each fuse behind which something touches what it should not; in the state in
 * which somebody has switched something on. Empty where no planted fault touches anything.
 */
export function lampForFuseKeys(circuit: Circuit, faults: readonly Fault[]): LampForFuse[] {
  const touching = faults.filter(({ kind }) => faultOfKind(kind).touches)
  if (!touching.length) return []
  const struck = new Set(touching.map(({ part }) => part))
  const gone = aftermath(circuit, faults)
  const fuses = new Set(
    walkPaths(circuit).flatMap(({ strides }) => {
      const hit = strides.findIndex(({ part }) => struck.has(part))
      return strides
        .slice(0, Math.max(0, hit))
        .filter(({ part }) => partOfKind(modelOf(circuit).part(part).part.kind).protects?.blade)
        .slice(-1)
        .map(({ part }) => part)
    }),
  )
  return [...fuses].flatMap((fuse) => keyOf(circuit, faults, fuse, gone) ?? [])
}

function keyOf(
  circuit: Circuit,
  faults: readonly Fault[],
  fuse: string,
  gone: ReadonlySet<string>,
): LampForFuse | undefined {
  const opening = openingState(circuit)
  const loads = circuit.parts.filter(
    ({ kind }) => partOfKind(kind).role === 'load' && partOfKind(kind).detach,
  )
  const state: CircuitState = {
    ...opening,
    detached: [...new Set([...opening.detached, fuse, ...loads.map(({ id }) => id)])],
    // What touches only on the road is moved for it.
    wiggled: faults.flatMap(({ moving, part }) => (moving ? [part] : [])),
  }
  const whole = new Set([...gone].filter((id) => id !== fuse))
  const solved = solveBoard(circuit, faults, state, { blown: whole })
  const gap = partOfKind(modelOf(circuit).part(fuse).part.kind).detach?.gap
  if (!solved.ok || !gap) return undefined
  const [red, black] = gap.map((key) => solved.board.wiring.nodeOf(fuse, key)) as [number, number]
  const rated = systemOf(circuit).nominal
  const lit = withTestLamp(solved, red, black, lampForFuseAmps, rated)
  if (!lit.ok) return undefined
  const volts = Math.abs(lit.volts(red, black) ?? 0)
  const behind = new Set<string>()
  for (const { strides } of walkPaths(circuit)) {
    const at = strides.findLastIndex(({ part }) => part === fuse)
    if (at < 0) continue
    for (const { part, side } of strides.slice(at + 1))
      if (side === 'feed' && partOfKind(modelOf(circuit).part(part).part.kind).cable) behind.add(part)
  }
  const amps = (part: string, at: number) => Math.abs(clampAmps(lit, [{ part, at, against: false }]))
  return {
    fuse,
    state,
    glow: brightness(volts, rated),
    volts,
    places: [...behind].map((part) => ({ part, near: amps(part, ends.near), far: amps(part, ends.far) })),
  }
}
