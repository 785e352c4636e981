<script setup lang="ts">
import { say } from '../../../core/document'
import { formatQuantity, t } from '../../words'
import { useLocalStorage } from '@vueuse/core'
import { PanelBottom, PanelRight, Redo2, Undo2, X } from '@lucide/vue'
import { NButton, NCheckbox } from 'naive-ui'
import { computed, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { openingState, type Circuit, type CircuitState } from '../../../core/circuit'
import { renameId } from '../../../core/editing'
import { limitSetFor } from '../../../core/readings'
import { useKeys } from '../../keys/useKeys'
import Schematic from '../../schematic/Schematic.vue'
import { useCircuit } from '../../stores/circuit'
import BalanceLine from '../../readings/BalanceLine.vue'
import DropTable from '../../readings/DropTable.vue'
import DutyChoice from './DutyChoice.vue'
import ScatterChoice from './ScatterChoice.vue'
import Inspector from './Inspector.vue'
import Builder from './Builder.vue'
import PartDrawer from './PartDrawer.vue'
import PartFinder from './PartFinder.vue'
import Ways from '../../readings/Ways.vue'
import StateBar from '../../readings/StateBar.vue'
import StateEditor from './StateEditor.vue'
import StateMenu from './StateMenu.vue'
import Panes from '../../parts/Panes.vue'
import VersionMenu from './VersionMenu.vue'
import Warnings from '../../readings/Warnings.vue'
import { useBuild } from './useBuild'
import { useReadings } from '../../readings/useReadings'

const route = useRoute()
const store = useCircuit()
const chosen = ref<string | null>(null)
const path = ref(0)
const own = shallowRef<CircuitState | null>(null)

await store.load(String(route.params.id), 'bench')

const circuit = computed(() => store.circuit as Circuit)
/** The handbook opens a circuit in the state that it speaks of. */
own.value = circuit.value?.states.find(({ id }) => id === route.query.state) ?? null
const state = computed<CircuitState>(() => {
  const now = own.value
  if (!now) return openingState(circuit.value)
  const stored = now.id !== 'custom' && circuit.value.states.find((s) => s.id === now.id)
  if (stored) return stored
  // Building may have taken away what a jumper stands on.
  const has = (end: string) => circuit.value.parts.some((p) => end.startsWith(`${p.id}.`))
  return { ...now, ...(now.bypassed && { bypassed: now.bypassed.filter((pair) => pair.every(has)) }) }
})
const { wiring, key, trouble, walk, values, tint, notices } = useReadings(circuit, state, ref([]), path)
const build = useBuild(circuit, path, chosen)
const builder = ref<InstanceType<typeof Builder> | null>(null)
const drawing = ref<InstanceType<typeof Schematic> | null>(null)
const finder = ref<InstanceType<typeof PartFinder> | null>(null)
/** Where the readings stand, as its user likes it. */
const below = useLocalStorage('brachyon.bench.below', false)
/** The drawer of parts stands open until there is something to look at. */
const drawer = ref(circuit.value?.parts.length < 2)
const showAmps = ref(false)
const showVolts = ref(true)
const amps = computed(() =>
  showAmps.value
    ? Object.fromEntries((key.value?.drops ?? []).map((d) => [d.part, formatQuantity(Math.abs(d.amps), 'A')]))
    : {},
)
const none = new Map<number, string>()

function choose(part: string) {
  chosen.value = part
  drawing.value?.showPart(part)
}
/** Pressed in the drawing: its values beside it, and what can be set of it in a menu where it stands. */
const pressed = ref<string | null>(null)
function press(part: string) {
  chosen.value = part
  pressed.value = part
}
function rename(to: string) {
  const from = chosen.value
  if (!from) return
  const built = store.build(say('ui.bench.isNow', { from, to }), (c) => ({
    ok: true,
    circuit: renameId(c, from, to),
    touched: [to],
  }))
  if (built?.ok) chosen.value = to
}
const lit = computed(() => store.lit ?? chosen.value)
const aside = computed(() => chosen.value !== null || drawer.value)
function fold() {
  chosen.value = null
  drawer.value = false
}
const light = (part: string | null) => (store.lit = part)

const focus = (selector: string) => document.querySelector<HTMLElement>(selector)?.focus()
useKeys(t('ui.common.bench'), [
  { press: ['/'], what: t('ui.bench.typePartsIntoThePath'), act: () => builder.value?.type() },
  { press: ['p'], what: t('ui.bench.toThePartsOfThe'), act: () => focus('.chip[tabindex="0"]') },
  {
    press: ['s'],
    what: t('ui.bench.toTheStateOfThe'),
    act: () => focus('.building .bar [role=combobox]'),
  },
  { press: ['g'], what: t('ui.common.toTheDrawing'), act: () => focus('.drawing .part') },
  {
    press: ['f'],
    what: t('ui.bench.findAPart'),
    act: () => finder.value?.focus(),
  },
  {
    press: ['v'],
    what: t('ui.bench.voltsOnTheDrawing'),
    act: () => void (showVolts.value = !showVolts.value),
  },
  { press: ['a'], what: t('ui.bench.ampsOnTheDrawing'), act: () => void (showAmps.value = !showAmps.value) },
  { press: ['Ctrl z'], what: t('ui.common.undo'), act: () => void store.undo() },
  { press: ['Ctrl Shift z'], what: t('ui.common.redo'), act: () => void store.redo() },
])
</script>

<template>
  <div v-if="store.stored" class="bench place flex flex-col gap-6px h-full pt-8px px-16px pb-10px">
    <h1 class="visually-hidden">{{ t('ui.bench.bench', { name: circuit.name }) }}</h1>
    <Teleport defer to="#place-tools">
      <VersionMenu />
      <NButton
        size="small"
        :disabled="!store.stored?.undo"
        :aria-label="t('ui.bench.undo')"
        @click="store.undo()"
      >
        <Undo2 :size="16" />
      </NButton>
      <NButton
        size="small"
        :disabled="!store.stored?.redo"
        :aria-label="t('ui.bench.redo')"
        @click="store.redo()"
      >
        <Redo2 :size="16" />
      </NButton>
      <NButton
        size="small"
        :aria-label="below ? t('ui.bench.readingsBeside') : t('ui.bench.readingsBelow')"
        :title="below ? t('ui.bench.readingsBeside') : t('ui.bench.readingsBelow')"
        @click="below = !below"
      >
        <component :is="below ? PanelRight : PanelBottom" :size="16" />
      </NButton>
    </Teleport>
    <p v-if="store.failure" class="wrong banner" role="alert">
      {{ store.failure }}
    </p>
    <Builder
      ref="builder"
      class="building"
      :circuit="circuit"
      :build="build"
      :path="path"
      :chosen="chosen"
      :lit="lit"
      :drawer="drawer"
      @drawer="drawer = !drawer"
      @path="path = $event"
      @choose="choose"
      @light="light"
    >
      <StateBar :circuit="circuit" brief in-drawing :state="state" named @change="own = $event">
        <StateEditor :circuit="circuit" :state="state" @change="own = $event" />
      </StateBar>
    </Builder>
    <Panes name="bench" :first="0.65" :below="below" class="panes flex-1">
      <template #left>
        <section
          class="drawing relative h-full min-h-260px pb-38px bg-sheet line"
          :aria-label="t('ui.common.drawing')"
        >
          <Schematic
            ref="drawing"
            :circuit="circuit"
            :wiring="wiring"
            :values="showVolts ? values : none"
            :amps="amps"
            :tint="tint"
            :lit="lit"
            :controls="state.controls"
            :detached="state.detached"
            :notices="notices"
            parts-act
            @part="press"
            @hover="light"
          />
          <Warnings
            class="rules absolute left-8px top-6px max-w-[calc(100%_-_16px)] bg-sheet"
            :circuit="circuit"
            :wiring="wiring"
            :state="key"
            @choose="choose"
          />
          <div class="absolute left-6px bottom-4px flex gap-10px items-center">
            <NCheckbox v-model:checked="showVolts" size="small">{{ t('ui.bench.volts') }}</NCheckbox>
            <NCheckbox v-model:checked="showAmps" size="small">{{ t('ui.bench.amps') }}</NCheckbox>
            <PartFinder ref="finder" :circuit="circuit" @found="choose" />
          </div>
          <StateMenu v-model:part="pressed" :circuit="circuit" :state="state" @change="own = $event" />
        </section>
      </template>
      <template #right>
        <div class="right grid gap-6px h-full" :class="below ? 'below' : 'beside'">
          <p v-if="trouble" class="wrong">
            {{ trouble }}
          </p>
          <template v-if="key">
            <section class="stairs min-h-0" :aria-label="t('ui.common.thePath')">
              <Ways
                :walk="walk"
                :path="path"
                :healthy="key"
                :limits="limitSetFor(circuit)"
                :lit="lit"
                @light="light"
                @choose="choose($event)"
              />
            </section>
            <div
              class="sum flex flex-wrap gap-y-2px gap-x-8px items-center min-h-0 text-13px text-quiet"
              :class="{ scroll: below }"
            >
              <BalanceLine class="basis-full" :state="key" :limits="limitSetFor(circuit)" :path="path" />
              <DutyChoice :circuit="circuit" />
              <ScatterChoice :circuit="circuit" />
            </div>
            <DropTable
              v-if="!aside"
              fill
              class="drops"
              :state="key"
              :path="path"
              :lit="lit"
              @light="light"
              @choose="choose($event)"
            />
          </template>
          <!-- What is not being used folds away: the values of a part, or the drawer, take the place of the table. -->
          <div
            v-if="aside"
            class="scroll relative line-t pt-8px"
            tabindex="0"
            role="region"
            :aria-label="t('ui.common.values')"
          >
            <NButton
              size="small"
              class="absolute right-4px top-6px"
              :aria-label="t('ui.bench.backToTheDrops')"
              @click="fold"
            >
              <X :size="15" /> {{ t('ui.bench.drops') }}
            </NButton>
            <PartDrawer v-if="drawer" :circuit="circuit" :build="build" />
            <Inspector
              v-if="chosen"
              :circuit="circuit"
              :part="chosen"
              :state="key"
              @set="(name, value) => store.edit({ type: 'setParameter', part: chosen!, name, value })"
              @name="store.edit({ type: 'namePart', part: chosen!, name: $event })"
              @rename="rename"
              @replace="build.replace($event)"
              @pins="build.setPins($event)"
            />
          </div>
        </div>
      </template>
    </Panes>
  </div>
</template>

<style scoped>
/* The switches under the drawing have a strip of their own. */
.drawing :deep(.more) {
  display: none;
}
.rules:deep(.more) {
  display: inline;
}
/* Its pieces wrap one by one with what stands beside them. */
.building :deep(.bar) {
  display: contents;
}
.stairs,
.drawing {
  contain: layout paint;
}
.beside {
  grid-template: minmax(150px, 42%) auto minmax(0, 1fr) / minmax(0, 1fr);
}
/* The chart and what it sums up to at the left, the table or the values at the right. */
.below {
  grid-template: minmax(0, 1fr) auto / minmax(0, 1fr) minmax(0, 1fr);
  grid-auto-flow: column;
}
.below > :last-child:not(.sum) {
  grid-row: 1 / -1;
}
@media (max-width: 760px) {
  .bench {
    height: auto;
  }
  .drawing {
    height: 70vh;
  }
  .right {
    grid-template-rows: 240px auto auto;
    height: auto;
  }
}
</style>
