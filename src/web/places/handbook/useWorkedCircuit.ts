import { computed, ref, shallowRef, watch } from 'vue'
import { t } from '../../words'
import { ask } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
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
  const { wrong, act } = useAct()
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
      const come = await act(async () => {
        const stored = await ask(storedCircuitSchema, `/circuits/${to}`)
        opened.value = new Map(opened.value).set(to, stored.circuit)
      })
      if (!come) return
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
  const forRole = (role: string, path: string) => () => (session.user?.role === role ? path : undefined)
  const circuits = useServer(circuitListSchema, forRole('instructor', '/circuits'))
  const own = computed(() => circuits.data.value ?? [])
  // A student with a test in hand finds out by measuring what its circuit reads, not here.
  const desk = useServer(deskListSchema, forRole('student', '/desk'))
  const closed = computed(() =>
    (desk.data.value?.rows ?? []).some(
      (order) => order.mode === 'test' && !order.concluded && order.circuit === circuit.value.name,
    ),
  )
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
    wrong,
    choose,
  }
}
export type StandChoice = ReturnType<typeof useWorkedCircuit>
