import { isMessage, type Message } from '../../core/document'
import { wireUp } from '../../core/model'
import { type Circuit, type CircuitState } from '../../core/circuit'
import type { Fault } from '../../core/faults'
import { course, type Happening } from '../../core/time'

export interface CourseAsk {
  readonly circuit: Circuit
  readonly faults: readonly Fault[]
  readonly from: CircuitState
  readonly to: CircuitState
  readonly until: number
  /** Volts of a point over the reference, or amps through a piece. */
  readonly what: { readonly point: string } | { readonly part: string; readonly segment: string }
}
export interface Trace {
  /** Seconds after the change, and the value. */
  readonly samples: readonly (readonly [number, number])[]
  readonly happenings: readonly Happening[]
}
export type CourseSays =
  | { readonly ok: true; readonly healthy: Trace; readonly faulted: Trace | null }
  | { readonly ok: false; readonly why: Message }

/** One run, sound or faulted. */
function trace({ circuit, from, to, until, what }: CourseAsk, faults: readonly Fault[]): Trace | Message {
  const found = course(circuit, faults, { from, to, until })
  if (!found.ok) return found.why
  const node = 'point' in what ? wireUp(circuit).find(what.point)?.node : undefined
  return {
    happenings: found.happenings,
    samples: found.samples.map((s) => [
      s.time,
      'part' in what ? s.amps(what.part, what.segment) : node === undefined ? 0 : s.voltage[node]!,
    ]),
  }
}

export function work(data: CourseAsk): void {
  const healthy = trace(data, [])
  const faulted = data.faults.length ? trace(data, data.faults) : null
  const says: CourseSays = isMessage(healthy)
    ? { ok: false, why: healthy }
    : isMessage(faulted)
      ? { ok: false, why: faulted }
      : { ok: true, healthy, faulted }
  postMessage(says)
}
