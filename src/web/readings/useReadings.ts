import { formatQuantity, t, tell } from '../words'
import { computed, type Ref } from 'vue'
import { wireUp, walkPath } from '../../core/model'
import { type Circuit, type CircuitState } from '../../core/circuit'
import type { Fault } from '../../core/faults'
import { stateKey } from '../../core/readings'

/** Live readings of a circuit in a state: what Bench and Plant show side by side. */
export function useReadings(
  circuit: Ref<Circuit>,
  state: Ref<CircuitState>,
  faults: Ref<readonly Fault[]>,
  path: Ref<number>,
) {
  const wiring = computed(() => wireUp(circuit.value))
  const solved = computed(() => stateKey(circuit.value, faults.value, state.value))
  const key = computed(() => (solved.value.ok ? solved.value : null))
  const trouble = computed(() => (solved.value.ok ? null : tell(solved.value.why)))
  const walk = computed(() =>
    walkPath(circuit.value, circuit.value.paths[path.value] ?? circuit.value.paths[0]!),
  )
  const values = computed(
    () =>
      new Map(
        key.value?.points.map((row) => [
          row.node,
          row.value === undefined ? t('ui.common.floating') : formatQuantity(row.value, 'V'),
        ]),
      ),
  )
  const tint = computed(() => {
    const source = key.value?.balances[path.value]?.source || 1
    return new Map(
      key.value?.points.flatMap((row) =>
        row.value === undefined ? [] : [[row.node, row.value / source] as const],
      ),
    )
  })
  const notices = computed(() => Object.fromEntries((key.value?.notices ?? []).map((n) => [n.part, n])))
  return { wiring, key, trouble, walk, values, tint, notices }
}
