<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { groupsOf, revealing, sorts, type FaultSignature, type TestSet } from '../../../core/diagnosis'
import { describeFault, type Fault } from '../../../core/faults'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import { t, tell } from '../../words'
import type { Signatures } from './useSignatures'

/** Every fault of the catalogue against every kind of test: how many of them show it. */
const props = defineProps<{ circuit: Circuit; signatures: Signatures }>()
const emit = defineEmits<{ plant: [fault: Fault] }>()
const { testSet, seen } = props.signatures
const wanted = ref('')
const stateName = (id: string | undefined) =>
  props.circuit.states.find((s) => s.id === id)?.name ?? t('ui.plant.onTheBench')
const groups = computed(() => (testSet.value ? groupsOf(testSet.value) : []))
const keyOf = ({ part, segment, kind, other }: Fault) => `${part}.${segment}.${kind}.${other ?? ''}`

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
  n === 0 ? '' : `color-mix(in srgb, var(--accent) ${Math.round(12 + 36 * Math.sqrt(n / of))}%, transparent)`

const columns = computed((): Column<Row>[] => [
  {
    key: 'fault',
    title: t('ui.common.fault'),
    text: (row) => row.text,
    head: true,
    width: 260,
    sort: byText((row) => row.text),
  },
  ...groups.value.map((group, i): Column<Row> => ({
    key: `of${i}`,
    title: `${tell(sorts[group.sort].title)}, ${stateName(group.state)}`,
    text: (row) => String(row.cells[i]?.n || '·'),
    number: true,
    width: 92,
    sort: (a, b) => a.cells[i]!.n - b.cells[i]!.n,
    cell: (row) => ({ style: { background: shade(row.cells[i]!) } }),
  })),
])
</script>

<template>
  <div class="map grid grid-cols-1 grid-rows-[auto_minmax(0,1fr)] gap-8px h-[min(72vh,640px)]">
    <NInput
      v-model:value="wanted"
      size="small"
      clearable
      class="find max-w-280px"
      :placeholder="t('ui.plant.partOrFault')"
      :input-props="{ type: 'search', 'aria-label': t('ui.plant.findAFaultInThe') }"
    />
    <DataTable
      fill
      sideways
      :label="t('ui.plant.mapOfFaultsAndTests')"
      :columns="columns"
      :rows="rows"
      :row-key="(row) => row.key"
    >
      <template #cell-fault="{ row }">
        <NButton
          text
          type="primary"
          class="fault whitespace-normal text-left"
          @click="emit('plant', row.fault)"
          >{{ row.text }}</NButton
        >
      </template>
    </DataTable>
  </div>
</template>
