<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { NButton } from 'naive-ui'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { computed, ref } from 'vue'
import { lessonListSchema, storedLessonSchema } from '../../../contract'
import { type Ask } from '../../../core/lab'
import { ask, send } from '../../api/client'
import { useServer } from '../../api/useServer'
import type { Showing } from './useShow'

const { wrong: refused, said, act } = useAct()

/** The steps of the demonstration: what is asked, in which order. They are kept with a lesson, and replayed from it. */
const props = defineProps<{ show: Showing; lesson: string }>()
const emit = defineEmits<{ done: [] }>()
const { asks, setAsks, unscript, lamps, called, stateName, healthy, state } = props.show

const questions = computed(() => props.show.questions())
const words = (one: Ask): string => {
  switch (one.type) {
    case 'volts':
      return t('ui.show.voltsAt', { point: one.point })
    case 'light':
      return t('ui.show.howBrightIs', { part: called(one.part) })
    case 'piece':
      return t('ui.show.whichPieceIsAtFault')
    case 'quiz': {
      const found = questions.value.find(({ key }) => key === one.key)
      return found ? tell(found.text) : t('ui.show.aQuestionThatDoesNot')
    }
  }
}
const points = computed(
  () => healthy.value?.points.filter(({ inside }) => !inside).map(({ name }) => name) ?? [],
)
function add(one: Ask) {
  setAsks([...asks.value, one])
}
function addChosen(chosen: string) {
  const [type, what] = chosen.split('|') as [string, string]
  if (type === 'piece') add({ type: 'piece', state: state.value })
  if (type === 'light') add({ type: 'light', state: state.value, part: what })
  if (type === 'volts')
    add({
      type: 'volts',
      state: state.value,
      path: props.show.pathId(),
      point: what,
    })
  const found = questions.value.find(({ key }) => key === what)
  if (type === 'quiz' && found) add({ type: 'quiz', state: found.state, key: found.key })
}
const without = (i: number) => setAsks(asks.value.filter((_, n) => n !== i))
function move(i: number, by: number) {
  const next = [...asks.value]
  const [one] = next.splice(i, 1)
  next.splice(i + by, 0, one!)
  setAsks(next)
}

const { data: lessons, wrong: away } = useServer(lessonListSchema, () =>
  props.lesson ? undefined : '/lessons',
)
const wrong = computed(() => refused.value || away.value)
const into = ref(props.lesson)
async function keep() {
  await act(async () => {
    const { lesson } = await ask(storedLessonSchema, `/lessons/${into.value}`)
    const kept = await send(
      storedLessonSchema,
      `/lessons/${into.value}`,
      { ...lesson, script: asks.value },
      'PUT',
    )
    said.value = t('ui.show.keptWithVersion', {
      name: kept.lesson.name,
      version: kept.version,
    })
  })
}
</script>

<template>
  <section
    class="row-span-2 grid gap-10px content-start overflow-auto"
    :aria-label="t('ui.show.stepsOfTheDemonstration')"
  >
    <div class="line flex flex-wrap gap-10px items-center">
      <Choice
        :label="t('ui.show.addAStep')"
        labelled="aloud"
        size="large"
        :value="undefined"
        :placeholder="t('ui.show.add')"
        :entries="[
          { value: 'piece|', label: t('ui.show.whichPieceIsAtFault') },
          { group: t('ui.show.howBright'), entries: entriesOf(lamps, (lamp) => `light|${lamp}`, called) },
          {
            group: t('ui.show.quiz'),
            entries: entriesOf(
              questions,
              (q) => `quiz|${q.key}`,
              (q) => `${stateName(q.state)}: ${tell(q.text).slice(0, 90)}`,
            ),
          },
          {
            group: t('ui.show.voltsInTheStateAbove'),
            entries: entriesOf(
              points,
              (p) => `volts|${p}`,
              (p) => p,
            ),
          },
        ]"
        @update:value="addChosen($event!)"
      />
      <NButton size="large" @click="setAsks([])">{{ t('ui.show.empty') }}</NButton>
      <NButton size="large" @click="unscript">{{ t('ui.show.pointByPoint') }}</NButton>
      <span class="flex-1" />
      <Choice
        v-if="!lesson"
        v-model:value="into"
        :label="t('ui.common.lesson')"
        labelled="aloud"
        size="large"
        :placeholder="t('ui.show.withWhichLesson')"
        :entries="
          entriesOf(
            lessons ?? [],
            (l) => l.id,
            (l) => l.name,
          )
        "
      />
      <NButton size="large" :disabled="!into" @click="keep">{{ t('ui.show.keepWithTheLesson') }}</NButton>
      <NButton size="large" class="on" @click="emit('done')">{{ t('ui.show.toTheWall') }}</NButton>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <ol class="grid gap-6px m-0 pl-44px">
      <li v-for="(one, i) in asks" :key="i">
        <span class="mr-12px">{{ stateName(one.state) }}: {{ words(one) }}</span>
        <NButton
          class="ml-4px"
          size="large"
          :disabled="i === 0"
          :aria-label="t('ui.show.stepEarlier', { x: i + 1 })"
          @click="move(i, -1)"
        >
          ↑
        </NButton>
        <NButton
          class="ml-4px"
          size="large"
          :disabled="i === asks.length - 1"
          :aria-label="t('ui.show.stepLater', { x: i + 1 })"
          @click="move(i, 1)"
        >
          ↓
        </NButton>
        <NButton
          class="ml-4px"
          size="large"
          :aria-label="t('ui.show.takeOutStep', { x: i + 1 })"
          @click="without(i)"
        >
          ×
        </NButton>
      </li>
    </ol>
    <p v-if="!asks.length">{{ t('ui.show.nothingIsAskedYetAdd') }}</p>
  </section>
</template>
