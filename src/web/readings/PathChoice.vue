<script setup lang="ts">
import { t } from '../words'
import type { Circuit } from '../../core/circuit'

defineProps<{ circuit: Circuit; path: number }>()
const emit = defineEmits<{ choose: [path: number] }>()
const choose = (event: Event) => emit('choose', Number((event.target as HTMLSelectElement).value))
</script>

<template>
  <label v-if="circuit.paths.length > 1"
    >{{ t('ui.common.path') }}
    <select :value="path" @change="choose">
      <option v-for="(p, i) in circuit.paths" :key="p.id" :value="i">{{ p.name || p.id }}</option>
    </select>
  </label>
</template>
