<script setup lang="ts">
import { t, tell } from '../../words'
import { Printer } from '@lucide/vue'
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import type { Circuit } from '../../../core/circuit'
import { describeFault } from '../../../core/faults'
import { workshopMeter, type MeterType } from '../../../core/instruments'
import { answerKey } from '../../../core/readings'
import { useKeys } from '../../keys/useKeys'
import { useCircuit } from '../../stores/circuit'
import ExportMenu from './ExportMenu.vue'
import LampForFuse from './LampForFuse.vue'
import MeterChoice from './MeterChoice.vue'
import IsolatedTable from './IsolatedTable.vue'
import StateSheet from './StateSheet.vue'
import { useRows } from '../../readings/useRows'

const BuildSheet = defineAsyncComponent(() => import('./BuildSheet.vue'))

import LimitChoice from '../../readings/LimitChoice.vue'

const route = useRoute()
const store = useCircuit()
await store.load(String(route.params.id), 'sheet')

const circuit = computed(() => store.circuit as Circuit)
const faults = computed(() => store.stored?.plant?.faults ?? [])
const withFault = ref(faults.value.length > 0)
const limits = ref(store.stored?.plant?.limits ?? '')
const which = ref('all')
const meter = shallowRef<MeterType>(workshopMeter)
const side = ref<'key' | 'build'>('key')
const view = useRows(String(route.params.id))
const { filter, changedOnly, pinnedOnly, sort, pins } = view

const healthy = computed(() => answerKey(circuit.value, [], meter.value))
const faulted = computed(() =>
  withFault.value && faults.value.length ? answerKey(circuit.value, faults.value, meter.value) : null,
)
const shown = computed(() =>
  healthy.value.states.flatMap((state, i) => {
    if (which.value !== 'all' && state.state.id !== which.value) return []
    const other = faulted.value?.states[i]
    return [{ id: state.state.id, state, other: other?.ok ? other : null }]
  }),
)
const print = () => window.print()
useKeys(t('ui.common.sheet'), [
  {
    press: ['f', '/'],
    what: t('ui.sheet.filterTheRows'),
    act: () => document.querySelector<HTMLElement>(`[aria-label="${t('ui.sheet.filterRows')}"]`)?.focus(),
  },
  { press: ['k'], what: t('ui.sheet.answerKey'), act: () => (side.value = 'key') },
  { press: ['b'], what: t('ui.sheet.buildSheetFile'), act: () => (side.value = 'build') },
  { press: ['p'], what: t('ui.sheet.print'), act: print },
])
</script>

<template>
  <div v-if="store.stored" class="sheet">
    <div class="top">
      <h1>{{ side === 'key' ? t('ui.common.answerKey') : t('ui.sheet.buildSheet') }}: {{ circuit.name }}</h1>
      <span class="quiet">{{ circuit.vehicle }}</span>
      <span class="gap" />
      <span class="choice no-print" role="group" :aria-label="t('ui.sheet.whichSheet')">
        <button type="button" :aria-pressed="side === 'key'" @click="side = 'key'">
          {{ t('ui.common.answerKey') }}
        </button>
        <button type="button" :aria-pressed="side === 'build'" @click="side = 'build'">
          {{ t('ui.sheet.buildSheet') }}
        </button>
      </span>
    </div>
    <div class="tools no-print">
      <template v-if="side === 'key'">
        <label
          >{{ t('ui.common.state') }}
          <select v-model="which">
            <option value="all">{{ t('ui.sheet.allStates') }}</option>
            <option v-for="s in circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
          </select></label
        >
        <LimitChoice :circuit="circuit" :limits="limits" @choose="limits = $event" />
        <label v-if="faults.length"
          ><input v-model="withFault" type="checkbox" /> {{ t('ui.sheet.besideThePlantedFault') }}</label
        >
        <MeterChoice @meter="meter = $event" />
      </template>
      <ExportMenu
        :circuit="circuit"
        :healthy="healthy"
        :faulted="faulted"
        :faults="faults"
        :limits="limits"
        :states="shown.map((row) => row.id)"
        :view="view"
        :complaint="store.stored?.plant?.complaint ?? ''"
      />
      <NButton size="small" @click="print">
        <template #icon> <Printer /> </template>{{ t('ui.common.print') }}
      </NButton>
    </div>
    <div v-if="side === 'key'" class="tools no-print" role="search">
      <input
        v-model="filter"
        class="plain"
        type="search"
        :aria-label="t('ui.sheet.filterRows')"
        :placeholder="t('ui.sheet.filterPointOrPart')"
      />
      <label
        >{{ t('ui.sheet.order') }}
        <select v-model="sort">
          <option value="path">{{ t('ui.sheet.alongThePath') }}</option>
          <option value="name">{{ t('ui.sheet.byName') }}</option>
          <option value="value">{{ t('ui.sheet.largestFirst') }}</option>
          <option value="difference">{{ t('ui.sheet.largestDifferenceFirst') }}</option>
        </select></label
      >
      <label v-if="faulted"
        ><input v-model="changedOnly" type="checkbox" /> {{ t('ui.sheet.onlyWhatTheFaultChanges') }}</label
      >
      <label
        ><input v-model="pinnedOnly" type="checkbox" />
        {{ t('ui.sheet.onlyPinned', { count: pins.length }) }}</label
      >
      <NButton v-if="pins.length" size="tiny" @click="pins = []">{{ t('ui.sheet.unpinAll') }}</NButton>
    </div>
    <p v-if="faulted && side === 'key'">
      {{ t('ui.sheet.planted') }}
      <strong>{{ faults.map((f) => tell(describeFault(circuit, f))).join('; ') }}</strong>
    </p>
    <BuildSheet v-if="side === 'build'" :circuit="circuit" :faults="faults" :meter="meter" />
    <template v-else>
      <template v-for="row in shown" :key="row.id">
        <StateSheet
          v-if="row.state.ok"
          :circuit="circuit"
          :state="row.state"
          :faulted="row.other"
          :faults="faults"
          :limits="limits"
          :view="view"
          :meter="meter"
        />
        <p v-else class="wrong">{{ row.state.state.name }}: {{ tell(row.state.why) }}</p>
      </template>
      <LampForFuse v-if="faulted && which === 'all'" :circuit="circuit" :faults="faults" />
      <IsolatedTable
        v-if="which === 'all'"
        :view="view"
        :healthy="healthy.isolated"
        :faulted="faulted?.isolated ?? null"
        :lead-ohms="meter.leadOhms"
      />
    </template>
  </div>
</template>

<style scoped>
/* The tools stand in one row at 1280. */
.tools :deep(select) {
  max-width: 206px;
  text-overflow: ellipsis;
}
.sheet {
  max-width: 1240px;
  margin: 0 auto;
  padding: 14px 20px 40px;
  display: grid;
  gap: 14px;
}
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: baseline;
}
.top button,
.top .quiet {
  white-space: nowrap;
}
.gap {
  flex: 1;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
:deep(article) {
  display: grid;
  gap: 6px;
}
:deep(table.data thead th) {
  background: var(--paper);
}
@media print {
  .sheet {
    display: block;
    max-width: none;
    padding: 0;
  }
}
</style>
