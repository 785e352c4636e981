<script setup lang="ts">
import Choice from '../parts/Choice.vue'
import { entriesOf } from '../parts/choice'
import { t } from '../words'
import type { Circuit } from '../../core/circuit'

defineProps<{ circuit: Circuit; path: number }>()
const emit = defineEmits<{ choose: [path: number] }>()
</script>

<template>
  <Choice
    v-if="circuit.paths.length > 1"
    :label="t('ui.common.path')"
    labelled="beside"
    :value="path"
    :entries="
      entriesOf(
        circuit.paths,
        (_, i) => i,
        (p) => p.name || p.id,
      )
    "
    @update:value="emit('choose', $event!)"
  />
</template>
