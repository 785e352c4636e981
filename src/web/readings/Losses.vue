<script setup lang="ts">
import { formatQuantity, t, tell } from '../words'
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { lossesOf, type LimitSet, type LossStep, type StateKey } from '../../core/readings'
import Legend from './Legend.vue'

/**
 * The walk with the load left out: what the feed loses climbs from the left, what the return loses from the right, in
 * millivolts against what is allowed.
 */
const props = defineProps<{
  path: number
  healthy: StateKey
  faulted?: StateKey | null
  limits: LimitSet
  lit: string | null
}>()
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const plot = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(plot)
const margin = { left: 58, right: 58, top: 18, bottom: 24 }
/** Between the two sides, where the load stands. */
const gap = 74

const of = (key: StateKey) => lossesOf(key.walks[props.path]!, key.balances[props.path]!)
const good = computed(() => of(props.healthy))
const bad = computed(() => (props.faulted ? of(props.faulted) : null))
const load = computed(() => (props.faulted ?? props.healthy).balances[props.path]!)
const allowed = computed(() => props.limits.allows?.(load.value))

const most = computed(() => {
  const totals = [good.value, bad.value].flatMap((one) =>
    one ? [...one.feed, ...one.back].map(({ total, band }) => Math.abs(total ?? 0) + band) : [],
  )
  return niceAbove(Math.max(0.02, ...totals, ...(allowed.value ?? []).map((v) => 1.15 * v)))
})
/** Whole steps of one, two or five. */
function niceAbove(volts: number) {
  const step = niceStep(volts / 4)
  return { step, top: step * Math.ceil(volts / step - 1e-9) }
}
function niceStep(raw: number) {
  const ten = 10 ** Math.floor(Math.log10(raw))
  return ([1, 2, 5, 10].find((n) => n * ten >= raw - 1e-12) ?? 10) * ten
}
const ticks = computed(() => {
  const { step, top } = most.value
  return Array.from({ length: Math.round(top / step) + 1 }, (_, i) => i * step)
})

const y = (volts: number) =>
  margin.top + (1 - Math.max(-0.02, volts / most.value.top)) * (height.value - margin.top - margin.bottom)
const half = computed(() => Math.max(10, (width.value - margin.left - margin.right - gap) / 2))
const pieces = computed(() => Math.max(good.value.feed.length, good.value.back.length, 1))
/** A side’s steps have one width each, the shorter side leaves its rest flat beside the load. */
const widthOf = (side: 'feed' | 'back') => half.value / Math.max(1, good.value[side].length)
const x = (side: 'feed' | 'back', i: number) =>
  side === 'feed' ? margin.left + i * widthOf(side) : width.value - margin.right - i * widthOf(side)

function climb(steps: readonly LossStep[], side: 'feed' | 'back', shift = 0): string {
  let line = `M${x(side, 0)} ${y(0)}`
  steps.forEach(({ total, band }, i) => {
    if (total === undefined) line += `M${x(side, i + 1)} ${y(0)}`
    else line += `V${y(total + shift * band)}H${x(side, i + 1)}`
  })
  return line
}
/** The band as one area: out along its upper edge, back along the lower. */
function bandOf(steps: readonly LossStep[], side: 'feed' | 'back'): string {
  const up = climb(steps, side, 1)
  let back = ''
  for (let i = steps.length - 1; i >= 0; i--) {
    const { total = 0, band } = steps[i]!
    back += `L${x(side, i + 1)} ${y(Math.max(0, total - band))}H${x(side, i)}`
  }
  return `${up}${back}Z`
}

const sides = ['feed', 'back'] as const
const lines = computed(() => {
  if (!width.value || !height.value) return []
  return sides.map((side) => ({
    side,
    band: bandOf(good.value[side], side),
    healthy: climb(good.value[side], side),
    faulted: bad.value ? climb(bad.value[side], side) : '',
  }))
})
/** What is worth a word: the largest steps of what is shown. */
const named = computed(() => {
  const steps = bad.value ?? good.value
  const all = sides.flatMap((side) => steps[side].map((step, i) => ({ side, i, step })))
  const least = 0.12 * most.value.top
  return all
    .filter(({ step }) => Math.abs(step.volts ?? 0) >= least)
    .sort((p, q) => Math.abs(q.step.volts!) - Math.abs(p.step.volts!))
    .slice(0, 4)
})
const volts = (value: number | undefined) =>
  value === undefined ? t('ui.common.floating') : formatQuantity(value, 'V')
const at = ref<{ side: 'feed' | 'back'; i: number } | null>(null)
const readout = computed(() => {
  if (!at.value) return ''
  const { side, i } = at.value
  const [was, now] = [good.value[side][i]!, bad.value?.[side][i]]
  const more = now ? ` → ${volts(now.volts)}` : ''
  return t('ui.readings.soFar', {
    from: was.from,
    to: was.to,
    part: was.part,
    name: tell(was.name),
    volts: volts(was.volts),
    more,
    total: volts((now ?? was).total),
  })
})
function enter(side: 'feed' | 'back', i: number, part: string) {
  at.value = { side, i }
  emit('light', part)
}
function leave() {
  at.value = null
  emit('light', null)
}
</script>

<template>
  <figure class="m-0 grid grid-rows-[auto_1fr] h-full min-h-0">
    <Legend :faulted="!!faulted" :allowed="!!allowed" :readout="readout" />
    <div ref="plot" class="plot relative min-h-0 overflow-hidden">
      <svg
        v-if="width && height"
        :viewBox="`0 0 ${width} ${height}`"
        role="img"
        :aria-label="
          t('ui.readings.lossesFeedReturnOfPieces', {
            volts: volts(load.feedLoss.value),
            volts2: volts(load.returnLoss.value),
            pieces,
          })
        "
      >
        <g class="grid">
          <template v-for="tick in ticks" :key="tick">
            <line :x1="margin.left" :x2="width - margin.right" :y1="y(tick)" :y2="y(tick)" />
            <text :x="margin.left - 7" :y="y(tick) + 4" text-anchor="end">{{ volts(tick) }}</text>
            <text :x="width - margin.right + 7" :y="y(tick) + 4">{{ volts(tick) }}</text>
          </template>
        </g>
        <template v-for="(line, n) in lines" :key="line.side">
          <rect
            v-for="(step, i) in good[line.side]"
            :key="i"
            class="piece"
            :class="{ lit: step.part === lit }"
            :x="Math.min(x(line.side, i), x(line.side, i + 1))"
            :y="margin.top"
            :width="widthOf(line.side)"
            :height="height - margin.top - margin.bottom"
            @pointerenter="enter(line.side, i, step.part)"
            @pointerleave="leave"
            @click="emit('choose', step.part)"
          />
          <path :d="line.band" class="band" />
          <line
            v-if="allowed"
            class="allowed"
            :x1="x(line.side, 0)"
            :x2="x(line.side, good[line.side].length)"
            :y1="y(allowed[n]!)"
            :y2="y(allowed[n]!)"
          />
          <path :d="line.healthy" class="healthy" />
          <path v-if="line.faulted" :d="line.faulted" class="faulted" />
        </template>
        <text
          v-for="{ side, i, step } in named"
          :key="`${side}${i}`"
          class="named"
          :x="x(side, i) + (side === 'feed' ? -6 : 6)"
          :y="y((step.total ?? 0) - (step.volts ?? 0) / 2) + 4"
          :text-anchor="side === 'feed' ? 'end' : 'start'"
        >
          {{ step.part }} {{ volts(step.volts) }}
        </text>
        <g class="load">
          <text :x="margin.left + half + gap / 2" :y="height - 62" text-anchor="middle">
            {{ load.load ?? '' }}
          </text>
          <text :x="margin.left + half + gap / 2" :y="height - 44" text-anchor="middle" class="value">
            {{ volts(load.loadDrop.value) }}
          </text>
        </g>
        <text :x="margin.left" :y="height - 6" class="font-text text-12px">
          {{ t('ui.readings.feedFromBattery') }}
        </text>
        <text :x="width - margin.right" :y="height - 6" text-anchor="end" class="font-text text-12px">
          {{ t('ui.readings.returnFromBattery') }}
        </text>
      </svg>
    </div>
  </figure>
</template>

<style scoped>
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.grid line {
  stroke: var(--rule);
}
text {
  fill: var(--quiet);
  font-size: 11px;
  font-family: var(--face-readings);
}
.load text,
.named {
  fill: var(--ink);
  font-size: 12px;
  font-weight: 500;
}
.piece {
  fill: transparent;
  cursor: pointer;
}
.piece.lit {
  fill: var(--accent-soft);
}
.band,
.healthy,
.faulted,
.allowed,
text {
  pointer-events: none;
}
.band {
  fill: var(--accent);
  opacity: 0.16;
}
.healthy {
  fill: none;
  stroke: var(--accent);
  stroke-width: 1.8;
}
.faulted {
  fill: none;
  stroke: var(--fault);
  stroke-width: 3.4;
  stroke-linejoin: round;
}
.allowed {
  stroke: var(--doubt);
  stroke-width: 1.6;
  stroke-dasharray: 6 4;
}
</style>
