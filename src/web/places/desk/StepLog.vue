<script setup lang="ts">
import { computed } from 'vue'
import type { Step } from '../../../core/attempt'
import type { Circuit } from '../../../core/circuit'
import { stepWords } from '../../readings/stepWords'

const props = defineProps<{ circuit: Circuit; steps: readonly Step[] }>()
const rows = computed(() => {
  let tests = 0
  return props.steps.map((step) => stepWords(props.circuit, step, step.type === 'test' ? ++tests : tests))
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
