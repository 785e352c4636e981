<script setup lang="ts">
import { NAlert, NButton, NPopconfirm } from 'naive-ui'
import { useIntervalFn, useNow } from '@vueuse/core'
import { computed } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { examSchema, type Exam } from '../../../contract/exams'
import { alikeWithin } from '../../../core/learning/difficulty/variants'
import { post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import { when } from '../../parts/when'
import HowHard from '../../readings/HowHard.vue'
import { formatPlain, t } from '../../words'

/** One examination: who is at it, what came in, what each variant has shown; released all at once. */
const id = String(useRoute().params.id)
const router = useRouter()
const found = useServer(examSchema, () => `/exams/${id}`)
await found.ready()
const exam = computed(() => found.data.value!)
const { wrong, busy, act } = useAct()
useIntervalFn(() => {
  if (!exam.value.released) void found.again()
}, 15_000)
const release = () =>
  act(async () => {
    await send(examSchema, `/exams/${id}/released`)
    await found.again()
  })
const remove = () =>
  act(async () => {
    await post(`/exams/${id}`, undefined, 'DELETE')
    await router.push({ name: 'exams' })
  })
type Row = Exam['orders'][number]
const now = useNow({ interval: 10_000 })
const variantName = (variant: number) => exam.value.items.find((one) => one.variant === variant)?.name ?? ''
const stateOf = ({ started, concluded, extra }: Row) => {
  if (concluded) return t('ui.exams.handedInAt', { at: when(concluded) })
  if (started) return t('ui.exams.atWork')
  const over = now.value.valueOf() > Date.parse(exam.value.closes) + (extra ?? 0) * 60_000
  return over ? t('ui.exams.absent') : t('ui.common.notBegun')
}
const columns: Column<Row>[] = [
  {
    key: 'student',
    title: t('ui.common.student'),
    head: true,
    sort: byText((one) => one.student),
    minWidth: 160,
  },
  { key: 'seat', title: t('ui.exams.seat'), text: (one) => one.seat ?? '', number: true, width: 70 },
  { key: 'variant', title: t('ui.exams.variant'), text: (one) => variantName(one.variant) },
  {
    key: 'extra',
    title: t('ui.exams.moreTime'),
    text: (one) => (one.extra ? t('ui.exams.extraMinutes', { minutes: one.extra }) : ''),
    width: 120,
  },
  { key: 'state', title: t('ui.common.state'), text: stateOf, sort: byText(stateOf), width: 230 },
  {
    key: 'mark',
    title: t('ui.common.mark'),
    text: (one) => (one.mark === null ? '' : formatPlain(one.mark, 3)),
    number: true,
    width: 80,
    sort: byNumber((one) => one.mark),
  },
]
type Item = Exam['items'][number]
const itemColumns: Column<Item>[] = [
  { key: 'name', title: t('ui.exams.variant'), head: true, text: (one) => one.name },
  {
    key: 'found',
    title: t('ui.ledger.found'),
    text: (one) => t('ui.ledger.of', { found: one.found, attempts: one.handedIn }),
    width: 110,
  },
  {
    key: 'mark',
    title: t('ui.exams.meanMark'),
    text: (one) => (one.mark === null ? '' : formatPlain(one.mark, 3)),
    number: true,
    width: 110,
  },
  {
    key: 'minutes',
    title: t('ui.ledger.minutes'),
    text: (one) => (one.minutes === null ? '' : String(Math.round(one.minutes))),
    number: true,
    width: 90,
  },
  { key: 'difficulty', title: t('ui.ledger.difficulty'), width: 190 },
  {
    key: 'discrimination',
    title: t('ui.exams.discrimination'),
    text: (one) => (one.discrimination === null ? '–' : one.discrimination.toFixed(2)),
    number: true,
    width: 150,
  },
]
</script>

<template>
  <div class="exam grid grid-cols-1 gap-16px content-start max-w-1240px w-full my-0 mx-auto py-18px px-20px">
    <div class="flex flex-wrap gap-x-16px gap-y-8px items-center">
      <h1>{{ exam.name }}</h1>
      <span class="quiet">{{
        t('ui.exams.line', {
          opens: when(exam.opens),
          closes: when(exam.closes),
          minutes: exam.minutes,
          room: exam.room || '–',
          handbook: t(`ui.exams.handbook.${exam.handbook}`),
        })
      }}</span>
      <RouterLink class="ml-auto" :to="{ name: 'exams' }">{{ t('ui.common.examinations') }}</RouterLink>
    </div>
    <NAlert v-if="wrong || found.wrong.value" type="error" role="alert">{{
      wrong || found.wrong.value
    }}</NAlert>
    <NAlert v-if="exam.apart > alikeWithin" type="warning">{{
      t('ui.exams.setApart', { apart: exam.apart.toFixed(1) })
    }}</NAlert>
    <div class="flex flex-wrap gap-12px items-center">
      <NPopconfirm
        v-if="!exam.released"
        :positive-text="t('ui.exams.releaseAll')"
        :negative-text="t('ui.common.cancel')"
        @positive-click="release"
      >
        <template #trigger
          ><NButton type="primary" :loading="busy">{{ t('ui.exams.releaseAll') }}</NButton></template
        >
        {{ t('ui.exams.releaseAsks', { count: exam.handedIn }) }}
      </NPopconfirm>
      <span v-else>{{ t('ui.exams.releasedAt', { at: when(exam.released) }) }}</span>
      <NPopconfirm
        v-if="!exam.begun && !exam.released"
        :positive-text="t('ui.exams.remove')"
        :negative-text="t('ui.common.cancel')"
        @positive-click="remove"
      >
        <template #trigger
          ><NButton size="small">{{ t('ui.exams.remove') }}</NButton></template
        >
        {{ t('ui.exams.removeAsks') }}
      </NPopconfirm>
    </div>
    <DataTable
      :label="t('ui.common.students')"
      :columns="columns"
      :rows="exam.orders"
      :row-key="(one) => one.id"
    >
      <template #cell-student="{ row }"
        ><RouterLink :to="{ name: 'review', params: { id: row.id } }">{{ row.student }}</RouterLink></template
      >
    </DataTable>
    <section class="grid gap-8px" :aria-label="t('ui.exams.itemAnalysis')">
      <h2>{{ t('ui.exams.itemAnalysis') }}</h2>
      <DataTable
        :label="t('ui.exams.itemAnalysis')"
        :columns="itemColumns"
        :rows="exam.items"
        :row-key="(one) => one.variant"
      >
        <template #cell-difficulty="{ row }"
          ><HowHard
            v-if="row.difficulty !== null"
            brief
            :difficulty="{ difficulty: row.difficulty, spread: 0.8 }"
        /></template>
      </DataTable>
      <p class="quiet">{{ t('ui.exams.howToReadItems') }}</p>
    </section>
  </div>
</template>
