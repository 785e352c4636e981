<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t } from '../../words'
import { computed, ref } from 'vue'
import { stateOf, type Arrangement } from '../../../core/attempt'
import type { Circuit } from '../../../core/circuit'
import type { Wiring } from '../../../core/model'
import type { Fault } from '../../../core/faults'
import { limitSetFor, stateKey } from '../../../core/readings'
import { Losses } from '../../readings/charts'

/** Where the volts go in the state of the chosen step, as it should be and as it was before any repair. */
const props = defineProps<{
  circuit: Circuit
  wiring: Wiring
  faults: readonly Fault[]
  arrangement: Arrangement
}>()
const emit = defineEmits<{ light: [part: string | null] }>()
const lit = ref<string | null>(null)
function light(part: string | null) {
  lit.value = part
  emit('light', part)
}

/** The path that the fault lies on comes first. */
const path = ref(
  Math.max(
    0,
    props.circuit.paths.findIndex(({ steps }) => steps.some(({ part }) => part === props.faults[0]?.part)),
  ),
)
const keyWith = (faults: readonly Fault[]) => {
  const key = stateKey(props.circuit, faults, stateOf(props.arrangement))
  return key.ok ? key : null
}
const healthy = computed(() => keyWith([]))
const faulted = computed(() => keyWith(props.faults))
</script>

<template>
  <div class="grid grid-cols-1 grid-rows-[auto_1fr] gap-6px min-h-0 h-full">
    <Choice
      v-if="circuit.paths.length > 1"
      v-model:value="path"
      :label="t('ui.common.path')"
      labelled="beside"
      :entries="
        entriesOf(
          circuit.paths,
          (_, i) => i,
          (p) => p.name || p.id,
        )
      "
    />
    <Losses
      v-if="healthy"
      :path="path"
      :healthy="healthy"
      :faulted="faulted"
      :limits="limitSetFor(circuit)"
      :lit="lit"
      @light="light"
    />
    <p v-else role="status">{{ t('ui.review.thisStateHasNoAnswer') }}</p>
  </div>
</template>
