<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { likeParts, sparesOf } from '../../../core/board'
import type { CircuitState } from '../../../core/circuit'
import { findPart } from '../../../core/model'
import { nameOfPart } from '../../../core/parts'
import { t, tell } from '../../words'
import type { DeskModel } from './useDesk'

/** Relays, lamps and fuses that change places with one like them, or make room for the spare of the box. */
const props = defineProps<{ model: DeskModel; state: CircuitState }>()
const emit = defineEmits<{ change: [state: CircuitState] }>()

const named = (id: string) => {
  const part = findPart(props.model.circuit, id)
  return part ? `${id} ${tell(nameOfPart(part))}` : id
}
const options = computed(() => {
  const kept = sparesOf(props.model.circuit)
  const pairs = kept.flatMap((a) =>
    likeParts(props.model.circuit, a).flatMap((b): [string, string][] => (a < b ? [[a, b]] : [])),
  )
  return [
    ...pairs.map(([a, b]) => ({
      value: `${a} ${b}`,
      label: t('ui.desk.swapLike', { a: named(a), b: named(b) }),
    })),
    ...kept.map((id) => ({ value: id, label: t('ui.desk.fitSpare', { part: named(id) }) })),
  ]
})
const chosen = computed(() => [
  ...(props.state.swapped ?? []).map(([a, b]) => (a < b ? `${a} ${b}` : `${b} ${a}`)),
  ...(props.state.spares ?? []),
])
const partsOf = (value: string) => value.split(' ')

function choose(values: string[]) {
  // What was chosen last stands: a part has one place.
  const added = values.find((value) => !chosen.value.includes(value))
  const kept =
    added === undefined
      ? values
      : values.filter((value) => value === added || !partsOf(value).some((id) => partsOf(added).includes(id)))
  const state = { ...props.state, id: 'custom', name: t('ui.common.asSet') }
  delete state.swapped
  delete state.spares
  const pairs = kept.map(partsOf).filter(({ length }) => length === 2) as [string, string][]
  const spares = kept.filter((value) => partsOf(value).length === 1)
  emit('change', {
    ...state,
    ...(pairs.length && { swapped: pairs }),
    ...(spares.length && { spares }),
  })
}
</script>

<template>
  <div v-if="options.length" class="exchange flex gap-7px items-center min-w-220px">
    <span class="text-13px text-quiet">{{ t('ui.desk.swapped') }}</span>
    <NSelect
      multiple
      filterable
      size="small"
      :value="chosen"
      :options="options"
      :placeholder="t('ui.common.nothing')"
      :consistent-menu-width="false"
      :input-props="{ 'aria-label': t('ui.desk.swapped') }"
      @update:value="choose"
    />
  </div>
</template>
