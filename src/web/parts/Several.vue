<script setup lang="ts">
import { NSelect, type SelectGroupOption, type SelectOption } from 'naive-ui'
import { computed, ref, useTemplateRef } from 'vue'
import { t } from '../words'
import type { Entries, Entry } from './choice'
import { useCombobox } from './useCombobox'

/** Some out of a list, by pointing or typing. */
const {
  entries,
  label,
  placeholder = undefined,
} = defineProps<{
  label: string
  entries: Entries<string>
  placeholder?: string
}>()
const value = defineModel<string[]>('value', { required: true })
const option = ({ value: id, label: text }: Entry<string>): SelectOption => ({ value: id, label: text })
const options = computed((): (SelectOption | SelectGroupOption)[] =>
  entries.map((one) =>
    'group' in one
      ? { type: 'group', key: one.group, label: one.group, children: one.entries.map(option) }
      : option(one),
  ),
)
const open = ref(false)
const root = useTemplateRef('root')
const focus = useCombobox(root, () => ({ label, open: open.value, disabled: false, filters: true }))
defineExpose({ focus })
</script>

<template>
  <div ref="root" class="grid gap-3px min-w-0 text-13px text-quiet">
    <span aria-hidden="true">{{ label }}</span>
    <NSelect
      v-model:show="open"
      v-model:value="value"
      multiple
      filterable
      clearable
      clear-filter-after-select
      size="small"
      max-tag-count="responsive"
      :options="options"
      :placeholder="placeholder ?? t('ui.common.choose')"
      :input-props="{ 'aria-label': t('ui.parts.filterIn') }"
    />
  </div>
</template>
