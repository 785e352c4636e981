<script setup lang="ts">
import { RouterLink } from 'vue-router'
import type { FloorAct, FloorRow } from '../../../contract/floor'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import { t, tell } from '../../words'
import { actWords } from './actWords'
import Curve from './Curve.vue'
import { minutesOf, needOf, needs } from '../../readings/needs'
import NeedTag from '../../readings/NeedTag.vue'
import StationActs from './StationActs.vue'

/** Everybody at work, a line each. */
const { now } = defineProps<{ rows: readonly FloorRow[]; now: number }>()
const emit = defineEmits<{ act: [row: FloorRow, act: FloorAct] }>()
const columns: Column<FloorRow>[] = [
  {
    key: 'need',
    title: t('ui.floor.state'),
    width: 110,
    sort: (a, b) => needs.indexOf(needOf(a, now)) - needs.indexOf(needOf(b, now)),
  },
  {
    key: 'student',
    title: t('ui.common.student'),
    head: true,
    sort: byText((row) => row.student.name),
    width: 150,
  },
  {
    key: 'station',
    title: t('ui.floor.station'),
    text: (row) => row.station ?? '',
    sort: byText((row) => row.station ?? ''),
    width: 90,
  },
  {
    key: 'circuit',
    title: t('ui.common.circuit'),
    text: (row) => row.circuit,
    sort: byText((row) => row.circuit),
    minWidth: 150,
  },
  {
    key: 'tests',
    title: t('ui.floor.readingsHead'),
    number: true,
    text: (row) => String(row.tests),
    sort: (a, b) => a.tests - b.tests,
    width: 90,
  },
  {
    key: 'left',
    title: t('ui.floor.suspectsHead'),
    width: 150,
    sort: (a, b) => (a.left?.at(-1) ?? 0) - (b.left?.at(-1) ?? 0),
  },
  {
    key: 'minutes',
    title: t('ui.floor.minutesHead'),
    number: true,
    text: (row) => String(minutesOf(row, now) ?? ''),
    sort: (a, b) => (minutesOf(a, now) ?? 0) - (minutesOf(b, now) ?? 0),
    width: 90,
  },
  { key: 'last', title: t('ui.floor.lastStep'), quiet: true, minWidth: 160 },
  { key: 'acts', title: t('ui.common.actions'), untitled: true, width: 190 },
]
</script>

<template>
  <DataTable :label="t('ui.common.floor')" :columns="columns" :rows="rows" :row-key="(row) => row.id">
    <template #cell-need="{ row }"><NeedTag :need="needOf(row, now)" /></template>
    <template #cell-student="{ row }"
      ><RouterLink :to="{ name: 'review', params: { id: row.id } }">{{
        row.student.name
      }}</RouterLink></template
    >
    <template #cell-left="{ row }"
      ><span v-if="row.left && row.left.length > 1" class="flex gap-8px items-center"
        ><Curve :left="row.left" /> {{ row.left.at(-1) }}</span
      ></template
    >
    <template #cell-last="{ row }">
      <span v-if="row.unsafe.length" class="text-fault">{{ tell(row.unsafe.at(-1)!.what) }}</span>
      <span v-else-if="row.stopped" class="text-fault">{{ row.stopped }}</span>
      <template v-else-if="row.last">{{ actWords(row.last) }}</template>
    </template>
    <template #cell-acts="{ row }"
      ><StationActs v-if="!row.concluded" :row="row" @act="emit('act', row, $event)"
    /></template>
  </DataTable>
</template>
