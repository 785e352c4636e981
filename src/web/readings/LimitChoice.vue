<script setup lang="ts">
import { t, tell } from '../words'
import { computed } from 'vue'
import type { Circuit } from '../../core/circuit'
import { findLimitSet, limitSetFor, limitSets } from '../../core/readings'

/** Which losses are called too much: what fits the kind of circuit, or another opinion. */
const props = defineProps<{ circuit: Circuit; limits: string }>()
const emit = defineEmits<{ choose: [limits: string] }>()

/** What is kept may name a set that is no more. */
const chosen = computed(() => findLimitSet(props.limits)?.id ?? '')
</script>

<template>
  <label
    >{{ t('ui.common.limits') }}
    <select :value="chosen" @change="emit('choose', ($event.target as HTMLSelectElement).value)">
      <option value="">
        {{ t('ui.readings.forThisCircuit', { title: tell(limitSetFor(circuit).title) }) }}
      </option>
      <option v-for="s in limitSets" :key="s.id" :value="s.id">{{ tell(s.title) }}</option>
    </select></label
  >
</template>
