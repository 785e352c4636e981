import { computed, ref, shallowRef, watch } from 'vue'
import { t } from '../../words'
import { ask } from '../../api/client'
import { storedCircuitSchema } from '../../../contract'
import { circuitListSchema, deskListSchema } from '../../../contract/lists'
import { openingState, type Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { WorkedCircuit } from '../../../core/handbook'
import { useSession } from '../../stores/session'
import { demoCircuits } from './circuits'

/** Instead of what a circuit would read. */
export const closedText = () => t('ui.handbook.youHaveATestOn')

export interface Example {
  readonly circuit: string
  readonly state: string
  readonly path: string
  readonly faults: readonly Fault[]
}

/** A circuit, a path, a state: the example of an entry at first, then whatever somebody chooses; sound or with its fault. */
export function useWorkedCircuit(example: () => Example, paths: (circuit: Circuit) => readonly string[]) {
  const session = useSession()
  const name = ref('')
  const path = ref('')
  const stateId = ref('')
  const faulted = ref(false)
  const own = shallowRef<readonly { id: string; name: string }[]>([])
  const opened = shallowRef<ReadonlyMap<string, Circuit>>(new Map())

  const circuit = computed(
    () =>
      demoCircuits.get(name.value) ?? opened.value.get(name.value) ?? demoCircuits.get(example().circuit)!,
  )
  const fitting = computed(() => paths(circuit.value))
  const state = computed(
    () => circuit.value.states.find(({ id }) => id === stateId.value) ?? openingState(circuit.value),
  )
  const isExample = computed(() => name.value === example().circuit)
  const faults = computed(() => (faulted.value && isExample.value ? example().faults : []))
  const worked = computed(
    () => new WorkedCircuit(circuit.value, faults.value, state.value, path.value || (fitting.value[0] ?? '')),
  )

  watch(
    example,
    (now) => {
      name.value = now.circuit
      path.value = now.path
      stateId.value = now.state
      faulted.value = false
    },
    { immediate: true },
  )

  async function choose(to: string) {
    if (!demoCircuits.has(to) && !opened.value.has(to)) {
      const stored = await ask(storedCircuitSchema, `/circuits/${to}`)
      opened.value = new Map(opened.value).set(to, stored.circuit)
    }
    name.value = to
    if (isExample.value) {
      path.value = example().path
      stateId.value = example().state
      return
    }
    path.value = paths(circuit.value)[0] ?? ''
    stateId.value = openingState(circuit.value).id
  }
  /** Only what the entry can be walked on is offered. */
  const demos = computed(() =>
    [...demoCircuits].filter(([, one]) => paths(one).length > 0).map(([id, one]) => ({ id, name: one.name })),
  )
  if (session.user?.role === 'instructor')
    void ask(circuitListSchema, '/circuits').then(
      (list) => (own.value = list),
      () => undefined,
    )
  // A student with a test in hand finds out by measuring what its circuit reads, not here.
  const tested = ref<ReadonlySet<string>>(new Set())
  if (session.user?.role === 'student')
    void ask(deskListSchema, '/desk').then(
      ({ rows }) =>
        (tested.value = new Set(rows.filter((o) => o.mode === 'test' && !o.concluded).map((o) => o.circuit))),
      () => undefined,
    )
  const closed = computed(() => tested.value.has(circuit.value.name))
  return {
    closed,
    name,
    circuit,
    path,
    fitting,
    state,
    stateId,
    faulted,
    isExample,
    faults,
    worked,
    demos,
    own,
    choose,
  }
}
export type StandChoice = ReturnType<typeof useWorkedCircuit>
