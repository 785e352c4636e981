<script setup lang="ts">
import { Download, Printer } from '@lucide/vue'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Circuit } from '../../../core/circuit'
import { describeFault } from '../../../core/faults'
import { keyToCsv } from '../../../core/formats'
import { answerKey, schools } from '../../../core/readings'
import { messageOf } from '../../api/client'
import { download, fileName } from '../../parts/download'
import { useCircuit } from '../../stores/circuit'
import StateSheet from './StateSheet.vue'

const route = useRoute()
const store = useCircuit()
const missing = ref('')
await store.load(String(route.params.id)).catch((error: unknown) => (missing.value = messageOf(error)))

const circuit = computed(() => store.circuit as Circuit)
const faults = computed(() => store.stored?.plant?.faults ?? [])
const withFault = ref(faults.value.length > 0)
const school = ref(store.stored?.plant?.school ?? schools[0]!.id)
const which = ref('all')
const healthy = computed(() => answerKey(circuit.value, []))
const faulted = computed(() =>
  withFault.value && faults.value.length ? answerKey(circuit.value, faults.value) : null,
)
const shown = computed(() =>
  healthy.value.states.flatMap((state, i) => {
    if (which.value !== 'all' && state.state.id !== which.value) return []
    const other = faulted.value?.states[i]
    return [{ id: state.state.id, state, other: other?.ok ? other : null }]
  }),
)
const beep = (beeps: boolean) => (beeps ? 'beep' : 'no beep')

function saveCsv() {
  download(
    fileName(circuit.value.name, 'csv'),
    'text/csv',
    keyToCsv(healthy.value, faulted.value ?? undefined),
  )
}
function print() {
  window.print()
}
</script>

<template>
  <p v-if="missing" class="wrong">
    {{ missing }}
  </p>
  <div v-else class="sheet">
    <div class="top">
      <h1>Answer key: {{ circuit.name }}</h1>
      <span class="quiet">{{ circuit.vehicle }}</span>
    </div>
    <div class="tools no-print">
      <label
        >State
        <select v-model="which">
          <option value="all">All states</option>
          <option v-for="s in circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select></label
      >
      <label
        >Limits
        <select v-model="school">
          <option v-for="s in schools" :key="s.id" :value="s.id">{{ s.title }}</option>
        </select></label
      >
      <label v-if="faults.length"
        ><input v-model="withFault" type="checkbox" /> beside the planted fault</label
      >
      <NButton size="small" @click="saveCsv">
        <template #icon> <Download /> </template>CSV
      </NButton>
      <NButton size="small" @click="print">
        <template #icon> <Printer /> </template>Print
      </NButton>
    </div>
    <p v-if="faulted">
      Planted: <strong>{{ faults.map((f) => describeFault(circuit, f)).join('; ') }}</strong>
    </p>
    <template v-for="row in shown" :key="row.id">
      <StateSheet v-if="row.state.ok" :state="row.state" :faulted="row.other" :school="school" />
      <p v-else class="wrong">{{ row.state.state.name }}: {{ row.state.message }}</p>
    </template>
    <article v-if="which === 'all'" class="alone">
      <h2>
        Isolated <span class="quiet">each part by itself, its control closed; shorted leads read 0.2 Ω</span>
      </h2>
      <table class="data isolated">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Between</th>
            <th scope="col" class="num">Ohms</th>
            <th scope="col">Continuity</th>
            <template v-if="faulted">
              <th scope="col" class="num">Ohms, faulted</th>
              <th scope="col">Continuity, faulted</th>
            </template>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="(row, i) in healthy.isolated"
            :key="row.part"
            :class="{ bad: faulted && faulted.isolated[i]?.ohms.text !== row.ohms.text }"
          >
            <td>{{ row.part }} {{ row.name }}</td>
            <td class="reading">
              {{ row.between }}
            </td>
            <td class="num">
              {{ row.ohms.text }}
            </td>
            <td>{{ beep(row.continuity.beeps) }}</td>
            <template v-if="faulted">
              <td class="num">
                {{ faulted.isolated[i]?.ohms.text }}
              </td>
              <td>{{ beep(faulted.isolated[i]?.continuity.beeps ?? false) }}</td>
            </template>
          </tr>
        </tbody>
      </table>
      <p class="caution">
        Disconnect before ohms. Ohms and continuity prove a path for a milliamp, not for amps. These figures
        are of this drawing: the vehicle maker’s data come first.
      </p>
    </article>
  </div>
</template>

<style scoped>
.sheet {
  max-width: 1240px;
  margin: 0 auto;
  padding: 14px 20px 40px;
  display: grid;
  gap: 16px;
}
.top {
  display: flex;
  gap: 12px;
  align-items: baseline;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
article {
  display: grid;
  gap: 6px;
}
.isolated {
  max-width: 820px;
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
  .alone {
    break-before: page;
  }
  .isolated {
    font-size: 11px;
  }
}
</style>
