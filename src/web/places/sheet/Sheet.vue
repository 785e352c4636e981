<script setup lang="ts">
import Segments from '../../parts/Segments.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { FileDown } from '@lucide/vue'
import { NButton, NCheckbox, NInput, NPopover, type InputInst } from 'naive-ui'
import { computed, defineAsyncComponent, ref, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { openingState, type Circuit } from '../../../core/circuit'
import { describeFault } from '../../../core/faults'
import { answerKey } from '../../../core/readings'
import { useKeys } from '../../keys/useKeys'
import { useCircuit } from '../../stores/circuit'
import ExportMenu from './ExportMenu.vue'
import LampForFuse from './LampForFuse.vue'
import MeterChoice from './MeterChoice.vue'
import { useMeter } from './useMeter'
import SheetTable from './SheetTable.vue'
import StateSummary from './StateSummary.vue'
import { sections, type Section, type StatePair } from './sheet-rows'
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
/** One state, or all of them side by side. */
const which = ref(store.stored?.plant?.state ?? openingState(circuit.value).id)
const section = ref<Section | 'all'>('all')
const { meter } = useMeter()
const side = ref<'key' | 'build'>('key')
const view = useRows(String(route.params.id))
const { filter, changedOnly, pinnedOnly, sort, pins } = view

const healthy = computed(() => answerKey(circuit.value, [], meter.value))
const faulted = computed(() =>
  withFault.value && faults.value.length ? answerKey(circuit.value, faults.value, meter.value) : null,
)
const shown = computed(() =>
  healthy.value.states.filter((s) => which.value === 'all' || s.state.id === which.value),
)
const pairs = computed((): StatePair[] =>
  shown.value.flatMap((state) => {
    if (!state.ok) return []
    const other = faulted.value?.states.find((s) => s.state.id === state.state.id)
    return [{ id: state.state.id, state, faulted: other?.ok ? other : null }]
  }),
)
const troubles = computed(() => shown.value.flatMap((s) => (s.ok ? [] : [`${s.state.name}: ${tell(s.why)}`])))
const finder = useTemplateRef<InputInst>('finder')
const exporting = useTemplateRef('exporting')
useKeys(t('ui.common.sheet'), [
  {
    press: ['f', '/'],
    what: t('ui.sheet.filterTheRows'),
    act: () => finder.value?.focus(),
  },
  { press: ['k'], what: t('ui.sheet.answerKey'), act: () => (side.value = 'key') },
  { press: ['b'], what: t('ui.sheet.buildSheetFile'), act: () => (side.value = 'build') },
  { press: ['p'], what: t('ui.sheet.print'), act: () => exporting.value?.take('print') },
])
</script>

<template>
  <div v-if="store.stored" class="sheet flex flex-col gap-8px h-full pt-8px px-16px pb-10px" :class="side">
    <div class="no-print flex flex-wrap gap-y-6px gap-x-14px items-center">
      <h1 class="visually-hidden">
        {{ side === 'key' ? t('ui.common.answerKey') : t('ui.sheet.buildSheet') }}: {{ circuit.name }}
      </h1>
      <Segments
        v-model:value="side"
        :label="t('ui.sheet.whichSheet')"
        :entries="[
          { value: 'key', label: t('ui.common.answerKey') },
          { value: 'build', label: t('ui.sheet.buildSheet') },
        ]"
      />
      <template v-if="side === 'key'">
        <Choice
          v-model:value="which"
          :label="t('ui.common.state')"
          labelled="beside"
          :entries="[
            ...entriesOf(
              circuit.states,
              (s) => s.id,
              (s) => s.name,
            ),
            { value: 'all', label: t('ui.sheet.allStates') },
          ]"
        />
        <NCheckbox v-if="faults.length" v-model:checked="withFault">{{
          t('ui.sheet.besideThePlantedFault')
        }}</NCheckbox>
      </template>
      <span class="flex-1" />
      <NPopover v-if="side === 'key'" trigger="click" placement="bottom-end" :show-arrow="false">
        <template #trigger>
          <NButton size="small">{{ t('ui.sheet.meterAndLimits') }}</NButton>
        </template>
        <div class="more grid gap-8px max-w-[min(90vw,460px)]">
          <LimitChoice :circuit="circuit" :limits="limits" @choose="limits = $event" />
          <MeterChoice />
        </div>
      </NPopover>
      <NButton v-if="side === 'key'" size="small" type="primary" @click="exporting?.take('key-pdf')">
        <template #icon><FileDown /></template>{{ t('ui.sheet.answerKeyPdf') }}
      </NButton>
      <ExportMenu
        ref="exporting"
        :circuit="circuit"
        :healthy="healthy"
        :faulted="faulted"
        :faults="faults"
        :limits="limits"
        :states="pairs.map((pair) => pair.id)"
        :view="view"
        :complaint="store.stored?.plant?.complaint ?? ''"
      />
    </div>
    <div
      v-if="side === 'key'"
      class="no-print flex flex-wrap gap-y-6px gap-x-14px items-center"
      role="search"
    >
      <NInput
        ref="finder"
        v-model:value="filter"
        size="small"
        clearable
        class="find w-170px"
        :placeholder="t('ui.sheet.filterPointOrPart')"
        :input-props="{ type: 'search', 'aria-label': t('ui.sheet.filterRows') }"
      />
      <Choice
        v-model:value="section"
        :label="t('ui.sheet.figures')"
        labelled="beside"
        :entries="[
          { value: 'all' as const, label: t('ui.sheet.allFigures') },
          ...entriesOf(
            sections,
            (s) => s,
            (s) => t(`ui.sheet.section.${s}`),
          ),
        ]"
      />
      <Choice
        v-model:value="sort"
        :label="t('ui.sheet.order')"
        labelled="beside"
        :entries="[
          { value: 'path', label: t('ui.sheet.alongThePath') },
          { value: 'name', label: t('ui.sheet.byName') },
          { value: 'value', label: t('ui.sheet.largestFirst') },
          { value: 'difference', label: t('ui.sheet.largestDifferenceFirst') },
        ]"
      />
      <NCheckbox v-if="faulted" v-model:checked="changedOnly">{{
        t('ui.sheet.onlyWhatTheFaultChanges')
      }}</NCheckbox>
      <NCheckbox v-model:checked="pinnedOnly">{{
        t('ui.sheet.onlyPinned', { count: pins.length })
      }}</NCheckbox>
      <NButton v-if="pins.length" size="tiny" @click="pins = []">{{ t('ui.sheet.unpinAll') }}</NButton>
      <LampForFuse v-if="faulted" :circuit="circuit" :faults="faults" />
    </div>
    <p v-if="faulted && side === 'key'">
      {{ t('ui.sheet.planted') }}
      <strong>{{ faults.map((f) => tell(describeFault(circuit, f))).join('; ') }}</strong>
    </p>
    <div
      v-if="side === 'build'"
      class="scroll flex-1 min-h-200px"
      tabindex="0"
      role="region"
      :aria-label="t('ui.sheet.buildSheet')"
    >
      <BuildSheet :circuit="circuit" :faults="faults" :meter="meter" />
    </div>
    <template v-else>
      <p v-for="one in troubles" :key="one" class="wrong">{{ one }}</p>
      <StateSummary v-if="pairs.length === 1" :circuit="circuit" :pair="pairs[0]!" :limits="limits" />
      <SheetTable
        class="flex-1 !min-h-200px"
        :circuit="circuit"
        :pairs="pairs"
        :isolated="healthy.isolated"
        :isolated-faulted="faulted?.isolated ?? null"
        :faults="faults"
        :beside="!!faulted"
        :view="view"
        :meter="meter"
        :wanted="section === 'all' ? undefined : [section]"
      />
      <p class="caution">{{ t('ui.sheet.disconnectBeforeOhmsOhmsAnd') }}</p>
    </template>
  </div>
</template>

<style scoped>
@media print {
  .sheet {
    display: block;
    height: auto;
    padding: 0;
  }
}
</style>
