<script setup lang="ts">
import Panel from '../../parts/Panel.vue'
import { NButton, NEmpty } from 'naive-ui'
import { RouterLink } from 'vue-router'
import type { OrderRow } from '../../../contract/lists'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import Fold from '../../parts/Fold.vue'
import MoreRows from '../../parts/MoreRows.vue'
import { when } from '../../parts/when'
import { t } from '../../words'
import type { OrderPages } from './useOrderList'

/** Finished work that waits for a review, and what was released before. */
const { waiting, given } = defineProps<{ waiting: OrderPages; given: OrderPages; busy: boolean }>()
const emit = defineEmits<{ release: [] }>()
const columns: Column<OrderRow>[] = [
  {
    key: 'student',
    title: t('ui.common.student'),
    head: true,
    sort: byText((one) => one.student),
    width: 150,
  },
  {
    key: 'circuit',
    title: t('ui.common.circuit'),
    text: (one) => one.circuit,
    sort: byText((one) => one.circuit),
  },
  { key: 'tests', title: t('ui.home.readings'), text: (one) => String(one.tests), number: true, width: 84 },
  {
    key: 'mark',
    title: t('ui.common.mark'),
    text: (one) => (one.mark === null ? '–' : String(Math.round(one.mark))),
    number: true,
    sort: byNumber((one) => one.mark),
    width: 70,
  },
  {
    key: 'when',
    title: t('ui.home.finishedAt'),
    text: (one) => when(one.concluded!),
    quiet: true,
    sort: byText((one) => one.concluded ?? ''),
    width: 120,
  },
]
</script>

<template>
  <Panel :title="t('ui.home.toReview')">
    <template #extra>
      <RouterLink class="text-13px" :to="{ name: 'rubric' }">{{ t('ui.home.howTheyAreMarked') }}</RouterLink>
    </template>
    <div class="grid gap-10px">
      <NEmpty
        v-if="!waiting.loading.value && !waiting.rows.value.length"
        size="small"
        :description="t('ui.home.noFinishedWorkWaitsFor')"
      />
      <template v-else>
        <DataTable
          :label="t('ui.home.toReview')"
          :columns="columns"
          :rows="waiting.rows.value"
          :row-key="(one) => one.id"
          :loading="waiting.loading.value && !waiting.rows.value.length"
        >
          <template #cell-student="{ row }"
            ><RouterLink :to="{ name: 'review', params: { id: row.id } }">{{
              row.student
            }}</RouterLink></template
          >
        </DataTable>
        <MoreRows :shown="waiting.rows.value.length" :count="waiting.count.value" @more="waiting.more" />
        <NButton class="justify-self-start" size="small" :loading="busy" @click="emit('release')">
          {{ t('ui.home.releaseAll', { count: waiting.count.value }) }}
        </NButton>
      </template>
      <Fold v-if="given.rows.value.length" :title="t('ui.home.releasedCount', { count: given.count.value })">
        <DataTable
          :label="t('ui.home.releasedReviews')"
          :columns="columns"
          :rows="given.rows.value.slice(0, 200)"
          :row-key="(one) => one.id"
        >
          <template #cell-student="{ row }"
            ><RouterLink :to="{ name: 'review', params: { id: row.id } }">{{
              row.student
            }}</RouterLink></template
          >
        </DataTable>
        <MoreRows :shown="given.rows.value.length" :count="given.count.value" @more="given.more" />
      </Fold>
    </div>
  </Panel>
</template>
