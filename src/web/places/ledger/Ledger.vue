<script setup lang="ts">
import { NButton } from 'naive-ui'
import { unparse } from 'papaparse'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { z } from 'zod'
import { courseSchema, ledgerSchema, type Ledger } from '../../../contract'
import { ready, skillKeys, skills, type Skill } from '../../../core/lab'
import { ask, messageOf, post } from '../../api/client'
import { download } from '../../parts/download'
import { when } from '../../parts/when'
import Reliability from './Reliability.vue'

/** What each of the class can do, how sure that is, and what should come next. */
const ledger = ref<Ledger | null>(null)
const wrong = ref('')
const load = () =>
  ask(ledgerSchema, '/ledger').then(
    (read) => (ledger.value = read),
    (error: unknown) => (wrong.value = messageOf(error)),
  )
await load()
type Student = Ledger['students'][number]
const word = (skill: string) => skills[skill as Skill]
const percent = (x: number) => Math.round(100 * x)
const levelOf = (student: Student, skill: Skill) => student.skills[skill]!
/** Darker is better; what is hardly known stays paper. */
const shade = (student: Student, skill: Skill) => {
  const { level, thin } = levelOf(student, skill)
  return thin
    ? {}
    : { background: `color-mix(in srgb, var(--good) ${Math.round(level * 42)}%, var(--sheet))` }
}
const told = (student: Student, skill: Skill) => {
  const { level, spread, evidence, thin } = levelOf(student, skill)
  return thin
    ? `${word(skill)}: too little evidence`
    : `${word(skill)}: ${percent(level)} %, give or take ${percent(spread)}, from ${evidence.toFixed(1)} attempts’ worth`
}

const chosen = ref<Student | null>(null)
const course = ref<z.output<typeof courseSchema>>([])
const erasing = ref(false)
async function look(student: Student) {
  chosen.value = student
  erasing.value = false
  course.value = await ask(courseSchema, `/ledger/${student.id}`).catch(() => [])
}
async function save(student: Student) {
  const all = await ask(z.unknown(), `/ledger/${student.id}/export`)
  download(`${student.name}.json`, 'application/json', JSON.stringify(all, null, 2))
}
async function erase(student: Student) {
  try {
    await post(`/ledger/${student.id}/erased`)
    chosen.value = null
    await load()
  } catch (error) {
    wrong.value = messageOf(error)
  }
}

const csv = (name: string, rows: readonly object[]) => download(name, 'text/csv', unparse([...rows]))
const matrix = () =>
  csv(
    'class-skills.csv',
    (ledger.value?.students ?? []).map((s) => ({
      student: s.name,
      attempts: s.attempts,
      mean: s.mean === null ? '' : Math.round(s.mean),
      ...Object.fromEntries(
        skillKeys.flatMap((k) => [
          [skills[k], levelOf(s, k).thin ? '' : percent(levelOf(s, k).level)],
          [`${skills[k]}, give or take`, levelOf(s, k).thin ? '' : percent(levelOf(s, k).spread)],
        ]),
      ),
    })),
  )
async function results() {
  const rows = z.array(z.record(z.string(), z.unknown()))
  const found = await ask(z.object({ lineItems: rows, results: rows }), '/ledger/results')
  csv('lineItems.csv', found.lineItems)
  csv('results.csv', found.results)
}
const readyCount = computed(
  () => (skill: Skill) => (ledger.value?.students ?? []).filter((s) => ready(levelOf(s, skill))).length,
)
const print = () => window.print()
</script>

<template>
  <div class="ledger">
    <div class="top">
      <h1>Ledger</h1>
      <NButton size="small" @click="matrix">Skills (CSV)</NButton>
      <NButton size="small" @click="csv('faults.csv', ledger?.faults ?? [])">Faults (CSV)</NButton>
      <NButton size="small" @click="results">Results (OneRoster)</NButton>
      <NButton size="small" @click="print">Print or PDF</NButton>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="ledger">
      <p v-if="!ledger.students.length">
        No students yet: add them under <RouterLink to="/">Today</RouterLink>.
      </p>
      <div v-else class="scroll" tabindex="0" role="region" aria-label="Class and skills">
        <table class="data matrix">
          <thead>
            <tr>
              <th scope="col">Student</th>
              <th scope="col" class="num">Work</th>
              <th scope="col" class="num">Mean</th>
              <th v-for="key in skillKeys" :key="key" scope="col" class="skill">
                <span>{{ skills[key] }}</span>
              </th>
              <th scope="col">Next</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="student in ledger.students" :key="student.id">
              <th scope="row">
                <button type="button" class="link" @click="look(student)">{{ student.name }}</button>
              </th>
              <td class="num">{{ student.attempts }}</td>
              <td class="num">{{ student.mean === null ? '–' : Math.round(student.mean) }}</td>
              <td
                v-for="key in skillKeys"
                :key="key"
                class="num level"
                :style="shade(student, key)"
                :title="told(student, key)"
              >
                <template v-if="levelOf(student, key).thin">·</template>
                <template v-else
                  >{{ percent(levelOf(student, key).level)
                  }}<small>±{{ percent(levelOf(student, key).spread) }}</small></template
                >
              </td>
              <td class="next">{{ student.next.slice(0, 2).map(word).join(', ') }}</td>
            </tr>
          </tbody>
          <tfoot>
            <tr>
              <th scope="row">Ready to work alone</th>
              <td></td>
              <td></td>
              <td v-for="key in skillKeys" :key="key" class="num">{{ readyCount(key) || '' }}</td>
              <td></td>
            </tr>
          </tfoot>
        </table>
      </div>
      <p class="quiet">
        Percent of a full command, give or take one standard deviation; a dot: too little evidence. Old work
        fades by half in sixty days.
      </p>
      <section v-if="chosen" class="course" aria-label="One student’s course">
        <h2>{{ chosen.name }}</h2>
        <p v-if="!course.length">No finished work yet.</p>
        <table v-else class="data">
          <thead>
            <tr>
              <th scope="col">When</th>
              <th scope="col">Circuit</th>
              <th scope="col">Fault</th>
              <th scope="col" class="num">Readings</th>
              <th scope="col" class="num">Mark</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in course" :key="one.id">
              <td>
                <RouterLink :to="{ name: 'review', params: { id: one.id } }">{{ when(one.at) }}</RouterLink>
              </td>
              <td>{{ one.circuit }}</td>
              <td>{{ one.right ? '' : 'not found: ' }}{{ one.fault }}</td>
              <td class="num">{{ one.tests }}</td>
              <td class="num">{{ Math.round(one.total) }}</td>
            </tr>
          </tbody>
        </table>
        <div class="acts">
          <NButton size="small" @click="save(chosen)">All that is kept of {{ chosen.name }} (JSON)</NButton>
          <template v-if="erasing">
            <span>Name, sign-in, answers and messages go for good; marks stay, without a name.</span>
            <NButton size="small" type="error" @click="erase(chosen)">Forget the name</NButton>
            <NButton size="small" quaternary @click="erasing = false">Leave it</NButton>
          </template>
          <NButton v-else size="small" @click="erasing = true">Forget the name …</NButton>
        </div>
      </section>
      <div class="two">
        <section aria-label="Faults">
          <h2>What each fault has shown</h2>
          <p v-if="!ledger.faults.length" class="quiet">Nothing is finished yet.</p>
          <table v-else class="data">
            <thead>
              <tr>
                <th scope="col">Fault</th>
                <th scope="col" class="num">Found</th>
                <th scope="col" class="num">Readings</th>
                <th scope="col" class="num">Minutes</th>
                <th scope="col">Taken for</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(f, i) in ledger.faults.slice(0, 40)" :key="i">
                <td>
                  {{ f.fault }} <span class="quiet">{{ f.circuit }}</span>
                </td>
                <td class="num">{{ f.found }} of {{ f.attempts }}</td>
                <td class="num">{{ f.tests }}</td>
                <td class="num">{{ Math.round(f.minutes) }}</td>
                <td>{{ f.wrong ?? '' }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section aria-label="Confidence">
          <h2>Sure, and right</h2>
          <p v-if="!ledger.reliability.length" class="quiet">Nobody has concluded anything yet.</p>
          <Reliability v-else :bins="ledger.reliability" />
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
.ledger {
  display: grid;
  gap: 14px;
  align-content: start;
  padding: 16px 20px;
}
.top,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.matrix .skill {
  height: 118px;
  padding: 0 2px 4px;
  vertical-align: bottom;
}
.matrix .skill span {
  display: block;
  margin: 0 auto;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
}
table.matrix.data td.level {
  min-width: 46px;
  padding: 4px 5px;
  text-align: center;
}
.level small {
  margin-left: 2px;
  color: var(--quiet);
  font-size: 11px;
}
.next {
  white-space: nowrap;
}
tfoot th,
tfoot td {
  border-bottom: 0;
}
tfoot th {
  text-align: left;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 28px;
}
section {
  display: grid;
  gap: 8px;
  align-content: start;
}
@media print {
  .top button,
  .acts {
    display: none;
  }
}
</style>
