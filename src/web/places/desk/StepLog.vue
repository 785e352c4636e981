<script setup lang="ts">
import { computed } from 'vue'
import type { Step } from '../../../core/assessment'
import { describeArrangement, describePrediction } from '../../parts/words'

const props = defineProps<{ steps: readonly Step[] }>()
const rows = computed(() => {
  let tests = 0
  return props.steps.map((step) => {
    switch (step.type) {
      case 'operate':
        return {
          head: 'Operated',
          text: `${describeArrangement(step.arrangement)}: ${Object.entries(step.seen)
            .map(([id, s]) => `${id} ${s.text}`)
            .join(', ')}`,
        }
      case 'test':
        return {
          head: `Reading ${++tests}`,
          text: `${step.reading.text}${step.reading.beeps ? ', beeps' : ''} — ${step.red} to ${step.black}; predicted ${describePrediction(step)}; ${describeArrangement(step.arrangement)}`,
        }
      case 'infer':
        return {
          head: 'Marks',
          text: `${step.cleared.length ? `struck out ${step.cleared.join(', ')}` : 'nothing struck out'}${step.suspect.length ? `; ringed ${step.suspect.join(', ')}` : ''}${step.note ? ` — ${step.note}` : ''}`,
        }
      case 'conclude':
        return { head: 'Conclusion', text: `${step.part}, ${step.sure} % sure` }
    }
  })
})
</script>

<template>
  <ol>
    <li v-for="(row, i) in rows" :key="i">
      <b>{{ row.head }}</b> {{ row.text }}
    </li>
  </ol>
</template>

<style scoped>
ol {
  margin: 0;
  padding: 0;
  list-style: none;
  font-size: 13px;
}
li {
  border-top: 1px solid var(--rule);
  padding: 4px 0;
}
b {
  font-weight: 500;
}
</style>
