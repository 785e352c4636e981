<script setup lang="ts">
import { t } from '../../words'
import { computed } from 'vue'

/** Pieces still in doubt, step by step, as a line that comes down. */
const props = defineProps<{ left: readonly number[] }>()
const width = 96
const height = 26
const points = computed(() => {
  const most = Math.max(1, ...props.left)
  const step = width / Math.max(1, props.left.length - 1)
  return props.left.map(
    (n, i) => `${(i * step).toFixed(1)},${(height - 2 - (n / most) * (height - 4)).toFixed(1)}`,
  )
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    role="img"
    :aria-label="t('ui.floor.inDoubt', { join: left.join(', ') })"
  >
    <line x1="0" :y1="height - 1" :x2="width" :y2="height - 1" class="ground" />
    <polyline v-if="points.length > 1" :points="points.join(' ')" />
  </svg>
</template>

<style scoped>
polyline {
  fill: none;
  stroke: var(--accent);
  stroke-width: 2;
}
.ground {
  stroke: var(--rule);
}
</style>
