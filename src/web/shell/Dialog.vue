<script setup lang="ts">
import { NModal } from 'naive-ui'
import { nextTick, watch } from 'vue'

/** Something in front of a place: named, with a way out. */
defineProps<{ title: string; width?: number }>()
const show = defineModel<boolean>('show', { required: true })
/** The library calls its head a heading, but of no level. */
function levelled() {
  for (const head of document.querySelectorAll('.n-modal [role=heading]:not([aria-level])'))
    head.setAttribute('aria-level', '2')
}
watch(show, (now) => now && void nextTick(levelled), { immediate: true })
</script>

<template>
  <NModal
    v-model:show="show"
    preset="card"
    size="small"
    :title="title"
    :aria-label="title"
    :style="{ width: `min(94vw, ${width ?? 520}px)`, maxHeight: '92vh' }"
    content-scrollable
    close-focusable
    @after-enter="levelled"
  >
    <slot />
  </NModal>
</template>
