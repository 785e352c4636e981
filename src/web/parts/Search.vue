<script setup lang="ts">
import { Search } from '@lucide/vue'
import { NInput, type InputInst } from 'naive-ui'
import { useTemplateRef } from 'vue'

/** A field to look something up with. */
const { label, placeholder = undefined } = defineProps<{ label: string; placeholder?: string }>()
const text = defineModel<string>({ required: true })
const field = useTemplateRef<InputInst>('field')
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <NInput
    ref="field"
    v-model:value="text"
    class="search max-w-260px"
    size="small"
    clearable
    :placeholder="placeholder ?? label"
    :input-props="{ type: 'search', 'aria-label': label }"
  >
    <template #prefix><Search :size="15" /></template>
  </NInput>
</template>

<style scoped>
/* The library has its own way to empty it. */
.search :deep(input::-webkit-search-cancel-button) {
  display: none;
}
</style>
