<script setup lang="ts">
import { t } from '../../words'
import { computed } from 'vue'
import type { DeskModel } from './useDesk'

const props = defineProps<{ model: DeskModel }>()
/** The order of the work, as far as it has come; nobody is held to it. */
const stages = computed(() => {
  const { steps } = props.model
  const first = (type: string) => steps.findIndex((s) => s.type === type)
  const repaired = steps.findLastIndex((s) => s.type === 'repair')
  const entries = [
    [t('ui.desk.verify'), first('operate') >= 0],
    [t('ui.common.test'), first('test') >= 0],
    [t('ui.desk.conclude'), first('conclude') >= 0],
    [t('ui.desk.repair'), repaired >= 0],
    [t('ui.desk.prove'), repaired >= 0 && steps.slice(repaired + 1).some((s) => s.type === 'test')],
  ] as const
  const now = entries.findIndex(([, is]) => !is)
  return entries.map(([name, is], i) => ({ name, state: is ? 'done' : i === now ? 'now' : 'open' }))
})
</script>

<template>
  <ol class="course" :aria-label="t('ui.desk.orderOfTheWork')">
    <li
      v-for="s in stages"
      :key="s.name"
      :class="s.state"
      :aria-current="s.state === 'now' ? 'step' : undefined"
    >
      {{ s.name }}<span v-if="s.state === 'done'" class="visually-hidden">{{ t('ui.desk.done') }}</span>
    </li>
  </ol>
</template>

<style scoped>
.course {
  list-style: none;
  display: flex;
  gap: 4px;
  margin: 0;
  padding: 0;
  font-size: 13px;
}
li {
  padding: 2px 10px 2px 0;
  color: var(--quiet);
  border-bottom: 2px solid var(--rule);
}
.done {
  color: var(--good);
  border-color: var(--good);
}
.now {
  color: var(--ink);
  font-weight: 500;
  border-color: var(--accent);
}
</style>
