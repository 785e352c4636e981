<script setup lang="ts">
import { NAutoComplete, type AutoCompleteInst } from 'naive-ui'
import { computed, ref, useTemplateRef } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { partOfKind } from '../../../core/parts'
import { t, tell } from '../../words'

/** Finds a part by its short name or by what it is called. */
const props = defineProps<{ circuit: Circuit }>()
const emit = defineEmits<{ found: [part: string] }>()
const text = ref('')
const field = useTemplateRef<AutoCompleteInst>('field')
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return []
  return props.circuit.parts
    .map((p) => ({ value: p.id, label: `${p.id} ${p.name || tell(partOfKind(p.kind).title)}` }))
    .filter(({ label }) => words.every((word) => label.toLowerCase().includes(word)))
    .sort((a, b) => Number(b.value.toLowerCase() === words[0]) - Number(a.value.toLowerCase() === words[0]))
    .slice(0, 12)
})
function take(part: string | undefined) {
  if (part === undefined) return
  emit('found', part)
  text.value = ''
}
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <NAutoComplete
    ref="field"
    v-model:value="text"
    size="small"
    class="find w-150px"
    placement="top-start"
    clear-after-select
    :options="found"
    :placeholder="t('ui.bench.findPartTitle')"
    :input-props="{ 'aria-label': t('ui.bench.findPartTitle'), autocomplete: 'off' }"
    @select="take"
    @keydown.enter="take(found[0]?.value)"
  />
</template>
