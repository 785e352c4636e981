<script setup lang="ts">
import { t, tell } from '../../words'
import { Download } from '@lucide/vue'
import { NButton, NDropdown } from 'naive-ui'
import { ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { findFormat, formats, type Format } from '../../../core/formats'
import type { AnswerKey } from '../../../core/readings'
import { buildSheet } from '../../../core/workshop'
import { download, fileName, saveBlob } from '../../parts/download'
import { drawingSvg } from '../../schematic/svg'
import type { RowsView } from '../../readings/useRows'
import { useAct } from '../../api/useAct'

const props = defineProps<{
  circuit: Circuit
  healthy: AnswerKey
  faulted: AnswerKey | null
  faults: readonly Fault[]
  limits: string
  complaint: string
  /** Ids of the states that are shown, and how rows are picked: a printed sheet has what is on screen. */
  states: readonly string[]
  view: RowsView
}>()
const making = ref('')
const { wrong, act } = useAct()
/** Papers are laid out here; everything else is a format of the registry. */
const papers = [
  { key: 'key-pdf', label: t('ui.sheet.answerKeyWithTheRows') },
  { key: 'worksheet-pdf', label: t('ui.sheet.blankWorksheetForThesePoints') },
  { key: 'build-pdf', label: t('ui.sheet.buildSheetWithLabelsPdf') },
]
const drawing = { key: 'svg', label: t('ui.sheet.schematicSvg') }
const printed = { key: 'print', label: t('ui.sheet.printThisPage') }
const options = [
  printed,
  ...papers,
  ...formats.map(({ key, about }) => ({ key, label: tell(about) })),
  drawing,
]
const name = (ending: string, what = '') => fileName(`${props.circuit.name}${what}`, ending)

function write({ key, endings, mime, write: make }: Format) {
  const { circuit, healthy, faulted, faults, limits } = props
  const state = circuit.states.find((s) => s.id === props.states[0]) ?? circuit.states[0]!
  const made = make?.({
    circuit,
    healthy,
    faulted: faulted ?? undefined,
    faults: faulted ? faults : [],
    limits,
    state,
    tell,
  })
  if (made?.ok) download(name(endings[0] ?? key), mime, made.value)
  else if (made) throw new Error(made.problems.map(tell).join('; '))
}

async function pdf(which: string): Promise<Blob> {
  const { keyPdf, worksheetPdf, buildPdf } = await import('./pdf')
  const { circuit, faulted, faults, limits, complaint, view } = props
  const only = (key: AnswerKey): AnswerKey => ({
    ...key,
    states: key.states.filter((s) => props.states.includes(s.state.id)),
  })
  const healthy = only(props.healthy)
  const key = { circuit, healthy, faulted: faulted && only(faulted), faults: faulted ? faults : [], limits }
  if (which === 'key-pdf') return keyPdf(key, view.arrange)
  if (which === 'worksheet-pdf') return worksheetPdf(circuit, healthy, complaint, view.arrange)
  return buildPdf(circuit, buildSheet(circuit, faults))
}

async function take(which: string) {
  await act(async () => {
    if (which.endsWith('-pdf')) {
      making.value = t('ui.sheet.makingThePdf')
      saveBlob(name('pdf', ` ${which.replace('-pdf', '')}`), await pdf(which))
    } else if (which === printed.key) window.print()
    else if (which === drawing.key) download(name('svg'), 'image/svg+xml', drawingSvg(props.circuit))
    else {
      const format = findFormat(which)
      if (format) write(format)
    }
  })
  making.value = ''
}
defineExpose({ take })
</script>

<template>
  <NDropdown trigger="click" :options="options" @select="take">
    <NButton size="small" :loading="!!making">
      <template #icon> <Download /> </template>{{ t('ui.sheet.export') }}
    </NButton>
  </NDropdown>
  <span v-if="making" class="quiet" role="status">{{ making }}</span>
  <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
</template>
