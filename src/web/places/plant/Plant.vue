<script setup lang="ts">
import { t, tell } from '../../words'
import { computed, defineAsyncComponent, onMounted, ref } from 'vue'
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
import DropTable from '../../readings/DropTable.vue'
import PathChoice from '../../readings/PathChoice.vue'
import { useReadings } from '../../readings/useReadings'
import FaultChooser from './FaultChooser.vue'
import FaultSets from './FaultSets.vue'
import HandOut from './HandOut.vue'
import KeepLesson from './KeepLesson.vue'
import Hardware from './Hardware.vue'
import Planted from './Planted.vue'
import SizeByEffect from './SizeByEffect.vue'

const WhatSees = defineAsyncComponent(() => import('./WhatSees.vue'))
const TimeCourse = defineAsyncComponent(() => import('./TimeCourse.vue'))

import Warnings from '../../readings/Warnings.vue'
import { useSignatures } from './useSignatures'
import { usePlanting } from './usePlanting'
import Shows from './Shows.vue'
import Ways from '../../readings/Ways.vue'
import LimitChoice from '../../readings/LimitChoice.vue'

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
const faults = computed<Fault[]>(() => plant.value.faults)
const healthy = useReadings(circuit, state, ref([]), path)
const faulted = useReadings(circuit, state, faults, path)
const limitSet = computed(() => limitSetFor(circuit.value, plant.value.limits))
const change = (part: Partial<Plant>) => store.savePlant({ ...plant.value, ...part })
const { active, pointed, fault, symptom, looking, drafted, point, plantAt, another, stepBack } = usePlanting({
  circuit,
  plant,
  wiring: healthy.wiring,
  path,
  change,
  step: (which) => store.stepPlant(which),
})
const light = (part: string | null) => (store.lit = part)
const shown = computed(() => (faults.value.length ? faulted.key.value : null))
const text = (event: Event) => (event.target as HTMLSelectElement).value
const changed = computed(() =>
  (healthy.key.value?.notices ?? []).map((good) => {
    const now = shown.value?.notices.find((n) => n.part === good.part)
    return { part: good.part, good: tell(good.text), now: now && tell(now.text) }
  }),
)

const tab = ref<'fault' | 'key' | 'sees' | 'hardware' | 'time' | 'sets'>('fault')
/** What needs the room takes that of the path. */
const tall = computed(() => ['sees', 'hardware', 'time', 'sets'].includes(tab.value))
const tabs = [
  ['fault', t('ui.common.fault')],
  ['key', t('ui.common.drops')],
  ['sees', t('ui.plant.whatCanSeeIt')],
  ['hardware', t('ui.plant.hardware')],
  ['time', t('ui.plant.inTime')],
  ['sets', t('ui.plant.setsTitle')],
] as const

/** Ready before it is asked: once the place stands, the engine is loaded where the map will be made. */
const signatures = useSignatures()
onMounted(() => void useTimeoutFn(() => tab.value === 'sees' || signatures.warm(circuit.value), 600))
useKeys(t('ui.common.plant'), [
  {
    press: ['1', '2', '3', '4', '5', '6'],
    what: t('ui.plant.faultDropsWhatCanSee'),
    act: ({ key }) => (tab.value = tabs[Number(key) - 1]![0]),
  },
  {
    press: ['f'],
    what: t('ui.plant.chooseThePlaceOfThe'),
    act: () =>
      document.querySelector<HTMLElement>(`section[aria-label="${t('ui.common.fault')}"] select`)?.focus(),
  },
  {
    press: ['n'],
    what: t('ui.plant.anotherFaultBesideIt'),
    act: () => faults.value.length > 0 && faults.value.length < 4 && (another(), true),
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
  <div v-if="store.stored" class="plant place" :class="{ tall }">
    <h1 class="visually-hidden">{{ t('ui.plant.plant', { name: circuit.name }) }}</h1>
    <div class="top">
      <strong>{{ circuit.name }}</strong>
      <label
        >{{ t('ui.common.state') }}
        <select :value="state.id" @change="change({ state: text($event) })">
          <option v-for="s in circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select></label
      >
      <LimitChoice :circuit="circuit" :limits="plant.limits" @choose="change({ limits: $event })" />
      <PathChoice :circuit="circuit" :path="path" @choose="path = $event" />
      <span class="quiet">{{ tell(limitSet.why) }}</span>
    </div>
    <section class="drawing" :aria-label="t('ui.common.drawing')">
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
        @part="point"
        @hover="light"
      />
      <Warnings
        class="rules"
        :circuit="circuit"
        :wiring="healthy.wiring.value"
        :state="shown ?? healthy.key.value"
        faulted
        @choose="point"
      />
    </section>
    <section v-if="healthy.key.value && !tall" class="stairs" :aria-label="t('ui.common.thePath')">
      <Ways
        :walk="healthy.walk.value"
        :path="path"
        :healthy="healthy.key.value"
        :limits="limitSet"
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
      <p class="seen" :tabindex="changed.length > 18 ? 0 : undefined">
        <span v-for="n in changed" :key="n.part"
          >{{ n.part }}: {{ n.good
          }}<template v-if="n.now && n.now !== n.good">
            → <b>{{ n.now }}</b></template
          ></span
        >
        <b v-for="id in shown?.blown ?? []" :key="id">{{ t('ui.plant.hasBlown', { id }) }}</b>
      </p>
      <BalanceLine
        v-if="healthy.key.value"
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
    <div class="below">
      <div class="tabs choice" role="group" :aria-label="t('ui.plant.belowTheStaircase')">
        <button
          v-for="[key, title] in tabs"
          :key="key"
          type="button"
          :aria-pressed="tab === key"
          @click="tab = key"
        >
          {{ title }}
        </button>
      </div>
      <div
        v-if="tab === 'fault'"
        class="scroll side"
        tabindex="0"
        role="region"
        :aria-label="t('ui.plant.faultAndWorkOrder')"
      >
        <Planted
          :circuit="circuit"
          :faults="faults"
          :active="active"
          @choose="(i) => (point(faults[i]!.part), (active = i))"
          @remove="(i) => ((active = i), plantAt(null))"
          @another="another"
        />
        <Shows
          v-if="fault"
          :circuit="circuit"
          :found="symptom"
          :looking="looking"
          @state="change({ state: $event })"
          @size="fault && plantAt({ ...fault, severity: $event })"
        />
        <FaultChooser
          :circuit="circuit"
          :fault="fault && (!pointed || pointed === fault.part) ? fault : null"
          :part="pointed"
          @part="point"
          @plant="plantAt"
        />
        <SizeByEffect
          v-if="fault"
          :circuit="circuit"
          :state="state"
          :fault="fault"
          :others="faults.filter((f) => f !== fault)"
          :path="path"
          :limits="plant.limits"
          @size="fault && plantAt({ ...fault, severity: $event })"
        />
        <HandOut
          :id="store.stored!.id"
          :circuit="circuit"
          :faults="faults"
          :complaint="plant.complaint"
          :drafted="drafted"
          :settled="store.settled"
          @complaint="change({ complaint: $event })"
        />
        <KeepLesson
          :id="store.stored!.id"
          :circuit="circuit"
          :faults="faults"
          :complaint="plant.complaint"
          :drafted="drafted"
          :settled="store.settled"
        />
      </div>
      <div
        v-else-if="healthy.key.value"
        class="scroll drops"
        tabindex="0"
        role="region"
        :aria-label="tab === 'key' ? t('ui.common.answerKey') : t('ui.plant.moreAboutTheFault')"
      >
        <DropTable
          v-if="tab === 'key'"
          :state="healthy.key.value"
          :path="path"
          :faulted="shown"
          :lit="store.lit"
          @light="light"
          @choose="point"
        />
        <WhatSees
          v-else-if="tab === 'sees'"
          :circuit="circuit"
          :faults="faults"
          :signatures="signatures"
          @plant="plantAt"
        />
        <Hardware v-else-if="tab === 'hardware'" :circuit="circuit" :faults="faults" />
        <TimeCourse v-else-if="tab === 'time'" :circuit="circuit" :faults="faults" :state="state" />
        <FaultSets v-else :id="store.stored!.id" :circuit="circuit" :plant="plant" @take="change($event)" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.plant {
  grid-template-columns: minmax(0, 63fr) minmax(0, 37fr);
  grid-template-rows: auto minmax(170px, 34%) auto minmax(0, 1fr);
  grid-template-areas: 'top top' 'draw stairs' 'draw sum' 'draw drops';
  gap: 6px 14px;
  padding: 8px 16px 10px;
}
.tall {
  grid-template-rows: auto auto auto minmax(0, 1fr);
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
.place > .drawing {
  position: relative;
}
.rules {
  position: absolute;
  left: 8px;
  top: 6px;
  max-width: calc(100% - 16px);
  background: var(--sheet);
}
.sum {
  grid-area: sum;
  display: grid;
  gap: 3px;
}
.seen {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  /* Of eighty lamps the first lines are enough to see that they shine. */
  max-height: 4.5em;
  overflow: auto;
}

.stairs,
.drawing,
.drops {
  contain: layout paint;
}
.drops {
  container-type: inline-size;
  background: var(--sheet);
}
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  align-content: start;
}
.below {
  grid-area: drops;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  gap: 4px;
  min-height: 0;
}
.tabs {
  justify-self: start;
}
</style>
