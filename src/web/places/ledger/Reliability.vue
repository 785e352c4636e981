<script setup lang="ts">
import { t } from '../../words'
import { computed } from 'vue'
import type { Ledger } from '../../../contract'

/** How sure people said they were, against how often they were right: on the line, confidence is worth its number. */
const props = defineProps<{ bins: Ledger['reliability'] }>()
const size = 260
const left = 40
const x = (percent: number) => left + (percent / 100) * (size - left - 18)
const y = (percent: number) => size - 30 - (percent / 100) * (size - 46)
const most = computed(() => Math.max(...props.bins.map(({ count }) => count)))
const said = computed(() =>
  props.bins
    .map(({ sure, right, count }) =>
      t('ui.ledger.sureRightOf', {
        sure: Math.round(sure),
        right: Math.round(right),
        count,
      }),
    )
    .join('; '),
)
</script>

<template>
  <svg :viewBox="`0 0 ${size} ${size}`" role="img" :aria-label="said">
    <line :x1="x(0)" :y1="y(0)" :x2="x(100)" :y2="y(100)" class="line" />
    <path :d="`M${x(0)},${y(100)}V${y(0)}H${x(100)}`" class="axis" />
    <template v-for="tick in [0, 50, 100]" :key="tick">
      <text :x="x(tick)" :y="size - 14" text-anchor="middle">{{ tick }}</text>
      <text :x="left - 6" :y="y(tick) + 4" text-anchor="end">{{ tick }}</text>
    </template>
    <text :x="x(50)" :y="size - 1" text-anchor="middle">{{ t('ui.ledger.sure') }}</text>
    <text :x="8" :y="y(50)" text-anchor="middle" :transform="`rotate(-90 8 ${y(50)})`">
      {{ t('ui.ledger.right') }}
    </text>
    <circle
      v-for="bin in bins"
      :key="bin.from"
      :cx="x(bin.sure)"
      :cy="y(bin.right)"
      :r="4 + 7 * Math.sqrt(bin.count / most)"
    />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 340px;
}
.line {
  stroke: var(--rule-strong);
  stroke-dasharray: 5 4;
}
.axis {
  fill: none;
  stroke: var(--ink);
}
circle {
  fill: var(--accent);
  fill-opacity: 0.75;
}
text {
  fill: var(--quiet);
  font-size: 12px;
}
</style>
