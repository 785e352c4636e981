<script setup lang="ts">
import { t } from '../../words'
import { dutyOf, type Circuit, type Duty } from '../../../core/circuit'
import { limitSetFor } from '../../../core/readings'
import { useCircuit } from '../../stores/circuit'

/** What kind of circuit it is: how much it may lose follows. */
defineProps<{ circuit: Circuit }>()
const store = useCircuit()
const names: Readonly<Record<Duty, string>> = {
  light: t('light'),
  motor: t('motor or pump'),
  heavy: t('starting, charging'),
  electronic: t('electronic'),
}
function choose(event: Event) {
  const { value } = event.target as HTMLSelectElement
  store.edit({ type: 'setDuty', ...(value && { duty: value as Duty }) })
}
</script>

<template>
  <label class="quiet"
    >{{ t('Kind of circuit') }}
    <select :value="circuit.duty ?? ''" @change="choose">
      <option value="">
        {{ t('{parts}, by its parts', { parts: names[dutyOf({ parts: circuit.parts })] }) }}
      </option>
      <option v-for="(name, duty) in names" :key="duty" :value="duty">{{ name }}</option>
    </select>
    {{ t('may lose {title}', { title: t(limitSetFor(circuit).title) }) }}
  </label>
</template>
