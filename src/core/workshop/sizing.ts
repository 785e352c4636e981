import { findPart } from '../model'
import { type Message, say, messageOf, type Words } from '../document'
import type { Circuit, CircuitState } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { limitSetFor, stateKey, type StateKey, isolatedRows } from '../readings'
import { workshopMeter } from '../instruments'
import { nameOfPart, partOfKind } from '../parts'

/** What a planted fault is to bring about. */
export type Effect =
  /** A load shows this: `dim`, `slow`. */
  | { readonly type: 'notice'; readonly part: string; readonly key: string }
  /** So many volts are lost on one side of a path. */
  | { readonly type: 'loss'; readonly path: number; readonly side: 'feed' | 'return'; readonly volts: number }
  /** The piece beeps on the bench, and the path fails the chosen limits when it works. */
  | { readonly type: 'lazy'; readonly path: number; readonly limits: string }

export type Sized =
  | {
      readonly ok: true
      readonly severity: number
      /** Between these the effect holds; for a loss both are the severity itself. */
      readonly least: number
      readonly most: number
    }
  | { readonly ok: false; readonly why: Message }

const steps = 72

/**
 * Severity of `fault` that brings `effect` about in `state`: the range is walked in decades, the edges are closed in on by
 * halving, and the middle of the widest stretch is taken, where a little more or less does no harm.
 * @param others faults that stand beside it
 */
export function sizeFault(
  circuit: Circuit,
  fault: Fault,
  state: CircuitState,
  effect: Effect,
  others: readonly Fault[] = [],
): Sized {
  const range = faultOfKind(fault.kind).severity
  if (!range)
    return { ok: false, why: say('workshop.noSize', { title: messageOf(faultOfKind(fault.kind).title) }) }
  const ratio = range.most / range.least
  const severityAt = (share: number) => range.least * ratio ** share
  const keyAt = (share: number) => {
    const key = stateKey(circuit, [...others, { ...fault, severity: severityAt(share) }], state)
    return key.ok ? key : undefined
  }
  if (effect.type === 'loss') return sizeLoss(effect, keyAt, severityAt)
  const holds = (share: number): boolean => {
    const key = keyAt(share)
    if (!key) return false
    if (effect.type === 'notice')
      return key.notices.some((n) => n.part === effect.part && n.key === effect.key)
    if (key.blown.length) return false
    const verdict = limitSetFor(circuit, effect.limits).judge(
      key.balances[effect.path]!,
      key.walks[effect.path]!,
    )
    if (verdict.passes !== false) return false
    const alone = isolatedRows(circuit, [{ ...fault, severity: severityAt(share) }], workshopMeter, new Set())
    return alone.filter((r) => r.part === fault.part).every((r) => r.continuity.beeps)
  }
  const hits = Array.from({ length: steps + 1 }, (_, i) => holds(i / steps))
  const runs: { from: number; to: number }[] = []
  hits.forEach((hit, i) => {
    const last = runs[runs.length - 1]
    if (hit && last?.to === i - 1) last.to = i
    else if (hit) runs.push({ from: i, to: i })
  })
  const widest = runs.sort((a, b) => b.to - b.from - (a.to - a.from))[0]
  if (!widest) return { ok: false, why: notReached(circuit, fault, effect) }
  const edge = (inside: number, outside: number) => {
    if (outside < 0 || outside > steps) return inside / steps
    let [a, b] = [inside / steps, outside / steps]
    for (let n = 0; n < 12; n++) {
      const middle = (a + b) / 2
      if (holds(middle)) a = middle
      else b = middle
    }
    return a
  }
  const [low, high] = [edge(widest.from, widest.from - 1), edge(widest.to, widest.to + 1)]
  return {
    ok: true,
    severity: round(severityAt((low + high) / 2)),
    least: severityAt(low),
    most: severityAt(high),
  }
}

function sizeLoss(
  { path, side, volts }: Extract<Effect, { type: 'loss' }>,
  keyAt: (share: number) => StateKey | undefined,
  severityAt: (share: number) => number,
): Sized {
  const lossAt = (share: number) => {
    const balance = keyAt(share)?.balances[path]
    return (side === 'feed' ? balance?.feedLoss.value : balance?.returnLoss.value) ?? Number.NaN
  }
  const samples = Array.from({ length: steps + 1 }, (_, i) => lossAt(i / steps))
  const i = samples.findIndex((v, n) => n > 0 && (samples[n - 1]! - volts) * (v - volts) <= 0)
  if (i < 0) {
    const reach = samples.filter((v) => !Number.isNaN(v))
    const most = Math.max(...reach).toFixed(2)
    const least = Math.min(...reach).toFixed(2)
    return {
      ok: false,
      why: say('workshop.outOfReach', { least, most, side, volts: { shown: String(volts) } }),
    }
  }
  let [a, b] = [(i - 1) / steps, i / steps]
  const rising = samples[i]! >= samples[i - 1]!
  for (let n = 0; n < 30; n++) {
    const middle = (a + b) / 2
    if (lossAt(middle) < volts === rising) a = middle
    else b = middle
  }
  const severity = severityAt((a + b) / 2)
  return { ok: true, severity, least: severity, most: severity }
}

const round = (value: number) => Number(value.toPrecision(3))

function notReached(circuit: Circuit, fault: Fault, effect: Effect): Message {
  const title = messageOf(faultOfKind(fault.kind).title)
  if (effect.type === 'notice') {
    const part = findPart(circuit, effect.part)
    const text = part && partOfKind(part.kind).notice?.all.find((n) => n.key === effect.key)?.text
    return say('workshop.noNotice', { title, part: effect.part, notice: text ? messageOf(text) : effect.key })
  }
  return say('workshop.noLazy', { title })
}

/** What may be asked of a fault here: each load's words, and a loss on either side. */
export function noticesOf(circuit: Circuit): { part: string; name: Message; key: string; text: Words }[] {
  return circuit.parts.flatMap((part) => {
    const { notice, role } = partOfKind(part.kind)
    if (!notice || (role !== 'load' && !notice.complained)) return []
    return notice.all.map(({ key, text }) => ({ part: part.id, name: nameOfPart(part), key, text }))
  })
}
