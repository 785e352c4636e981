<script setup lang="ts">
import { NSlider } from 'naive-ui'
import { onBeforeUnmount, ref, useTemplateRef, watch, watchEffect } from 'vue'

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

/** Where the handle stands; while it is dragged, what hangs on it follows once a frame. */
const here = ref(value.value)
watch(value, (now) => (here.value = now))
let dragged = false
let frame = 0
function follow() {
  cancelAnimationFrame(frame)
  frame = 0
  value.value = here.value
}
function move(to: number) {
  here.value = to
  if (!dragged) follow()
  else frame ||= requestAnimationFrame(follow)
}
function drop() {
  dragged = false
  if (frame) follow()
}
onBeforeUnmount(drop)

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
    <NSlider
      :value="here"
      :min="min"
      :max="max"
      :step="step"
      :tooltip="false"
      :marks="marks"
      @update:value="move"
      @dragstart="dragged = true"
      @dragend="drop"
    />
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
