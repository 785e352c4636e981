import { watchDebounced } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef, toRaw, type Ref } from 'vue'
import type { Frame } from '../../../core/attempt'
import type { Prepared } from '../../../core/assessment'
import type { Circuit } from '../../../core/circuit'
import type { Difficulty } from '../../../core/learning'
import type { Fault } from '../../../core/faults'
import type { WayAsk, WaySays } from '../../workers/shortest-way'
import { startWorker } from '../../workers/start'

/** The fewest tests that lead from the complaint to what is planted: worked out beside the page. */
export function useShortestWay(
  circuit: Ref<Circuit>,
  faults: Ref<readonly Fault[]>,
  complaint: Ref<Frame['complaint'] | undefined>,
) {
  const path = shallowRef<Prepared['path'] | null>(null)
  const difficulty = shallowRef<Difficulty | null>(null)
  const looking = ref(false)
  let worker: Worker | null = null
  let latest = 0

  function look(): void {
    latest++
    path.value = difficulty.value = null
    if (looking.value) {
      worker?.terminate()
      worker = null
    }
    looking.value = false
    if (!faults.value.length || !complaint.value?.length) return
    if (!worker) {
      worker = startWorker('shortest-way')
      worker.onmessage = ({ data }: MessageEvent<WaySays>) => {
        if (data.id !== latest) return
        path.value = data.path
        difficulty.value = data.difficulty
        looking.value = false
      }
      worker.onerror = () => (looking.value = false)
    }
    looking.value = true
    const ask: WayAsk = {
      id: latest,
      circuit: toRaw(circuit.value),
      planted: faults.value,
      complaint: complaint.value,
    }
    worker.postMessage(JSON.parse(JSON.stringify(ask)))
  }
  watchDebounced([circuit, faults, complaint], look, { debounce: 200, immediate: true })
  onScopeDispose(() => worker?.terminate())
  return { path, difficulty, looking }
}
