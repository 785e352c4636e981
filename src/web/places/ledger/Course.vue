<script setup lang="ts">
import { NAlert, NButton, NEmpty, NPopconfirm, NSelect } from 'naive-ui'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { z } from 'zod'
import { courseSchema, type Course } from '../../../contract'
import { skillKeys, skills, type Skill } from '../../../core/lab'
import { ask, post } from '../../api/client'
import { useAct } from '../../api/useAct'
import { usePages } from '../../api/usePages'
import { heldListSchema } from '../../../contract/ideas'
import { useServer } from '../../api/useServer'
import Ideas from '../../readings/Ideas.vue'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import { download } from '../../parts/download'
import MoreRows from '../../parts/MoreRows.vue'
import { when } from '../../parts/when'
import { t } from '../../words'
import { attemptColumns } from './attemptColumns'
import { faultWords, levelOf, percent, skillWord, type LedgerStudent } from './useLedger'

/** One student's course, and what a student may ask of the school: all that is kept, and to be forgotten. */
const props = defineProps<{
  student: LedgerStudent
  /** The skill that was pressed on. */
  about?: Skill | null
}>()
const emit = defineEmits<{ gone: [] }>()
const CourseChart = defineAsyncComponent({
  loader: async () => (await import('./CourseChart.vue')).default,
  suspensible: false,
})
const course = usePages(courseSchema, () => `/ledger/${props.student.id}`)
const ideas = useServer(heldListSchema, () => `/ideas/student/${props.student.id}`)
const { wrong, act } = useAct()
const usual: Skill = 'drops'
const skill = ref<Skill>(props.about ?? usual)
watch(
  () => props.about,
  (about) => (skill.value = about ?? skill.value),
)
const known = computed(() =>
  skillKeys.map((key) => {
    const { level, spread, thin } = levelOf(props.student, key)
    return {
      value: key,
      label: thin
        ? t('ui.ledger.skillUnknown', { skill: t(skills[key]) })
        : t('ui.ledger.skillKnown', {
            skill: t(skills[key]),
            level: percent(level),
            spread: percent(spread),
          }),
    }
  }),
)
const next = computed(() => props.student.next.slice(0, 3).map(skillWord).join(', '))
const shared = attemptColumns<Course['rows'][number]>()
const columns: Column<Course['rows'][number]>[] = [
  shared.when,
  {
    key: 'circuit',
    title: t('ui.common.circuit'),
    text: (one) => one.circuit,
    sort: byText((one) => one.circuit),
    width: 150,
  },
  {
    key: 'fault',
    title: t('ui.common.fault'),
    text: (one) =>
      one.right ? faultWords(one.fault) : t('ui.ledger.notFound', { fault: faultWords(one.fault) }),
  },
  shared.tests,
  shared.mark,
]
const save = () =>
  act(async () => {
    const all = await ask(z.unknown(), `/ledger/${props.student.id}/export`)
    download(`${props.student.name}.json`, 'application/json', JSON.stringify(all, null, 2))
  })
async function erase() {
  if (await act(() => post(`/ledger/${props.student.id}/erased`))) emit('gone')
}
</script>

<template>
  <section
    class="course grid grid-cols-1 gap-12px content-start"
    :aria-label="t('ui.ledger.oneStudentsCourse')"
  >
    <NAlert v-if="wrong || course.wrong.value" type="error" role="alert">{{
      wrong || course.wrong.value
    }}</NAlert>
    <NEmpty
      v-if="!course.loading.value && !course.rows.value.length"
      :description="t('ui.ledger.noFinishedWorkYet')"
    />
    <template v-else>
      <p v-if="next">{{ t('ui.ledger.nextTopics', { topics: next }) }}</p>
      <NSelect
        v-model:value="skill"
        size="small"
        filterable
        :options="known"
        :input-props="{ 'aria-label': t('ui.ledger.skill') }"
      />
      <section v-if="ideas.data.value?.length" class="grid gap-6px" :aria-label="t('ui.ledger.ideas')">
        <h2 class="text-15px">{{ t('ui.ledger.ideas') }}</h2>
        <Ideas :ideas="ideas.data.value" opens />
      </section>
      <p v-if="student.drills" class="quiet">{{ t('ui.ledger.drillsCount', { count: student.drills }) }}</p>
      <CourseChart v-if="course.rows.value.length" :rows="[...course.rows.value]" :skill="skill" />
      <DataTable
        :label="t('ui.ledger.attempts')"
        :columns="columns"
        :rows="course.rows.value"
        :row-key="(one) => one.id"
        :loading="course.loading.value"
      >
        <template #cell-when="{ row }"
          ><RouterLink :to="{ name: 'review', params: { id: row.id } }">{{
            when(row.at)
          }}</RouterLink></template
        >
      </DataTable>
      <MoreRows :shown="course.rows.value.length" :count="course.count.value" @more="course.more" />
    </template>
    <div class="acts flex flex-wrap gap-10px items-center">
      <NButton size="small" @click="save">{{ t('ui.ledger.exportAllOf', { name: student.name }) }}</NButton>
      <NPopconfirm
        :positive-text="t('ui.ledger.eraseTheName')"
        :negative-text="t('ui.common.cancel')"
        @positive-click="erase"
      >
        <template #trigger
          ><NButton size="small">{{ t('ui.ledger.eraseTheNameAsks') }}</NButton></template
        >
        {{ t('ui.ledger.nameSignInAnswersAnd') }}
      </NPopconfirm>
    </div>
  </section>
</template>
