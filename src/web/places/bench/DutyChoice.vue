<script setup lang="ts">
import { dutyOf, type Circuit, type Duty } from '../../../core/circuit'
import { limitSetFor } from '../../../core/readings'
import { useCircuit } from '../../stores/circuit'

/** What kind of circuit it is: how much it may lose follows. */
defineProps<{ circuit: Circuit }>()
const store = useCircuit()
const names: Readonly<Record<Duty, string>> = {
  light: 'light',
  motor: 'motor or pump',
  heavy: 'starting, charging',
  electronic: 'electronic',
}
function choose(event: Event) {
  const { value } = event.target as HTMLSelectElement
  store.edit({ type: 'setDuty', ...(value && { duty: value as Duty }) })
}
</script>

<template>
  <label class="quiet"
    >Kind of circuit
    <select :value="circuit.duty ?? ''" @change="choose">
      <option value="">{{ names[dutyOf({ parts: circuit.parts })] }}, by its parts</option>
      <option v-for="(name, duty) in names" :key="duty" :value="duty">{{ name }}</option>
    </select>
    may lose {{ limitSetFor(circuit).title }}
  </label>
</template>
