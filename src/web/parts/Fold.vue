<script setup lang="ts">
import { ChevronDown, ChevronRight } from '@lucide/vue'
import { NButton, NCollapseTransition } from 'naive-ui'
import { ref, watch } from 'vue'

/** Something more, folded away until it is asked for. */
const { open = false } = defineProps<{ title: string; open?: boolean }>()
const emit = defineEmits<{ toggle: [open: boolean] }>()
const shown = ref(open)
watch(
  () => open,
  (now) => (shown.value = now),
)
function toggle() {
  shown.value = !shown.value
  emit('toggle', shown.value)
}
</script>

<template>
  <div class="folded">
    <NButton text class="title min-h-26px whitespace-normal text-left" :aria-expanded="shown" @click="toggle">
      <template #icon><component :is="shown ? ChevronDown : ChevronRight" :size="16" /></template>
      {{ title }}
    </NButton>
    <NCollapseTransition :show="shown"><slot /></NCollapseTransition>
  </div>
</template>
