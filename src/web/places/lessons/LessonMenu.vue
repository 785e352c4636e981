<script setup lang="ts">
import { Ellipsis } from '@lucide/vue'
import { NButton, NDropdown } from 'naive-ui'
import { t } from '../../words'

/** What else can be done with a lesson. */
const props = defineProps<{ name: string }>()
const emit = defineEmits<{ examine: []; versions: []; copy: []; save: []; remove: [] }>()
const options = [
  { key: 'examine', label: t('ui.lessons.examine') },
  { key: 'versions', label: t('ui.common.versions') },
  { key: 'copy', label: t('ui.lessons.copy') },
  { key: 'save', label: t('ui.lessons.file') },
  { key: 'remove', label: t('ui.lessons.delete') },
]
function does(what: string) {
  if (what === 'examine') emit('examine')
  else if (what === 'versions') emit('versions')
  else if (what === 'copy') emit('copy')
  else if (what === 'save') emit('save')
  else void remove()
}
async function remove() {
  const { sure } = await import('../../shell/sure')
  const yes = await sure({
    title: t('ui.lessons.deleteName', { name: props.name }),
    content: t('ui.lessons.ordersThatCameFromIt'),
    yes: t('ui.lessons.delete'),
  })
  if (yes) emit('remove')
}
</script>

<template>
  <NDropdown trigger="click" :options="options" @select="does">
    <NButton quaternary size="small" :aria-label="t('ui.circuits.moreOf', { name })"
      ><Ellipsis :size="16"
    /></NButton>
  </NDropdown>
</template>
