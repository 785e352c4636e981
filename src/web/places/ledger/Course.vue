<script setup lang="ts">
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import { t } from '../../words'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { z } from 'zod'
import { courseSchema, type Course } from '../../../contract'
import { ask, post } from '../../api/client'
import { useAct } from '../../api/useAct'
import { download } from '../../parts/download'
import MoreRows from '../../parts/MoreRows.vue'
import { when } from '../../parts/when'
import { faultWords, type LedgerStudent } from './useLedger'

/** One student’s course, and what a student may ask of the school: all that is kept, and to be forgotten. */
const props = defineProps<{ student: LedgerStudent }>()
const emit = defineEmits<{ gone: [] }>()
const course = ref<Course['rows']>([])
const count = ref(0)
const after = ref<string | null>(null)
const { wrong, act, failed } = useAct()
const erasing = ref(false)
const read = (query = '') =>
  ask(courseSchema, `/ledger/${props.student.id}${query}`).then((page) => {
    course.value = [...course.value, ...page.rows]
    count.value = page.count
    after.value = page.after
  }, failed)
void read()
const more = () => void read(`?after=${encodeURIComponent(after.value!)}`)
const columns: Column<Course['rows'][number]>[] = [
  { key: 'when', title: t('ui.common.when'), width: 130, sort: byText((one) => one.at) },
  {
    key: 'circuit',
    title: t('ui.common.circuit'),
    text: (one) => one.circuit,
    sort: byText((one) => one.circuit),
  },
  {
    key: 'fault',
    title: t('ui.common.fault'),
    text: (one) =>
      one.right ? faultWords(one.fault) : t('ui.ledger.notFound', { fault: faultWords(one.fault) }),
  },
  {
    key: 'tests',
    title: t('ui.ledger.readings'),
    text: (one) => String(one.tests),
    number: true,
    width: 100,
  },
  {
    key: 'mark',
    title: t('ui.common.mark'),
    text: (one) => String(Math.round(one.total)),
    number: true,
    width: 80,
    sort: byNumber((one) => one.total),
  },
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
  <section class="course grid gap-8px content-start" :aria-label="t('ui.ledger.oneStudentsCourse')">
    <h2>{{ student.name }}</h2>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="!course.length">{{ t('ui.ledger.noFinishedWorkYet') }}</p>
    <DataTable
      v-else
      :label="t('ui.ledger.oneStudentsCourse')"
      :columns="columns"
      :rows="course"
      :row-key="(one) => one.id"
    >
      <template #cell-when="{ row }"
        ><RouterLink :to="{ name: 'review', params: { id: row.id } }">{{
          when(row.at)
        }}</RouterLink></template
      >
    </DataTable>
    <MoreRows :shown="course.length" :count="count" @more="more" />
    <div class="acts flex flex-wrap gap-10px items-center">
      <NButton size="small" @click="save">{{
        t('ui.ledger.allThatIsKeptOf', { name: student.name })
      }}</NButton>
      <template v-if="erasing">
        <span>{{ t('ui.ledger.nameSignInAnswersAnd') }}</span>
        <NButton size="small" type="error" @click="erase">{{ t('ui.ledger.forgetTheName') }}</NButton>
        <NButton size="small" quaternary @click="erasing = false">{{ t('ui.common.leaveIt') }}</NButton>
      </template>
      <NButton v-else size="small" @click="erasing = true">{{ t('ui.ledger.forgetTheNameAsks') }}</NButton>
    </div>
  </section>
</template>

<style scoped>
@media print {
  .acts {
    display: none;
  }
}
</style>
