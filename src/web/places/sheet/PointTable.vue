<script setup lang="ts">
import { computed, ref } from 'vue'
import { solveBoard } from '../../../core/board'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { sharesOfVolts, type MeterType } from '../../../core/instruments'
import { formatQuantity } from '../../../core/quantity'
import type { StateKey } from '../../../core/readings'
import { pointRows, volts } from '../../parts/rows'
import PinButton from './PinButton.vue'
import type { SheetView } from './useSheet'

const props = defineProps<{
  circuit: Circuit
  state: StateKey
  faulted: StateKey | null
  faults: readonly Fault[]
  view: SheetView
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
  <table class="data">
    <caption>
      Volts at each point, black lead on battery −
    </caption>
    <thead>
      <tr>
        <th scope="col" class="no-print"><span class="visually-hidden">Pin</span></th>
        <th scope="col">Point</th>
        <th scope="col" class="num">{{ faulted ? 'Healthy' : 'Expected' }}</th>
        <th scope="col" class="num">Band</th>
        <template v-if="faulted">
          <th scope="col" class="num">Faulted</th>
          <th scope="col" class="num">Difference</th>
        </template>
      </tr>
    </thead>
    <tbody>
      <template v-for="row in rows" :key="row.name">
        <tr :class="{ bad: row.bad }">
          <td class="no-print">
            <PinButton :id="row.id" :view="view" :what="row.name" />
          </td>
          <td :title="row.title">
            <button
              type="button"
              class="name reading"
              :aria-expanded="open === row.name"
              :title="`Where the reading at ${row.name} comes from`"
              @click="open = open === row.name ? null : row.name"
            >
              {{ row.name }}
            </button>
          </td>
          <td class="num">{{ row.shown }}</td>
          <td class="num quiet">{{ row.spread }}</td>
          <template v-if="faulted">
            <td class="num">{{ row.other }}</td>
            <td class="num">{{ row.text }}</td>
          </template>
        </tr>
        <tr v-if="open === row.name && shares" class="shares">
          <td />
          <td :colspan="faulted ? 5 : 3">
            the meter shows <b class="reading">{{ volts(shares.shown) }}</b> = truth
            <b class="reading">{{ volts(shares.truth) }}</b> {{ fine(shares.loading) }} loading
            {{ fine(shares.leads) }} leads {{ fine(shares.resolution) }} last digit
          </td>
        </tr>
      </template>
      <tr v-if="!rows.length">
        <td :colspan="faulted ? 6 : 4" class="quiet">No row matches what you asked for.</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
caption {
  text-align: left;
  color: var(--quiet);
  font-size: 12px;
}
.name {
  border: 0;
  background: none;
  color: var(--quiet);
  cursor: pointer;
  padding: 1px 2px;
  min-width: 24px;
  min-height: 24px;
}
.name {
  color: inherit;
  font-size: inherit;
  text-align: left;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.shares td {
  font-size: 12px;
  background: var(--accent-soft);
}
@media print {
  .name {
    text-decoration: none;
    min-height: 0;
  }
}
</style>
