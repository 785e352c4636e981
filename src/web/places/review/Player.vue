<script setup lang="ts">
import { Pause, Play, SkipBack, SkipForward, StepBack, StepForward } from '@lucide/vue'
import { useIntervalFn } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, watch } from 'vue'
import Slide from '../../parts/Slide.vue'
import { t } from '../../words'

/** Plays an attempt step by step: the drawing follows. */
const { steps, minutes } = defineProps<{ steps: number; minutes: number | undefined }>()
const at = defineModel<number>('at', { required: true })

/** Milliseconds that a step stands while it plays: long enough to read its line. */
const pace = 1800
const { isActive, pause, resume } = useIntervalFn(
  () => {
    if (at.value >= steps - 1) pause()
    else at.value++
  },
  pace,
  { immediate: false },
)
function play() {
  if (isActive.value) return pause()
  if (at.value >= steps - 1) at.value = 0
  resume()
}
/** Whoever goes elsewhere while it plays wants to look there. */
let last = at.value
watch(at, (now) => {
  if (isActive.value && now !== last + 1) pause()
  last = now
})
const go = (to: number) => (at.value = Math.max(0, Math.min(steps - 1, to)))
const said = computed(() =>
  t('ui.review.stepOf', { step: at.value + 1, steps, minutes: Math.round(minutes ?? 0) }),
)
defineExpose({ play })
</script>

<template>
  <div
    class="row-start-4 flex flex-wrap gap-4px items-center py-6px px-8px line-t"
    role="group"
    :aria-label="t('ui.review.playTheAttempt')"
  >
    <NButton size="small" quaternary :aria-label="t('ui.review.toTheFirst')" @click="go(0)"
      ><SkipBack :size="16"
    /></NButton>
    <NButton size="small" quaternary :aria-label="t('ui.review.oneStepBack')" @click="go(at - 1)"
      ><StepBack :size="16"
    /></NButton>
    <NButton
      size="small"
      type="primary"
      :aria-label="isActive ? t('ui.review.pause') : t('ui.review.play')"
      :title="t('ui.review.playKey')"
      @click="play"
      ><component :is="isActive ? Pause : Play" :size="16"
    /></NButton>
    <NButton size="small" quaternary :aria-label="t('ui.review.oneStepOn')" @click="go(at + 1)"
      ><StepForward :size="16"
    /></NButton>
    <NButton size="small" quaternary :aria-label="t('ui.review.toTheLast')" @click="go(steps - 1)"
      ><SkipForward :size="16"
    /></NButton>
    <Slide
      v-model:value="at"
      class="flex-1 min-w-120px py-0 px-12px"
      :label="t('ui.review.stepOfTheAttempt')"
      :min="0"
      :max="Math.max(1, steps - 1)"
      :step="1"
      :shows="said"
    />
    <span class="quiet whitespace-nowrap">{{ said }}</span>
  </div>
</template>
