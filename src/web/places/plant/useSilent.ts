import { onScopeDispose, ref, shallowRef, toRaw, watch, type Ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import type { SilentAsk, SilentSays } from '../../workers/silent'
import { startWorker } from '../../workers/start'

/** What an earlier look has found, for as long as the circuit stays what it is. */
const kept = new WeakMap<Circuit, Map<string, readonly number[]>>()

/**
 * Which of some faults never show and break no limit, at any size: worked out beside the page for the part at hand.
 * @returns places in `faults`; empty until they are known
 */
export function useSilent(circuit: Ref<Circuit>, faults: Ref<readonly Fault[]>) {
  const silent = shallowRef<ReadonlySet<number>>(new Set())
  const looking = ref(false)
  let worker: Worker | null = null
  let latest = 0

  function look(): void {
    const id = ++latest
    if (looking.value) worker?.terminate()
    const stopped = looking.value
    silent.value = new Set()
    looking.value = false
    const own = toRaw(circuit.value)
    const key = JSON.stringify(faults.value)
    const known = kept.get(own)?.get(key)
    if (known || !faults.value.length) {
      silent.value = new Set(known)
      if (stopped) worker = null
      return
    }
    if (stopped || !worker) worker = startWorker('silent')
    worker.onmessage = ({ data }: MessageEvent<SilentSays>) => {
      if (data.id !== latest) return
      kept.set(own, (kept.get(own) ?? new Map<string, readonly number[]>()).set(key, data.silent))
      silent.value = new Set(data.silent)
      looking.value = false
    }
    worker.onerror = () => (looking.value = false)
    looking.value = true
    worker.postMessage(JSON.parse(JSON.stringify({ id, circuit: own, faults: faults.value })) as SilentAsk)
  }
  watch([circuit, faults], look, { immediate: true })
  onScopeDispose(() => worker?.terminate())
  return { silent, looking }
}
