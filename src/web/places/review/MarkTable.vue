<script setup lang="ts">
import { formatPlain } from '../../../core/quantity'
import { aspectNames, type Mark } from '../../../core/assessment'

defineProps<{ marks: readonly Mark[]; total: number; of: number }>()
</script>

<template>
  <table class="data" aria-label="Mark">
    <thead>
      <tr>
        <th v-for="mark in marks" :key="mark.aspect" scope="col">
          {{ aspectNames[mark.aspect] }}
        </th>
        <th scope="col">Mark</th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <td v-for="mark in marks" :key="mark.aspect" class="reading">
          {{ formatPlain(mark.points, 3) }} of {{ mark.of }}
        </td>
        <td class="reading">
          <b>{{ formatPlain(total, 3) }}</b> of {{ of }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
