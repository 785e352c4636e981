<script setup lang="ts">
import { t } from '../../words'
import { NStep, NSteps } from 'naive-ui'
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import type { DeskModel } from './useDesk'

const props = defineProps<{ model: DeskModel }>()
const narrow = useMediaQuery('(max-width: 760px)')
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
  <p v-if="narrow" class="quiet">{{ stages.find((s) => s.state === 'now')?.name }}</p>
  <NSteps
    v-else
    size="small"
    class="flex-[1_1_520px] max-w-580px"
    role="list"
    :aria-label="t('ui.desk.orderOfTheWork')"
  >
    <NStep
      v-for="s in stages"
      :key="s.name"
      role="listitem"
      :title="s.name"
      :status="s.state === 'done' ? 'finish' : s.state === 'now' ? 'process' : 'wait'"
      :aria-current="s.state === 'now' ? 'step' : undefined"
    />
  </NSteps>
</template>
