import { watchDebounced } from '@vueuse/core'
import { onScopeDispose, ref, shallowRef, toRaw, type Ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import type { SizeMark } from '../../../core/workshop'
import type { MarksSay, SymptomAsk, SymptomSays } from '../../workers/symptom'
import { startWorker } from '../../workers/start'

/** Whether anything shows of what is planted, and in which states: worked out beside the page, always for the latest. */
export function useSymptom(circuit: Ref<Circuit>, faults: Ref<readonly Fault[]>, active: Ref<number>) {
  const found = shallowRef<SymptomSays | null>(null)
  const marks = shallowRef<readonly SizeMark[]>([])
  const looking = ref(false)
  let marking = false
  let marked = ''
  let worker: Worker | null = null
  let latest = 0

  function look(): void {
    latest++
    // A search for a size may take a second: what is asked meanwhile does not wait for it.
    if (looking.value || marking) {
      worker?.terminate()
      worker = null
    }
    if (!worker) {
      worker = startWorker('symptom')
      worker.onmessage = ({ data }: MessageEvent<SymptomSays | MarksSay>) => {
        if (data.id !== latest) return
        if (data.type === 'marks') {
          marks.value = data.marks
          marking = false
          return
        }
        found.value = data
        looking.value = false
      }
      worker.onerror = () => (looking.value = marking = false)
    }
    if (!faults.value.length) {
      found.value = null
      marks.value = []
      looking.value = marking = false
      return
    }
    looking.value = marking = true
    const at = faults.value[active.value]
    const name = at ? `${at.part}.${at.segment} ${at.kind}` : ''
    if (name !== marked) marks.value = []
    marked = name
    const ask = { id: latest, circuit: toRaw(circuit.value), planted: faults.value, active: active.value }
    worker.postMessage(JSON.parse(JSON.stringify(ask)) as SymptomAsk)
  }
  watchDebounced([circuit, faults, active], look, { debounce: 150, immediate: true, deep: false })
  onScopeDispose(() => worker?.terminate())
  return { found, looking, marks }
}
