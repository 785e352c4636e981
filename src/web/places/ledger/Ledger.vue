<script setup lang="ts">
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
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
  t('ui.ledger.waitingEachStaysAsIt', { waiting: judging.value?.waiting ?? 0 }),
)
const chosen = ref<LedgerStudent | null>(null)
async function forgotten() {
  chosen.value = null
  await load()
}
type FaultRow = NonNullable<typeof ledger.value>['faults'][number]
const columns: Column<FaultRow>[] = [
  { key: 'fault', title: t('ui.common.fault'), sort: byText((f) => faultWords(f.fault)) },
  {
    key: 'found',
    title: t('ui.ledger.found'),
    text: (f) => t('ui.ledger.of', { found: f.found, attempts: f.attempts }),
    number: true,
    sort: byNumber((f) => f.found / f.attempts),
  },
  {
    key: 'tests',
    title: t('ui.ledger.readings'),
    text: (f) => String(f.tests),
    number: true,
    sort: byNumber((f) => f.tests),
  },
  {
    key: 'minutes',
    title: t('ui.ledger.minutes'),
    text: (f) => String(Math.round(f.minutes)),
    number: true,
    sort: byNumber((f) => f.minutes),
  },
  { key: 'takenFor', title: t('ui.ledger.takenFor'), text: (f) => (f.wrong ? faultWords(f.wrong) : '') },
]
const print = () => window.print()
</script>

<template>
  <div class="ledger grid grid-cols-1 gap-14px content-start py-16px px-20px">
    <div class="top flex flex-wrap gap-10px items-center">
      <h1>{{ t('ui.common.ledger') }}</h1>
      <ScopeChoice />
      <NSelect
        v-model:value="day"
        class="day w-190px"
        size="small"
        filterable
        clearable
        remote
        :options="dayOptions"
        :placeholder="t('ui.ledger.atAnyTime')"
        :input-props="{ 'aria-label': t('ui.common.labDay') }"
        @search="book.findDays"
      />
      <span class="flex-1" />
      <NButton size="small" @click="book.saveReport">{{ t('ui.ledger.reportPdf') }}</NButton>
      <NButton size="small" tag="a" download :href="file('marks')">{{ t('ui.ledger.marksCsv') }}</NButton>
      <NButton size="small" @click="book.saveSkills">{{ t('ui.ledger.skillsCsv') }}</NButton>
      <NButton size="small" @click="book.saveFaults">{{ t('ui.ledger.faultsCsv') }}</NButton>
      <NButton size="small" tag="a" download :href="file('results')">{{
        t('ui.ledger.resultsOneroster')
      }}</NButton>
      <NButton size="small" tag="a" download :href="file('lineItems')">{{
        t('ui.ledger.lineItemsOneroster')
      }}</NButton>
      <NButton size="small" @click="print">{{ t('ui.common.print') }}</NButton>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="ledger">
      <NAlert v-if="judging && judging.done < judging.all" type="info" :show-icon="false">
        {{
          t('ui.ledger.ofFinishedAttemptsAreJudged', {
            done: judging.done,
            all: judging.all,
          })
        }}
      </NAlert>
      <NAlert v-if="judging?.waiting" type="warning" :show-icon="false">
        {{ waitingWords }}
      </NAlert>
      <p v-if="!students.length && !scope.people && !day">
        {{ t('ui.ledger.noStudentsYetAddThem') }} <RouterLink to="/">{{ t('ui.common.today') }}</RouterLink>.
      </p>
      <p v-else-if="!students.length">{{ t('ui.ledger.nobodyOfThisClassHas') }}</p>
      <ClassSkills v-else :students="students" @look="chosen = $event" />
      <MoreRows :shown="students.length" :count="count" @more="book.more" />
      <p class="quiet">
        {{ t('ui.ledger.percentOfAFullCommand') }}
      </p>
      <Course
        v-if="chosen"
        :key="chosen.id"
        class="grid gap-8px content-start"
        :student="chosen"
        @gone="forgotten"
      />
      <div class="grid grid-cols-[minmax(0,1fr)_340px] gap-28px">
        <section class="grid gap-8px content-start" :aria-label="t('ui.ledger.faults')">
          <h2>{{ t('ui.ledger.whatEachFaultHasShown') }}</h2>
          <p v-if="!ledger.faults.length" class="quiet">{{ t('ui.ledger.nothingIsFinishedYet') }}</p>
          <DataTable
            v-else
            :label="t('ui.ledger.whatEachFaultHasShown')"
            :columns="columns"
            :rows="ledger.faults"
            :row-key="(f) => JSON.stringify([f.circuit, f.fault])"
          >
            <template #cell-fault="{ row }"
              >{{ faultWords(row.fault) }} <span class="quiet">{{ row.circuit }}</span></template
            >
          </DataTable>
          <p v-if="ledger.allFaults > ledger.faults.length" class="quiet">
            {{
              t('ui.ledger.theThatWereMetMost', {
                shown: ledger.faults.length,
                count: ledger.allFaults,
              })
            }}
          </p>
        </section>
        <section class="grid gap-8px content-start" :aria-label="t('ui.ledger.confidence')">
          <h2>{{ t('ui.ledger.sureAndRight') }}</h2>
          <p v-if="!ledger.reliability.length" class="quiet">
            {{ t('ui.ledger.nobodyHasConcludedAnythingYet') }}
          </p>
          <Reliability v-else :bins="ledger.reliability" />
        </section>
      </div>
    </template>
  </div>
</template>

<style scoped>
@media print {
  .top button,
  .top label {
    display: none;
  }
}
</style>
