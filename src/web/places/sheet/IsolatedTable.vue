<script setup lang="ts">
import { computed } from 'vue'
import { formatPlain } from '../../../core/quantity'
import type { AnswerKey } from '../../../core/readings'
import { isolatedRows } from '../../parts/rows'
import PinButton from './PinButton.vue'
import type { SheetView } from './useSheet'

const props = defineProps<{
  healthy: AnswerKey['isolated']
  faulted: AnswerKey['isolated'] | null
  leadOhms: number
  view: SheetView
}>()
const rows = computed(() => props.view.arrange(isolatedRows(props.healthy, props.faulted)))
</script>

<template>
  <article class="alone">
    <h2>
      Isolated
      <span class="quiet"
        >each part by itself, its control closed; shorted leads read {{ formatPlain(leadOhms) }} Ω</span
      >
    </h2>
    <table class="data isolated">
      <thead>
        <tr>
          <th scope="col" class="no-print"><span class="visually-hidden">Pin</span></th>
          <th scope="col">Part</th>
          <th scope="col">Between</th>
          <th scope="col" class="num">Ohms</th>
          <th scope="col">Continuity</th>
          <template v-if="faulted">
            <th scope="col" class="num">Ohms, faulted</th>
            <th scope="col">Continuity, faulted</th>
          </template>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id" :class="{ bad: row.bad }">
          <td class="no-print"><PinButton :id="row.id" :view="view" :what="row.id" /></td>
          <td>{{ row.part }}</td>
          <td class="reading">{{ row.between }}</td>
          <td class="num">{{ row.shown }}</td>
          <td>{{ row.beeps }}</td>
          <template v-if="faulted">
            <td class="num">{{ row.other }}</td>
            <td>{{ row.otherBeeps }}</td>
          </template>
        </tr>
        <tr v-if="!rows.length">
          <td :colspan="faulted ? 7 : 5" class="quiet">No row matches what you asked for.</td>
        </tr>
      </tbody>
    </table>
    <p class="caution">
      Disconnect before ohms. Ohms and continuity prove a path for a milliamp, not for amps. These figures are
      of this drawing: the vehicle maker’s data come first.
    </p>
  </article>
</template>

<style scoped>
.isolated {
  max-width: 820px;
}
@media print {
  .alone {
    break-before: page;
  }
  .isolated {
    font-size: 11px;
  }
}
</style>
