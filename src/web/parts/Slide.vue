<script setup lang="ts">
import { NSlider } from 'naive-ui'
import { useTemplateRef, watchEffect } from 'vue'

/** A number by sliding. */
const {
  label,
  shows = '',
  marks = undefined,
} = defineProps<{
  label: string
  min: number
  max: number
  step: number
  /** The value as it is read out, where it is not what the slider counts in. */
  shows?: string
  /** What stands below it, and where. */
  marks?: Record<number, string>
}>()
const value = defineModel<number>('value', { required: true })

const root = useTemplateRef('root')
// The library gives its handle no name.
watchEffect(
  () => {
    const handle = root.value?.querySelector('[role=slider]')
    handle?.setAttribute('aria-label', label)
    handle?.setAttribute('aria-valuetext', shows || String(value.value))
  },
  { flush: 'post' },
)
</script>

<template>
  <div ref="root" class="slide" :class="{ marked: marks }">
    <NSlider v-model:value="value" :min="min" :max="max" :step="step" :tooltip="false" :marks="marks" />
  </div>
</template>

<style scoped>
.marked {
  padding: 0 8px 14px;
}
.slide :deep(.n-slider-mark) {
  font-size: 12px;
  white-space: nowrap;
}
</style>
