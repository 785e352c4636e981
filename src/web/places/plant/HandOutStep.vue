<script setup lang="ts">
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import HandOut from './HandOut.vue'
import KeepLesson from './KeepLesson.vue'

/** The third step: who gets it, or the lesson in which it is kept. */
defineProps<{
  /** The circuit's id in the library, and the circuit itself. */
  id: string
  circuit: Circuit
  faults: readonly Fault[]
  complaint: string
  /** The complaint as the engine would put it; empty where nothing shows. */
  drafted: string
  settled: () => Promise<void>
  /** It is looked at. */
  shown: boolean
}>()
const emit = defineEmits<{ complaint: [text: string] }>()
</script>

<template>
  <div class="grid grid-cols-1 gap-14px">
    <HandOut v-bind="$props" @complaint="emit('complaint', $event)" />
    <KeepLesson v-bind="$props" />
  </div>
</template>
