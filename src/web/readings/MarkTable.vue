<script setup lang="ts">
import { computed } from 'vue'
import { formatPlain } from '../../core/quantity'
import { aspectNames, type JudgedAttempt } from '../../core/assessment'
import type { Overrides } from '../../contract'

const props = defineProps<{
  judged: Pick<JudgedAttempt, 'marks' | 'total' | 'of' | 'uncapped'>
  overrides?: Overrides
}>()
/** Each aspect with what the instructor put in its place. */
const rows = computed(() =>
  props.judged.marks
    .filter(({ of }) => of > 0)
    .map((mark) => ({ ...mark, own: props.overrides?.find((o) => o.aspect === mark.aspect) })),
)
const total = computed(() => {
  const { total: judged, uncapped, of } = props.judged
  if (!rows.value.some(({ own }) => own)) return judged
  const sum = rows.value.reduce((all, { points, own }) => all + (own?.points ?? points), 0)
  return uncapped === undefined ? Math.min(sum, of) : Math.min(sum, judged)
})
</script>

<template>
  <table class="data" aria-label="Mark">
    <thead>
      <tr>
        <th v-for="row in rows" :key="row.aspect" scope="col">
          {{ aspectNames[row.aspect] }}
        </th>
        <th scope="col">Mark</th>
      </tr>
    </thead>
    <tbody>
      <tr>
        <td v-for="row in rows" :key="row.aspect" class="reading">
          <template v-if="row.own">
            <b>{{ formatPlain(row.own.points, 3) }}</b> of {{ row.of }}
            <span class="judge">judge: {{ formatPlain(row.points, 3) }}</span>
          </template>
          <template v-else>{{ formatPlain(row.points, 3) }} of {{ row.of }}</template>
        </td>
        <td class="reading">
          <b>{{ formatPlain(total, 3) }}</b> of {{ judged.of }}
          <span v-if="judged.uncapped !== undefined" class="judge capped"
            >capped from {{ formatPlain(judged.uncapped, 3) }}</span
          >
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
td {
  vertical-align: top;
}
.judge {
  display: block;
  font-size: 12px;
}
.capped {
  color: var(--fault);
}
</style>
