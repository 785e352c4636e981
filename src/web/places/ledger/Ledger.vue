<script setup lang="ts">
import { t } from '../../words'
import { NAlert, NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import MoreRows from '../../parts/MoreRows.vue'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { dayWords } from '../../parts/when'
import ClassSkills from './ClassSkills.vue'
import Course from './Course.vue'
import Reliability from './Reliability.vue'
import { faultWords, useLedger, type LedgerStudent } from './useLedger'

/** What each of the class can do, how sure that is, and what should come next. */
const book = useLedger()
const { ledger, students, count, judging, wrong, days, day, scope, query } = book
await Promise.all([scope.load(), book.findDays('')])
await book.load()
const load = book.load
const dayOptions = computed(() =>
  days.value.map((d) => ({ value: d.id, label: `${d.name}, ${dayWords(d.day)}` })),
)
/** Files that are written by the server as they are taken, however long they are. */
const file = (name: string) => `/api/ledger/${name}.csv${query.value}`
const waitingWords = computed(() =>
  t(
    '{waiting, plural, one {# mark that was given back would change} other {# marks that were given back would change}}. Each stays as it is until you decide in its review.',
    { waiting: judging.value?.waiting ?? 0 },
  ),
)
const chosen = ref<LedgerStudent | null>(null)
async function forgotten() {
  chosen.value = null
  await load()
}
const print = () => window.print()
</script>

<template>
  <div class="ledger">
    <div class="top">
      <h1>{{ t('Ledger') }}</h1>
      <ScopeChoice />
      <NSelect
        v-model:value="day"
        class="day"
        size="small"
        filterable
        clearable
        remote
        :options="dayOptions"
        :placeholder="t('at any time')"
        :input-props="{ 'aria-label': t('Lab day') }"
        @search="book.findDays"
      />
      <span class="gap" />
      <NButton size="small" @click="book.saveReport">{{ t('Report (PDF)') }}</NButton>
      <NButton size="small" tag="a" download :href="file('marks')">{{ t('Marks (CSV)') }}</NButton>
      <NButton size="small" @click="book.saveSkills">{{ t('Skills (CSV)') }}</NButton>
      <NButton size="small" @click="book.saveFaults">{{ t('Faults (CSV)') }}</NButton>
      <NButton size="small" tag="a" download :href="file('results')">{{ t('Results (OneRoster)') }}</NButton>
      <NButton size="small" tag="a" download :href="file('lineItems')">{{
        t('Line items (OneRoster)')
      }}</NButton>
      <NButton size="small" @click="print">{{ t('Print') }}</NButton>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="ledger">
      <NAlert v-if="judging && judging.done < judging.all" type="info" :show-icon="false">
        {{
          t('{done} of {all} finished attempts are judged so far; the others follow by themselves.', {
            done: judging.done,
            all: judging.all,
          })
        }}
      </NAlert>
      <NAlert v-if="judging?.waiting" type="warning" :show-icon="false">
        {{ waitingWords }}
      </NAlert>
      <p v-if="!students.length && !scope.people && !day">
        {{ t('No students yet: add them under') }} <RouterLink to="/">{{ t('Today') }}</RouterLink>.
      </p>
      <p v-else-if="!students.length">{{ t('Nobody of this class has worked on this day.') }}</p>
      <ClassSkills v-else :students="students" @look="chosen = $event" />
      <MoreRows :shown="students.length" :count="count" @more="book.more" />
      <p class="quiet">
        {{
          t(
            'Percent of a full command, give or take one standard deviation; a dot: too little evidence. Old work fades by half in sixty days.',
          )
        }}
      </p>
      <Course v-if="chosen" :key="chosen.id" :student="chosen" @gone="forgotten" />
      <div class="two">
        <section :aria-label="t('Faults')">
          <h2>{{ t('What each fault has shown') }}</h2>
          <p v-if="!ledger.faults.length" class="quiet">{{ t('Nothing is finished yet.') }}</p>
          <table v-else class="data">
            <thead>
              <tr>
                <th scope="col">{{ t('Fault') }}</th>
                <th scope="col" class="num">{{ t('Found') }}</th>
                <th scope="col" class="num">{{ t('Readings') }}</th>
                <th scope="col" class="num">{{ t('Minutes') }}</th>
                <th scope="col">{{ t('Taken for') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(f, i) in ledger.faults" :key="i">
                <td>
                  {{ faultWords(f.fault) }} <span class="quiet">{{ f.circuit }}</span>
                </td>
                <td class="num">
                  {{ t('{found} of {attempts}', { found: f.found, attempts: f.attempts }) }}
                </td>
                <td class="num">{{ f.tests }}</td>
                <td class="num">{{ Math.round(f.minutes) }}</td>
                <td>{{ f.wrong ? t(f.wrong) : '' }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="ledger.allFaults > ledger.faults.length" class="quiet">
            {{
              t('The {shown} that were met most often, of {count}.', {
                shown: ledger.faults.length,
                count: ledger.allFaults,
              })
            }}
          </p>
        </section>
        <section :aria-label="t('Confidence')">
          <h2>{{ t('Sure, and right') }}</h2>
          <p v-if="!ledger.reliability.length" class="quiet">{{ t('Nobody has concluded anything yet.') }}</p>
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
.top {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.gap {
  flex: 1;
}
.day {
  width: 190px;
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
  .top label {
    display: none;
  }
}
</style>
