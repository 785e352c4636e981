<script setup lang="ts">
import { t, tell, within } from '../../words'
import { NButton, NProgress, NTag } from 'naive-ui'
import { computed, onUnmounted, ref, watch } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { groupsOf, isLazy, revealing, sorts, writeReading } from '../../../core/diagnosis'
import { describeFault, type Fault } from '../../../core/faults'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import Dialog from '../../shell/Dialog.vue'
import FaultMap from './FaultMap.vue'
import type { Signatures } from './useSignatures'

const props = defineProps<{ circuit: Circuit; faults: readonly Fault[]; signatures: Signatures }>()
const emit = defineEmits<{ plant: [fault: Fault] }>()
const { testSet, planted, twins: alikes, progress, begin, stop } = props.signatures
onUnmounted(stop)
/** The map of all faults is looked at. */
const mapped = ref(false)

watch(
  () => [props.circuit, props.faults] as const,
  () => begin(props.circuit, props.faults),
  { immediate: true },
)

const stateName = (id: string | undefined) =>
  props.circuit.states.find((s) => s.id === id)?.name ?? t('ui.plant.onTheBench')
const groups = computed(() => (testSet.value ? groupsOf(testSet.value) : []))
interface Line {
  within: string
  title: string
  state: string
  hits: number
  of: number
  best: string
  lazy: boolean
}
/** For the planted fault: each kind of test in each state, how many of them show it, and the one that shows it best. */
const lines = computed<Line[]>(() => {
  const now = planted.value
  const s = testSet.value
  if (!now || !s) return []
  const hits = new Set(revealing(s, now))
  return groups.value
    .map((group): Line => {
      const shown = group.tests.filter((i) => hits.has(i))
      const margin = (i: number) => Math.abs((now[i] ?? 0) - (s.healthy[i] ?? 0)) / (s.band[i] || 1e-9)
      const best = shown.sort((a, b) => (margin(b) || 0) - (margin(a) || 0))[0]
      const test = best === undefined ? undefined : s.tests[best]
      const from = best === undefined ? '' : tell(writeReading(group.sort, s.healthy[best]!))
      const to = best === undefined ? '' : tell(writeReading(group.sort, now[best]!))
      return {
        title: tell(sorts[group.sort].title),
        within: within(sorts[group.sort].title),
        state: stateName(group.state),
        hits: shown.length,
        of: group.tests.length,
        best: !test
          ? ''
          : to
            ? t('ui.plant.insteadOf', { what: tell(test.what), to, from })
            : tell(test.what),
        lazy: isLazy(group.sort),
      }
    })
    .sort((a, b) => b.hits / b.of - a.hits / a.of)
})
const fooled = computed(() => lines.value.filter((l) => l.hits === 0 && l.lazy))
const sees = computed(() => lines.value.filter((l) => l.hits > 0))

const same = (a: Fault, b: Fault) =>
  a.kind === b.kind && a.part === b.part && a.segment === b.segment && a.other === b.other
const keyOf = ({ part, segment, kind, other }: Fault) => `${part}.${segment}.${kind}.${other ?? ''}`
const twins = computed(() => {
  const others = alikes.value.filter((f) => props.faults.length !== 1 || !same(f, props.faults[0]!))
  return [...new Map(others.map((f) => [keyOf(f), f])).values()]
})

const columns = computed((): Column<Line>[] => [
  {
    key: 'test',
    title: t('ui.common.test'),
    text: (l) => `${l.title}, ${l.state}`,
    sort: byText((l) => l.title),
  },
  {
    key: 'hits',
    title: t('ui.plant.ofThem'),
    text: (l) => `${l.hits} / ${l.of}`,
    number: true,
    width: 74,
    sort: (a, b) => a.hits / a.of - b.hits / b.of,
  },
  { key: 'best', title: t('ui.plant.bestShownBy'), text: (l) => l.best },
])
</script>

<template>
  <section
    class="sees grid grid-cols-1 gap-8px justify-items-start content-start"
    :aria-label="t('ui.plant.whatCanSeeIt')"
  >
    <div
      v-if="progress"
      class="grid grid-cols-[160px_auto_auto] gap-10px items-center justify-start"
      role="status"
    >
      <NProgress type="line" :percentage="Math.round((100 * progress.done) / progress.of)" :height="10" />
      <span>{{ t('ui.plant.ofFaultsTried', { done: progress.done, of: progress.of }) }}</span>
      <NButton size="tiny" @click="stop">{{ t('ui.plant.stop') }}</NButton>
    </div>
    <template v-if="faults.length">
      <p v-if="lines.length && !sees.length" class="caution">
        {{ t('ui.plant.noTestShowsItIn') }}
      </p>
      <DataTable
        v-if="sees.length"
        :label="t('ui.plant.whatCanSeeIt')"
        :columns="columns"
        :rows="sees"
        :row-key="(l) => l.title + l.state"
      />
      <p v-if="fooled.length" class="fooled flex flex-wrap gap-y-4px gap-x-6px items-center">
        <b>{{ t('ui.plant.passedBy') }}</b>
        <NTag v-for="l in fooled" :key="l.title + l.state" type="warning" size="small">
          {{ l.title }}, {{ l.state }}
        </NTag>
      </p>
      <p v-if="planted">
        <b>{{ t('ui.plant.cannotBeToldFrom') }}</b>
        {{
          twins.length
            ? twins.map((f) => tell(describeFault(circuit, f))).join(' · ')
            : progress
              ? t('ui.plant.nothingSoFar')
              : t('ui.plant.nothingElseOfTheCatalogue')
        }}
      </p>
    </template>
    <p v-else class="quiet">
      {{ t('ui.plant.plantAFaultToSeeWhich') }}
    </p>
    <NButton size="small" @click="mapped = true">{{ t('ui.plant.allFaultsByTest') }} …</NButton>
    <Dialog v-model:show="mapped" :title="t('ui.plant.mapOfFaultsAndTests')" :width="1180">
      <FaultMap
        :circuit="circuit"
        :signatures="signatures"
        @plant="((mapped = false), emit('plant', $event))"
      />
    </Dialog>
  </section>
</template>

<style scoped>
.sees > :deep(.data-table) {
  width: 100%;
}
</style>
