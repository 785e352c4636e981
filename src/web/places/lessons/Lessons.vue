<script setup lang="ts">
import Dialog from '../../shell/Dialog.vue'
import { useKeys } from '../../keys/useKeys'
import { t } from '../../words'
import { NButton, NSelect } from 'naive-ui'
import { RouterLink } from 'vue-router'
import { computed, ref } from 'vue'
import { z } from 'zod'
import { lessonListSchema, lessonVersionsSchema, storedLessonSchema, type LessonRow } from '../../../contract'
import { ask, messageOf, post, send } from '../../api/client'
import { useOneAct } from '../../api/one-act'
import { download, fileName } from '../../parts/download'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { when } from '../../parts/when'
import { useScope } from '../../stores/scope'

/** What the school teaches: circuit, faults to draw from, complaint and frame, ready to be handed out again. */
const made = z.object({ id: z.uuid() })
const lessons = ref<LessonRow[]>([])
const wrong = ref('')
const said = ref('')
const search = ref('')
async function attempt(work: () => Promise<unknown>) {
  wrong.value = said.value = ''
  try {
    await work()
    return true
  } catch (error) {
    wrong.value = messageOf(error)
    return false
  }
}
const list = async () => (lessons.value = await ask(lessonListSchema, '/lessons'))
const load = () => attempt(list)
await list()
const shown = computed(() => {
  const words = search.value.toLowerCase().trim()
  return lessons.value.filter(
    (l) => !words || `${l.name} ${l.folder} ${l.circuit} ${l.vehicle}`.toLowerCase().includes(words),
  )
})
const folders = computed(() => [...new Set(shown.value.map((l) => l.folder))])

/** Handing out: to whom, and which set. */
const giving = ref<LessonRow | null>(null)
const scope = useScope()
const set = ref<number | null>(null)
async function give(lesson: LessonRow) {
  giving.value = lesson
  set.value = lesson.sets.length > 1 ? null : 0
  await attempt(() => Promise.all([scope.load(), scope.loadPeople()]))
}
/** Whoever gets it: those of the chosen classes, those that were picked, or everybody of the school. */
const chosen = computed(() => [...(scope.people ?? scope.everyone.map(({ id }) => id))])
const giveWords = computed(() => t('ui.lessons.handOutToCount', { count: chosen.value.length }))
const setOptions = computed(() => {
  const sets = giving.value?.sets ?? []
  const drawn = {
    value: -1,
    label: t('ui.lessons.eachDrawsOneOfNeighbours', { count: sets.length }),
  }
  return [...(sets.length > 1 ? [drawn] : []), ...sets.map((label, value) => ({ value, label }))]
})
const { busy, once } = useOneAct(() => [giving.value?.id, chosen.value, set.value])
async function handOut() {
  const lesson = giving.value
  if (!lesson) return
  const done = await attempt(async () => {
    const made = await once((key) =>
      send(z.object({ count: z.number() }), `/lessons/${lesson.id}/orders`, {
        students: chosen.value,
        set: set.value,
        key,
      }),
    )
    if (!made) return
    const { count } = made
    said.value = t('ui.lessons.isWithCount', {
      name: lesson.name,
      count,
    })
  })
  if (done) giving.value = null
}

async function save(lesson: LessonRow) {
  await attempt(async () => {
    const stored = await ask(storedLessonSchema, `/lessons/${lesson.id}`)
    download(fileName(lesson.name, 'lesson.json'), 'application/json', JSON.stringify(stored.lesson, null, 2))
  })
}
const picker = ref<HTMLInputElement | null>(null)
async function takeIn(event: Event) {
  const input = event.target as HTMLInputElement
  const [file] = input.files ?? []
  if (!file) return
  await attempt(async () => {
    let read: unknown
    try {
      read = JSON.parse(await file.text())
    } catch {
      throw new Error(t('ui.lessons.isNoLessonItMust', { name: file.name }))
    }
    await send(made, '/lessons', read)
    await load()
    said.value = t('ui.lessons.isInTheLibrary', { name: file.name })
  })
  input.value = ''
}
async function copy(lesson: LessonRow) {
  await attempt(() => send(made, `/lessons/${lesson.id}/copy`))
  await load()
}
/** Taking a lesson out is asked about once, in its own row. */
const leaving = ref('')
async function remove(lesson: LessonRow) {
  await attempt(() => post(`/lessons/${lesson.id}`, undefined, 'DELETE'))
  leaving.value = ''
  await load()
}
const versions = ref<{ lesson: LessonRow; list: z.output<typeof lessonVersionsSchema> } | null>(null)
async function look(lesson: LessonRow) {
  await attempt(
    async () =>
      (versions.value = { lesson, list: await ask(lessonVersionsSchema, `/lessons/${lesson.id}/versions`) }),
  )
}
async function back(version: number) {
  const now = versions.value
  if (!now) return
  await attempt(async () => {
    const old = await ask(storedLessonSchema, `/lessons/${now.lesson.id}?version=${version}`)
    await send(storedLessonSchema, `/lessons/${now.lesson.id}`, old.lesson, 'PUT')
    versions.value = null
    await load()
  })
}
const finder = ref<HTMLInputElement | null>(null)
useKeys(t('ui.common.lessons'), [
  { press: ['/'], what: t('ui.lessons.findALesson'), act: () => finder.value?.focus() },
])
</script>

<template>
  <div class="lessons">
    <div class="top">
      <h1>{{ t('ui.common.lessons') }}</h1>
      <input
        ref="finder"
        v-model="search"
        type="search"
        class="plain"
        :aria-label="t('ui.common.find')"
        :placeholder="t('ui.lessons.nameFolderCircuit')"
      />
      <NButton size="small" @click="picker?.click()">{{ t('ui.lessons.takeInAFile') }}</NButton>
      <input ref="picker" type="file" accept=".json,application/json" hidden @change="takeIn" />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="!lessons.length">
      {{ t('ui.lessons.noneYetPlantAFault') }}
    </p>
    <section v-for="folder in folders" :key="folder">
      <h2>{{ folder || t('ui.lessons.notInAFolder') }}</h2>
      <table class="data">
        <colgroup>
          <col v-for="width in ['21%', '18%', '14%', '13%', '34%']" :key="width" :style="{ width }" />
        </colgroup>
        <thead class="visually-hidden">
          <tr>
            <th scope="col">{{ t('ui.common.lesson') }}</th>
            <th scope="col">{{ t('ui.common.circuit') }}</th>
            <th scope="col">{{ t('ui.lessons.setsOfFaults') }}</th>
            <th scope="col">{{ t('ui.common.changed') }}</th>
            <th scope="col">{{ t('ui.common.whatToDoWithIt') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="lesson in shown.filter((l) => l.folder === folder)" :key="lesson.id">
            <th scope="row">{{ lesson.name }}</th>
            <td>{{ lesson.circuit }}</td>
            <td>
              {{
                lesson.sets.length === 1
                  ? lesson.sets[0]
                  : t('ui.lessons.toDrawFrom', { count: lesson.sets.length })
              }},
              {{ lesson.mode === 'test' ? t('ui.lessons.asATest') : t('ui.lessons.asPractice') }}
            </td>
            <td class="quiet">
              {{ t('ui.lessons.version', { updated: when(lesson.updated), version: lesson.version }) }}
            </td>
            <td class="acts">
              <template v-if="leaving === lesson.id">
                {{ t('ui.lessons.ordersThatCameFromIt') }}
                <button type="button" class="small" @click="remove(lesson)">
                  {{ t('ui.common.takeItOut') }}
                </button>
                <button type="button" class="small" @click="leaving = ''">{{ t('ui.common.keepIt') }}</button>
              </template>
              <template v-else>
                <NButton size="small" type="primary" @click="give(lesson)">{{
                  t('ui.lessons.handOut')
                }}</NButton>
                <RouterLink :to="{ name: 'show-lesson', params: { id: lesson.id } }">{{
                  t('ui.common.show')
                }}</RouterLink>
                <button type="button" class="small" @click="look(lesson)">
                  {{ t('ui.common.versions') }}
                </button>
                <button type="button" class="small" @click="copy(lesson)">{{ t('ui.lessons.copy') }}</button>
                <button type="button" class="small" @click="save(lesson)">{{ t('ui.lessons.file') }}</button>
                <button
                  type="button"
                  class="small"
                  :aria-label="t('ui.lessons.takeOut', { name: lesson.name })"
                  @click="leaving = lesson.id"
                >
                  {{ t('ui.common.takeOut') }}
                </button>
              </template>
            </td>
          </tr>
        </tbody>
      </table>
    </section>

    <Dialog
      :show="giving !== null"
      :title="t('ui.lessons.handOutLesson', { name: giving?.name })"
      @update:show="giving = null"
    >
      <form v-if="giving" class="give" @submit.prevent="handOut">
        <label class="field"
          >{{ t('ui.lessons.whichFault') }}
          <NSelect
            :value="set ?? -1"
            :options="setOptions"
            :input-props="{ 'aria-label': t('ui.lessons.whichFault') }"
            filterable
            @update:value="(value: number) => (set = value < 0 ? null : value)"
          />
        </label>
        <div class="field">
          {{ t('ui.lessons.toWhom') }}
          <ScopeChoice with-people />
        </div>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
        <NButton type="primary" attr-type="submit" :disabled="!chosen.length" :loading="busy">
          {{ giveWords }}
        </NButton>
      </form>
    </Dialog>
    <Dialog
      :show="versions !== null"
      :title="t('ui.lessons.versionsOf', { name: versions?.lesson.name })"
      @update:show="versions = null"
    >
      <ul v-if="versions" class="plainlist">
        <li v-for="v in versions.list" :key="v.version">
          {{ v.version }}: {{ when(v.at) }}, {{ v.sets }}
          {{ v.sets === 1 ? t('ui.lessons.set') : t('ui.lessons.sets') }},
          {{ v.circuit }}
          <button
            v-if="v.version !== versions.lesson.version"
            type="button"
            class="small"
            @click="back(v.version)"
          >
            {{ t('ui.common.takeItBack') }}
          </button>
          <span v-else class="quiet">{{ t('ui.lessons.asItIs') }}</span>
        </li>
      </ul>
    </Dialog>
  </div>
</template>

<style scoped>
.lessons {
  display: grid;
  gap: 18px;
  align-content: start;
  max-width: 1240px;
  margin: 0 auto;
  padding: 18px 20px;
}
.top {
  display: flex;
  gap: 14px;
  align-items: center;
}
.data td.acts {
  overflow: visible;
  text-align: right;
}
.acts > * + * {
  margin-left: 6px;
}
th[scope='row'] {
  text-align: left;
  font-weight: 500;
}
table.data {
  table-layout: fixed;
}
.data td,
.data th {
  overflow: hidden;
  text-overflow: ellipsis;
}
section {
  display: grid;
  gap: 6px;
}
.give {
  display: grid;
  gap: 8px;
}
.plainlist {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
