<script setup lang="ts">
import { NButton } from 'naive-ui'
import { t } from '../words'

/** Under a list that goes on: how much of it is shown, and a button for more. */
defineProps<{ shown: number; count: number }>()
const emit = defineEmits<{ more: [] }>()
</script>

<template>
  <p v-if="shown < count" class="rest">
    <span class="quiet">{{ t('ui.parts.ofShown', { shown, count }) }}</span>
    <NButton size="tiny" @click="emit('more')">{{ t('ui.parts.showMore') }}</NButton>
  </p>
</template>

<style scoped>
.rest {
  display: flex;
  gap: 10px;
  align-items: center;
  margin: 4px 0 0;
}
</style>
