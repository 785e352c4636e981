import { settable, type Circuit } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { limitSetFor, stateKey } from '../readings'
import { symptomOf } from './symptom'

/** What a size of a fault brings about: a driver notices it, a loss is over its limit, a fuse or a piece gives way. */
export type SizeEffect = 'shows' | 'breaks' | 'blows'

/** From this size on, up or down, an effect is there. */
export interface SizeMark {
  readonly effect: SizeEffect
  /** Size in the unit of the fault's kind. */
  readonly severity: number
  /** Which way from it the effect lies. */
  readonly towards: 'more' | 'less'
}

/** Steps of a size, spaced by their ratio, over its whole range: what holds only between two of them is not found. */
const steps = 24
/** An edge is known to a quarter of a per cent of a step's ratio. */
const halvings = 8

/**
 * Where along the range of a fault's size each effect begins: what stands as marks on the slider.
 * @param others faults that stand beside it
 * @returns marks from the smallest size to the largest; none for an effect that every size has, or none
 */
export function sizeMarks(circuit: Circuit, fault: Fault, others: readonly Fault[] = []): SizeMark[] {
  const range = faultOfKind(fault.kind).severity
  if (!range) return []
  const ratio = range.most / range.least
  const severityAt = (share: number) => range.least * ratio ** share
  const set = limitSetFor(circuit)
  const states = circuit.states.filter(settable)
  const gone = (planted: readonly Fault[]) =>
    new Set(
      states.flatMap((state) => {
        const key = stateKey(circuit, planted, state)
        return key.ok ? key.blown : []
      }),
    )
  const goneAnyway = gone(others)
  const has: Readonly<Record<SizeEffect, (planted: readonly Fault[]) => boolean>> = {
    shows: (planted) => symptomOf(circuit, planted, true).states.length > 0,
    breaks: (planted) =>
      states.some((state) => {
        const key = stateKey(circuit, planted, state)
        return key.ok && key.balances.some((b, i) => set.judge(b, key.walks[i]!).passes === false)
      }),
    blows: (planted) => [...gone(planted)].some((id) => !goneAnyway.has(id)),
  }
  const marks: SizeMark[] = []
  for (const effect of Object.keys(has) as SizeEffect[]) {
    const holds = (share: number) => has[effect]([...others, { ...fault, severity: severityAt(share) }])
    const samples = Array.from({ length: steps + 1 }, (_, i) => holds(i / steps))
    samples.forEach((now, i) => {
      if (i === 0 || samples[i - 1] === now) return
      let [without, within] = now ? [(i - 1) / steps, i / steps] : [i / steps, (i - 1) / steps]
      for (let n = 0; n < halvings; n++) {
        const middle = (without + within) / 2
        if (holds(middle)) within = middle
        else without = middle
      }
      marks.push({
        effect,
        severity: Number(severityAt(within).toPrecision(3)),
        towards: now ? 'more' : 'less',
      })
    })
  }
  return marks.sort((a, b) => a.severity - b.severity)
}
