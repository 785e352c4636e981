<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import type { Plant } from '../../../contract'
import type { Circuit, CircuitState } from '../../../core/circuit'
import type { Walk } from '../../../core/model'
import type { LimitSet, StateKey } from '../../../core/readings'
import Segments from '../../parts/Segments.vue'
import DropTable from '../../readings/DropTable.vue'
import Ways from '../../readings/Ways.vue'
import { t } from '../../words'
import ShortestWay from './ShortestWay.vue'
import Shows from './Shows.vue'
import type { usePlanting } from './usePlanting'
import type { Signatures } from './useSignatures'

/** The second step: what the fault does, and how it would be found. */
const props = defineProps<{
  circuit: Circuit
  plant: Plant
  state: CircuitState
  path: number
  walk: Walk
  healthy: StateKey
  faulted: StateKey | null
  limits: LimitSet
  lit: string | null
  planting: ReturnType<typeof usePlanting>
  signatures: Signatures
}>()
const emit = defineEmits<{
  change: [part: Partial<Plant>]
  light: [part: string | null]
  choose: [part: string]
}>()
const WhatSees = defineAsyncComponent(() => import('./WhatSees.vue'))
const Hardware = defineAsyncComponent(() => import('./Hardware.vue'))
const TimeCourse = defineAsyncComponent(() => import('./TimeCourse.vue'))

const panels = ['path', 'drops', 'sees', 'hardware', 'time'] as const
const panel = ref<(typeof panels)[number]>('path')
const entries = computed(() => panels.map((value) => ({ value, label: t(`ui.plant.panels.${value}`) })))
const { plantAt } = props.planting
</script>

<template>
  <section
    class="step grid grid-cols-1 gap-12px content-start justify-items-start"
    :aria-label="t('ui.plant.steps.effect')"
  >
    <Shows
      v-if="planting.fault.value"
      :circuit="circuit"
      :found="planting.symptom.value"
      :looking="planting.looking.value"
      @state="emit('change', { state: $event })"
      @size="plantAt({ ...planting.fault.value!, severity: $event })"
    />
    <ShortestWay
      v-if="plant.faults.length"
      :circuit="circuit"
      :faults="plant.faults"
      :complaint="planting.symptom.value?.symptom.complaint"
    />
    <Segments v-model:value="panel" :label="t('ui.plant.moreAboutTheFault')" :entries="entries" />
    <div v-if="panel === 'path'" class="ways w-full">
      <Ways
        :walk="walk"
        :path="path"
        :healthy="healthy"
        :limits="limits"
        :faulted="faulted"
        :lit="lit"
        @light="emit('light', $event)"
        @choose="emit('choose', $event)"
      />
    </div>
    <DropTable
      v-else-if="panel === 'drops'"
      :state="healthy"
      :path="path"
      :faulted="faulted"
      :lit="lit"
      @light="emit('light', $event)"
      @choose="emit('choose', $event)"
    />
    <WhatSees
      v-else-if="panel === 'sees'"
      :circuit="circuit"
      :faults="plant.faults"
      :signatures="signatures"
      @plant="plantAt"
    />
    <Hardware v-else-if="panel === 'hardware'" :circuit="circuit" :faults="plant.faults" />
    <TimeCourse v-else :circuit="circuit" :faults="plant.faults" :state="state" />
  </section>
</template>

<style scoped>
.step > * {
  max-width: 100%;
}
.step > :deep(section),
.step > :deep(.data-table) {
  width: 100%;
}
.ways {
  height: 300px;
  contain: layout paint;
}
</style>
