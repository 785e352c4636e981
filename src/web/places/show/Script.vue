<script setup lang="ts">
import { t, tell } from '../../words'
import { computed, ref } from 'vue'
import { lessonListSchema, storedLessonSchema, type LessonRow } from '../../../contract'
import { type Ask } from '../../../core/lab'
import { ask, messageOf, send } from '../../api/client'
import type { Showing } from './useShow'

/** The steps of the demonstration: what is asked, in which order. They are kept with a lesson, and replayed from it. */
const props = defineProps<{ show: Showing; lesson: string }>()
const emit = defineEmits<{ done: [] }>()
const { asks, setAsks, unscript, lamps, called, stateName, healthy, state } = props.show
const said = ref('')
const wrong = ref('')

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
function addChosen(event: Event) {
  const select = event.target as HTMLSelectElement
  const [type, what] = select.value.split('|') as [string, string]
  select.value = ''
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

const lessons = ref<LessonRow[]>([])
const into = ref(props.lesson)
if (!props.lesson)
  void ask(lessonListSchema, '/lessons').then(
    (list) => (lessons.value = list),
    (error: unknown) => (wrong.value = messageOf(error)),
  )
async function keep() {
  wrong.value = said.value = ''
  try {
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
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <section class="script" :aria-label="t('ui.show.stepsOfTheDemonstration')">
    <div class="line">
      <label
        ><span class="visually-hidden">{{ t('ui.show.addAStep') }}</span>
        <select @change="addChosen">
          <option value="">{{ t('ui.show.add') }}</option>
          <option value="piece|">{{ t('ui.show.whichPieceIsAtFault') }}</option>
          <optgroup :label="t('ui.show.howBright')">
            <option v-for="lamp in lamps" :key="lamp" :value="`light|${lamp}`">{{ called(lamp) }}</option>
          </optgroup>
          <optgroup :label="t('ui.show.quiz')">
            <option v-for="q in questions" :key="q.key" :value="`quiz|${q.key}`">
              {{ stateName(q.state) }}: {{ tell(q.text).slice(0, 90) }}
            </option>
          </optgroup>
          <optgroup :label="t('ui.show.voltsInTheStateAbove')">
            <option v-for="p in points" :key="p" :value="`volts|${p}`">{{ p }}</option>
          </optgroup>
        </select></label
      >
      <button type="button" @click="setAsks([])">{{ t('ui.show.empty') }}</button>
      <button type="button" @click="unscript">{{ t('ui.show.pointByPoint') }}</button>
      <span class="gap" />
      <label v-if="!lesson"
        ><span class="visually-hidden">{{ t('ui.common.lesson') }}</span>
        <select v-model="into">
          <option value="">{{ t('ui.show.withWhichLesson') }}</option>
          <option v-for="l in lessons" :key="l.id" :value="l.id">{{ l.name }}</option>
        </select></label
      >
      <button type="button" :disabled="!into" @click="keep">{{ t('ui.show.keepWithTheLesson') }}</button>
      <button type="button" class="on" @click="emit('done')">{{ t('ui.show.toTheWall') }}</button>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <ol>
      <li v-for="(one, i) in asks" :key="i">
        <span>{{ stateName(one.state) }}: {{ words(one) }}</span>
        <button
          type="button"
          :disabled="i === 0"
          :aria-label="t('ui.show.stepEarlier', { x: i + 1 })"
          @click="move(i, -1)"
        >
          ↑
        </button>
        <button
          type="button"
          :disabled="i === asks.length - 1"
          :aria-label="t('ui.show.stepLater', { x: i + 1 })"
          @click="move(i, 1)"
        >
          ↓
        </button>
        <button type="button" :aria-label="t('ui.show.takeOutStep', { x: i + 1 })" @click="without(i)">
          ×
        </button>
      </li>
    </ol>
    <p v-if="!asks.length">{{ t('ui.show.nothingIsAskedYetAdd') }}</p>
  </section>
</template>

<style scoped>
.script {
  grid-row: span 2;
  display: grid;
  gap: 10px;
  align-content: start;
  overflow: auto;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.line select {
  max-width: 520px;
}
.gap {
  flex: 1;
}
ol {
  display: grid;
  gap: 6px;
  margin: 0;
  padding-left: 44px;
}
li > span {
  margin-right: 12px;
}
li button {
  margin-left: 4px;
}
</style>
