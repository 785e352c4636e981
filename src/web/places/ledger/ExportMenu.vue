<script setup lang="ts">
import { Download } from '@lucide/vue'
import { NButton, NDropdown } from 'naive-ui'
import { t } from '../../words'
import type { useLedger } from './useLedger'

/** All files that the records are handed on as. */
const { book } = defineProps<{ book: ReturnType<typeof useLedger> }>()
/** Files that are written by the server as they are taken, however long they are. */
const served = {
  marks: 'ui.ledger.marksCsv',
  results: 'ui.ledger.resultsOneroster',
  lineItems: 'ui.ledger.lineItemsOneroster',
} as const
const options = [
  { key: 'report', label: t('ui.ledger.reportPdf') },
  { key: 'marks', label: t(served.marks) },
  { key: 'skills', label: t('ui.ledger.skillsCsv') },
  { key: 'faults', label: t('ui.ledger.faultsCsv') },
  { type: 'divider', key: 'line' },
  { key: 'results', label: t(served.results) },
  { key: 'lineItems', label: t(served.lineItems) },
]
function does(what: string) {
  if (what === 'report') void book.saveReport()
  else if (what === 'skills') void book.saveSkills()
  else if (what === 'faults') book.saveFaults()
  else {
    const link = document.createElement('a')
    link.href = `/api/ledger/${what}.csv${book.query.value}`
    link.download = ''
    link.click()
  }
}
</script>

<template>
  <NDropdown trigger="click" :options="options" @select="does">
    <NButton size="small"
      ><template #icon><Download :size="15" /></template>{{ t('ui.ledger.export') }}</NButton
    >
  </NDropdown>
</template>
