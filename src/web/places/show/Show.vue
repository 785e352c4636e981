<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import { NButton } from 'naive-ui'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { writtenAll, type Key } from '../../keys/press'
import { useKeys } from '../../keys/useKeys'
import { formatQuantity, quoted, t, tell } from '../../words'
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { classListSchema, storedCircuitSchema, storedLessonSchema } from '../../../contract'
import { ask } from '../../api/client'
import Answers from './Answers.vue'
import Script from './Script.vue'
import Steps, { type Stop } from './Steps.vue'
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
const { at, state, path, scripted, asked, open, now, most, go, healthy, faulted, seen, options } = show
const showHealthy = ref(true)
const showFaulted = ref(true)
const writing = ref(false)

const classes = await ask(classListSchema, '/classes').catch(() => [])
const question = computed(() => (open.value && now.value ? show.bodyOf(now.value) : undefined))
const room = useClass(question)
const { on: live, group, values, trouble } = room
function step(by: number) {
  // Answers belong to what is on the wall.
  if (by > 0 && !open.value) room.forget()
  go(by)
}

const valueOf = (key: typeof healthy.value, name: string) =>
  key?.points.find((p) => p.name === name && !p.inside)?.value
/** Points of the staircase: those of the same path and state that are asked for, as far as the class has come. */
const stops = computed((): Stop[] => {
  const ask = now.value
  return show.asks.value.flatMap((one) =>
    one.type === 'volts' &&
    (!ask || ask.type !== 'volts' || (one.path === ask.path && one.state === ask.state))
      ? [
          {
            name: one.point,
            healthy: valueOf(healthy.value, one.point),
            faulted: valueOf(faulted.value, one.point),
          },
        ]
      : [],
  )
})
const shownStops = computed(() => {
  const ask = now.value
  if (ask?.type !== 'volts') return 0
  const i = stops.value.findIndex(({ name }) => name === ask.point)
  return open.value ? i : i + 1
})
const point = computed(() => (now.value?.type === 'volts' ? now.value.point : ''))
const dots = computed(() =>
  now.value?.type === 'volts' && !open.value
    ? values.value.filter((v): v is number => typeof v === 'number')
    : [],
)
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
</script>

<template>
  <div
    class="show grid grid-cols-1 grid-rows-[auto_auto_auto_minmax(0,1fr)_auto] gap-10px h-full py-18px px-32px text-26px"
  >
    <div class="top flex flex-wrap gap-y-8px gap-x-20px items-center">
      <h1 class="text-34px">{{ circuit.name }}</h1>
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
    </div>
    <p class="complaint text-30px">
      <template v-if="complaint">{{ quoted(complaint) }}</template>
      <template v-else>{{ seen.join(' · ') }}</template>
    </p>
    <Script v-if="writing" :show="show" :lesson="lesson ? id : ''" @done="writing = false" />
    <template v-else>
      <div class="min-h-120px" aria-live="polite">
        <p v-if="!now" class="ask">{{ seen.join(' · ') || t('ui.show.nothingToSeeInThis') }}</p>
        <p v-else-if="now.type !== 'volts'" class="ask">{{ asks }}</p>
        <template v-else>
          <p class="ask">
            {{ t('ui.show.whatDoes') }} <b class="point">{{ point }}</b>
            {{ t('ui.show.read', { open: open ? '?' : ':' }) }}
          </p>
          <p
            class="reading value flex gap-50px items-baseline text-92px leading-[1.1]"
            :class="{ hidden: open }"
          >
            <span v-if="showFaulted" class="bad text-fault">{{
              open ? '—' : reads(valueOf(faulted, point))
            }}</span>
            <span v-if="showHealthy && !open" class="text-accent text-40px">{{
              t('ui.show.healthy', { point: reads(valueOf(healthy, point)) })
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
      <Steps
        v-else
        :stops="stops"
        :shown="shownStops"
        :healthy="showHealthy"
        :faulted="showFaulted"
        :answers="dots"
      />
    </template>
    <div class="acts flex flex-wrap gap-y-8px gap-x-20px items-center">
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
        v-if="live && classes.length"
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
        trouble ||
        (values.length === 1 ? t('ui.show.n1Answer') : t('ui.show.answersCount', { count: values.length }))
      }}</span>
      <Toggle size="large" :on="writing" @click="writing = !writing">
        {{ t('ui.show.stepsAsks') }}
      </Toggle>
      <RouterLink :to="lesson ? { name: 'lessons' } : { name: 'plant', params: { id } }">{{
        t('ui.common.leave')
      }}</RouterLink>
      <span class="quiet far ml-auto text-24px">{{ asked }} / {{ most / 2 }}</span>
      <span class="keys basis-full text-quiet text-24px whitespace-pre-wrap">{{
        keys.map(({ press, what }) => `${writtenAll(press)}: ${what}`).join('   ')
      }}</span>
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
  font-size: clamp(28px, 3.7vh, 40px);
}
.point {
  font: 500 48px var(--face-readings);
}
.why {
  color: var(--accent);
  font-size: clamp(24px, 3vh, 32px);
}
.count {
  font: 500 26px var(--face-readings);
}
</style>
