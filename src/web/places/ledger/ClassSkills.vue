<script setup lang="ts">
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
</script>

<template>
  <div class="scroll" tabindex="0" role="region" :aria-label="t('ui.ledger.classAndSkills')">
    <table class="data matrix">
      <thead>
        <tr>
          <th scope="col">{{ t('ui.common.student') }}</th>
          <th scope="col" class="num">{{ t('ui.ledger.work') }}</th>
          <th scope="col" class="num">{{ t('ui.ledger.mean') }}</th>
          <th v-for="key in skillKeys" :key="key" scope="col" class="skill">
            <span>{{ t(skills[key]) }}</span>
          </th>
          <th scope="col">{{ t('ui.common.next') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="student in students" :key="student.id">
          <th scope="row">
            <button type="button" class="link" @click="emit('look', student)">{{ student.name }}</button>
          </th>
          <td class="num">{{ student.attempts }}</td>
          <td class="num">{{ student.mean === null ? '–' : Math.round(student.mean) }}</td>
          <td
            v-for="key in skillKeys"
            :key="key"
            class="num level"
            :style="shade(student, key)"
            :title="told(student, key)"
          >
            <template v-if="levelOf(student, key).thin">·</template>
            <template v-else
              >{{ percent(levelOf(student, key).level)
              }}<small>±{{ percent(levelOf(student, key).spread) }}</small></template
            >
          </td>
          <td class="next">{{ student.next.slice(0, 2).map(skillWord).join(', ') }}</td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">{{ t('ui.ledger.readyToWorkAlone') }}</th>
          <td></td>
          <td></td>
          <td v-for="key in skillKeys" :key="key" class="num">{{ readyCount(key) || '' }}</td>
          <td></td>
        </tr>
      </tfoot>
    </table>
  </div>
</template>

<style scoped>
.matrix .skill {
  height: 118px;
  padding: 6px 2px 4px;
  vertical-align: bottom;
}
.matrix .skill span {
  display: block;
  margin: 0 auto;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
}
table.matrix.data td.level {
  min-width: 46px;
  padding: 4px 5px;
  text-align: center;
}
.level small {
  margin-left: 2px;
  color: var(--quiet);
  font-size: 11px;
}
.next {
  white-space: nowrap;
}
tfoot th,
tfoot td {
  border-bottom: 0;
}
tfoot th {
  text-align: left;
}
</style>
