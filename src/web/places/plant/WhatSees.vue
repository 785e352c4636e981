<script setup lang="ts">
import { t, tell, within } from '../../words'
import { NButton, NProgress } from 'naive-ui'
import { computed, onUnmounted, ref, watch } from 'vue'
import type { Circuit } from '../../../core/circuit'
import {
  groupsOf,
  isLazy,
  revealing,
  sorts,
  writeReading,
  type FaultSignature,
  type TestSet,
} from '../../../core/diagnosis'
import { describeFault, type Fault } from '../../../core/faults'
import type { Signatures } from './useSignatures'

const props = defineProps<{ circuit: Circuit; faults: readonly Fault[]; signatures: Signatures }>()
const emit = defineEmits<{ plant: [fault: Fault] }>()
const { testSet, planted, seen, twins: alikes, progress, begin, stop } = props.signatures
onUnmounted(stop)
const wanted = ref('')

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
        best: test ? `${tell(test.what)}${to ? t('ui.plant.insteadOf', { to, from }) : ''}` : '',
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

interface Row {
  key: string
  fault: Fault
  text: string
  cells: { n: number; of: number }[]
}
/** Each fault’s row is made once, however many come behind it. */
const made = new WeakMap<FaultSignature, Row>()
function rowOf(one: FaultSignature, all: TestSet): Row {
  const known = made.get(one)
  if (known) return known
  const hits = new Set(revealing(all, one.signature))
  const row = {
    key: keyOf(one.fault),
    fault: one.fault,
    text: tell(describeFault(props.circuit, one.fault)),
    cells: groups.value.map((g) => ({ n: g.tests.filter((i) => hits.has(i)).length, of: g.tests.length })),
  }
  made.set(one, row)
  return row
}
const rows = computed(() => {
  const all = testSet.value
  const asked = wanted.value.toLowerCase()
  if (!all) return []
  return seen.value
    .map((one) => rowOf(one, all))
    .filter((row) => !asked || row.text.toLowerCase().includes(asked))
})
const shade = ({ n, of }: { n: number; of: number }) =>
  n === 0 ? '' : `color-mix(in srgb, var(--accent) ${Math.round(15 + 45 * Math.sqrt(n / of))}%, transparent)`
</script>

<template>
  <section class="sees" :aria-label="t('ui.plant.whatCanSeeIt')">
    <div v-if="progress" class="progress" role="status">
      <NProgress type="line" :percentage="Math.round((100 * progress.done) / progress.of)" :height="10" />
      <span>{{ t('ui.plant.ofFaultsTried', { done: progress.done, of: progress.of }) }}</span>
      <NButton size="tiny" @click="stop">{{ t('ui.plant.stop') }}</NButton>
    </div>
    <template v-if="faults.length">
      <p v-if="lines.length && !sees.length" class="caution">
        {{ t('ui.plant.noTestShowsItIn') }}
      </p>
      <template v-if="sees.length">
        <h3>{{ t('ui.plant.showsIt') }}</h3>
        <table class="data">
          <thead>
            <tr>
              <th scope="col">{{ t('ui.common.test') }}</th>
              <th scope="col">{{ t('ui.common.state') }}</th>
              <th scope="col" class="num">{{ t('ui.plant.ofThem') }}</th>
              <th scope="col">{{ t('ui.plant.bestShownBy') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in sees" :key="l.title + l.state">
              <td>{{ l.title }}</td>
              <td>{{ l.state }}</td>
              <td class="num">{{ l.hits }} / {{ l.of }}</td>
              <td>{{ l.best }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <p v-if="fooled.length" class="fooled">
        <b>{{ t('ui.plant.passedBy') }}</b>
        {{
          t('ui.plant.whoTrustsTheseAloneIs', {
            join: fooled.map((l) => `${l.within}, ${l.state}`).join(' · '),
          })
        }}
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
    <h3>
      {{ t('ui.plant.allFaultsByTest') }}
      <input
        v-model="wanted"
        class="plain"
        type="search"
        :aria-label="t('ui.plant.findAFaultInThe')"
        :placeholder="t('ui.plant.partOrFault')"
      />
    </h3>
    <div class="map" tabindex="0" role="region" :aria-label="t('ui.plant.mapOfFaultsAndTests')">
      <table>
        <thead>
          <tr>
            <th scope="col">{{ t('ui.common.fault') }}</th>
            <th
              v-for="g in groups"
              :key="g.sort + g.state"
              scope="col"
              :title="`${t(sorts[g.sort].title)}, ${stateName(g.state)}`"
            >
              <span>{{ t(sorts[g.sort].title) }}, {{ stateName(g.state) }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.key" v-memo="[row]">
            <th scope="row">
              <button type="button" @click="emit('plant', row.fault)">{{ row.text }}</button>
            </th>
            <td v-for="(cell, c) in row.cells" :key="c" :style="{ background: shade(cell) }">
              {{ cell.n || '·' }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.sees {
  display: grid;
  gap: 8px;
  font-size: 13px;
  align-content: start;
}
.progress {
  display: grid;
  grid-template-columns: 160px auto auto;
  gap: 10px;
  align-items: center;
  justify-content: start;
}
.map {
  overflow: auto;
  max-height: 60vh;
}
.map table {
  border-collapse: collapse;
  font-size: 12px;
}
.map thead th {
  position: sticky;
  top: 0;
  background: var(--sheet);
  vertical-align: bottom;
  font-weight: 400;
  text-align: left;
  z-index: 1;
}
.map thead th span {
  display: block;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  height: 150px;
  line-height: 1.15;
  overflow-wrap: anywhere;
}
.map td {
  width: 26px;
  text-align: center;
  border: 1px solid var(--rule);
  font-family: var(--face-readings);
}
.map tbody th {
  position: sticky;
  left: 0;
  background: var(--sheet);
  text-align: left;
  font-weight: 400;
  padding-right: 8px;
}
.map tbody th button {
  display: block;
  width: 230px;
}
.map button {
  font: inherit;
  border: 0;
  background: none;
  color: var(--accent);
  cursor: pointer;
  text-align: left;
  padding: 2px 0;
  min-height: 24px;
}
</style>
