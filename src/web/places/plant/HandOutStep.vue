<script setup lang="ts">
import type { ToHandOut } from './to-hand-out'
import HandOut from './HandOut.vue'
import KeepLesson from './KeepLesson.vue'

/** The third step: who gets it, or the lesson in which it is kept. */
defineProps<ToHandOut>()
const emit = defineEmits<{ complaint: [text: string] }>()
</script>

<template>
  <div class="grid grid-cols-1 gap-14px">
    <HandOut v-bind="$props" @complaint="emit('complaint', $event)" />
    <KeepLesson v-bind="$props" />
  </div>
</template>
