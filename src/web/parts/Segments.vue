<script setup lang="ts" generic="V extends string | number">
import { NRadioButton, NRadioGroup } from 'naive-ui'

/** One of a few, all of them in view. */
defineProps<{
  label: string
  entries: readonly { readonly value: V; readonly label: string; readonly lang?: string }[]
  size?: 'small' | 'medium' | 'large'
}>()
const value = defineModel<V | null>('value', { required: true })
</script>

<template>
  <NRadioGroup
    v-model:value="value"
    :size="size ?? 'small'"
    role="radiogroup"
    :aria-label="label"
    class="segments !h-auto !flex !flex-wrap max-w-full w-max gap-y-3px"
  >
    <NRadioButton v-for="one in entries" :key="one.value" :value="one.value"
      ><span :lang="one.lang">{{ one.label }}</span></NRadioButton
    >
  </NRadioGroup>
</template>

<style scoped>
/* In a second row the first one has an edge of its own, too. */
.segments :deep(.n-radio-button) {
  box-shadow: -1px 0 0 var(--rule-strong);
}
</style>
