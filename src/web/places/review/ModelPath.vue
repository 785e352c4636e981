<script setup lang="ts">
import { computed } from 'vue'
import type { JudgedAttempt } from '../../../core/assessment'
import { faultOfKind, type Fault } from '../../../core/faults'
import { instrumentOf } from '../../../core/instruments'
import { formatQuantity, type Unit } from '../../../core/quantity'
import { describeHeld } from '../../readings/stepWords'

const props = defineProps<{ judged: JudgedAttempt; faults: readonly Fault[] }>()
const minutes = computed(() => props.judged.path.reduce((sum, p) => sum + p.minutes, 0))
const sizes = computed(() =>
  props.judged.sizes.map(({ piece, title, from, to, unit }) => ({
    piece,
    title: title.toLowerCase(),
    from: formatQuantity(from, unit as Unit),
    to: formatQuantity(to, unit as Unit),
  })),
)
const evidence = computed(() => Math.round(props.judged.evidence * 100))
const kinds = computed(() => props.faults.map((f) => faultOfKind(f.kind).title))
</script>

<template>
  <section class="path" aria-label="What the evidence says">
    <p>
      The readings took away <b>{{ evidence }} %</b> of the doubt that the complaint left.
      <template v-for="s in sizes" :key="s.piece">
        By them alone it is {{ s.piece }}, {{ s.title }}: between {{ s.from }} and {{ s.to }}.
      </template>
    </p>
    <details v-if="judged.path.length">
      <summary>
        A short honest way: {{ judged.path.length }} {{ judged.path.length === 1 ? 'test' : 'tests' }},
        {{ minutes.toFixed(1) }} minutes
      </summary>
      <ol :aria-label="`A way to ${kinds.join(', ')}`">
        <li v-for="(p, i) in judged.path" :key="i">
          {{ instrumentOf(p.instrument).title }}, {{ describeHeld(p.held) }}, {{ p.state }}:
          <span class="reading">{{ p.reading }}</span>; {{ p.left }} left
        </li>
      </ol>
    </details>
  </section>
</template>

<style scoped>
.path {
  display: grid;
  gap: 6px;
}
ol {
  margin: 6px 0 0;
  padding-left: 22px;
}
summary {
  cursor: pointer;
}
</style>
