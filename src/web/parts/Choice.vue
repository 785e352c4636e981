<script setup lang="ts" generic="V extends string | number | null">
import { NSelect, type SelectGroupOption, type SelectOption } from 'naive-ui'
import { computed, ref, useTemplateRef, type HTMLAttributes } from 'vue'
import { t } from '../words'
import type { Entries, Entry } from './choice'
import { useCombobox } from './useCombobox'

/** One out of a list, by pointing or typing. Its label stands above it, beside it, or is only read out. */
const {
  entries,
  label,
  labelled = 'above',
  disabled = false,
  size = 'small',
  placeholder = undefined,
} = defineProps<{
  label: string
  entries: Entries<V>
  labelled?: 'above' | 'beside' | 'aloud'
  disabled?: boolean
  placeholder?: string
  size?: 'tiny' | 'small' | 'medium' | 'large'
}>()
const value = defineModel<V | undefined>('value', { required: true })

/** From so many on, typing filters. */
const fewestFiltered = 10
/** Above so many the list draws only what is in view. */
const mostDrawn = 100
const all = computed(() =>
  entries.flatMap((one): readonly Entry<V>[] => ('group' in one ? one.entries : [one])),
)
// The library knows no entry for “none”: an entry is known by its place in the list.
const key = (entry: Entry<V>) => all.value.indexOf(entry)
const option = (entry: Entry<V>): SelectOption => ({
  value: key(entry),
  label: entry.label,
  disabled: entry.disabled ?? false,
})
const options = computed((): (SelectOption | SelectGroupOption)[] =>
  entries.map((one) =>
    'group' in one
      ? { type: 'group', key: one.group, label: one.group, children: one.entries.map(option) }
      : option(one),
  ),
)
const chosen = computed(() => {
  const at = all.value.findIndex((entry) => entry.value === value.value)
  return at < 0 ? null : at
})
const open = ref(false)
const choose = (at: number) => (value.value = all.value[at]!.value)
const marks = ({ value: at }: SelectOption | SelectGroupOption): HTMLAttributes & Record<string, unknown> => {
  const entry = all.value[at as number]
  return { 'data-value': String(entry?.value), ...(entry?.lang && { lang: entry.lang }) }
}
/** As wide as its longest entry, where nothing else gives it a width. */
const width = computed(() => {
  const longest = Math.max(6, ...all.value.map((entry) => entry.label.length))
  return labelled === 'above' ? undefined : `calc(${Math.min(longest, 38)} * 0.95ch + 44px)`
})

const filters = computed(() => all.value.length >= fewestFiltered)
const root = useTemplateRef('root')
const focus = useCombobox(root, () => ({ label, open: open.value, disabled, filters: filters.value }))
/** For the keys of a place. */
defineExpose({ focus })
</script>

<template>
  <div
    ref="root"
    class="of grid gap-3px min-w-0 text-13px text-quiet"
    :class="labelled"
    :data-chosen="String(value)"
  >
    <span v-if="labelled !== 'aloud'" aria-hidden="true">{{ label }}</span>
    <NSelect
      v-model:show="open"
      :value="chosen"
      :options="options"
      :size="size"
      :disabled="disabled"
      :placeholder="placeholder ?? t('ui.common.choose')"
      :virtual-scroll="all.length > mostDrawn"
      :consistent-menu-width="false"
      :node-props="marks"
      :filterable="filters"
      :input-props="{ 'aria-label': t('ui.parts.filterIn') }"
      :style="{ width }"
      @update:value="choose"
    />
  </div>
</template>

<style scoped>
.beside {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.aloud {
  display: inline-flex;
}
</style>
