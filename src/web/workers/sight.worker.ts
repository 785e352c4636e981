import type { Circuit } from '../../core/circuit'
import { seeAll, sightOf, sightsOf, type SeenFault, type Sight, type Sights } from '../../core/diagnosis'
import type { Fault } from '../../core/faults'

export interface SightAsk {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  /** Which of several that share the work this one is; the first says what is planted as well. */
  readonly share: { readonly nth: number; readonly of: number }
}
export type SightSays =
  | { readonly type: 'begun'; readonly sights: Sights; readonly planted: Sight | null }
  | { readonly type: 'seen'; readonly seen: readonly SeenFault[]; readonly done: number; readonly of: number }
  | { readonly type: 'done' }

const say = (message: SightSays) => postMessage(message)

/** Sees every fault; whoever has enough of it ends the worker. */
self.onmessage = ({ data }: MessageEvent<SightAsk>) => {
  const { circuit, planted, share } = data
  if (share.nth === 0)
    say({
      type: 'begun',
      sights: sightsOf(circuit),
      planted: planted.length ? sightOf(circuit, planted) : null,
    })
  let batch: SeenFault[] = []
  let told = performance.now()
  for (const { seen, done, of } of seeAll(circuit, share)) {
    batch.push(seen)
    if (performance.now() - told < 120 && done < of) continue
    say({ type: 'seen', seen: batch, done, of })
    batch = []
    told = performance.now()
  }
  say({ type: 'done' })
}
