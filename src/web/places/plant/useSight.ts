import { onScopeDispose, ref, shallowRef, toRaw, triggerRef } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { SeenFault, Sight, Sights } from '../../../core/diagnosis'
import type { Fault } from '../../../core/faults'
import type { SightAsk, SightSays } from '../../workers/sight.worker'

/** No more than this many share the work: each has to load the engine first. */
const mostSharers = 4

/** Sees every fault by every test, in as many workers as there are cores: fills up as it goes, and can be stopped. */
export function useSight() {
  const sights = shallowRef<Sights | null>(null)
  const planted = shallowRef<Sight | null>(null)
  const seen = shallowRef<SeenFault[]>([])
  const twins = shallowRef<readonly Fault[]>([])
  const progress = ref<{ done: number; of: number } | null>(null)
  let workers: Worker[] = []

  function stop(): void {
    for (const worker of workers) worker.terminate()
    workers = []
    progress.value = null
  }

  function begin(circuit: Circuit, faults: readonly Fault[]): void {
    stop()
    seen.value = []
    twins.value = []
    planted.value = null
    progress.value = { done: 0, of: 1 }
    const of = Math.max(1, Math.min(mostSharers, navigator.hardwareConcurrency || 1))
    const shares = Array.from({ length: of }, () => ({ done: 0, of: 1 }))
    const tell = () =>
      (progress.value = {
        done: shares.reduce((sum, share) => sum + share.done, 0),
        of: shares.reduce((sum, share) => sum + share.of, 0),
      })
    let left = of
    workers = shares.map((share, nth) => {
      const worker = new Worker(new URL('../../workers/sight.worker.ts', import.meta.url), { type: 'module' })
      worker.onmessage = ({ data }: MessageEvent<SightSays>) => {
        if (data.type === 'begun') {
          sights.value = data.sights
          planted.value = data.planted
        } else if (data.type === 'seen') {
          if (data.seen.length) {
            seen.value.push(...data.seen)
            triggerRef(seen)
          }
          if (data.twins.length) twins.value = [...twins.value, ...data.twins]
          share.done = data.done
          share.of = data.of
          tell()
        } else if (--left === 0) stop()
      }
      worker.onerror = () => stop()
      // What is reactive cannot be handed to a worker; documents are plain data.
      const ask = { circuit: toRaw(circuit), planted: faults, share: { nth, of } }
      worker.postMessage(JSON.parse(JSON.stringify(ask)) as SightAsk)
      return worker
    })
  }
  onScopeDispose(stop)
  return { sights, planted, seen, twins, progress, begin, stop }
}
