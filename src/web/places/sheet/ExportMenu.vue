<script setup lang="ts">
import { Download } from '@lucide/vue'
import { NButton, NDropdown } from 'naive-ui'
import { ref } from 'vue'
import { solveBoard } from '../../../core/board'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { keyToCsv, toSpice } from '../../../core/formats'
import type { AnswerKey } from '../../../core/readings'
import { buildSheet } from '../../../core/workshop'
import { messageOf } from '../../api/client'
import { download, fileName, saveBlob } from '../../parts/download'
import { drawingSvg } from '../../schematic/svg'
import type { SheetView } from './useSheet'

const props = defineProps<{
  circuit: Circuit
  healthy: AnswerKey
  faulted: AnswerKey | null
  faults: readonly Fault[]
  school: string
  complaint: string
  /** Ids of the states that are shown, and how rows are picked: a printed sheet has what is on screen. */
  states: readonly string[]
  view: SheetView
}>()
const busy = ref('')
const wrong = ref('')
const options = [
  { key: 'key-pdf', label: 'Answer key with the rows shown, PDF' },
  { key: 'worksheet-pdf', label: 'Blank worksheet for these points, PDF' },
  { key: 'build-pdf', label: 'Build sheet with labels, PDF' },
  { key: 'csv', label: 'Readings, CSV' },
  { key: 'svg', label: 'Schematic, SVG' },
  { key: 'json', label: 'Circuit, JSON' },
  { key: 'spice', label: 'Netlist of the state shown, SPICE' },
]
const name = (ending: string, what = '') => fileName(`${props.circuit.name}${what}`, ending)

function netlist(): string {
  const { states } = props.circuit
  const state = states.find((s) => s.id === props.states[0]) ?? states[0]!
  const solved = solveBoard(props.circuit, props.faulted ? props.faults : [], state)
  if (!solved.ok) throw new Error(solved.message)
  const names = new Map(solved.board.wiring.points.map((p) => [p.node, p.name]))
  return toSpice(solved.board, `${props.circuit.name}, ${state.name}`, names)
}

async function pdf(which: string): Promise<Blob> {
  const { keyPdf, worksheetPdf, buildPdf } = await import('./pdf')
  const { circuit, faulted, faults, school, complaint, view } = props
  const only = (key: AnswerKey): AnswerKey => ({
    ...key,
    states: key.states.filter((s) => props.states.includes(s.state.id)),
  })
  const healthy = only(props.healthy)
  const key = { circuit, healthy, faulted: faulted && only(faulted), faults: faulted ? faults : [], school }
  if (which === 'key-pdf') return keyPdf(key, view.arrange)
  if (which === 'worksheet-pdf') return worksheetPdf(circuit, healthy, complaint, view.arrange)
  return buildPdf(circuit, buildSheet(circuit, faults))
}

async function take(which: string) {
  wrong.value = ''
  try {
    if (which.endsWith('-pdf')) {
      busy.value = 'Making the PDF …'
      saveBlob(name('pdf', ` ${which.replace('-pdf', '')}`), await pdf(which))
    } else if (which === 'csv')
      download(name('csv'), 'text/csv', keyToCsv(props.healthy, props.faulted ?? undefined))
    else if (which === 'svg') download(name('svg'), 'image/svg+xml', drawingSvg(props.circuit))
    else if (which === 'json')
      download(name('json'), 'application/json', `${JSON.stringify(props.circuit, undefined, 2)}\n`)
    else download(name('cir'), 'text/plain', netlist())
  } catch (error) {
    wrong.value = messageOf(error)
  } finally {
    busy.value = ''
  }
}
</script>

<template>
  <NDropdown trigger="click" :options="options" @select="take">
    <NButton size="small" :loading="!!busy">
      <template #icon> <Download /> </template>Take it along …
    </NButton>
  </NDropdown>
  <span v-if="busy" class="quiet" role="status">{{ busy }}</span>
  <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
</template>
