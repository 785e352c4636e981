<script setup lang="ts">
import { t } from '../words'
import { computed } from 'vue'
import { dropColumns, dropRows, type StateKey } from '../../core/readings'
import KeyTable from './KeyTable.vue'

const props = withDefaults(
  defineProps<{
    state: StateKey
    faulted?: StateKey | null
    lit: string | null
    /** Which path's pieces; all of them if left out. */
    path?: number
    /** Takes the height that it is given, and scrolls by itself. */
    fill?: boolean
  }>(),
  { faulted: null, path: -1, fill: false },
)
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const rows = computed(() => dropRows(props.state, props.faulted, props.path))
</script>

<template>
  <KeyTable
    :columns="dropColumns"
    :rows="rows"
    :beside="!!faulted"
    :caption="t('ui.readings.dropAcrossEachPieceOf')"
    :fill="fill"
    :lit="lit"
    @light="emit('light', $event)"
    @choose="emit('choose', $event)"
  />
</template>
