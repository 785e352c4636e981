<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NProgress, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { rosterDoneSchema, rosterPlanSchema, type RosterDone, type RosterPlan } from '../../../contract'
import { guessColumns, isOneRoster, type Columns, type RosterFile } from '../../../core/lab'
import { messageOf, send } from '../../api/client'
import { sendLong } from '../../api/long'

/** People and classes from another system: chosen, looked at, and only then taken in. */
const emit = defineEmits<{ done: [done: RosterDone] }>()
const files = ref<RosterFile[]>([])
const columns = ref<Columns | null>(null)
const heads = ref<string[]>([])
const plan = ref<RosterPlan | null>(null)
const wrong = ref('')
const working = ref(false)
const progress = ref<{ done: number; of: number } | null>(null)
const names: Readonly<Record<keyof Columns, string>> = {
  name: t('ui.classes.wholeName'),
  given: t('ui.classes.firstName'),
  family: t('ui.classes.familyName'),
  login: t('ui.common.signInName'),
  class: t('ui.common.class'),
}
async function choose(event: Event) {
  const input = event.target as HTMLInputElement
  files.value = await Promise.all(
    [...(input.files ?? [])].map(async (f) => ({ name: f.name, text: await f.text() })),
  )
  input.value = ''
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
async function look() {
  wrong.value = ''
  plan.value = null
  if (!files.value.length) return
  try {
    plan.value = await send(rosterPlanSchema, '/roster/plan', body.value)
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
const fresh = computed(() => plan.value?.people.filter((p) => p.what === 'new').length ?? 0)
const renamed = computed(() => plan.value?.people.filter((p) => p.what === 'renamed').length ?? 0)
async function take() {
  working.value = true
  try {
    const result = await sendLong(rosterDoneSchema, '/roster', body.value, (done, of) => {
      progress.value = { done, of }
    })
    emit('done', result)
    files.value = []
    plan.value = null
    columns.value = null
  } catch (error) {
    wrong.value = messageOf(error)
  } finally {
    working.value = false
    progress.value = null
  }
}
function column(key: keyof Columns, event: Event) {
  columns.value = { ...columns.value!, [key]: Number((event.target as HTMLSelectElement).value) }
  void look()
}
</script>

<template>
  <section :aria-label="t('ui.classes.takeInARoster')">
    <h2>{{ t('ui.classes.takeInARoster') }}</h2>
    <p class="quiet">
      {{ t('ui.classes.theFilesOfAOneroster') }}
    </p>
    <label class="field"
      >{{ t('ui.classes.files') }} <input type="file" accept=".csv,text/csv" multiple @change="choose"
    /></label>
    <div v-if="columns" class="columns">
      <label v-for="(label, key) in names" :key="key" class="field"
        >{{ label }}
        <select :value="columns[key]" @change="column(key, $event)">
          <option :value="-1">{{ t('ui.classes.noColumn') }}</option>
          <option v-for="(head, i) in heads" :key="i" :value="i">
            {{ head || t('ui.classes.column', { x: i + 1 }) }}
          </option>
        </select>
      </label>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="plan">
      <p role="status">
        <b>{{ fresh }}</b> {{ t('ui.classes.new') }} <b>{{ renamed }}</b>
        {{ t('ui.classes.withAnotherName') }} <b>{{ plan.people.length - fresh - renamed }}</b>
        {{ t('ui.classes.asTheyAre') }} <b>{{ plan.classes.filter((c) => c.what === 'new').length }}</b>
        {{ t('ui.classes.newClasses') }}
      </p>
      <ul v-if="plan.problems.length" class="problems">
        <li v-for="(p, i) in plan.problems.slice(0, 12)" :key="i">{{ p.where }}: {{ tell(p) }}</li>
        <li v-if="plan.problems.length > 12">
          {{ t('ui.common.andMore', { x: plan.problems.length - 12 }) }}
        </li>
      </ul>
      <div class="scroll" tabindex="0" role="region" :aria-label="t('ui.classes.whatWouldChange')">
        <table class="data">
          <thead>
            <tr>
              <th scope="col">{{ t('ui.common.name') }}</th>
              <th scope="col">{{ t('ui.common.signInName') }}</th>
              <th scope="col">{{ t('ui.classes.whatHappens') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in plan.people" :key="one.given">
              <td>{{ one.name }}</td>
              <td class="reading">{{ one.login }}</td>
              <td>
                {{ words(one) }}
                <NSelect
                  v-if="asked(one)"
                  size="small"
                  :value="answers[one.given] ?? null"
                  :options="choices"
                  :aria-label="t('ui.classes.whoseAccountIs', { login: one.given })"
                  :placeholder="t('ui.common.choose')"
                  @update:value="(value: Answer) => answer(one.given, value)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="open" role="status">
        {{ openWords }}
      </p>
      <NButton type="primary" :disabled="!plan.people.length" :loading="working" @click="take">{{
        t('ui.classes.takeThemIn')
      }}</NButton>
      <div v-if="progress" class="progress" role="status">
        {{ t('ui.classes.firstPasswordsOf', progress) }}
        <NProgress :percentage="Math.round((100 * progress.done) / progress.of)" :show-indicator="false" />
      </div>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.columns {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.scroll {
  max-height: 260px;
  width: 100%;
}
.progress {
  width: 100%;
}
.problems {
  margin: 0;
  padding-left: 18px;
  color: var(--fault);
}
</style>
