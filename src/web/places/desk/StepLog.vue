<script setup lang="ts">
import { t, tell } from '../../words'
import { computed } from 'vue'
import type { Step } from '../../../core/attempt'
import { aspectNames } from '../../../core/assessment/verdict'
import type { Circuit } from '../../../core/circuit'
import { stepWords } from '../../readings/stepWords'
import type { DeskVerdicts } from './useVerdicts'

/** The newest step first: it is the one that the next thought hangs on. */
const props = defineProps<{ circuit: Circuit; steps: readonly Step[]; told: DeskVerdicts }>()
const rows = computed(() => {
  let tests = 0
  return props.steps
    .map((step, i) => ({
      i,
      ...stepWords(props.circuit, step, step.type === 'test' ? ++tests : tests),
      verdicts: props.told.verdicts.value.filter((v) => v.step === i),
    }))
    .reverse()
})
</script>

<template>
  <p v-if="told.failure.value" class="wrong" role="alert">{{ told.failure.value }}</p>
  <ol reversed>
    <li v-for="row in rows" :key="row.i">
      <b>{{ row.head }}</b> {{ row.text }}
      <p v-for="(v, k) in row.verdicts" :key="k" class="verdict" :data-grade="v.grade">
        <b>{{ tell(aspectNames[v.aspect]) }}: {{ told.say.value(v.verdict) }}</b>
        {{ told.say.value(v.reason) }}
      </p>
      <p v-if="told.working.value && row.i === steps.length - 1" class="quiet" role="status">
        {{ t('ui.desk.whatItWasWorthIs') }}
      </p>
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
.verdict {
  margin: 3px 0 0;
  padding-left: 9px;
  border-left: 3px solid var(--rule-strong);
}
.verdict[data-grade='good'] {
  border-color: var(--good);
}
.verdict[data-grade='partly'] {
  border-color: var(--doubt);
}
.verdict[data-grade='poor'] {
  border-color: var(--fault);
}
</style>
