import type { Circuit } from '../../core/circuit'
import { seeAll, sightOf, sightsOf, type SeenFault, type Sight, type Sights } from '../../core/diagnosis'
import type { Fault } from '../../core/faults'

export interface SightAsk {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
}
export type SightSays =
  | { readonly type: 'begun'; readonly sights: Sights; readonly planted: Sight | null }
  | { readonly type: 'seen'; readonly seen: readonly SeenFault[]; readonly done: number; readonly of: number }
  | { readonly type: 'done' }

const say = (message: SightSays) => postMessage(message)

/** Sees every fault; whoever has enough of it ends the worker. */
self.onmessage = ({ data }: MessageEvent<SightAsk>) => {
  const { circuit, planted } = data
  const sights = sightsOf(circuit)
  say({ type: 'begun', sights, planted: planted.length ? sightOf(circuit, planted) : null })
  let batch: SeenFault[] = []
  let told = performance.now()
  for (const { seen, done, of } of seeAll(circuit)) {
    batch.push(seen)
    if (performance.now() - told < 120 && done < of) continue
    say({ type: 'seen', seen: batch, done, of })
    batch = []
    told = performance.now()
  }
  say({ type: 'done' })
}
