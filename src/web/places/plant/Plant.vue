<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Plant } from '../../../contract'
import type { Circuit } from '../../../core/circuit'
import { describeFault, type Fault } from '../../../core/faults'
import { schools, schoolOf } from '../../../core/readings'
import Schematic from '../../schematic/Schematic.vue'
import { messageOf } from '../../api/client'
import { useCircuit } from '../../stores/circuit'
import BalanceLine from '../bench/BalanceLine.vue'
import DropTable from '../bench/DropTable.vue'
import PathChoice from '../bench/PathChoice.vue'
import { useReadings } from '../bench/useReadings'
import FaultChooser from './FaultChooser.vue'
import HandOut from './HandOut.vue'

const Staircase = defineAsyncComponent(() => import('../../charts/Staircase.vue'))

const route = useRoute()
const store = useCircuit()
const missing = ref('')
const path = ref(0)
const pointed = ref<string | null>(null)
await store.load(String(route.params.id)).catch((error: unknown) => (missing.value = messageOf(error)))

const circuit = computed(() => store.circuit as Circuit)
const plant = computed<Plant>(
  () =>
    store.stored?.plant ?? {
      faults: [],
      state: circuit.value.states[0]!.id,
      school: schools[0]!.id,
      complaint: '',
    },
)
const state = computed(
  () => circuit.value.states.find((s) => s.id === plant.value.state) ?? circuit.value.states[0]!,
)
const faults = computed<Fault[]>(() => plant.value.faults)
const healthy = useReadings(circuit, state, ref([]), path)
const faulted = useReadings(circuit, state, faults, path)
const change = (part: Partial<Plant>) => store.savePlant({ ...plant.value, ...part })
const light = (part: string | null) => (store.lit = part)
const shown = computed(() => (faults.value.length ? faulted.key.value : null))
const text = (event: Event) => (event.target as HTMLSelectElement).value
const changed = computed(() =>
  (healthy.key.value?.notices ?? []).map((good) => {
    const now = shown.value?.notices.find((n) => n.part === good.part)
    return { part: good.part, good: good.text, now: now?.text }
  }),
)

function point(part: string) {
  pointed.value = part
  if (faults.value[0]?.part !== part) change({ faults: [] })
}
</script>

<template>
  <p v-if="missing" class="wrong">
    {{ missing }}
  </p>
  <div v-else class="plant place" :class="{ wide: circuit.paths.length > 1 }">
    <h1 class="visually-hidden">Plant: {{ circuit.name }}</h1>
    <div class="top">
      <strong>{{ circuit.name }}</strong>
      <label
        >State
        <select :value="state.id" @change="change({ state: text($event) })">
          <option v-for="s in circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select></label
      >
      <label
        >Limits
        <select :value="plant.school" @change="change({ school: text($event) })">
          <option v-for="s in schools" :key="s.id" :value="s.id">{{ s.title }}</option>
        </select></label
      >
      <PathChoice :circuit="circuit" :path="path" @choose="path = $event" />
      <span class="quiet">{{ schoolOf(plant.school).why }}</span>
    </div>
    <section class="drawing" aria-label="Drawing">
      <Schematic
        :circuit="circuit"
        :wiring="healthy.wiring.value"
        :values="faulted.values.value"
        :tint="faulted.tint.value"
        :lit="store.lit ?? faults[0]?.part ?? pointed"
        :controls="state.controls"
        :detached="state.detached"
        :notices="faulted.notices.value"
        :ringed="new Set(faults.map((f) => f.part))"
        parts-act
        @part="point"
        @hover="light"
      />
    </section>
    <div class="scroll side" tabindex="0" role="region" aria-label="Fault and work order">
      <div class="planted">
        <h2>{{ faults.length ? describeFault(circuit, faults[0]!) : 'No fault planted' }}</h2>
        <NButton v-if="faults.length" size="tiny" @click="change({ faults: [] })"> Remove </NButton>
      </div>
      <FaultChooser
        :circuit="circuit"
        :fault="faults[0] ?? null"
        :part="pointed"
        @part="point"
        @plant="change({ faults: $event ? [$event] : [] })"
      />
      <HandOut
        :circuit="store.stored!.id"
        :faults="faults"
        :complaint="plant.complaint"
        :settled="store.settled"
        @complaint="change({ complaint: $event })"
      />
    </div>
    <section v-if="healthy.key.value" class="stairs" aria-label="Staircase">
      <Staircase
        :walk="healthy.walk.value"
        :healthy="healthy.key.value"
        :faulted="shown"
        :lit="store.lit"
        @light="light"
        @choose="point"
      />
    </section>
    <div class="sum">
      <p v-if="faulted.trouble.value" class="wrong">
        {{ faulted.trouble.value }}
      </p>
      <p class="seen">
        <span v-for="n in changed" :key="n.part"
          >{{ n.part }}: {{ n.good
          }}<template v-if="n.now && n.now !== n.good">
            → <b>{{ n.now }}</b></template
          ></span
        >
        <b v-for="id in shown?.blown ?? []" :key="id">{{ id }} has blown</b>
      </p>
      <BalanceLine
        v-if="healthy.key.value"
        :state="healthy.key.value"
        :school="plant.school"
        :path="path"
        title="Healthy"
      />
      <BalanceLine v-if="shown" :state="shown" :school="plant.school" :path="path" title="Faulted" />
    </div>
    <div v-if="healthy.key.value" class="scroll drops" tabindex="0" role="region" aria-label="Answer key">
      <DropTable
        :state="healthy.key.value"
        :path="path"
        :faulted="shown"
        :lit="store.lit"
        @light="light"
        @choose="point"
      />
    </div>
  </div>
</template>

<style scoped>
.plant {
  grid-template-columns: minmax(340px, 36%) minmax(0, 1fr) 270px;
  grid-template-rows: auto minmax(180px, 38%) auto minmax(0, 1fr);
  grid-template-areas: 'top top top' 'draw stairs side' 'draw sum side' 'draw drops side';
  gap: 6px 14px;
  padding: 8px 16px 10px;
}
.wide {
  grid-template-columns: minmax(340px, 44%) minmax(0, 1fr) 250px;
}
.top {
  grid-area: top;
}
.drawing {
  grid-area: draw;
}
.stairs {
  grid-area: stairs;
  min-height: 0;
}
.sum {
  grid-area: sum;
  display: grid;
  gap: 3px;
}
.seen {
  display: flex;
  gap: 14px;
}

.drops {
  container-type: inline-size;
  grid-area: drops;
  background: var(--sheet);
}
.side {
  grid-area: side;
  border-left: 1px solid var(--rule);
  padding-left: 12px;
  display: grid;
  gap: 12px;
  align-content: start;
}
.planted {
  display: flex;
  gap: 8px;
  align-items: start;
  justify-content: space-between;
}
</style>
