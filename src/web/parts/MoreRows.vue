<script setup lang="ts">
import { NButton } from 'naive-ui'
import { t } from '../words'

/** Under a list that goes on: how much of it is shown, and a button for more. */
defineProps<{ shown: number; count: number }>()
const emit = defineEmits<{ more: [] }>()
</script>

<template>
  <p v-if="shown < count" class="flex gap-10px items-center mt-4px mx-0 mb-0">
    <span class="quiet">{{ t('ui.parts.ofShown', { shown, count }) }}</span>
    <NButton size="tiny" @click="emit('more')">{{ t('ui.parts.showMore') }}</NButton>
  </p>
</template>
