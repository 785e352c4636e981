import { onScopeDispose, ref, shallowRef, toRaw, triggerRef } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { FaultSignature, Signature, TestSet } from '../../../core/diagnosis'
import type { Fault } from '../../../core/faults'
import type { SightAsk, SightSays } from '../../workers/signatures'
import { startWorker } from '../../workers/start'

/** No more than this many share the work: each has to load the engine first. */
const mostSharers = 4

/**
 * Sees every fault by every test, in as many workers as there are cores: fills up as it goes, and can be stopped. The
 * workers stay, with the engine loaded and what they have seen of the circuit, until whoever uses this is gone.
 */
export function useSignatures() {
  const testSet = shallowRef<TestSet | null>(null)
  const planted = shallowRef<Signature | null>(null)
  const seen = shallowRef<FaultSignature[]>([])
  const twins = shallowRef<readonly Fault[]>([])
  const progress = ref<{ done: number; of: number } | null>(null)
  const of = Math.max(1, Math.min(mostSharers, navigator.hardwareConcurrency || 1))
  let workers: Worker[] = []
  let shares: { done: number; of: number }[] = []
  let left = 0
  let id = 0
  let asked: Circuit | undefined

  function end(): void {
    for (const worker of workers) worker.terminate()
    workers = []
    progress.value = null
  }

  function heard(data: SightSays, nth: number): void {
    if (data.id !== id || !progress.value) return
    if (data.type === 'begun') {
      testSet.value = data.testSet
      planted.value = data.planted
    } else if (data.type === 'seen') {
      if (data.seen.length) {
        seen.value.push(...data.seen)
        triggerRef(seen)
      }
      if (data.twins.length) twins.value = [...twins.value, ...data.twins]
      shares[nth] = { done: data.done, of: data.of }
      progress.value = {
        done: shares.reduce((sum, share) => sum + share.done, 0),
        of: shares.reduce((sum, share) => sum + share.of, 0),
      }
    } else if (--left === 0) progress.value = null
  }

  function ask(circuit: Circuit, faults: readonly Fault[], warm: boolean): void {
    id++
    if (!workers.length)
      workers = Array.from({ length: of }, (_, nth) => {
        const worker = startWorker('signatures')
        worker.onmessage = ({ data }: MessageEvent<SightSays>) => heard(data, nth)
        worker.onerror = end
        return worker
      })
    workers.forEach((worker, nth) => {
      // What is reactive cannot be handed to a worker; documents are plain data.
      const whole: SightAsk = { id, circuit: toRaw(circuit), planted: faults, share: { nth, of }, warm }
      worker.postMessage(JSON.parse(JSON.stringify(whole)) as SightAsk)
    })
  }

  /** Sees ahead while nobody waits, so that `begin` answers at once. */
  const warm = (circuit: Circuit) => ask(circuit, [], true)

  function begin(circuit: Circuit, faults: readonly Fault[]): void {
    seen.value = []
    twins.value = []
    planted.value = null
    progress.value = { done: 0, of: 1 }
    shares = Array.from({ length: of }, () => ({ done: 0, of: 1 }))
    left = of
    asked = circuit
    ask(circuit, faults, false)
  }

  /** No more of what is under way; what has been seen stays. */
  function stop(): void {
    if (!progress.value) return
    progress.value = null
    if (asked) warm(asked)
  }
  onScopeDispose(end)
  return { testSet, planted, seen, twins, progress, warm, begin, stop }
}
export type Signatures = ReturnType<typeof useSignatures>
