<script setup lang="ts">
import { NAlert, NEmpty, NSelect, NTabPane, NTabs } from 'naive-ui'
import { computed, defineAsyncComponent, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import type { AttemptsQuery, Ledger } from '../../../contract'
import type { Skill } from '../../../core/lab'
import MoreRows from '../../parts/MoreRows.vue'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import Sentence from '../../parts/Sentence.vue'
import SidePanel from '../../parts/SidePanel.vue'
import { dayWords } from '../../parts/when'
import { t } from '../../words'
import { slot } from '../../words/slots'
import { useScope } from '../../stores/scope'
import AttemptList from './AttemptList.vue'
import ClassSkills from './ClassSkills.vue'
import Course from './Course.vue'
import ExportMenu from './ExportMenu.vue'
import FaultRecords from './FaultRecords.vue'
import Reteach from './Reteach.vue'
import { faultWords, useLedger, type LedgerStudent } from './useLedger'

/** What each of the class can do, how sure that is, and what should come next. */
const Confidence = defineAsyncComponent({
  loader: async () => (await import('./Confidence.vue')).default,
  suspensible: false,
})
await useScope().load()
const book = useLedger()
const { ledger, students, count, judging, wrong, days, day, find, scope, query } = book
await book.ready()
const dayOptions = computed(() =>
  days.value.map((d) => ({ value: d.id, label: `${d.name}, ${dayWords(d.day)}` })),
)
const waitingWords = computed(() =>
  t('ui.ledger.waitingEachStaysAsIt', { waiting: judging.value?.waiting ?? 0 }),
)

/** The tab that a link leads to. */
const tab = String(useRoute().query.tab ?? 'students')

/** Whose course is open, and about which skill. */
const chosen = ref<LedgerStudent | null>(null)
const about = ref<Skill | null>(null)
function look(student: LedgerStudent, skill: Skill | null) {
  about.value = skill
  chosen.value = student
}
async function forgotten() {
  chosen.value = null
  await book.again()
}
/** Which figure's attempts are open. */
const behind = ref<{ title: string; which: AttemptsQuery } | null>(null)
const openFault = ({ circuit, fault }: Ledger['faults'][number]) =>
  (behind.value = { title: faultWords(fault), which: { circuit, fault } })
const openSure = (sure: number) =>
  (behind.value = { title: t('ui.ledger.attemptsSure', { from: sure, to: sure + 20 }), which: { sure } })
</script>

<template>
  <div class="ledger grid grid-cols-1 gap-14px content-start py-16px px-20px">
    <div class="top flex flex-wrap gap-10px items-center">
      <h1>{{ t('ui.common.ledger') }}</h1>
      <ScopeChoice />
      <NSelect
        v-model:value="day"
        class="day !w-240px"
        size="small"
        filterable
        clearable
        remote
        :options="dayOptions"
        :placeholder="t('ui.ledger.anyTime')"
        :input-props="{ 'aria-label': t('ui.common.labDay') }"
        @search="find = $event"
      />
      <span class="flex-1" />
      <ExportMenu :book="book" />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <template v-if="ledger">
      <NAlert v-if="judging && judging.done < judging.all" type="info">
        {{ t('ui.ledger.ofFinishedAttemptsAreJudged', { done: judging.done, all: judging.all }) }}
      </NAlert>
      <NAlert v-if="judging?.waiting" type="warning">{{ waitingWords }}</NAlert>
      <NEmpty v-if="!students.length && !scope.people && !day">
        <Sentence :text="t('ui.ledger.noStudentsYet', { classes: slot('classes') })">
          <template #classes
            ><RouterLink :to="{ name: 'classes' }">{{ t('ui.common.classes') }}</RouterLink></template
          >
        </Sentence>
      </NEmpty>
      <NEmpty v-else-if="!students.length" :description="t('ui.ledger.nobodyOfThisClassHas')" />
      <NTabs v-else type="line" size="small" :default-value="tab" animated>
        <NTabPane name="students" :tab="t('ui.common.students')" display-directive="show:lazy">
          <div class="grid grid-cols-1 gap-8px">
            <ClassSkills :students="students" @look="look" />
            <MoreRows :shown="students.length" :count="count" @more="book.more" />
            <p class="quiet">{{ t('ui.ledger.howToReadTheMap') }}</p>
          </div>
        </NTabPane>
        <NTabPane name="faults" :tab="t('ui.ledger.faults')" display-directive="show:lazy">
          <FaultRecords :ledger="ledger" @open="openFault" />
        </NTabPane>
        <NTabPane name="reteach" :tab="t('ui.ledger.reteach')" display-directive="if">
          <Reteach :query="query" />
        </NTabPane>
        <NTabPane name="confidence" :tab="t('ui.ledger.confidence')" display-directive="if">
          <section class="grid gap-8px" :aria-label="t('ui.ledger.confidence')">
            <NEmpty
              v-if="!ledger.reliability.length"
              :description="t('ui.ledger.nobodyHasConcludedAnythingYet')"
            />
            <template v-else>
              <p>{{ t('ui.ledger.howToReadConfidence') }}</p>
              <Confidence :bins="ledger.reliability" @open="openSure" />
            </template>
          </section>
        </NTabPane>
      </NTabs>
    </template>
    <SidePanel wide :show="chosen !== null" :title="chosen?.name ?? ''" @update:show="chosen = null">
      <Course v-if="chosen" :key="chosen.id" :student="chosen" :about="about" @gone="forgotten" />
    </SidePanel>
    <SidePanel wide :show="behind !== null" :title="behind?.title ?? ''" @update:show="behind = null">
      <AttemptList v-if="behind" :which="behind.which" :query="query" />
    </SidePanel>
  </div>
</template>
