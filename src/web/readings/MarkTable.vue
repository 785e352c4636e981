<script setup lang="ts">
import { formatPlain, t, tell } from '../words'
import { computed, useId } from 'vue'
import { aspectNames, givenTotal, type JudgedAttempt, type Judgement } from '../../core/assessment'
import type { Overrides } from '../../contract'

const props = defineProps<{
  judged: Pick<JudgedAttempt, 'marks' | 'total' | 'of' | 'uncapped'>
  overrides?: Overrides
  /** The aspect whose reasons are shown; undefined where none can be. */
  open?: Judgement['aspect'] | '' | undefined
}>()
const emit = defineEmits<{ aspect: [aspect: Judgement['aspect']] }>()
/** Each aspect with what the instructor put in its place. */
const rows = computed(() =>
  props.judged.marks
    .filter(({ of }) => of > 0)
    .map((mark) => ({ ...mark, own: props.overrides?.find((o) => o.aspect === mark.aspect) })),
)
const uid = useId()
const perLine = 5
const lines = computed(() =>
  Array.from({ length: Math.ceil(rows.value.length / perLine) }, (_, i) =>
    rows.value.slice(perLine * i, perLine * (i + 1)),
  ),
)
const total = computed(() => givenTotal(props.judged, props.overrides ?? []))
</script>

<template>
  <table class="data" :aria-label="t('ui.common.mark')">
    <!-- In lines of five: beside a drawing there is no room for ten in a row. -->
    <tbody v-for="(line, n) in lines" :key="n">
      <tr>
        <th v-for="row in line" :id="`${uid}-${row.aspect}`" :key="row.aspect" scope="col">
          <button
            v-if="open !== undefined"
            type="button"
            class="why"
            :aria-expanded="open === row.aspect"
            @click="emit('aspect', row.aspect)"
          >
            {{ tell(aspectNames[row.aspect]) }}
          </button>
          <template v-else>{{ tell(aspectNames[row.aspect]) }}</template>
        </th>
        <th v-if="n === lines.length - 1" :id="`${uid}-mark`" scope="col">{{ t('ui.common.mark') }}</th>
      </tr>
      <tr>
        <td v-for="row in line" :key="row.aspect" :headers="`${uid}-${row.aspect}`" class="reading">
          <template v-if="row.own">
            <b>{{ formatPlain(row.own.points, 3) }}</b> {{ t('ui.readings.of', { of: row.of }) }}
            <span class="judge">{{ t('ui.readings.judge', { x: formatPlain(row.points, 3) }) }}</span>
          </template>
          <template v-else>{{ t('ui.common.of', { x: formatPlain(row.points, 3), of: row.of }) }}</template>
        </td>
        <td v-if="n === lines.length - 1" :headers="`${uid}-mark`" class="reading">
          <b>{{ formatPlain(total, 3) }}</b> {{ t('ui.readings.of', { of: judged.of }) }}
          <span v-if="judged.uncapped !== undefined" class="judge capped">{{
            t('ui.readings.cappedFrom', { x: formatPlain(judged.uncapped, 3) })
          }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.why {
  font: inherit;
  color: inherit;
  border: 0;
  border-bottom: 1px dotted currentcolor;
  background: none;
  padding: 2px 0;
  cursor: pointer;
}
.why[aria-expanded='true'] {
  color: var(--accent);
  border-bottom-style: solid;
}
th {
  font-size: 12.5px;
  font-weight: 500;
  text-align: left;
  color: var(--quiet);
  padding: 5px 8px 0 0;
}
td {
  vertical-align: top;
  padding-top: 0;
}
.judge {
  display: block;
  font-size: 12px;
}
.capped {
  color: var(--fault);
}
</style>
