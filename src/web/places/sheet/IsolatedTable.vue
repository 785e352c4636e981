<script setup lang="ts">
import { formatPlain } from '../../../core/quantity'
import type { AnswerKey } from '../../../core/readings'

defineProps<{
  healthy: AnswerKey['isolated']
  faulted: AnswerKey['isolated'] | null
  leadOhms: number
}>()
const beep = (beeps: boolean) => (beeps ? 'beep' : 'no beep')
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
        <tr
          v-for="(row, i) in healthy"
          :key="row.part + row.between"
          :class="{ bad: faulted && faulted[i]?.ohms.text !== row.ohms.text }"
        >
          <td>{{ row.part }} {{ row.name }}</td>
          <td class="reading">{{ row.between }}</td>
          <td class="num">{{ row.ohms.text }}</td>
          <td>{{ beep(row.continuity.beeps) }}</td>
          <template v-if="faulted">
            <td class="num">{{ faulted[i]?.ohms.text }}</td>
            <td>{{ beep(faulted[i]?.continuity.beeps ?? false) }}</td>
          </template>
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
