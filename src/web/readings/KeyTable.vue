<script setup lang="ts" generic="R extends Figure">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { columnsFor, type Column as KeyColumn, type Figure } from '../../core/readings'
import DataTable from '../parts/DataTable.vue'
import type { Column } from '../parts/columns'
import { t, tell } from '../words'

/** A table of the key from its own columns: the same that are printed and exported. */
const {
  columns,
  rows,
  beside,
  caption,
  fill = false,
  lit = null,
} = defineProps<{
  columns: readonly KeyColumn<R>[]
  rows: readonly R[]
  /** A faulted board stands beside the healthy one. */
  beside: boolean
  caption: string
  fill?: boolean
  lit?: string | null
}>()
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const root = useTemplateRef('root')
const { width } = useElementSize(root)
/** Beside a wide drawing the figures matter more than what the order tells as well. */
const narrow = computed(() => width.value > 0 && width.value < 470)
const shown = computed((): Column<R>[] =>
  columnsFor(columns, beside)
    .filter((column) => !column.spare || !narrow.value)
    .map((column) => ({
      key: column.key,
      title: tell(column.head(beside)),
      text: (row) => tell(column.text(row)),
      ...(column.number && { number: true, width: 92 }),
      ...(column.name && { width: 112 }),
      ...(column.quiet && { quiet: true }),
    })),
)
const rowProps = (row: R) => ({
  class: { bad: row.bad, lit: lit !== null && lit === row.part },
  'data-row': row.part || row.at,
  ...(row.part && {
    onPointerenter: () => emit('light', row.part),
    onPointerleave: () => emit('light', null),
    onClick: () => emit('choose', row.part),
  }),
})
</script>

<template>
  <div ref="root" class="key-table" :class="{ fill }">
    <DataTable
      :label="caption"
      :columns="shown"
      :rows="rows"
      :row-key="(row) => row.id"
      :row-props="rowProps"
      :fill="fill"
    >
      <template #empty>{{ t('ui.readings.noRowMatchesWhatYou') }}</template>
    </DataTable>
  </div>
</template>

<style scoped>
.fill {
  height: 100%;
  min-height: 0;
}
</style>
