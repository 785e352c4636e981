<script setup lang="ts">
import { formatQuantity, t, tell } from '../../words'
import { computed, ref } from 'vue'
import { solveBoard } from '../../../core/board'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { sharesOfVolts, type MeterType } from '../../../core/instruments'
import { pointColumns, pointRows, writeVolts, type StateKey } from '../../../core/readings'
import KeyTable from '../../readings/KeyTable.vue'
import type { RowsView } from '../../readings/useRows'

const props = defineProps<{
  circuit: Circuit
  state: StateKey
  faulted: StateKey | null
  faults: readonly Fault[]
  view: RowsView
  meter: MeterType
}>()
const open = ref<string | null>(null)
const rows = computed(() => props.view.arrange(pointRows(props.state, props.faulted)))
/** Where a row's reading comes from: the true volts, what the meter's input takes, and the last digit. */
const shares = computed(() => {
  const node = props.state.points.find((p) => p.name === open.value)?.node
  if (node === undefined) return null
  const solved = solveBoard(props.circuit, props.faulted ? props.faults : [], props.state.state, {
    blown: new Set((props.faulted ?? props.state).blown),
  })
  return solved.ok ? sharesOfVolts(solved, node, 0, props.meter) : null
})
const fine = (v: number) =>
  `${v < -5e-7 ? '−' : '+'} ${formatQuantity(Math.abs(v) < 5e-7 ? 0 : Math.abs(v), 'V')}`
</script>

<template>
  <KeyTable
    :columns="pointColumns"
    :rows="rows"
    :beside="!!faulted"
    :caption="t('ui.sheet.voltsAtEachPointBlack')"
    :view="view"
    :open="shares ? open : null"
  >
    <template #cell="{ row, column }">
      <button
        v-if="column.key === 'at'"
        type="button"
        class="name reading"
        :aria-expanded="open === row.id"
        :title="t('ui.sheet.whereTheReadingAtComes', { at: row.at })"
        @click="open = open === row.id ? null : row.id"
      >
        {{ row.at }}
      </button>
      <template v-else>{{ tell(column.text(row)) }}</template>
    </template>
    <template #more>
      <template v-if="shares">
        {{ t('ui.sheet.theMeterShows') }} <b class="reading">{{ tell(writeVolts(shares.shown)) }}</b>
        {{ t('ui.sheet.truth') }}
        <b class="reading">{{ tell(writeVolts(shares.truth)) }}</b>
        {{
          t('ui.sheet.loadingLeadsLastDigit', {
            loading: fine(shares.loading),
            leads: fine(shares.leads),
            resolution: fine(shares.resolution),
          })
        }}
      </template>
    </template>
  </KeyTable>
</template>

<style scoped>
.name {
  font: inherit;
  font-family: var(--face-readings);
  color: inherit;
  border: 0;
  background: none;
  padding: 0;
  min-height: 24px;
  cursor: pointer;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
@media print {
  .name {
    text-decoration: none;
    min-height: 0;
  }
}
</style>
