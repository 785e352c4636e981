import { onScopeDispose, ref, shallowRef, toRaw, triggerRef } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { SeenFault, Sight, Sights } from '../../../core/diagnosis'
import type { Fault } from '../../../core/faults'
import type { SightAsk, SightSays } from '../../workers/sight.worker'

/** Sees every fault by every test in a worker: fills up as it goes, and can be stopped. */
export function useSight() {
  const sights = shallowRef<Sights | null>(null)
  const planted = shallowRef<Sight | null>(null)
  const seen = shallowRef<SeenFault[]>([])
  const progress = ref<{ done: number; of: number } | null>(null)
  let worker: Worker | null = null

  function stop(): void {
    worker?.terminate()
    worker = null
    progress.value = null
  }

  function begin(circuit: Circuit, faults: readonly Fault[]): void {
    stop()
    seen.value = []
    planted.value = null
    progress.value = { done: 0, of: 1 }
    worker = new Worker(new URL('../../workers/sight.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<SightSays>) => {
      if (data.type === 'begun') {
        sights.value = data.sights
        planted.value = data.planted
      } else if (data.type === 'seen') {
        seen.value.push(...data.seen)
        triggerRef(seen)
        progress.value = { done: data.done, of: data.of }
      } else stop()
    }
    worker.onerror = () => stop()
    // What is reactive cannot be handed to a worker; documents are plain data.
    const ask: SightAsk = JSON.parse(JSON.stringify({ circuit: toRaw(circuit), planted: faults })) as SightAsk
    worker.postMessage(ask)
  }
  onScopeDispose(stop)
  return { sights, planted, seen, progress, begin, stop }
}
