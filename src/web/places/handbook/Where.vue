<script setup lang="ts">
import { t } from '../../words'
import type { StandChoice } from './useWorkedCircuit'

/** On which circuit, along which path, in which state: and whether the example’s fault is in it. */
const props = defineProps<{ choice: StandChoice; withFault?: boolean }>()
const { name, circuit, path, fitting, stateId, state, faulted, isExample, demos, own, choose } = props.choice
const text = (event: Event) => (event.target as HTMLSelectElement).value
</script>

<template>
  <form class="where" :aria-label="t('ui.handbook.circuitOfTheExample')" @submit.prevent>
    <label class="field"
      >{{ t('ui.common.circuit') }}
      <select :value="name" @change="choose(text($event))">
        <optgroup :label="t('ui.handbook.ofTheBook')">
          <option v-for="one in demos" :key="one.id" :value="one.id">{{ one.name }}</option>
        </optgroup>
        <optgroup v-if="own.length" :label="t('ui.handbook.yours')">
          <option v-for="one in own" :key="one.id" :value="one.id">{{ one.name }}</option>
        </optgroup>
      </select>
    </label>
    <label v-if="fitting.length > 1" class="field"
      >{{ t('ui.common.path') }}
      <select :value="path || fitting[0]" @change="path = text($event)">
        <option v-for="id in fitting" :key="id" :value="id">
          {{ circuit.paths.find((p) => p.id === id)?.name || id }}
        </option>
      </select>
    </label>
    <label class="field"
      >{{ t('ui.common.state') }}
      <select :value="state.id" @change="stateId = text($event)">
        <option v-for="s in circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
      </select>
    </label>
    <label v-if="withFault && isExample" class="tick"
      ><input v-model="faulted" type="checkbox" /> {{ t('ui.handbook.withAFaultPlanted') }}</label
    >
  </form>
</template>

<style scoped>
.where {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
select {
  max-width: 300px;
}
</style>
