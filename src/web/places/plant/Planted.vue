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
  <ul class="planted m-0 p-0 list-none grid grid-cols-1 gap-4px" :aria-label="t('ui.plant.plantedFaults')">
    <li v-if="!faults.length" class="flex gap-8px items-start justify-between">
      <h2>{{ t('ui.plant.noFaultPlanted') }}</h2>
    </li>
    <li
      v-for="(f, i) in faults"
      :key="i"
      class="flex gap-8px items-start justify-between"
      :class="{ now: i === active }"
    >
      <Toggle
        class="h-auto min-h-28px py-3px whitespace-normal text-left"
        :on="i === active"
        @click="$emit('choose', i)"
      >
        {{ tell(describeFault(circuit, f)) }}
      </Toggle>
      <NButton
        size="tiny"
        :aria-label="t('ui.plant.remove', { f: tell(describeFault(circuit, f)) })"
        @click="$emit('remove', i)"
        >{{ t('ui.plant.removeFault') }}</NButton
      >
    </li>
    <li v-if="faults.length && faults.length < 4" class="flex gap-8px items-start justify-between">
      <NButton size="tiny" :disabled="active === faults.length" @click="$emit('another')">{{
        t('ui.plant.anotherFaultTitle')
      }}</NButton>
    </li>
  </ul>
</template>
