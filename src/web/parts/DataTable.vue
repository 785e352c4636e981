<script setup lang="ts" generic="R extends object">
import { useMediaQuery } from '@vueuse/core'
import { NDataTable, NEmpty, type DataTableColumns } from 'naive-ui'
import { computed, useTemplateRef, watchEffect } from 'vue'
import { t } from '../words'
import type { Column } from './columns'

/**
 * Rows of one kind: ordered by a press on a head, with a head that stays, and drawn as far as they are in view once there
 * are many. Slots: `cell-KEY` fills a column’s cells, `more` stands under an open row, `empty` where there is none.
 */
const {
  rowKey,
  columns,
  rows,
  label,
  fill = false,
  sideways = false,
  open = null,
  loading = false,
  rowProps = undefined,
  summary = undefined,
} = defineProps<{
  label: string
  columns: readonly Column<R>[]
  rows: readonly R[]
  rowKey: (row: R) => string | number
  /** Takes the height that it is given, and scrolls by itself; else it is as high as its rows. */
  fill?: boolean
  /** Wider than its place, it scrolls sideways rather than to squeeze its columns. */
  sideways?: boolean
  /** The row under which more is told. */
  open?: string | number | null
  loading?: boolean
  rowProps?: (row: R) => Record<string, unknown>
  /** What stands in the last line, by column. */
  summary?: Readonly<Record<string, string>>
}>()
const slots = defineSlots<Record<string, (props: { row: R }) => unknown>>()

/** From so many rows on, only those in view are drawn. */
const fewestDrawnInPart = 100
/** What stands in for a column’s width where it has none, so that a wide table scrolls sideways. */
const usualWidth = 120
/** On paper every row is wanted. */
const printing = useMediaQuery('print')
/** On a phone no table fits: each scrolls by itself, and the page does not. */
const narrow = useMediaQuery('(max-width: 760px)')
const aside = computed(() => (sideways || narrow.value) && !printing.value)
const scrolls = computed(() => fill && !printing.value)
const inPart = computed(() => scrolls.value && rows.length >= fewestDrawnInPart)
/** The line under an open row, in which more is told of it. */
class More {
  constructor(readonly of: R) {}
}
const lines = computed(() =>
  slots.more && open !== null
    ? rows.flatMap((row): (R | More)[] => (rowKey(row) === open ? [row, new More(row)] : [row]))
    : rows,
)
/** The last line, too, is asked for what its cells have: it is none of ours. */
const own = computed(() => new Set<unknown>(rows))
const keyOf = (line: R | More) => (line instanceof More ? `more ${rowKey(line.of)}` : rowKey(line))
const propsOf = (line: R | More) => (line instanceof More ? { class: 'more' } : (rowProps?.(line) ?? {}))

const made = computed(
  () =>
    columns.map((column, i) => ({
      key: column.key,
      title: column.title,
      titleAlign: column.number ? 'right' : 'left',
      align: column.number ? 'right' : 'left',
      className: [column.number && 'num', column.quiet && 'quiet', column.untitled && 'untitled']
        .filter(Boolean)
        .join(' '),
      ...(column.width !== undefined && { width: column.width }),
      ...(column.minWidth !== undefined && { minWidth: column.minWidth }),
      ...(column.head && (scrolls.value || sideways) && { fixed: 'left' }),
      ...(column.sort && {
        sorter: (a: R | More, b: R | More) =>
          column.sort!(a instanceof More ? a.of : a, b instanceof More ? b.of : b),
      }),
      colSpan: (line: R | More) =>
        line instanceof More
          ? i
            ? 1
            : columns.length
          : own.value.has(line)
            ? (column.spans?.(line) ?? 1)
            : 1,
      cellProps: (line: R | More) =>
        line instanceof More || !own.value.has(line)
          ? {}
          : { ...(column.head && { role: 'rowheader' }), ...column.cell?.(line) },
      render: (line: R | More) => {
        if (line instanceof More) return i ? '' : slots.more?.({ row: line.of })
        const slot = slots[`cell-${column.key}`]
        return slot ? slot({ row: line }) : (column.text?.(line) ?? '')
      },
    })) as unknown as DataTableColumns,
)
const wide = computed(() =>
  columns.reduce((sum, { width, minWidth }) => sum + (width ?? minWidth ?? usualWidth), 0),
)
const lastLine = computed(() =>
  summary
    ? () => Object.fromEntries(columns.map(({ key }) => [key, { value: summary[key] ?? '' }]))
    : undefined,
)

const root = useTemplateRef('root')
// The library names neither its tables nor what scrolls in them.
watchEffect(
  () => {
    void rows.length
    void printing.value
    for (const table of root.value?.querySelectorAll('table') ?? []) table.setAttribute('aria-label', label)
    for (const head of root.value?.querySelectorAll('th') ?? []) head.setAttribute('scope', 'col')
    if (aside.value)
      root.value?.querySelector('.n-data-table-base-table-header')?.setAttribute('tabindex', '0')
    if (!scrolls.value) return
    const body = root.value?.querySelector('.n-data-table-base-table-body .n-scrollbar-container, .v-vl')
    body?.setAttribute('tabindex', '0')
    body?.setAttribute('role', 'region')
    body?.setAttribute('aria-label', label)
  },
  { flush: 'post' },
)
</script>

<template>
  <div ref="root" class="data-table" :class="{ fill: scrolls }">
    <NDataTable
      size="small"
      :columns="made"
      :data="lines as never[]"
      :row-key="keyOf as never"
      :row-props="propsOf as never"
      :bordered="false"
      :bottom-bordered="false"
      :loading="loading"
      :flex-height="scrolls"
      :table-layout="scrolls ? 'fixed' : 'auto'"
      :virtual-scroll="inPart"
      :min-row-height="28"
      :scroll-x="aside ? wide : undefined"
      :summary="lastLine"
      :scrollbar-props="{ trigger: 'none' }"
      :style="scrolls ? { height: '100%' } : {}"
    >
      <template #empty>
        <slot name="empty" :row="rows[0]!"><NEmpty size="small" :description="t('ui.parts.noRows')" /></slot>
      </template>
    </NDataTable>
  </div>
</template>

<style scoped>
@media (max-width: 760px) {
  .data-table {
    width: 100%;
    contain: inline-size;
  }
}
.fill {
  height: 100%;
  min-height: 0;
}
</style>
