<script setup lang="ts">
import Awaited from '../../parts/Awaited.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { ChevronLeft, ChevronRight } from '@lucide/vue'
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, onMounted, ref, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'
import { useTimeoutFn } from '@vueuse/core'
import type { Plant } from '../../../contract'
import { openingState, type Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { limitSetFor } from '../../../core/readings'
import { useKeys } from '../../keys/useKeys'
import Schematic from '../../schematic/Schematic.vue'
import { useCircuit } from '../../stores/circuit'
import BalanceLine from '../../readings/BalanceLine.vue'
import LimitChoice from '../../readings/LimitChoice.vue'
import PathChoice from '../../readings/PathChoice.vue'
import Warnings from '../../readings/Warnings.vue'
import { useReadings } from '../../readings/useReadings'
import EffectStep from './EffectStep.vue'
import FaultStep from './FaultStep.vue'
import StepHeads from './StepHeads.vue'
import { steps, type PlantStep } from './steps'
import { usePlanting } from './usePlanting'
import { useSignatures } from './useSignatures'

const route = useRoute()
const store = useCircuit()
const path = ref(0)
await store.load(String(route.params.id), 'plant')

const circuit = computed(() => store.circuit as Circuit)
const plant = computed<Plant>(
  () =>
    store.stored?.plant ?? {
      faults: [],
      state: openingState(circuit.value).id,
      limits: '',
      complaint: '',
    },
)
const state = computed(
  () => circuit.value.states.find((s) => s.id === plant.value.state) ?? openingState(circuit.value),
)
const stateEntries = computed(() =>
  entriesOf(
    circuit.value.states,
    (s) => s.id,
    (s) => s.name,
  ),
)
const faults = computed<Fault[]>(() => plant.value.faults)
const healthy = useReadings(circuit, state, ref([]), path)
const faulted = useReadings(circuit, state, faults, path)
const limitSet = computed(() => limitSetFor(circuit.value, plant.value.limits))
const change = (part: Partial<Plant>) => store.savePlant({ ...plant.value, ...part })
const planting = usePlanting({
  circuit,
  plant,
  wiring: healthy.wiring,
  path,
  change,
  step: (which) => store.stepPlant(which),
})
const { pointed, fault, drafted, point, plantAt, another, stepBack } = planting
/** Pressing a part of the drawing chooses where the fault goes, whatever step is shown. */
function pick(part: string) {
  point(part)
  if (step.value !== 'fault') go('fault')
}
const light = (part: string | null) => (store.lit = part)
const shown = computed(() => (faults.value.length ? faulted.key.value : null))
const changed = computed(() =>
  (healthy.key.value?.notices ?? []).map((good) => {
    const now = shown.value?.notices.find((n) => n.part === good.part)
    return { part: good.part, good: tell(good.text), now: now && tell(now.text) }
  }),
)

const step = ref<PlantStep>('fault')
const at = computed(() => steps.indexOf(step.value))
/** Until a fault is planted, the next step has nothing to show. */
const done = computed(() => (faults.value.length ? steps.slice(0, Math.max(at.value, 1)) : []))
/** The last step brings as much as the first two: it comes once somebody goes there. */
const HandOutStep = defineAsyncComponent(() => import('./HandOutStep.vue'))
const opened = ref(false)
const pane = useTemplateRef('pane')
function go(to: PlantStep) {
  step.value = to
  opened.value ||= to === 'handOut'
  pane.value?.scrollTo({ top: 0 })
}
function toTheFault() {
  go('fault')
  setTimeout(() => pane.value?.querySelector<HTMLElement>('[role=combobox]')?.focus())
}

/** Ready before it is asked: once the place stands, the engine is loaded where the map will be made. */
const signatures = useSignatures()
onMounted(() => void useTimeoutFn(() => signatures.warm(circuit.value), 600))
useKeys(t('ui.common.plant'), [
  { press: ['1', '2', '3'], what: t('ui.plant.goToTheStep'), act: ({ key }) => go(steps[Number(key) - 1]!) },
  { press: ['f'], what: t('ui.plant.chooseThePlaceOfThe'), act: toTheFault },
  {
    press: ['n'],
    what: t('ui.plant.anotherFaultBesideIt'),
    act: () => faults.value.length > 0 && faults.value.length < 4 && (another(), go('fault'), true),
  },
  {
    press: ['Delete'],
    what: t('ui.plant.removeTheFaultAtHand'),
    act: () => fault.value !== null && plantAt(null),
  },
  { press: ['Ctrl z'], what: t('ui.common.undo'), act: () => stepBack('undo') },
  { press: ['Ctrl Shift z'], what: t('ui.common.redo'), act: () => stepBack('redo') },
])
</script>

<template>
  <!-- Whoever signs out leaves nothing behind: for a moment there is no circuit. -->
  <div v-if="store.stored" class="plant place">
    <h1 class="visually-hidden">{{ t('ui.plant.plant', { name: circuit.name }) }}</h1>
    <div class="top">
      <Choice
        :label="t('ui.common.state')"
        labelled="beside"
        :value="state.id"
        :entries="stateEntries"
        @update:value="change({ state: $event! })"
      />
      <PathChoice :circuit="circuit" :path="path" @choose="path = $event" />
      <LimitChoice :circuit="circuit" :limits="plant.limits" @choose="change({ limits: $event })" />
    </div>
    <section class="drawing relative" :aria-label="t('ui.common.drawing')">
      <Schematic
        :circuit="circuit"
        :wiring="healthy.wiring.value"
        :values="faulted.values.value"
        :tint="faulted.tint.value"
        :lit="store.lit ?? pointed ?? fault?.part ?? null"
        :controls="state.controls"
        :detached="state.detached"
        :notices="faulted.notices.value"
        :ringed="new Set(faults.map((f) => f.part))"
        parts-act
        @part="pick"
        @hover="light"
      />
      <Warnings
        class="absolute left-8px top-6px max-w-[calc(100%_-_16px)] bg-sheet"
        :circuit="circuit"
        :wiring="healthy.wiring.value"
        :state="shown ?? healthy.key.value"
        faulted
        @choose="pick"
      />
    </section>
    <StepHeads class="heads" :step="step" :done="done" @update:step="go" />
    <div ref="pane" class="scroll pane" tabindex="0" role="region" :aria-label="t(`ui.plant.steps.${step}`)">
      <FaultStep
        v-if="step === 'fault'"
        :id="store.stored.id"
        :circuit="circuit"
        :plant="plant"
        :state="state"
        :path="path"
        :planting="planting"
        @change="change"
      />
      <EffectStep
        v-else-if="step === 'effect' && healthy.key.value"
        :circuit="circuit"
        :plant="plant"
        :state="state"
        :path="path"
        :walk="healthy.walk.value"
        :healthy="healthy.key.value"
        :faulted="shown"
        :limits="limitSet"
        :lit="store.lit"
        :planting="planting"
        :signatures="signatures"
        @change="change"
        @light="light"
        @choose="point"
      />
      <!-- What is being filled in stays, whichever step is looked at. -->
      <Awaited v-if="opened">
        <HandOutStep
          v-show="step === 'handOut'"
          :id="store.stored.id"
          :circuit="circuit"
          :faults="faults"
          :complaint="plant.complaint"
          :drafted="drafted"
          :settled="store.settled"
          :shown="step === 'handOut'"
          @complaint="change({ complaint: $event })"
        />
      </Awaited>
    </div>
    <div class="sum" role="group" :aria-label="t('ui.plant.whatItDoes')">
      <p v-if="faulted.trouble.value" class="wrong">
        {{ faulted.trouble.value }}
      </p>
      <p
        v-if="faults.length"
        class="seen flex flex-wrap gap-y-2px gap-x-14px max-h-4.5em overflow-auto"
        :tabindex="changed.length > 18 ? 0 : undefined"
      >
        <span v-for="n in changed" :key="n.part"
          >{{ n.part }}: {{ n.good
          }}<template v-if="n.now && n.now !== n.good">
            → <b>{{ n.now }}</b></template
          ></span
        >
        <b v-for="id in shown?.blown ?? []" :key="id">{{ t('ui.plant.hasBlown', { id }) }}</b>
      </p>
      <BalanceLine
        v-if="healthy.key.value && !shown"
        :state="healthy.key.value"
        :limits="limitSet"
        :path="path"
        :title="t('ui.common.healthy')"
      />
      <BalanceLine
        v-if="shown"
        :state="shown"
        :limits="limitSet"
        :path="path"
        :title="t('ui.common.faulted')"
      />
    </div>
    <div class="foot">
      <NButton v-if="at > 0" @click="go(steps[at - 1]!)">
        <template #icon><ChevronLeft :size="16" /></template>{{ t(`ui.plant.steps.${steps[at - 1]!}`) }}
      </NButton>
      <span class="flex-1" />
      <span id="hand-out-act" />
      <NButton v-if="at < 2" type="primary" icon-placement="right" @click="go(steps[at + 1]!)">
        <template #icon><ChevronRight :size="16" /></template>{{ t(`ui.plant.steps.${steps[at + 1]!}`) }}
      </NButton>
    </div>
  </div>
</template>

<style scoped>
.plant {
  grid-template-columns: minmax(0, 64fr) minmax(400px, 36fr);
  grid-template-rows: auto auto minmax(0, 1fr) auto auto;
  grid-template-areas: 'top heads' 'draw heads' 'draw pane' 'draw sum' 'draw foot';
  gap: 0 14px;
  padding: 8px 16px 10px;
}
.top {
  grid-area: top;
  padding-bottom: 6px;
}
.drawing {
  grid-area: draw;
  contain: layout paint;
}
.heads {
  grid-area: heads;
  padding: 4px 0 10px;
}
.pane {
  grid-area: pane;
  padding: 2px 6px 12px 2px;
}
.sum {
  grid-area: sum;
  display: grid;
  gap: 3px;
  padding: 6px 0;
  border-top: 1px solid var(--rule);
}
.foot {
  grid-area: foot;
  display: flex;
  gap: 8px;
  align-items: center;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
}
</style>
