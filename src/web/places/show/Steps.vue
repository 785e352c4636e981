<script setup lang="ts">
import { formatQuantity, t } from '../../words'
import { computed } from 'vue'

export interface Stop {
  readonly name: string
  readonly healthy: number | undefined
  readonly faulted: number | undefined
}
/** The volts from battery plus to battery minus, drawn up to where the class is. */
const props = defineProps<{
  stops: readonly Stop[]
  shown: number
  healthy: boolean
  faulted: boolean
  /** What the class expected at the last point that is shown. */
  answers?: readonly number[]
}>()
const width = 1800
const height = 520
const left = 170
const bottom = 60
const top = computed(() =>
  Math.max(1, ...props.stops.flatMap(({ healthy, faulted }) => [healthy ?? 0, faulted ?? 0])),
)
const x = (i: number) => left + (i / Math.max(1, props.stops.length - 1)) * (width - left - 40)
const y = (v: number) => height - bottom - (v / (1.08 * top.value)) * (height - bottom - 20)
function line(of: 'healthy' | 'faulted', count: number) {
  const points = props.stops.slice(0, count).flatMap((stop, i) => {
    const v = stop[of]
    return v === undefined ? [] : [[x(i), y(v)] as const]
  })
  return points.map(([px, py], i) => (i === 0 ? `M${px},${py}` : `H${px}V${py}`)).join('')
}
/** One dot an answer, beside each other where they are alike; what is off the scale stands at its edge. */
const dots = computed(() => {
  const rows = new Map<number, number>()
  return (props.answers ?? []).map((value) => {
    const at = y(Math.min(1.06 * top.value, Math.max(0, value)))
    const row = Math.round(at / 16)
    const nth = rows.get(row) ?? 0
    rows.set(row, nth + 1)
    const side = nth % 2 ? -1 : 1
    return { x: x(props.shown - 1) + side * 18 * Math.ceil((nth + 1) / 2), y: at }
  })
})
const ticks = computed(() => [0, 0.5, 1].map((share) => Math.round(share * top.value)))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="t('ui.show.voltsAlongThePathAs')">
    <template v-for="tick in ticks" :key="tick">
      <line :x1="left" :x2="width - 40" :y1="y(tick)" :y2="y(tick)" class="rule" />
      <text :x="left - 14" :y="y(tick) + 10" text-anchor="end">{{ formatQuantity(tick, 'V') }}</text>
    </template>
    <path v-if="healthy" :d="line('healthy', shown)" class="healthy" />
    <path v-if="faulted" :d="line('faulted', shown)" class="faulted" />
    <circle
      v-for="i in Math.max(0, shown - 1)"
      :key="i"
      :cx="x(i - 1)"
      :cy="height - bottom"
      r="5"
      class="stop"
    />
    <template v-if="shown > 0 && stops[shown - 1]">
      <line :x1="x(shown - 1)" :x2="x(shown - 1)" :y1="20" :y2="height - bottom" class="probe" />
      <text :x="x(shown - 1)" :y="height - 16" text-anchor="middle" class="name">
        {{ stops[shown - 1]!.name }}
      </text>
    </template>
    <g class="dots" role="img" :aria-label="t('ui.show.answersCount', { count: dots.length })">
      <circle v-for="(dot, i) in dots" :key="i" :cx="dot.x" :cy="dot.y" r="8" class="dot" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
text {
  fill: var(--quiet);
  font: 28px var(--face-readings);
}
.name {
  fill: var(--ink);
  font-size: 34px;
}
.rule {
  stroke: var(--rule);
}
path {
  fill: none;
  stroke-width: 5;
}
.healthy {
  stroke: var(--accent);
  stroke-width: 4;
}
.faulted {
  stroke: var(--fault);
  stroke-width: 8;
}
.stop {
  fill: var(--quiet);
}
.dot {
  fill: var(--ink);
  stroke: var(--paper);
  stroke-width: 2;
}
.probe {
  stroke: var(--focus);
  stroke-width: 3;
  stroke-dasharray: 10 8;
}
</style>
