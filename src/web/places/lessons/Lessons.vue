<script setup lang="ts">
import Search from '../../parts/Search.vue'
import ChooseFile from '../../parts/ChooseFile.vue'
import Dialog from '../../shell/Dialog.vue'
import { useKeys } from '../../keys/useKeys'
import { t } from '../../words'
import { NAlert, NButton, NEmpty, NSelect } from 'naive-ui'
import { RouterLink, useRouter } from 'vue-router'
import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { z } from 'zod'
import { lessonListSchema, lessonVersionsSchema, storedLessonSchema, type LessonRow } from '../../../contract'
import { ask, post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import SidePanel from '../../parts/SidePanel.vue'
import { alikeWithin, apartBy } from '../../../core/learning/difficulty/variants'
import HowHard from '../../readings/HowHard.vue'
import LessonMenu from './LessonMenu.vue'
import SetList from './SetList.vue'
import { useOneAct } from '../../api/one-act'
import { download, fileName } from '../../parts/download'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { when } from '../../parts/when'
import { useScope } from '../../stores/scope'

/** What the school teaches: circuit, faults to draw from, complaint and frame, ready to be handed out again. */
const made = z.object({ id: z.uuid() })
const list = useServer(lessonListSchema, () => '/lessons')
await list.ready()
const lessons = computed(() => list.data.value ?? [])
const router = useRouter()
const { wrong, said, act: attempt } = useAct()
const load = list.again
// Difficulties are worked out while the list is open.
const soon = useTimeoutFn(() => void list.again(), 4000, { immediate: false })
watch(
  () => [list.data.value, list.loading.value],
  () => {
    if (!list.loading.value && lessons.value.some(({ difficulties }) => !difficulties)) soon.start()
  },
  { immediate: true },
)
const search = ref('')
const shown = computed(() => {
  const words = search.value.toLowerCase().trim()
  return lessons.value.filter(
    (l) => !words || `${l.name} ${l.folder} ${l.circuit} ${l.vehicle}`.toLowerCase().includes(words),
  )
})

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
/** By how much one student has it harder than another, where each draws a set of a test; 0 where they are alike. */
const unequal = computed(() => {
  const { mode, difficulties } = giving.value ?? {}
  const apart = mode === 'test' && set.value === null ? apartBy(difficulties ?? []) : 0
  return apart > alikeWithin ? apart : 0
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
async function takeIn([file]: File[]) {
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
}
async function copy(lesson: LessonRow) {
  await attempt(() => send(made, `/lessons/${lesson.id}/copy`))
  await load()
}
async function remove(lesson: LessonRow) {
  await attempt(() => post(`/lessons/${lesson.id}`, undefined, 'DELETE'))
  await load()
}
/** The mean of its sets. */
const meanOf = ({ difficulties }: LessonRow): number | null => {
  const known = (difficulties ?? []).filter((one) => one !== null)
  return known.length ? known.reduce((sum, one) => sum + one, 0) / known.length : null
}
const modeWords = {
  test: t('ui.lessons.asATest'),
  practice: t('ui.lessons.asPractice'),
  exam: t('ui.lessons.asAnExam'),
} as const
const looking = ref<LessonRow | null>(null)
const columns: Column<LessonRow>[] = [
  { key: 'name', title: t('ui.common.lesson'), head: true, minWidth: 220, sort: byText((l) => l.name) },
  {
    key: 'folder',
    title: t('ui.home.folder'),
    text: (l) => l.folder,
    minWidth: 130,
    sort: byText((l) => l.folder),
  },
  {
    key: 'sets',
    title: t('ui.lessons.setsOfFaults'),
    minWidth: 110,
    text: (l) =>
      `${l.sets.length === 1 ? l.sets[0] : t('ui.lessons.toDrawFrom', { count: l.sets.length })}, ${modeWords[l.mode]}`,
  },
  { key: 'hard', title: t('ui.ledger.difficulty'), width: 170, sort: byNumber(meanOf) },
  {
    key: 'changed',
    title: t('ui.common.changed'),
    text: (l) => t('ui.lessons.version', { updated: when(l.updated), version: l.version }),
    quiet: true,
    width: 130,
    sort: byText((l) => l.updated),
  },
  { key: 'acts', title: t('ui.common.actions'), untitled: true, width: 215 },
]
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
const finder = ref<InstanceType<typeof Search> | null>(null)
useKeys(t('ui.common.lessons'), [
  { press: ['/'], what: t('ui.lessons.findALesson'), act: () => finder.value?.focus() },
])
</script>

<template>
  <div class="lessons grid grid-cols-1 gap-18px content-start max-w-1240px my-0 mx-auto py-18px px-20px">
    <div class="top flex flex-wrap gap-y-6px gap-x-14px items-center">
      <h1>{{ t('ui.common.lessons') }}</h1>
      <Search
        ref="finder"
        v-model="search"
        :label="t('ui.common.find')"
        :placeholder="t('ui.lessons.nameFolderCircuit')"
      />
      <ChooseFile :label="t('ui.lessons.takeInAFile')" accept=".json,application/json" @files="takeIn" />
      <RouterLink class="ml-auto" :to="{ name: 'exams' }">{{ t('ui.common.examinations') }}</RouterLink>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="said" role="status">{{ said }}</p>
    <NEmpty v-if="!lessons.length" :description="t('ui.lessons.noneYetPlantAFault')" />
    <DataTable v-else :label="t('ui.common.lessons')" :columns="columns" :rows="shown" :row-key="(l) => l.id">
      <template #cell-name="{ row }"
        ><NButton text type="primary" class="!whitespace-normal !text-left !h-auto" @click="looking = row">{{
          row.name
        }}</NButton>
        <div class="quiet text-13px font-400">{{ row.circuit }}</div></template
      >
      <template #cell-hard="{ row }"
        ><HowHard
          v-if="meanOf(row) !== null"
          brief
          :difficulty="{ difficulty: meanOf(row)!, spread: 0.8 }"
        /><span v-else class="quiet">{{
          row.difficulties ? t('ui.lessons.difficultyUnknown') : t('ui.common.calculating')
        }}</span></template
      >
      <template #cell-acts="{ row }">
        <span class="acts inline-flex gap-10px items-center">
          <NButton size="small" type="primary" @click="give(row)">{{ t('ui.lessons.handOut') }}</NButton>
          <RouterLink :to="{ name: 'show-lesson', params: { id: row.id } }">{{
            t('ui.common.show')
          }}</RouterLink>
          <LessonMenu
            :name="row.name"
            @examine="router.push({ name: 'exams', query: { lesson: row.id } })"
            @versions="look(row)"
            @copy="copy(row)"
            @save="save(row)"
            @remove="remove(row)"
          />
        </span>
      </template>
    </DataTable>

    <SidePanel :show="looking !== null" :title="looking?.name ?? ''" @update:show="looking = null">
      <SetList v-if="looking" :lesson="looking" />
    </SidePanel>
    <Dialog
      :show="giving !== null"
      :title="t('ui.lessons.handOutLesson', { name: giving?.name })"
      @update:show="giving = null"
    >
      <form v-if="giving" class="grid gap-8px" @submit.prevent="handOut">
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
        <NAlert v-if="unequal" type="warning">{{
          t('ui.lessons.setsApart', { apart: unequal.toFixed(1) })
        }}</NAlert>
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
      <ul v-if="versions" class="grid gap-8px m-0 p-0 list-none">
        <li v-for="v in versions.list" :key="v.version">
          {{ v.version }}: {{ when(v.at) }}, {{ v.sets }}
          {{ v.sets === 1 ? t('ui.lessons.set') : t('ui.lessons.sets') }},
          {{ v.circuit }}
          <NButton v-if="v.version !== versions.lesson.version" size="small" @click="back(v.version)">
            {{ t('ui.common.takeItBack') }}
          </NButton>
          <span v-else class="quiet">{{ t('ui.lessons.asItIs') }}</span>
        </li>
      </ul>
    </Dialog>
  </div>
</template>
