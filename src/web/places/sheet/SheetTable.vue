<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import type { MeterType } from '../../../core/instruments'
import type { AnswerKey } from '../../../core/readings'
import DataTable from '../../parts/DataTable.vue'
import type { Column } from '../../parts/columns'
import PinButton from '../../readings/PinButton.vue'
import type { RowsView } from '../../readings/useRows'
import { t } from '../../words'
import PointShares from './PointShares.vue'
import { sheetRows, type Section, type SheetRow, type StatePair } from './sheet-rows'

/** The answer key as one table: one state with its figures, or all of them side by side. */
const props = defineProps<{
  circuit: Circuit
  pairs: readonly StatePair[]
  isolated: AnswerKey['isolated']
  isolatedFaulted: AnswerKey['isolated'] | null
  faults: readonly Fault[]
  beside: boolean
  view: RowsView
  meter: MeterType
  wanted?: readonly Section[] | undefined
}>()

const rows = computed(() =>
  sheetRows({
    pairs: props.pairs,
    isolated: props.isolated,
    isolatedFaulted: props.isolatedFaulted,
    arrange: props.view.arrange,
    ...(props.wanted && { wanted: props.wanted }),
  }),
)
const alone = computed(() => props.pairs.length === 1)
const open = ref<string | null>(null)

const columns = computed((): Column<SheetRow>[] => [
  { key: 'pin', title: t('ui.common.pin'), untitled: true, width: 38 },
  {
    key: 'at',
    title: t('ui.sheet.where'),
    text: (row) => row.at,
    head: true,
    width: 150,
    spans: (row) => (row.heading ? columns.value.length - 1 : 1),
  },
  { key: 'what', title: t('ui.sheet.whatItIs'), text: (row) => row.what, width: 300 },
  ...(alone.value ? figures() : states()),
])
const figures = (): Column<SheetRow>[] => [
  {
    key: 'healthy',
    title: t('ui.common.healthy'),
    text: (r) => r.cells[0]?.healthy ?? '',
    number: true,
    width: 130,
  },
  { key: 'band', title: t('ui.sheet.band'), text: (r) => r.band, number: true, quiet: true, width: 100 },
  ...(props.beside
    ? [
        {
          key: 'faulted',
          title: t('ui.common.faulted'),
          text: (r: SheetRow) => r.cells[0]?.faulted ?? '',
          number: true,
          width: 130,
        },
        {
          key: 'difference',
          title: t('ui.sheet.difference'),
          text: (r: SheetRow) => r.difference,
          number: true,
          width: 110,
        },
      ]
    : []),
  { key: 'note', title: t('ui.sheet.remark'), text: (r) => r.note, quiet: true, width: 220 },
]
const states = (): Column<SheetRow>[] =>
  props.pairs.map(({ state }, i) => ({
    key: `state${i}`,
    title: state.state.name,
    text: (r: SheetRow) => r.cells[i]?.healthy ?? '',
    number: true,
    width: 130,
  }))
/** Rows of points tell where their reading comes from. */
const tells = (row: SheetRow) => alone.value && row.section === 'points' && !row.heading
</script>

<template>
  <DataTable
    fill
    sideways
    :label="t('ui.common.answerKey')"
    :columns="columns"
    :rows="rows"
    :row-key="(row) => row.key"
    :row-props="
      (row) => ({
        class: { bad: row.bad, section: row.heading },
        'data-row': row.heading ? undefined : row.part,
      })
    "
    :open="open"
  >
    <template #cell-pin="{ row }">
      <PinButton
        v-if="row.id"
        :id="row.id"
        :view="view"
        :what="row.section === 'points' ? row.at : row.what"
      />
    </template>
    <template #cell-at="{ row }">
      <b v-if="row.heading">{{ row.at }}</b>
      <NButton
        v-else-if="tells(row)"
        text
        class="reading"
        :aria-expanded="open === row.key"
        :title="t('ui.sheet.whereTheReadingAtComes', { at: row.at })"
        @click="open = open === row.key ? null : row.key"
        >{{ row.at }}</NButton
      >
      <span v-else class="reading">{{ row.at }}</span>
    </template>
    <template v-for="(_, i) in alone ? [] : pairs" :key="i" #[`cell-state${i}`]="{ row }">
      <template v-if="row.cells[i]">
        <span :class="{ quiet: beside && row.cells[i]!.bad }">{{ row.cells[i]!.healthy }}</span>
        <b v-if="beside && row.cells[i]!.bad" class="font-medium text-fault">
          → {{ row.cells[i]!.faulted }}</b
        >
      </template>
    </template>
    <template #more="{ row }">
      <PointShares
        v-if="pairs[0]"
        :circuit="circuit"
        :point="row.at"
        :state="pairs[0].state"
        :faulted="pairs[0].faulted"
        :faults="faults"
        :meter="meter"
      />
    </template>
    <template #empty>{{ t('ui.readings.noRowMatchesWhatYou') }}</template>
  </DataTable>
</template>
