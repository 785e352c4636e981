<script setup lang="ts">
import { computed } from 'vue'
import { solveBoard } from '../../../core/board'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { sharesOfVolts, type MeterType } from '../../../core/instruments'
import { writeVolts, type StateKey } from '../../../core/readings'
import { formatQuantity, t, tell } from '../../words'

/** Where a point's reading comes from: the true volts, what the meter's input takes, and the last digit. */
const props = defineProps<{
  circuit: Circuit
  point: string
  state: StateKey
  faulted: StateKey | null
  faults: readonly Fault[]
  meter: MeterType
}>()
const shares = computed(() => {
  const node = props.state.points.find((p) => p.name === props.point)?.node
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
