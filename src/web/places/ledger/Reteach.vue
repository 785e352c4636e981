<script setup lang="ts">
import { NEmpty } from 'naive-ui'
import { RouterLink } from 'vue-router'
import { reteachSchema, type Reteach } from '../../../contract/ideas'
import { useServer } from '../../api/useServer'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import { listed, t, tell } from '../../words'

/** What to teach again: wrong ideas that several hold, with what shows, drills and teaches the contrary. */
const { query } = defineProps<{ query: string }>()
const table = useServer(reteachSchema, () => `/ideas/reteach${query}`)
type Row = Reteach[number]
const title = ({ misbelief }: Row) => tell({ code: `learning.misbeliefs.${misbelief}.title` })
const columns: Column<Row>[] = [
  { key: 'idea', title: t('ui.ledger.idea'), head: true, text: title, sort: byText(title), minWidth: 220 },
  {
    key: 'students',
    title: t('ui.ledger.heldBy'),
    text: (row) => listed(row.students.map(({ name }) => name)),
    sort: byNumber((row) => row.students.length),
    minWidth: 200,
  },
  {
    key: 'show',
    title: t('ui.ledger.demonstration'),
    text: ({ misbelief }) => tell({ code: `learning.misbeliefs.${misbelief}.show` }),
    minWidth: 260,
  },
  { key: 'then', title: t('ui.ledger.drillAndLesson'), width: 220 },
]
</script>

<template>
  <section class="grid grid-cols-1 gap-8px content-start" :aria-label="t('ui.ledger.reteach')">
    <p v-if="table.wrong.value" class="wrong" role="alert">{{ table.wrong.value }}</p>
    <NEmpty
      v-if="table.data.value && !table.data.value.length"
      :description="t('ui.ledger.nothingToReteach')"
    />
    <DataTable
      v-else
      :label="t('ui.ledger.reteach')"
      :columns="columns"
      :rows="table.data.value ?? []"
      :row-key="(row) => row.misbelief"
      :loading="table.loading.value"
    >
      <template #cell-then="{ row }"
        ><span class="grid gap-2px">
          <RouterLink :to="{ name: 'drills', query: { kind: row.drill } }">{{
            tell({ code: `learning.drills.${row.drill}.title` })
          }}</RouterLink>
          <RouterLink v-if="row.lesson" :to="{ name: 'show-lesson', params: { id: row.lesson.id } }">{{
            t('ui.ledger.showLesson', { name: row.lesson.name })
          }}</RouterLink>
          <RouterLink v-if="row.rule" :to="{ name: 'handbook', params: { entry: `rule-${row.rule}` } }">{{
            t('ui.common.handbook')
          }}</RouterLink>
        </span></template
      >
    </DataTable>
    <p class="quiet">{{ t('ui.ledger.howReteach') }}</p>
  </section>
</template>
