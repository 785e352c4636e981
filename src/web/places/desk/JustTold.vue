<script setup lang="ts">
import { computed } from 'vue'
import { aspectNames } from '../../../core/assessment/verdict'
import { t, tell } from '../../words'
import type { DeskVerdicts } from './useVerdicts'

/** In a practice: what was just said of the newest step, beside the display that it speaks of. */
const props = defineProps<{ steps: number; told: DeskVerdicts }>()
const newest = computed(() => {
  const all = props.told.verdicts.value
  const last = all.reduce((step, v) => Math.max(step, v.step), -1)
  return all.filter((v) => v.step === last)
})
</script>

<template>
  <div
    v-if="told.practice.value"
    class="told grid grid-cols-1 gap-4px content-start text-13px"
    aria-live="polite"
  >
    <p v-for="(v, k) in newest" :key="k" class="pl-8px line-l-3px-rule-strong" :data-grade="v.grade">
      <b>{{ tell(aspectNames[v.aspect]) }}: {{ told.say.value(v.verdict) }}</b>
      <!-- What went well needs no reason here; the steps below have it. -->
      <template v-if="v.grade !== 'good'"> {{ ` ${told.say.value(v.reason)}` }}</template>
    </p>
    <p v-if="told.working.value" class="quiet pl-8px line-l-3px-rule-strong" role="status">
      {{ t('ui.desk.whatItWasWorthIs') }}
    </p>
  </div>
</template>

<style scoped>
[data-grade='good'] {
  border-color: var(--good);
}
[data-grade='partly'] {
  border-color: var(--doubt);
}
[data-grade='poor'] {
  border-color: var(--fault);
}
</style>
