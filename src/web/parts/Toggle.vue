<script setup lang="ts">
import { NButton } from 'naive-ui'

/** A button that stays pressed until it is pressed again. */
const { size = 'small' } = defineProps<{ on: boolean; size?: 'tiny' | 'small' | 'medium' | 'large' }>()
</script>

<template>
  <NButton :size="size" :type="on ? 'primary' : 'default'" :aria-pressed="on"><slot /></NButton>
</template>
