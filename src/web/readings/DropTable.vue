<script setup lang="ts">
import { t } from '../words'
import { computed } from 'vue'
import { dropColumns, dropRows, type StateKey } from '../../core/readings'
import KeyTable from './KeyTable.vue'
import type { RowsView } from './useRows'

const props = withDefaults(
  defineProps<{
    state: StateKey
    faulted?: StateKey | null
    lit: string | null
    /** Which path's pieces; all of them if left out. */
    path?: number
    /** The sheet's own choice and order of rows. */
    view?: RowsView | null
    /** Says what it is above it, where other tables stand beside it. */
    captioned?: boolean
  }>(),
  { faulted: null, path: -1, view: null, captioned: false },
)
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const all = computed(() => dropRows(props.state, props.faulted, props.path))
const rows = computed(() => props.view?.arrange(all.value) ?? all.value)
</script>

<template>
  <KeyTable
    :columns="dropColumns"
    :rows="rows"
    :beside="!!faulted"
    :caption="t('ui.readings.dropAcrossEachPieceOf')"
    :caption-hidden="!captioned"
    :view="view"
    :lit="lit"
    @light="emit('light', $event)"
    @choose="emit('choose', $event)"
  />
</template>
