<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
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
function choose(duty: Duty | '') {
  store.edit({ type: 'setDuty', ...(duty && { duty }) })
}
</script>

<template>
  <span class="contents text-quiet">
    <Choice
      :label="t('ui.bench.kindOfCircuit')"
      labelled="beside"
      :value="circuit.duty ?? ''"
      :entries="[
        { value: '', label: t('ui.bench.byItsParts', { parts: names[dutyOf({ parts: circuit.parts })] }) },
        ...(Object.entries(names) as [Duty, string][]).map(([value, label]) => ({ value, label })),
      ]"
      @update:value="choose($event ?? '')"
    />
    <span>{{ t('ui.bench.mayLose', { title: tell(limitSetFor(circuit).title) }) }}</span>
  </span>
</template>
