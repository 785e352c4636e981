<script setup lang="ts">
import { NCard } from 'naive-ui'

/** A card with its title as a heading, and what belongs beside it. The library’s own title is a heading without a level. */
defineProps<{ title: string }>()
defineSlots<{ default: () => unknown; extra: () => unknown }>()
</script>

<template>
  <NCard size="small" role="region" :aria-label="title">
    <header class="flex flex-wrap gap-x-12px items-baseline mb-8px">
      <h2 class="flex-1">{{ title }}</h2>
      <slot name="extra" />
    </header>
    <slot />
  </NCard>
</template>
