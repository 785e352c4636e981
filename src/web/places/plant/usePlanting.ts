import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import type { Plant } from '../../../contract'
import { complaintWords } from '../../../core/attempt'
import type { Circuit } from '../../../core/circuit'
import { type Wiring, walkPaths, type Walk } from '../../../core/model'
import { severityOf, type Fault } from '../../../core/faults'
import { tell } from '../../words'
import { useSymptom } from './useSymptom'

const nameOf = (one: Fault) => `${one.part}.${one.segment} ${one.kind}`

/** The faults as they are planted: which is at hand, the size and state in which it shows, the path it lies on. */
export function usePlanting(of: {
  circuit: ComputedRef<Circuit>
  plant: ComputedRef<Plant>
  wiring: ComputedRef<Wiring>
  path: Ref<number>
  change: (part: Partial<Plant>) => void
  step: (which: 'undo' | 'redo') => void
}) {
  const faults = computed<Fault[]>(() => of.plant.value.faults)
  /** Which of the planted faults is at hand; one past the last is the next to be planted. */
  const active = ref(0)
  /** The part that was pointed at, where the next fault may go. */
  const pointed = ref<string | null>(null)
  const fault = computed(() => faults.value[active.value] ?? null)

  function point(part: string) {
    const known = faults.value.findIndex((f) => f.part === part)
    if (known >= 0) active.value = known
    // The fault at hand gives way to what is planted next in its stead, once a kind is chosen.
    pointed.value = part
  }

  /** Takes up a planted fault. */
  function choose(index: number) {
    const fault = faults.value[index]
    if (!fault) return
    point(fault.part)
    active.value = index
  }
  function remove(index: number) {
    active.value = index
    plantAt(null)
  }

  /** The fault that has just been chosen, in the usual size of its kind: its size is found where it is. */
  let fresh = ''
  function plantAt(next: Fault | null) {
    if (next && !faults.value.some((f) => nameOf(f) === nameOf(next))) {
      fresh = nameOf(next)
      follow(next)
    }
    const list = [...faults.value]
    if (next) list[Math.min(active.value, list.length)] = next
    else list.splice(active.value, 1)
    of.change({ faults: list })
    if (!next) active.value = Math.max(0, list.length - 1)
  }

  /** The path that is shown is one that the fault lies on. */
  function follow({ part }: Fault) {
    const on = (walk: Walk) => walk.strides.some((s) => s.part === part)
    const walks = walkPaths(of.circuit.value)
    if (walks[of.path.value] && on(walks[of.path.value]!)) return
    const found = walks.findIndex(on)
    if (found >= 0) of.path.value = found
  }

  const { found: symptom, looking, marks } = useSymptom(of.circuit, faults, active)
  /** The fault whose state was shown last: whoever then looks at another state is left there. */
  let toShow = ''
  watch(symptom, (now) => {
    const at = fault.value
    if (!now || !at) return
    // Chosen a moment ago: it gets a size that shows here, and the state in which it does; what somebody sets stays.
    if (fresh === nameOf(at)) {
      fresh = ''
      if (now.sized?.by === 'symptom') plantAt({ ...at, severity: severityOf(now.sized.fault) })
    }
    const [first] = now.symptom.states
    if (first && !now.symptom.states.includes(of.plant.value.state) && toShow !== nameOf(at))
      of.change({ state: first })
    if (first) toShow = nameOf(at)
  })
  const drafted = computed(() => {
    const words = symptom.value && complaintWords(of.circuit.value, symptom.value.symptom.complaint)
    return words ? tell(words) : ''
  })

  function another() {
    active.value = faults.value.length
    pointed.value = null
  }

  function stepBack(which: 'undo' | 'redo') {
    of.step(which)
    active.value = Math.min(active.value, Math.max(0, faults.value.length - 1))
  }

  return {
    active,
    pointed,
    fault,
    symptom,
    looking,
    marks,
    drafted,
    point,
    choose,
    remove,
    plantAt,
    another,
    stepBack,
  }
}
