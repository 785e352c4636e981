<script setup lang="ts">
import { useLocalStorage, useMediaQuery } from '@vueuse/core'
import { NSplit } from 'naive-ui'

/** A place in two panes, beside or below one another, divided as its user likes it; on a narrow page one below the other. */
const {
  name,
  first = 0.62,
  below = false,
} = defineProps<{
  /** Under which the division is kept on this machine. */
  name: string
  /** Share of the left pane at first. */
  first?: number
  /** The second pane stands below the first. */
  below?: boolean
}>()
const share = useLocalStorage(() => `brachyon.panes.${name}${below ? '.below' : ''}`, first)
const narrow = useMediaQuery('(max-width: 760px)')
</script>

<template>
  <div v-if="narrow" class="stacked">
    <slot name="left" />
    <slot name="right" />
  </div>
  <NSplit
    v-else
    v-model:size="share"
    :direction="below ? 'vertical' : 'horizontal'"
    :min="0.3"
    :max="0.78"
    :resize-trigger-size="10"
    class="panes min-h-0 h-full"
  >
    <template #1><slot name="left" /></template>
    <template #2><slot name="right" /></template>
    <template #resize-trigger
      ><span
        class="grip block rounded-2px"
        :class="below ? 'h-4px w-full my-3px mx-0' : 'w-4px h-full my-0 mx-3px'"
    /></template>
  </NSplit>
</template>

<style scoped>
.panes :deep(.n-split-pane-1),
.panes :deep(.n-split-pane-2) {
  overflow: hidden;
}
.grip:hover {
  background: var(--rule-strong);
}
</style>
