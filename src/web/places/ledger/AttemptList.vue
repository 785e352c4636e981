<script setup lang="ts">
import { NAlert, NEmpty } from 'naive-ui'
import { RouterLink } from 'vue-router'
import { attemptsSchema, type Attempts, type AttemptsQuery } from '../../../contract'
import { usePages } from '../../api/usePages'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import MoreRows from '../../parts/MoreRows.vue'
import { when } from '../../parts/when'
import { t } from '../../words'
import { attemptColumns } from './attemptColumns'
import { faultWords } from './useLedger'

/** The finished attempts behind a figure of the records: each opens its review. */
const { which, query } = defineProps<{
  which: AttemptsQuery
  /** Of whom, and on which day, as the rest of the records is asked for. */
  query: string
}>()
type Row = Attempts['rows'][number]
const list = usePages(attemptsSchema, () => {
  const all = new URLSearchParams(query.replace(/^\?/, ''))
  for (const [key, value] of Object.entries(which)) if (value !== undefined) all.set(key, String(value))
  return `/ledger/attempts?${all}`
})
const shared = attemptColumns<Row>()
const columns: Column<Row>[] = [
  shared.when,
  {
    key: 'student',
    title: t('ui.common.student'),
    text: (one) => one.student,
    sort: byText((one) => one.student),
    width: 140,
  },
  {
    key: 'said',
    title: t('ui.ledger.conclusion'),
    text: (one) =>
      one.right ? t('ui.ledger.foundIt') : one.wrong ? faultWords(one.wrong) : t('ui.ledger.noConclusion'),
  },
  {
    key: 'sure',
    title: t('ui.ledger.confidence'),
    text: (one) => (one.sure === null ? '' : `${one.sure} %`),
    number: true,
    width: 90,
    sort: byNumber((one) => one.sure),
  },
  shared.tests,
  shared.mark,
]
</script>

<template>
  <div class="grid grid-cols-1 gap-8px">
    <NAlert v-if="list.wrong.value" type="error" role="alert">{{ list.wrong.value }}</NAlert>
    <DataTable
      :label="t('ui.ledger.attempts')"
      :columns="columns"
      :rows="list.rows.value"
      :row-key="(one) => one.id"
      :loading="list.loading.value"
    >
      <template #cell-when="{ row }"
        ><RouterLink :to="{ name: 'review', params: { id: row.id } }">{{
          when(row.at)
        }}</RouterLink></template
      >
      <template #empty><NEmpty size="small" :description="t('ui.ledger.nothingIsFinishedYet')" /></template>
    </DataTable>
    <MoreRows :shown="list.rows.value.length" :count="list.count.value" @more="list.more" />
  </div>
</template>
