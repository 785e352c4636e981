<script setup lang="ts" generic="R extends Figure">
import { t, tell } from '../words'
import { computed } from 'vue'
import { columnsFor, type Column, type Figure } from '../../core/readings'
import PinButton from './PinButton.vue'
import type { RowsView } from './useRows'

/** A table of the key from its own columns: the same that are printed and exported. */
const props = withDefaults(
  defineProps<{
    columns: readonly Column<R>[]
    rows: readonly R[]
    /** A faulted board stands beside the healthy one. */
    beside: boolean
    caption: string
    captionHidden?: boolean
    /** The sheet's own choice of rows; its pins stand before them. */
    view?: RowsView | null
    lit?: string | null
    /** Rows that show more of themselves below. */
    open?: string | null
  }>(),
  { captionHidden: false, view: null, lit: null, open: null },
)
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()
defineSlots<{
  cell?: (given: { row: R; column: Column<R> }) => unknown
  more?: (given: { row: R }) => unknown
}>()

const shown = computed(() => columnsFor(props.columns, props.beside))
const width = computed(() => shown.value.length + (props.view ? 1 : 0))
</script>

<template>
  <table class="data">
    <caption :class="{ 'visually-hidden': captionHidden }">
      {{
        caption
      }}
    </caption>
    <thead>
      <tr>
        <th v-if="view" scope="col" class="no-print">
          <span class="visually-hidden">{{ t('ui.common.pin') }}</span>
        </th>
        <th
          v-for="column in shown"
          :key="column.key"
          scope="col"
          :class="{ num: column.number, spare: column.spare }"
        >
          {{ tell(column.head(beside)) }}
        </th>
      </tr>
    </thead>
    <tbody>
      <template v-for="row in rows" :key="row.id">
        <tr
          :class="{ bad: row.bad, lit: lit !== null && lit === row.part }"
          :data-row="row.part || row.at"
          @pointerenter="row.part && emit('light', row.part)"
          @pointerleave="row.part && emit('light', null)"
          @click="row.part && emit('choose', row.part)"
        >
          <td v-if="view" class="no-print">
            <PinButton :id="row.id" :view="view" :what="row.part ? tell(row.title) : row.at" />
          </td>
          <td
            v-for="column in shown"
            :key="column.key"
            :class="{ num: column.number, quiet: column.quiet, reading: column.name, spare: column.spare }"
          >
            <slot name="cell" :row="row" :column="column">{{ tell(column.text(row)) }}</slot>
          </td>
        </tr>
        <tr v-if="open === row.id" class="more">
          <td v-if="view" />
          <td :colspan="shown.length"><slot name="more" :row="row" /></td>
        </tr>
      </template>
      <tr v-if="!rows.length">
        <td :colspan="width" class="quiet">{{ t('ui.readings.noRowMatchesWhatYou') }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
caption {
  text-align: left;
  font-weight: 500;
  padding-bottom: 4px;
}
.reading {
  white-space: nowrap;
}
.more td {
  font-size: 12px;
  background: var(--accent-soft);
}
/* Beside a wide drawing the figures matter more than what the order tells as well. */
@container (max-width: 470px) {
  .spare {
    display: none;
  }
  table.data {
    font-size: 12px;
  }
  table.data .num {
    padding-right: 6px;
  }
}
</style>
