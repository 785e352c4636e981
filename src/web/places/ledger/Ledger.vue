<script setup lang="ts">
import { t } from '../../words'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { dayWords } from '../../parts/when'
import ClassSkills from './ClassSkills.vue'
import Course from './Course.vue'
import Reliability from './Reliability.vue'
import { faultWords, useLedger, type LedgerStudent } from './useLedger'

/** What each of the class can do, how sure that is, and what should come next. */
const book = useLedger()
const { ledger, wrong, classes, days, group, day, load } = book
await load()
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
      <label
        ><span class="visually-hidden">{{ t('Class') }}</span>
        <select v-model="group" class="plain">
          <option value="">{{ t('everybody') }}</option>
          <option v-for="c in classes" :key="c.id" :value="c.id">{{ c.name }}</option>
        </select></label
      >
      <label
        ><span class="visually-hidden">{{ t('Lab day') }}</span>
        <select v-model="day" class="plain">
          <option value="">{{ t('at any time') }}</option>
          <option v-for="d in days" :key="d.id" :value="d.id">{{ d.name }}, {{ dayWords(d.day) }}</option>
        </select></label
      >
      <span class="gap" />
      <NButton size="small" @click="book.saveReport">{{ t('Report (PDF)') }}</NButton>
      <NButton size="small" @click="book.saveMarks">{{ t('Marks (CSV)') }}</NButton>
      <NButton size="small" @click="book.saveSkills">{{ t('Skills (CSV)') }}</NButton>
      <NButton size="small" @click="book.saveFaults">{{ t('Faults (CSV)') }}</NButton>
      <NButton size="small" @click="book.saveResults">{{ t('Results (OneRoster)') }}</NButton>
      <NButton size="small" @click="print">{{ t('Print') }}</NButton>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="ledger">
      <p v-if="!ledger.students.length && !group && !day">
        {{ t('No students yet: add them under') }} <RouterLink to="/">{{ t('Today') }}</RouterLink>.
      </p>
      <p v-else-if="!ledger.students.length">{{ t('Nobody of this class has worked on this day.') }}</p>
      <ClassSkills v-else :students="ledger.students" @look="chosen = $event" />
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
              <tr v-for="(f, i) in ledger.faults.slice(0, 40)" :key="i">
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
