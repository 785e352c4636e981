<script setup lang="ts">
import { NButton, NEmpty, NPopconfirm, NProgress } from 'naive-ui'
import { setProgressSchema } from '../../../contract/drills'
import { post } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import Fold from '../../parts/Fold.vue'
import { dayWords } from '../../parts/when'
import { t } from '../../words'

/** What classes have been set, and who has done it. */
const sets = useServer(setProgressSchema, () => '/drills/sets')
const { wrong, act } = useAct()
defineExpose({ again: sets.again })
type Row = NonNullable<typeof sets.data.value>[number]['students'][number]
const columns: Column<Row>[] = [
  {
    key: 'name',
    title: t('ui.common.student'),
    head: true,
    text: (one) => one.name,
    sort: byText((one) => one.name),
  },
  { key: 'done', title: t('ui.drills.done'), width: 220, sort: byNumber((one) => one.done) },
  {
    key: 'right',
    title: t('ui.drills.right'),
    number: true,
    width: 110,
    text: (one) => (one.done ? `${Math.round(100 * one.right)} %` : '–'),
    sort: byNumber((one) => one.right),
  },
]
const remove = (id: string) =>
  act(async () => {
    await post(`/drills/sets/${id}`, undefined, 'DELETE')
    await sets.again()
  })
const finished = (one: { items: number; students: readonly Row[] }) =>
  one.students.filter(({ done }) => done >= one.items).length
</script>

<template>
  <section class="grid grid-cols-1 gap-10px content-start" :aria-label="t('ui.drills.setSoFar')">
    <h2>{{ t('ui.drills.setSoFar') }}</h2>
    <p v-if="wrong || sets.wrong.value" class="wrong" role="alert">{{ wrong || sets.wrong.value }}</p>
    <NEmpty
      v-if="sets.data.value && !sets.data.value.length"
      size="small"
      :description="t('ui.drills.noneSet')"
    />
    <Fold
      v-for="one in sets.data.value ?? []"
      :key="one.id"
      :title="
        t('ui.drills.setLine', {
          name: one.name,
          group: one.class,
          due: dayWords(one.due),
          finished: finished(one),
          of: one.students.length,
        })
      "
    >
      <div class="grid gap-8px">
        <DataTable :label="one.name" :columns="columns" :rows="one.students" :row-key="(s) => s.id">
          <template #cell-done="{ row }"
            ><span class="flex gap-8px items-center"
              ><NProgress
                class="!w-110px"
                type="line"
                :percentage="Math.min(100, Math.round((100 * row.done) / one.items))"
                :show-indicator="false"
                :aria-label="t('ui.drills.done')"
              />{{ t('ui.common.of', { x: row.done, of: one.items }) }}</span
            ></template
          >
        </DataTable>
        <NPopconfirm
          :positive-text="t('ui.drills.takeAway')"
          :negative-text="t('ui.common.cancel')"
          @positive-click="remove(one.id)"
        >
          <template #trigger
            ><NButton size="small" class="justify-self-start">{{
              t('ui.drills.takeAway')
            }}</NButton></template
          >
          {{ t('ui.drills.takeAwayAsks') }}
        </NPopconfirm>
      </div>
    </Fold>
  </section>
</template>
