<script setup lang="ts">
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import ChooseFile from '../../parts/ChooseFile.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { NButton, NProgress, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { rosterDoneSchema, rosterPlanSchema, type RosterDone, type RosterPlan } from '../../../contract'
import { guessColumns, isOneRoster, type Columns, type RosterFile } from '../../../core/lab'
import { send } from '../../api/client'
import { sendLong } from '../../api/long'
import { useAct } from '../../api/useAct'

/** People and classes from another system: chosen, looked at, and only then taken in. */
const emit = defineEmits<{ done: [done: RosterDone] }>()
const files = ref<RosterFile[]>([])
const columns = ref<Columns | null>(null)
const heads = ref<string[]>([])
const plan = ref<RosterPlan | null>(null)
const { busy: working, wrong, act } = useAct()
const progress = ref<{ done: number; of: number } | null>(null)
const names: Readonly<Record<keyof Columns, string>> = {
  name: t('ui.classes.wholeName'),
  given: t('ui.classes.firstName'),
  family: t('ui.classes.familyName'),
  login: t('ui.common.signInName'),
  class: t('ui.common.class'),
}
async function choose(chosen: File[]) {
  files.value = await Promise.all(chosen.map(async (f) => ({ name: f.name, text: await f.text() })))
  columns.value = null
  if (files.value.length && !isOneRoster(files.value)) {
    const guess = guessColumns(files.value[0]!.text)
    columns.value = { ...guess.columns }
    heads.value = guess.heads
  }
  await look()
}
/** Whose a sign-in name is that somebody has already, by sign-in name; nothing happens to it while nothing is said. */
const answers = ref<Record<string, Answer>>({})
type Answer = 'same' | 'other' | 'skip'
const choices = [
  { value: 'same', label: t('ui.classes.theSamePersonLinkThem') },
  { value: 'other', label: t('ui.classes.somebodyElseAddAnAccount') },
  { value: 'skip', label: t('ui.classes.leaveItAsItIs') },
]
const body = computed(() => ({
  files: files.value,
  ...(columns.value && { columns: columns.value }),
  answers: answers.value,
}))
function answer(login: string, value: Answer) {
  answers.value = { ...answers.value, [login]: value }
  void look()
}
const asked = (one: RosterPlan['people'][number]) => one.what === 'question' || one.given in answers.value
const open = computed(() => plan.value?.people.filter((p) => p.what === 'question').length ?? 0)
const openWords = computed(() => t('ui.classes.openTakenBySomebodySay', { open: open.value }))
const words = (one: RosterPlan['people'][number]): string => {
  switch (one.what) {
    case 'new':
      return t('ui.classes.isAdded')
    case 'same':
      return t('ui.classes.stays')
    case 'renamed':
      return t('ui.classes.was', { was: one.was })
    case 'skipped':
      return t('ui.classes.isLeftAsItIs')
    case 'question':
      return t('ui.classes.theSignInNameBelongs', { was: one.was })
  }
}
const planColumns: Column<RosterPlan['people'][number]>[] = [
  {
    key: 'name',
    title: t('ui.common.name'),
    text: (one) => one.name,
    width: 240,
    sort: byText((one) => one.name),
  },
  {
    key: 'login',
    title: t('ui.common.signInName'),
    text: (one) => one.login,
    width: 190,
    sort: byText((one) => one.login),
  },
  { key: 'what', title: t('ui.classes.whatHappens'), width: 300 },
]
async function look() {
  wrong.value = ''
  plan.value = null
  if (!files.value.length) return
  await act(async () => void (plan.value = await send(rosterPlanSchema, '/roster/plan', body.value)))
}
const fresh = computed(() => plan.value?.people.filter((p) => p.what === 'new').length ?? 0)
const renamed = computed(() => plan.value?.people.filter((p) => p.what === 'renamed').length ?? 0)
async function take() {
  await act(async () => {
    const result = await sendLong(rosterDoneSchema, '/roster', body.value, (done, of) => {
      progress.value = { done, of }
    })
    emit('done', result)
    files.value = []
    plan.value = null
    columns.value = null
  })
  progress.value = null
}
function column(key: keyof Columns, at: number) {
  columns.value = { ...columns.value!, [key]: at }
  void look()
}
</script>

<template>
  <section class="grid grid-cols-1 gap-10px justify-items-start" :aria-label="t('ui.classes.takeInARoster')">
    <h2>{{ t('ui.classes.takeInARoster') }}</h2>
    <p class="quiet">
      {{ t('ui.classes.theFilesOfAOneroster') }}
    </p>
    <ChooseFile :label="t('ui.classes.files')" accept=".csv,text/csv" multiple @files="choose" />
    <div v-if="columns" class="flex flex-wrap gap-10px">
      <Choice
        v-for="(label, key) in names"
        :key="key"
        :label="label"
        :value="columns[key]"
        :entries="[
          { value: -1, label: t('ui.classes.noColumn') },
          ...entriesOf(
            heads,
            (_, i) => i,
            (head, i) => head || t('ui.classes.column', { x: i + 1 }),
          ),
        ]"
        @update:value="column(key, $event!)"
      />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="plan">
      <p role="status">
        {{
          t('ui.classes.whatChanges', {
            added: fresh,
            renamed,
            same: plan.people.length - fresh - renamed,
            classes: plan.classes.filter((c) => c.what === 'new').length,
          })
        }}
      </p>
      <ul v-if="plan.problems.length" class="m-0 pl-18px text-fault">
        <li v-for="(p, i) in plan.problems.slice(0, 12)" :key="i">{{ p.where }}: {{ tell(p) }}</li>
        <li v-if="plan.problems.length > 12">
          {{ t('ui.common.andMore', { x: plan.problems.length - 12 }) }}
        </li>
      </ul>
      <div class="h-[min(46vh,420px)]">
        <DataTable
          fill
          :label="t('ui.classes.whatWouldChange')"
          :columns="planColumns"
          :rows="plan.people"
          :row-key="(one) => one.given"
        >
          <template #cell-what="{ row }"
            >{{ words(row) }}
            <NSelect
              v-if="asked(row)"
              size="small"
              :value="answers[row.given] ?? null"
              :options="choices"
              :aria-label="t('ui.classes.whoseAccountIs', { login: row.given })"
              :placeholder="t('ui.common.choose')"
              @update:value="(value: Answer) => answer(row.given, value)"
          /></template>
        </DataTable>
      </div>
      <p v-if="open" role="status">
        {{ openWords }}
      </p>
      <NButton type="primary" :disabled="!plan.people.length" :loading="working" @click="take">{{
        t('ui.classes.takeThemIn')
      }}</NButton>
      <div v-if="progress" class="w-full" role="status">
        {{ t('ui.classes.firstPasswordsOf', progress) }}
        <NProgress :percentage="Math.round((100 * progress.done) / progress.of)" :show-indicator="false" />
      </div>
    </template>
  </section>
</template>
