<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import { NButton } from 'naive-ui'
import type { Circuit } from '../../../core/circuit'
import { describeFault, type Fault } from '../../../core/faults'
import { t, tell } from '../../words'

defineProps<{
  circuit: Circuit
  faults: readonly Fault[]
  /** One past the last is the next to be planted. */
  active: number
}>()
defineEmits<{ choose: [index: number]; remove: [index: number]; another: [] }>()
</script>

<template>
  <ul class="planted" :aria-label="t('ui.plant.plantedFaults')">
    <li v-if="!faults.length">
      <h2>{{ t('ui.plant.noFaultPlanted') }}</h2>
    </li>
    <li v-for="(f, i) in faults" :key="i" :class="{ now: i === active }">
      <Toggle class="one" :on="i === active" @click="$emit('choose', i)">
        {{ tell(describeFault(circuit, f)) }}
      </Toggle>
      <NButton
        size="tiny"
        :aria-label="t('ui.plant.remove', { f: tell(describeFault(circuit, f)) })"
        @click="$emit('remove', i)"
        >{{ t('ui.plant.removeFault') }}</NButton
      >
    </li>
    <li v-if="faults.length && faults.length < 4">
      <NButton size="tiny" :disabled="active === faults.length" @click="$emit('another')">{{
        t('ui.plant.anotherFaultTitle')
      }}</NButton>
    </li>
  </ul>
</template>

<style scoped>
.planted {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 4px;
}
.planted li {
  display: flex;
  gap: 8px;
  align-items: start;
  justify-content: space-between;
}
.one {
  height: auto;
  min-height: 28px;
  padding-block: 3px;
  white-space: normal;
  text-align: left;
}
</style>
