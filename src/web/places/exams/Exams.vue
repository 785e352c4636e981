<script setup lang="ts">
import { NEmpty } from 'naive-ui'
import { ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { examListSchema, type ExamRow } from '../../../contract/exams'
import { useServer } from '../../api/useServer'
import Beside from '../../parts/Beside.vue'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import { when } from '../../parts/when'
import { t } from '../../words'
import NewExam from './NewExam.vue'

/** Examinations: what is set, what runs, what is to be released. */
const list = useServer(examListSchema, () => '/exams')
await list.ready()
const lesson = ref(typeof useRoute().query.lesson === 'string' ? String(useRoute().query.lesson) : null)
const stateOf = ({ released, closes, opens, handedIn, students }: ExamRow) =>
  released
    ? t('ui.exams.released')
    : handedIn === students || Date.parse(closes) < Date.now()
      ? t('ui.exams.toRelease')
      : Date.parse(opens) > Date.now()
        ? t('ui.exams.planned')
        : t('ui.exams.running')
const columns: Column<ExamRow>[] = [
  { key: 'name', title: t('ui.common.name'), head: true, sort: byText((one) => one.name), minWidth: 180 },
  { key: 'lesson', title: t('ui.common.lesson'), text: (one) => one.lesson ?? '', quiet: true },
  {
    key: 'opens',
    title: t('ui.exams.opens'),
    text: (one) => when(one.opens),
    sort: byText((one) => one.opens),
    width: 150,
  },
  { key: 'room', title: t('ui.exams.room'), text: (one) => one.room, width: 110 },
  {
    key: 'handedIn',
    title: t('ui.exams.handedIn'),
    text: (one) => t('ui.common.of', { x: one.handedIn, of: one.students }),
    width: 120,
  },
  { key: 'state', title: t('ui.common.state'), text: stateOf, width: 130 },
]
</script>

<template>
  <div class="exams grid grid-cols-1 gap-16px content-start max-w-1240px w-full my-0 mx-auto py-18px px-20px">
    <h1>{{ t('ui.common.examinations') }}</h1>
    <p v-if="list.wrong.value" class="wrong" role="alert">{{ list.wrong.value }}</p>
    <Beside>
      <NEmpty v-if="!list.data.value?.length" :description="t('ui.exams.none')" />
      <DataTable
        v-else
        :label="t('ui.common.examinations')"
        :columns="columns"
        :rows="list.data.value"
        :row-key="(one) => one.id"
      >
        <template #cell-name="{ row }"
          ><RouterLink :to="{ name: 'exam', params: { id: row.id } }">{{ row.name }}</RouterLink></template
        >
      </DataTable>
      <template #side><NewExam :lesson="lesson" @made="list.again()" /></template
    ></Beside>
  </div>
</template>
