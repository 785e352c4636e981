<script setup lang="ts">
import Fold from '../../parts/Fold.vue'
import { t, quoted } from '../../words'
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import Schematic from '../../schematic/Schematic.vue'
import StateBar from '../../readings/StateBar.vue'
import type { CircuitState } from '../../../core/circuit'
import { partOfKind } from '../../../core/parts'
import Conclude from './Conclude.vue'
import Course from './Course.vue'
import Exchange from './Exchange.vue'
import Hints from './Hints.vue'
import Instrument from './Instrument.vue'
import JustTold from './JustTold.vue'
import Panes from '../../parts/Panes.vue'
import { ChevronDown, ChevronUp } from '@lucide/vue'
import { useMediaQuery } from '@vueuse/core'
import Marking from './Marking.vue'
import Renew from './Renew.vue'
import Repair from './Repair.vue'
import StepLog from './StepLog.vue'
import TimeLeft from './TimeLeft.vue'
import Told from './Told.vue'
import type { Told as ToldNow } from '../../../contract/floor'
import { useKeys } from '../../keys/useKeys'
import Verify from './Verify.vue'
import { useDesk } from './useDesk'
import { useInstrument } from './useInstrument'
import { useMarks } from './useMarks'
import { useVerdicts } from './useVerdicts'

const Procedure = defineAsyncComponent(() => import('./Procedure.vue'))

const route = useRoute()
const model = useDesk(String(route.params.id))
await model.load()

/** What a click in the drawing does: put a lead, or mark a part. */
const next = ref<'red' | 'black'>('red')
/** On a phone the instrument is a sheet from below, drawn up where more of it is wanted. */
const narrow = useMediaQuery('(max-width: 760px)')
const tall = ref(false)
const marks = useMarks(model)
const held = useInstrument(model)
const told = useVerdicts(String(route.params.id), model)
const { struckParts, ringedParts } = marks
const real = computed(() => model.desk?.frame.source !== 'model')
const state = computed<CircuitState>(() => ({ id: 'bench', name: 'bench', ...model.arrangementNow() }))

async function change(to: CircuitState) {
  model.draft.controls = to.controls
  model.draft.detached = to.detached
  model.draft.wiggled = to.wiggled ?? []
  model.draft.swapped = to.swapped ?? []
  model.draft.spares = to.spares ?? []
  model.draft.engine = to.engine ?? 'off'
  model.draft.sinceKeyOff = to.sinceKeyOff ?? 0
  // What a real board does is for the student to say.
  if (!model.desk?.concluded && !real.value) await model.operate()
}
function lead(name: string) {
  if (model.desk?.concluded) return
  model.draft[next.value] = name
  next.value = next.value === 'red' ? 'black' : 'red'
}
function mark(id: string) {
  if (model.desk?.concluded) return
  // Where jaws or a bridge are to be held, a part is the place; after a reading it is a suspect.
  // While a reading is on its way it is neither.
  if (!model.inferenceDue && (model.busy || held.holdAt(id))) return
  marks.markPart(id)
}
/** Where the next act is, once what had the focus is gone; a finger wants no keyboard that nobody asked for. */
watch(
  () => model.inferenceDue,
  async (due) => {
    await nextTick()
    const lost = !document.activeElement || document.activeElement === document.body
    if (!lost || matchMedia('(pointer: coarse)').matches) return
    focus(due ? '.infer' : '.asking input')
  },
)
const focus = (selector: string) => document.querySelector<HTMLElement>(selector)?.focus()
useKeys(t('ui.common.desk'), [
  {
    press: ['r'],
    what: t('ui.desk.toTheRedLead'),
    act: () => focus('[data-lead=red]'),
  },
  {
    press: ['b'],
    what: t('ui.desk.toTheBlackLead'),
    act: () => focus('[data-lead=black]'),
  },
  { press: ['m'], what: t('ui.desk.toThePredictionEnterMeasures'), act: () => focus('.asking input') },
  { press: ['g'], what: t('ui.common.toTheDrawing'), act: () => focus('.drawing [tabindex="0"]') },
  { press: ['c'], what: t('ui.desk.toTheConclusion'), act: () => focus('.concluding .title') },
])
/** The key, or the switch of a circuit that has none, one position on: pin by pin it is asked for again and again. */
async function turn(by: 1 | -1) {
  const controls = model.circuit.parts.flatMap(({ id, kind }) => {
    const { positions } = partOfKind(kind)
    return positions ? [{ id, positions }] : []
  })
  const key = controls.find(({ positions }) => positions.length > 2) ?? controls[0]
  if (!key || model.busy || model.inferenceDue) return
  const now = key.positions.indexOf(state.value.controls[key.id] ?? key.positions[0]!)
  const to = key.positions[now + by]
  if (to) await change({ ...state.value, controls: { ...state.value.controls, [key.id]: to } })
}
/** After a reading that is taken as it is: the lead one point on, and the next prediction. */
function goOn(by: 1 | -1) {
  held.carry(held.walking(next.value), by)
}
const partUnder = ({ target }: KeyboardEvent) =>
  (target as Element).closest<SVGElement>('[data-part]')?.dataset['part']
/** On a part in the drawing: a whole stretch in one act. */
const strike = (way: 'up' | 'down') => (event: KeyboardEvent) => {
  const id = partUnder(event)
  if (!id || model.desk?.concluded) return false
  marks.stretch(id, way)
}
const marking = useKeys(
  t('ui.desk.onAPartOfThe'),
  [
    { press: ['u'], what: t('ui.desk.strikeOutEverythingFromHere'), act: strike('up') },
    { press: ['d'], what: t('ui.desk.strikeOutEverythingFromHereDown'), act: strike('down') },
    {
      press: ['Ctrl z'],
      what: t('ui.desk.takeTheLastMarkBack'),
      act: () => !model.desk?.concluded && (marks.undo(), true),
    },
  ],
  'own',
)
/** More time, or hints that were not there before. */
function heard({ left, hints }: ToldNow) {
  model.hear({ left, hints })
}
/** Measured under load again since the repair. */
const proved = computed(() => {
  const repaired = model.steps.findLastIndex((s) => s.type === 'repair')
  return repaired >= 0 && model.steps.slice(repaired + 1).some((s) => s.type === 'test')
})
</script>

<template>
  <div v-if="model.desk" class="desk flex flex-col gap-8px h-full pt-8px px-16px pb-10px">
    <div class="order flex flex-wrap gap-y-4px gap-x-18px items-center">
      <h1>{{ model.circuit.name }}</h1>
      <p class="complaint text-16px italic">{{ quoted(model.desk.complaint) }}</p>
      <Course :model="model" />
      <TimeLeft v-if="model.desk.left !== null" :left="model.desk.left" :at="model.loadedAt" />
      <span v-if="told.practice.value" class="quiet">{{ t('ui.desk.practiceEachStepIsTold') }}</span>
      <span class="quiet" :title="t('ui.desk.whatTheWorkWouldHave')">{{
        t('ui.common.min', { minutes: model.minutes })
      }}</span>
      <template v-if="!narrow && !model.desk.concluded">
        <StateBar :circuit="model.circuit" :state="state" @change="change">
          <template #more><Exchange :model="model" :state="state" @change="change" /></template>
        </StateBar>
      </template>
      <p
        v-if="model.unseen && !model.desk.concluded && !real"
        class="flex gap-8px items-center"
        role="status"
      >
        {{ t('ui.desk.theBoardHasChangedOperate') }}
        <NButton size="small" :loading="model.busy" @click="model.operate()">{{
          t('ui.desk.operateItAgain')
        }}</NButton>
      </p>
      <Told v-if="!model.desk.concluded" :id="String(route.params.id)" @told="heard" />
      <p v-if="model.waiting" class="wrong" role="status">
        {{ t('ui.desk.noConnectionYourStepIs') }}
      </p>
    </div>
    <Panes name="desk" class="panes flex-1">
      <template #left>
        <section
          class="drawing h-full min-h-220px bg-sheet line"
          :aria-label="t('ui.common.drawing')"
          @keydown="marking"
        >
          <Schematic
            :circuit="model.circuit"
            :wiring="model.wiring"
            :controls="state.controls"
            :detached="state.detached"
            :struck="struckParts"
            :ringed="ringedParts"
            :held="held.grip.value"
            :places-act="held.hold.value === 'jaws' && !model.inferenceDue"
            :red="model.draft.red"
            :black="model.draft.black"
            :notices="model.seen"
            parts-act
            points-act
            @place="held.holdAt"
            @part="mark"
            @point="lead"
          />
        </section>
      </template>
      <template #right>
        <div
          class="scroll side grid grid-cols-1 gap-12px content-start h-full pt-2px pr-6px pb-8px pl-2px"
          :class="{ tall }"
          tabindex="0"
          role="region"
          :aria-label="t('ui.desk.instrumentAndNotes')"
        >
          <NButton v-if="narrow" quaternary block class="grip" :aria-expanded="tall" @click="tall = !tall">
            <component :is="tall ? ChevronDown : ChevronUp" :size="18" />
            {{ tall ? t('ui.desk.showTheDrawing') : t('ui.desk.showMore') }}
          </NButton>
          <template v-if="!model.desk.concluded">
            <template v-if="narrow">
              <StateBar :circuit="model.circuit" :state="state" @change="change">
                <template #more><Exchange :model="model" :state="state" @change="change" /></template>
              </StateBar>
            </template>
            <p v-if="!model.steps.length" class="bg-accent-soft py-8px px-10px">
              {{ t('ui.desk.firstSeeTheComplaintFor') }}
            </p>
            <Verify v-if="!model.inferenceDue" :model="model" />
            <Instrument
              :model="model"
              :next="next"
              :held="held"
              @lead="next = $event"
              @point="lead"
              @turn="turn"
            >
              <template #told><JustTold :steps="model.steps.length" :told="told" /></template>
              <Marking v-if="model.inferenceDue" :model="model" :marks="marks" :carry-on="goOn" />
            </Instrument>
            <Procedure v-if="model.desk.frame.procedure" :procedure="model.desk.frame.procedure" />
            <Hints :model="model" />
            <Fold :title="t('ui.desk.aFuseHasBlown')">
              <Renew :model="model" />
            </Fold>
            <Fold
              class="concluding"
              :open="model.steps.filter((s) => s.type === 'test').length > 1 && !model.concluded"
              :title="t('ui.desk.conclude')"
            >
              <Conclude :model="model" />
            </Fold>
            <template v-if="model.concluded">
              <Fold :open="true" :title="t('ui.desk.repair')">
                <Repair :model="model" />
              </Fold>
              <section class="grid gap-8px justify-items-start" :aria-label="t('ui.desk.finish')">
                <p v-if="!proved">
                  {{
                    model.steps.some((s) => s.type === 'repair')
                      ? t('ui.desk.proveItMeasureWhatHad')
                      : t('ui.desk.repairWhatYouFoundThen')
                  }}
                </p>
                <NButton :type="proved ? 'primary' : 'default'" @click="model.finish">
                  {{ proved ? t('ui.desk.finishTheWork') : t('ui.desk.finishWithoutAProof') }}
                </NButton>
              </section>
            </template>
          </template>
          <p v-else class="bg-accent-soft py-8px px-10px" role="status">
            {{ t('ui.desk.finishedYourInstructorGoesThrough') }}
          </p>
          <section :aria-label="t('ui.desk.yourSteps')">
            <h2>{{ t('ui.desk.yourSteps') }}</h2>
            <p v-if="!model.steps.length" class="quiet">{{ t('ui.desk.noneYet') }}</p>
            <StepLog :circuit="model.circuit" :steps="model.steps" :told="told" />
          </section>
        </div>
      </template>
    </Panes>
  </div>
</template>

<style scoped>
/* In one hand, at the board: the drawing first, the instrument as a sheet from below. */
@media (max-width: 760px) {
  .desk {
    padding: 6px 8px 0;
  }
  .panes {
    display: flex;
    flex-direction: column;
    min-height: 0;
  }
  .drawing {
    flex: 1;
    height: auto;
    min-height: 120px;
  }
  .side {
    flex: none;
    height: 46vh;
    padding: 0 8px 8px;
    background: var(--paper);
    border-top: 2px solid var(--rule-strong);
    border-radius: 10px 10px 0 0;
  }
  .side.tall {
    height: 70vh;
  }
  .grip {
    position: sticky;
    top: 0;
    z-index: 3;
    background: var(--paper);
  }
}
/* A glove’s finger: what is pressed is large enough. */
@media (pointer: coarse) {
  .desk :deep(.n-button:not(.n-button--tiny-type)) {
    min-height: 40px;
  }
}
</style>
