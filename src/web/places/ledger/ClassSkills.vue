<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { ready, skillKeys, skills, type Skill } from '../../../core/lab'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import { t } from '../../words'
import { levelOf, percent, type LedgerStudent } from './useLedger'

/** Class × skills as a heat map: the number, its uncertainty, and a colour that says where to look. */
const props = defineProps<{ students: readonly LedgerStudent[] }>()
const emit = defineEmits<{ look: [student: LedgerStudent, skill: Skill | null] }>()
/** Levels up to which a cell has the colour of weak, and from which that of strong, per cent. */
const weakTo = 50
const strongFrom = 70
function colourOf(student: LedgerStudent, skill: Skill): string {
  const { level, thin } = levelOf(student, skill)
  if (thin) return ''
  const value = percent(level)
  if (value < weakTo) return 'weak'
  return value < strongFrom ? 'middling' : value < 85 ? 'strong' : 'strongest'
}
const told = (student: LedgerStudent, skill: Skill) => {
  const { level, spread, evidence, thin } = levelOf(student, skill)
  return thin
    ? t('ui.ledger.tooLittleEvidence', { skill: t(skills[skill]) })
    : t('ui.ledger.giveOrTakeFromAttempts', {
        skill: t(skills[skill]),
        level: percent(level),
        spread: percent(spread),
        x: evidence.toFixed(1),
      })
}
const readyCount = (skill: Skill) => props.students.filter((s) => ready(levelOf(s, skill))).length

/** Of a column whose head's longest word is not to be broken, px: not every browser knows where a word may be. */
const headWidth = (head: string) => Math.max(66, ...head.split(/[\s-]/).map((word) => word.length * 6.6 + 12))
const columns = computed((): Column<LedgerStudent>[] => [
  { key: 'student', title: t('ui.common.student'), head: true, width: 150, sort: byText((s) => s.name) },
  {
    key: 'mean',
    title: t('ui.ledger.mean'),
    text: (s) => (s.mean === null ? '–' : String(Math.round(s.mean))),
    number: true,
    width: 62,
    sort: byNumber((s) => s.mean),
  },
  ...skillKeys.map((key): Column<LedgerStudent> => ({
    key,
    title: t(skills[key]),
    number: true,
    width: headWidth(t(skills[key])),
    sort: byNumber((s) => (levelOf(s, key).thin ? null : levelOf(s, key).level)),
    cell: (s) => ({ class: `heat ${colourOf(s, key)}`, title: told(s, key) }),
  })),
])
const summary = computed(() => ({
  student: t('ui.ledger.readyToWorkAlone'),
  ...Object.fromEntries(skillKeys.map((key) => [key, String(readyCount(key) || '')])),
}))
</script>

<template>
  <div class="class-skills">
    <DataTable
      sideways
      :label="t('ui.ledger.classAndSkills')"
      :columns="columns"
      :rows="students"
      :row-key="(s) => s.id"
      :summary="summary"
    >
      <template #cell-student="{ row }"
        ><NButton text type="primary" @click="emit('look', row, null)">{{ row.name }}</NButton></template
      >
      <template v-for="key in skillKeys" :key="key" #[`cell-${key}`]="{ row }"
        ><template v-if="levelOf(row, key).evidence === 0"></template
        ><NButton
          v-else
          text
          block
          class="cell"
          tabindex="-1"
          :class="{ thin: levelOf(row, key).thin }"
          @click="emit('look', row, key)"
        >
          {{ percent(levelOf(row, key).level) }}<small>±{{ percent(levelOf(row, key).spread) }}</small>
        </NButton></template
      >
    </DataTable>
  </div>
</template>

<style scoped>
.class-skills :deep(th) {
  padding: 5px 3px;
  font-size: 11px;
  vertical-align: bottom;
  hyphens: auto;
}
.class-skills :deep(th .n-data-table-sorter) {
  display: none;
}
.class-skills :deep(th.n-data-table-th--sorting .n-data-table-sorter) {
  display: inline-flex;
}
.class-skills :deep(td.heat) {
  padding: 0;
  border-left: 2px solid var(--sheet);
}
.class-skills :deep(td.weak) {
  background: var(--fault-soft);
}
.class-skills :deep(td.middling) {
  background: var(--doubt-soft);
}
.class-skills :deep(td.strong) {
  background: var(--good-soft);
}
.class-skills :deep(td.strongest) {
  background: color-mix(in srgb, var(--good) 30%, var(--sheet));
}
.class-skills :deep(.cell) {
  justify-content: flex-end;
  padding: 4px 6px;
  font-weight: inherit;
  font-size: inherit;
}
.cell small {
  margin-left: 2px;
  font-size: 11px;
}
.class-skills :deep(.cell.thin) {
  color: var(--quiet);
  font-style: italic;
}
</style>
