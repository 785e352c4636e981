import type { Circuit } from '../../core/circuit'
import {
  alike,
  seeAll,
  sightOf,
  sightsOf,
  type SeenFault,
  type Sight,
  type Sights,
} from '../../core/diagnosis'
import type { Fault } from '../../core/faults'

export interface SightAsk {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  /** Which of several that share the work this one is; the first says what is planted as well. */
  readonly share: { readonly nth: number; readonly of: number }
}
export type SightSays =
  | { readonly type: 'begun'; readonly sights: Sights; readonly planted: Sight | null }
  | {
      readonly type: 'seen'
      /** At their usual size. */
      readonly seen: readonly SeenFault[]
      /** At any size: those that no test tells from what is planted. */
      readonly twins: readonly Fault[]
      readonly done: number
      readonly of: number
    }
  | { readonly type: 'done' }

const say = (message: SightSays) => postMessage(message)

/** Sees every fault; whoever has enough of it ends the worker. */
self.onmessage = ({ data }: MessageEvent<SightAsk>) => {
  const { circuit, planted, share } = data
  const sights = sightsOf(circuit)
  const own = planted.length ? sightOf(circuit, planted) : null
  if (share.nth === 0) say({ type: 'begun', sights, planted: own })
  let batch: SeenFault[] = []
  let twins: Fault[] = []
  let told = performance.now()
  for (const { seen, done, of } of seeAll(circuit, share)) {
    if (!seen.variant) batch.push(seen)
    if (own && alike(sights, seen.sight, own)) twins.push(seen.fault)
    if (performance.now() - told < 250 && done < of) continue
    say({ type: 'seen', seen: batch, twins, done, of })
    batch = []
    twins = []
    told = performance.now()
  }
  say({ type: 'done' })
}
