<script setup lang="ts">
import DataTable from '../../parts/DataTable.vue'
import { computed } from 'vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import { NButton } from 'naive-ui'
import { t } from '../../words'
import { ready, skillKeys, skills, type Skill } from '../../../core/lab'
import { levelOf, percent, skillWord, type LedgerStudent } from './useLedger'

/** Class × skills: darker is better, and what is hardly known stays paper. */
const props = defineProps<{ students: readonly LedgerStudent[] }>()
const emit = defineEmits<{ look: [student: LedgerStudent] }>()
const shade = (student: LedgerStudent, skill: Skill) => {
  const { level, thin } = levelOf(student, skill)
  return thin
    ? {}
    : { background: `color-mix(in srgb, var(--good) ${Math.round(level * 42)}%, var(--sheet))` }
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

const columns = computed((): Column<LedgerStudent>[] => [
  { key: 'student', title: t('ui.common.student'), head: true, width: 160, sort: byText((s) => s.name) },
  {
    key: 'work',
    title: t('ui.ledger.work'),
    text: (s) => String(s.attempts),
    number: true,
    width: 70,
    sort: byNumber((s) => s.attempts),
  },
  {
    key: 'mean',
    title: t('ui.ledger.mean'),
    text: (s) => (s.mean === null ? '–' : String(Math.round(s.mean))),
    number: true,
    width: 76,
    sort: byNumber((s) => s.mean),
  },
  ...skillKeys.map((key): Column<LedgerStudent> => ({
    key,
    title: t(skills[key]),
    number: true,
    width: 92,
    sort: byNumber((s) => (levelOf(s, key).thin ? null : levelOf(s, key).level)),
    cell: (s) => ({ style: shade(s, key), title: told(s, key) }),
  })),
  {
    key: 'next',
    title: t('ui.common.next'),
    text: (s) => s.next.slice(0, 2).map(skillWord).join(', '),
    width: 200,
  },
])
const summary = computed(() => ({
  student: t('ui.ledger.readyToWorkAlone'),
  ...Object.fromEntries(skillKeys.map((key) => [key, String(readyCount(key) || '')])),
}))
</script>

<template>
  <DataTable
    sideways
    :label="t('ui.ledger.classAndSkills')"
    :columns="columns"
    :rows="students"
    :row-key="(s) => s.id"
    :summary="summary"
  >
    <template #cell-student="{ row }"
      ><NButton text type="primary" @click="emit('look', row)">{{ row.name }}</NButton></template
    >
    <template v-for="key in skillKeys" :key="key" #[`cell-${key}`]="{ row }"
      ><template v-if="levelOf(row, key).thin">·</template
      ><template v-else
        >{{ percent(levelOf(row, key).level)
        }}<small class="ml-2px text-quiet text-11px"
          >±{{ percent(levelOf(row, key).spread) }}</small
        ></template
      ></template
    >
  </DataTable>
</template>
