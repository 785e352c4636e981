<script setup lang="ts">
import { t } from '../../words'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'

/** Seconds that were left when the server last said so, and when that was, by this machine’s own clock. */
const props = defineProps<{ left: number; at: number }>()
const now = ref(performance.now())
useIntervalFn(() => (now.value = performance.now()), 1000)
const seconds = computed(() => Math.max(0, Math.round(props.left - (now.value - props.at) / 1000)))
const text = computed(() => {
  const rest = seconds.value % 60
  return `${Math.floor(seconds.value / 60)}:${String(rest).padStart(2, '0')}`
})
</script>

<template>
  <span class="reading" :class="{ little: seconds < 120 }" role="timer" :aria-label="t('ui.desk.timeLeft')">{{
    seconds ? t('ui.desk.left', { text }) : t('ui.desk.timeIsUp')
  }}</span>
</template>

<style scoped>
.little {
  color: var(--fault);
  font-weight: 500;
}
</style>
