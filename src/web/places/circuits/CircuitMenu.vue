<script setup lang="ts">
import { Ellipsis } from '@lucide/vue'
import { NButton, NDropdown } from 'naive-ui'
import { t } from '../../words'

/** What can be done with a circuit of the list. */
defineProps<{ name: string }>()
const emit = defineEmits<{ duplicate: []; move: []; delete: [] }>()
const options = [
  { key: 'duplicate', label: t('ui.circuits.duplicate') },
  { key: 'move', label: t('ui.circuits.move') },
  { key: 'delete', label: t('ui.circuits.delete') },
]
function does(what: string) {
  if (what === 'duplicate') emit('duplicate')
  else if (what === 'move') emit('move')
  else emit('delete')
}
</script>

<template>
  <NDropdown trigger="click" :options="options" @select="does">
    <NButton quaternary size="small" :aria-label="t('ui.circuits.moreOf', { name })"
      ><Ellipsis :size="16"
    /></NButton>
  </NDropdown>
</template>
