<script setup lang="ts">
import { NButton } from 'naive-ui'
import { t } from '../words'
import { Pin } from '@lucide/vue'
import type { RowsView } from './useRows'

/** Keeps a row among those that matter. */
defineProps<{ id: string; what: string; view: RowsView }>()
</script>

<template>
  <NButton
    text
    size="tiny"
    :aria-pressed="view.pinned.value.has(id)"
    :aria-label="t('ui.readings.pin', { what })"
    @click.stop="view.pin(id)"
  >
    <Pin :size="13" />
  </NButton>
</template>

<style scoped>
button {
  border: 0;
  background: none;
  color: var(--quiet);
  cursor: pointer;
  padding: 1px 2px;
  min-width: 24px;
  min-height: 24px;
}
button[aria-pressed='true'] {
  color: var(--fault);
}
</style>
