<script setup lang="ts">
import { NTimeline, NTimelineItem } from 'naive-ui'
import { computed } from 'vue'
import type { Step } from '../../../core/attempt'
import { aspectNames } from '../../../core/assessment/verdict'
import type { Circuit } from '../../../core/circuit'
import { stepWords } from '../../readings/stepWords'
import { tell } from '../../words'
import type { DeskVerdicts } from './useVerdicts'

/** The newest step first: it is the one that the next thought hangs on. */
const props = defineProps<{ circuit: Circuit; steps: readonly Step[]; told: DeskVerdicts }>()
const types = { good: 'success', partly: 'warning', poor: 'error' } as const
const rows = computed(() => {
  let tests = 0
  return props.steps
    .map((step, i) => {
      const verdicts = props.told.verdicts.value.filter((v) => v.step === i)
      const worst = (['poor', 'partly', 'good'] as const).find((g) => verdicts.some((v) => v.grade === g))
      return {
        i,
        ...stepWords(props.circuit, step, step.type === 'test' ? ++tests : tests),
        verdicts,
        type: worst ? types[worst] : ('default' as const),
      }
    })
    .reverse()
})
</script>

<template>
  <p v-if="told.failure.value" class="wrong" role="alert">{{ told.failure.value }}</p>
  <NTimeline role="list" size="medium">
    <NTimelineItem v-for="row in rows" :key="row.i" role="listitem" :type="row.type">
      <template #header
        ><b class="font-medium">{{ row.head }}</b></template
      >
      {{ row.text }}
      <p v-for="(v, k) in row.verdicts" :key="k" class="verdict mt-3px text-13px">
        <b class="font-medium">{{ tell(aspectNames[v.aspect]) }}: {{ told.say.value(v.verdict) }}</b>
        {{ told.say.value(v.reason) }}
      </p>
    </NTimelineItem>
  </NTimeline>
</template>
