<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core'
import { NSkeleton } from 'naive-ui'
import { onUnmounted, ref, shallowRef, useTemplateRef } from 'vue'
import type { Drawn } from './draw'

/** A small picture of a circuit: lines and symbols, no letters. It is fetched and drawn once it comes into view. */
const props = defineProps<{ id: string; updated: string }>()
const root = useTemplateRef('root')
const drawn = shallowRef<Drawn | null>(null)
const failed = ref(false)
let gone = false
onUnmounted(() => (gone = true))
const { stop } = useIntersectionObserver(
  root,
  ([entry]) => {
    if (!entry?.isIntersecting) return
    stop()
    // Drawing brings the engine: it comes after the list stands.
    void import('./draw')
      .then(({ draw }) => draw(props.id, props.updated, () => !gone))
      .then(
        (now) => (drawn.value = now),
        () => (failed.value = true),
      )
  },
  { rootMargin: '200px' },
)
</script>

<template>
  <div ref="root" class="picture h-130px p-6px bg-sheet" aria-hidden="true">
    <component :is="drawn.shapes" v-if="drawn" />
    <NSkeleton v-else-if="!failed" height="100%" :sharp="false" />
  </div>
</template>

<style scoped>
.picture :deep(.stroke) {
  vector-effect: non-scaling-stroke;
  stroke-width: 1.3;
}
.picture :deep(svg) {
  width: 100%;
  height: 100%;
}
</style>
