<script setup lang="ts">
import { NButton, NEmpty, NProgress, NTag } from 'naive-ui'
import type { Ledger } from '../../../contract'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import HowHard from '../../readings/HowHard.vue'
import { t } from '../../words'
import { faultWords, percent } from './useLedger'

/** What each fault has shown: how many found it, with how much work, and what it was taken for. */
defineProps<{ ledger: Ledger }>()
const emit = defineEmits<{ open: [fault: Ledger['faults'][number]] }>()
type Row = Ledger['faults'][number]
/** Discrimination below which strong and weak students find a fault about alike (common practice, no source). */
const flat = 0.6
const told = ({ difficulty, spread, discrimination, computed }: Row) =>
  t('ui.ledger.difficultyTold', {
    difficulty: (difficulty ?? 0).toFixed(1),
    spread: (spread ?? 0).toFixed(1),
    discrimination: discrimination?.toFixed(1) ?? '–',
    computed: computed?.toFixed(1) ?? '–',
  })
const columns: Column<Row>[] = [
  {
    key: 'fault',
    title: t('ui.common.fault'),
    head: true,
    sort: byText((f) => faultWords(f.fault)),
    minWidth: 260,
  },
  {
    key: 'circuit',
    title: t('ui.common.circuit'),
    text: (f) => f.circuit,
    sort: byText((f) => f.circuit),
    quiet: true,
    width: 190,
  },
  { key: 'found', title: t('ui.ledger.found'), width: 190, sort: byNumber((f) => f.found / f.attempts) },
  {
    key: 'tests',
    title: t('ui.ledger.readings'),
    text: (f) => String(f.tests),
    number: true,
    sort: byNumber((f) => f.tests),
    width: 90,
  },
  {
    key: 'minutes',
    title: t('ui.ledger.minutes'),
    text: (f) => String(Math.round(f.minutes)),
    number: true,
    sort: byNumber((f) => f.minutes),
    width: 90,
  },
  { key: 'difficulty', title: t('ui.ledger.difficulty'), width: 200, sort: byNumber((f) => f.difficulty) },
  { key: 'takenFor', title: t('ui.ledger.takenFor'), text: (f) => (f.wrong ? faultWords(f.wrong) : '') },
]
</script>

<template>
  <section class="grid grid-cols-1 gap-8px content-start" :aria-label="t('ui.ledger.faults')">
    <NEmpty v-if="!ledger.faults.length" :description="t('ui.ledger.nothingIsFinishedYet')" />
    <DataTable
      v-else
      :label="t('ui.ledger.faults')"
      :columns="columns"
      :rows="ledger.faults"
      :row-key="(f) => JSON.stringify([f.circuit, f.fault])"
    >
      <template #cell-fault="{ row }"
        ><NButton
          text
          type="primary"
          class="!whitespace-normal !text-left !h-auto"
          @click="emit('open', row)"
          >{{ faultWords(row.fault) }}</NButton
        ></template
      >
      <template #cell-difficulty="{ row }"
        ><span
          v-if="row.difficulty !== null"
          class="flex flex-wrap gap-x-6px items-baseline"
          :title="told(row)"
          ><HowHard brief :difficulty="{ difficulty: row.difficulty, spread: row.spread ?? 0 }" /><NTag
            v-if="(row.discrimination ?? 1) < flat"
            size="small"
            type="error"
            >{{ t('ui.ledger.doesNotDiscriminate') }}</NTag
          ></span
        ></template
      >
      <template #cell-found="{ row }"
        ><span class="flex gap-8px items-center"
          ><NProgress
            class="!w-80px"
            type="line"
            :percentage="percent(row.found / row.attempts)"
            :show-indicator="false"
            :aria-label="t('ui.ledger.found')"
          />
          {{ t('ui.ledger.of', { found: row.found, attempts: row.attempts }) }}</span
        ></template
      >
    </DataTable>
    <p v-if="ledger.allFaults > ledger.faults.length" class="quiet">
      {{ t('ui.ledger.theThatWereMetMost', { shown: ledger.faults.length, count: ledger.allFaults }) }}
    </p>
    <p class="quiet">{{ t('ui.ledger.readingsAndMinutesAre') }}</p>
  </section>
</template>
