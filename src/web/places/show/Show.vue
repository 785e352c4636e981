<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import { NButton, NPopover } from 'naive-ui'
import { useFullscreen } from '@vueuse/core'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { writtenAll, type Key } from '../../keys/press'
import { useKeys } from '../../keys/useKeys'
import { formatQuantity, quoted, t, tell } from '../../words'
import { computed, ref, useTemplateRef } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { classListSchema, storedCircuitSchema, storedLessonSchema } from '../../../contract'
import { ask } from '../../api/client'
import { useServer } from '../../api/useServer'
import Sentence from '../../parts/Sentence.vue'
import { slot } from '../../words/slots'
import Answers from './Answers.vue'
import Script from './Script.vue'
import Histogram from './Histogram.vue'
import WallCourse from './WallCourse.vue'
import WallDrawing from './WallDrawing.vue'
import { useOnWall } from './useOnWall'
import { useWall } from './useWall'
import { useClass } from './useClass'
import { useOpen } from '../../stores/open'
import { useShow, type Shown } from './useShow'

/**
 * For the projector, read from ten metres: one key goes from the state to the question, from the question to the reading,
 * and on to the next. What is planted is not named until it is asked for. The class may answer on screens of its own.
 */
const props = defineProps<{ lesson?: boolean }>()
const route = useRoute()
const id = String(route.params.id)
const opened = useOpen()
async function load(): Promise<Shown> {
  if (props.lesson) {
    const { lesson } = await ask(storedLessonSchema, `/lessons/${id}`)
    const set = lesson.sets[Number(route.query.set ?? 0)] ?? lesson.sets[0]!
    return { circuit: lesson.circuit, faults: set.faults, complaint: set.complaint, script: lesson.script }
  }
  const { circuit, plant } = await ask(storedCircuitSchema, `/circuits/${id}`)
  opened.circuit = { id, name: circuit.name, vehicle: circuit.vehicle }
  return { circuit, faults: plant?.faults ?? [], complaint: plant?.complaint ?? '', state: plant?.state }
}
const shown = await load()
const { circuit, complaint } = shown
const show = useShow(shown)
const { at, state, path, scripted, asked, open, now, most, go, seen, options } = show
const showHealthy = ref(true)
const showFaulted = ref(true)
const writing = ref(false)

const { data: classes } = useServer(classListSchema, () => '/classes')
const question = computed(() => (open.value && now.value ? show.bodyOf(now.value) : undefined))
const room = useClass(question)
const { on: live, group, values, trouble } = room
function step(by: number) {
  // Answers belong to what is on the wall.
  if (by > 0 && !open.value) room.forget()
  go(by)
}

const { wiring, stops, shownStops, stop, small, tint, stateNow, black, notices, lit, point } = useOnWall(
  shown,
  show,
  { healthy: showHealthy, faulted: showFaulted },
)
/** What was answered in volts, once it is shown. */
const guesses = computed(() => values.value.filter((v): v is number => typeof v === 'number'))
const reads = (v: number | undefined) => (v === undefined ? t('ui.common.floating') : formatQuantity(v, 'V'))
const asks = computed(() => {
  const ask = now.value
  if (!ask) return ''
  if (ask.type === 'light') return t('ui.common.howBrightIs', { part: show.called(ask.part) })
  if (ask.type === 'piece') return t('ui.common.whichPieceIsAtFault')
  if (ask.type === 'quiz')
    return show.question.value ? tell(show.question.value.text) : t('ui.show.thisQuestionDoesNotCome')
  return ''
})
const why = computed(() =>
  now.value?.type === 'quiz' && !open.value && show.question.value ? tell(show.question.value.why) : '',
)

/** While a script is being written, keys are letters. */
const unlessWriting = (act: () => unknown) => () => !writing.value && (act(), true)
const keys: readonly Key[] = [
  {
    press: ['Space'],
    also: ['ArrowRight', 'Enter', 'PageDown'],
    what: t('ui.show.askShowOn'),
    act: unlessWriting(() => step(1)),
  },
  { press: ['ArrowLeft'], also: ['PageUp'], what: t('ui.show.backAct'), act: unlessWriting(() => step(-1)) },
  {
    press: ['h'],
    what: t('ui.show.healthyState'),
    act: unlessWriting(() => (showHealthy.value = !showHealthy.value)),
  },
  {
    press: ['f'],
    what: t('ui.common.faultedColumn'),
    act: unlessWriting(() => (showFaulted.value = !showFaulted.value)),
  },
  { press: ['c'], what: t('ui.show.askTheClassAct'), act: unlessWriting(() => (live.value = !live.value)) },
]
useKeys(t('ui.common.show'), keys)

const asking = computed(() =>
  !now.value
    ? seen.value.join(' · ') || t('ui.show.nothingToSeeInThis')
    : now.value.type === 'volts'
      ? open.value
        ? t('ui.show.whatDoesItRead', { point: point.value })
        : t('ui.show.itReads', { point: point.value })
      : asks.value,
)
useWall(
  () => ({
    title: circuit.name,
    question: asking.value.slice(0, 600),
    asked: asked.value,
    all: most.value / 2,
    open: open.value,
    healthy: showHealthy.value,
    faulted: showFaulted.value,
    live: live.value,
    answers: values.value.length,
  }),
  {
    next: () => step(1),
    back: () => step(-1),
    healthy: () => (showHealthy.value = !showHealthy.value),
    faulted: () => (showFaulted.value = !showFaulted.value),
    class: () => (live.value = !live.value),
  },
)
const wall = useTemplateRef('wall')
const { isFullscreen, toggle: fullScreen } = useFullscreen(wall)
const remoteAt = `${window.location.origin}/remote`
</script>

<template>
  <div
    ref="wall"
    class="show grid grid-cols-1 grid-rows-[auto_minmax(0,1fr)_auto] gap-10px h-full py-14px px-24px text-26px bg-paper"
  >
    <div class="top flex flex-wrap gap-y-6px gap-x-20px items-center">
      <h1 class="text-32px">{{ circuit.name }}</h1>
      <Choice
        v-model:value="state"
        :label="t('ui.common.state')"
        labelled="aloud"
        size="large"
        :disabled="scripted"
        :entries="
          entriesOf(
            circuit.states,
            (s) => s.id,
            (s) => s.name,
          )
        "
      />
      <Choice
        v-if="circuit.paths.length > 1"
        v-model:value="path"
        :label="t('ui.common.path')"
        labelled="aloud"
        size="large"
        :disabled="scripted"
        :entries="
          entriesOf(
            circuit.paths,
            (_, i) => i,
            (p) => p.name || p.id,
          )
        "
      />
      <span v-if="now && scripted">{{ show.stateName(now.state) }}</span>
      <span class="quiet ml-auto text-24px">{{ asked }} / {{ most / 2 }}</span>
      <p class="complaint basis-full text-28px">
        {{ complaint ? quoted(complaint) : seen.join(' · ') }}
      </p>
    </div>
    <div class="middle grid grid-cols-[minmax(0,11fr)_minmax(0,9fr)] gap-20px min-h-0">
      <WallDrawing
        :circuit="circuit"
        :wiring="wiring"
        :controls="stateNow?.controls"
        :detached="stateNow?.detached"
        :red="point"
        :black="black"
        :asked="open ? point : ''"
        :tint="tint"
        :lit="lit"
        :notices="notices"
      />
      <Script v-if="writing" :show="show" :lesson="lesson ? id : ''" @done="writing = false" />
      <div v-else class="grid grid-cols-1 grid-rows-[auto_minmax(0,1fr)] gap-10px min-h-0">
        <div aria-live="polite">
          <p v-if="now?.type !== 'volts'" class="ask">{{ asking }}</p>
          <template v-else>
            <p class="ask">
              <Sentence
                :text="
                  open
                    ? t('ui.show.whatDoesItRead', { point: slot('point') })
                    : t('ui.show.itReads', { point: slot('point') })
                "
              >
                <template #point
                  ><b class="point">{{ point }}</b></template
                >
              </Sentence>
            </p>
            <p class="reading value flex flex-wrap gap-x-40px items-baseline leading-[1.1]">
              <span v-if="showFaulted || open" class="bad text-fault">{{
                open ? '—' : reads(stop?.faulted)
              }}</span>
              <span v-if="showHealthy && !open" class="text-accent text-36px">{{
                t('ui.show.healthy', { point: reads(stop?.healthy) })
              }}</span>
            </p>
          </template>
          <p v-if="why" class="why">{{ why }}</p>
        </div>
        <Answers
          v-if="now && now.type !== 'volts'"
          :options="options"
          :values="open ? [] : values"
          :shown="!open"
          :some="now.type === 'piece'"
        />
        <div
          v-else
          class="grid gap-8px min-h-0"
          :class="guesses.length && !open && shownStops ? 'grid-rows-2' : 'grid-rows-1'"
        >
          <WallCourse
            v-if="shownStops"
            :stops="stops"
            :shown="shownStops"
            :healthy="showHealthy"
            :faulted="showFaulted"
            :losses="small"
          />
          <Histogram
            v-if="guesses.length && !open"
            :values="guesses"
            :right="stop?.faulted"
            :most="stops[0]?.healthy ?? 0"
          />
        </div>
      </div>
    </div>
    <div class="acts flex flex-wrap gap-y-6px gap-x-14px items-center">
      <NButton size="large" :disabled="at === 0" @click="step(-1)">{{ t('ui.show.back') }}</NButton>
      <NButton size="large" class="on" :disabled="at >= most" @click="step(1)">
        {{ open ? t('ui.show.showIt') : at === 0 ? t('ui.show.ask') : t('ui.common.next') }}
      </NButton>
      <Toggle size="large" :on="showHealthy" @click="showHealthy = !showHealthy">
        {{ t('ui.common.healthy') }}
      </Toggle>
      <Toggle size="large" :on="showFaulted" @click="showFaulted = !showFaulted">
        {{ t('ui.common.faulted') }}
      </Toggle>
      <Toggle size="large" :on="live" @click="live = !live">{{ t('ui.show.askTheClass') }}</Toggle>
      <Choice
        v-if="live && classes?.length"
        v-model:value="group"
        :label="t('ui.show.whichClass')"
        labelled="aloud"
        size="large"
        :entries="[
          { value: null, label: t('ui.show.everybody') },
          ...entriesOf(
            classes,
            (c) => c.id,
            (c) => c.name,
          ),
        ]"
      />
      <span v-if="live" class="count" role="status">{{
        trouble || t('ui.show.answersCount', { count: values.length })
      }}</span>
      <span class="flex-1" />
      <Toggle size="large" :on="writing" @click="writing = !writing">
        {{ t('ui.show.stepsAsks') }}
      </Toggle>
      <NPopover trigger="click" placement="top-end">
        <template #trigger
          ><NButton size="large">{{ t('ui.show.moreAbout') }}</NButton></template
        >
        <div class="more grid gap-10px max-w-[min(90vw,620px)] text-24px">
          <p>{{ t('ui.show.remoteAt', { address: remoteAt }) }}</p>
          <p class="whitespace-pre-line">
            {{ keys.map(({ press, what }) => `${writtenAll(press)}: ${what}`).join('\n') }}
          </p>
          <NButton size="large" @click="fullScreen">{{
            isFullscreen ? t('ui.show.leaveFullScreen') : t('ui.show.fullScreen')
          }}</NButton>
        </div>
      </NPopover>
      <RouterLink :to="lesson ? { name: 'lessons' } : { name: 'plant', params: { id } }">{{
        t('ui.common.leave')
      }}</RouterLink>
    </div>
  </div>
</template>

<style scoped>
.show :deep(button) {
  padding: 4px 14px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 26px;
  max-width: 100%;
}
/* Read from ten metres. */
.show :deep(.n-base-selection) {
  --n-font-size: 26px !important;
  --n-height: 48px !important;
}
.show :deep(label) {
  min-width: 0;
  max-width: 100%;
}
.show :deep(button[aria-pressed='true']),
.show :deep(.on) {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--paper);
}
.show :deep(button:disabled) {
  opacity: 0.5;
}
.ask {
  font-size: clamp(26px, 3.4vh, 40px);
}
.point {
  font: 500 1.2em var(--face-readings);
}
.value {
  font-size: clamp(56px, 9vh, 110px);
}
.why {
  color: var(--accent);
  font-size: clamp(24px, 3vh, 32px);
}
.count {
  font: 500 26px var(--face-readings);
}
</style>
