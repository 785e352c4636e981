<script setup lang="ts">
import { t, tell } from '../../words'
import { dutyOf, type Circuit, type Duty } from '../../../core/circuit'
import { limitSetFor } from '../../../core/readings'
import { useCircuit } from '../../stores/circuit'

/** What kind of circuit it is: how much it may lose follows. */
defineProps<{ circuit: Circuit }>()
const store = useCircuit()
const names: Readonly<Record<Duty, string>> = {
  light: t('ui.bench.light'),
  motor: t('ui.bench.motorOrPump'),
  heavy: t('ui.bench.startingCharging'),
  electronic: t('ui.bench.electronic'),
}
function choose(event: Event) {
  const { value } = event.target as HTMLSelectElement
  store.edit({ type: 'setDuty', ...(value && { duty: value as Duty }) })
}
</script>

<template>
  <label class="quiet"
    >{{ t('ui.bench.kindOfCircuit') }}
    <select :value="circuit.duty ?? ''" @change="choose">
      <option value="">
        {{ t('ui.bench.byItsParts', { parts: names[dutyOf({ parts: circuit.parts })] }) }}
      </option>
      <option v-for="(name, duty) in names" :key="duty" :value="duty">{{ name }}</option>
    </select>
    {{ t('ui.bench.mayLose', { title: tell(limitSetFor(circuit).title) }) }}
  </label>
</template>
