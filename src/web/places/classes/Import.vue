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
  name: t('Whole name'),
  given: t('First name'),
  family: t('Family name'),
  login: t('Sign-in name'),
  class: t('Class'),
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
  { value: 'same', label: t('the same person: link them') },
  { value: 'other', label: t('somebody else: add an account') },
  { value: 'skip', label: t('leave it as it is') },
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
const openWords = computed(() =>
  t(
    '{open, plural, one {# sign-in name is} other {# sign-in names are}} taken by somebody: say whose it is, or it is left as it is.',
    { open: open.value },
  ),
)
const words = (one: RosterPlan['people'][number]): string => {
  switch (one.what) {
    case 'new':
      return t('is added')
    case 'same':
      return t('stays')
    case 'renamed':
      return t('was {was}', { was: one.was })
    case 'skipped':
      return t('is left as it is')
    case 'question':
      return t('The sign-in name belongs to {was}. Is this the same person?', { was: one.was })
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
  <section :aria-label="t('Take in a roster')">
    <h2>{{ t('Take in a roster') }}</h2>
    <p class="quiet">
      {{ t('The files of a OneRoster 1.1 or 1.2 set (users, classes, enrollments), or one table as CSV.') }}
    </p>
    <label class="field"
      >{{ t('Files') }} <input type="file" accept=".csv,text/csv" multiple @change="choose"
    /></label>
    <div v-if="columns" class="columns">
      <label v-for="(label, key) in names" :key="key" class="field"
        >{{ t(label) }}
        <select :value="columns[key]" @change="column(key, $event)">
          <option :value="-1">{{ t('no column') }}</option>
          <option v-for="(head, i) in heads" :key="i" :value="i">
            {{ head || t('column {x}', { x: i + 1 }) }}
          </option>
        </select>
      </label>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="plan">
      <p role="status">
        <b>{{ fresh }}</b> {{ t('new,') }} <b>{{ renamed }}</b> {{ t('with another name,') }}
        <b>{{ plan.people.length - fresh - renamed }}</b> {{ t('as they are;') }}
        <b>{{ plan.classes.filter((c) => c.what === 'new').length }}</b> {{ t('new classes.') }}
      </p>
      <ul v-if="plan.problems.length" class="problems">
        <li v-for="(p, i) in plan.problems.slice(0, 12)" :key="i">{{ p.where }}: {{ tell(p) }}</li>
        <li v-if="plan.problems.length > 12">{{ t('and {x} more', { x: plan.problems.length - 12 }) }}</li>
      </ul>
      <div class="scroll" tabindex="0" role="region" :aria-label="t('What would change')">
        <table class="data">
          <thead>
            <tr>
              <th scope="col">{{ t('Name') }}</th>
              <th scope="col">{{ t('Sign-in name') }}</th>
              <th scope="col">{{ t('What happens') }}</th>
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
                  :aria-label="t('Whose account {login} is', { login: one.given })"
                  :placeholder="t('Choose')"
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
        t('Take them in')
      }}</NButton>
      <div v-if="progress" class="progress" role="status">
        {{ t('First passwords: {done} of {of}', progress) }}
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
