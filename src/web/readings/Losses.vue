<script setup lang="ts">
import { formatQuantity, t, tell } from '../words'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { lossesOf, type LimitSet, type LossStep, type StateKey } from '../../core/readings'
import { axis, band, base, line, niceStep, words } from '../charts/chart'
import Chart from '../charts/Chart.vue'
import { paletteOf, useScheme } from '../theme/scheme'
import { faces } from '../theme/tokens'
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

const scheme = useScheme()
const chart = useTemplateRef('chart')
const plot = useTemplateRef('plot')
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
    one ? [...one.feed, ...one.back].map(({ total, band: width }) => Math.abs(total ?? 0) + width) : [],
  )
  const volts = Math.max(0.02, ...totals, ...(allowed.value ?? []).map((v) => 1.15 * v))
  const step = niceStep(volts, 4)
  return { step, top: step * Math.ceil(volts / step - 1e-9) }
})
const half = computed(() => Math.max(10, (width.value - margin.left - margin.right - gap) / 2))
const pieces = computed(() => Math.max(good.value.feed.length, good.value.back.length, 1))
/** A little of what lies below nothing is shown: a reading of the wrong sign is seen, and no more. */
const shown = (volts: number) => Math.max(-0.02 * most.value.top, volts)
const sides = ['feed', 'back'] as const
type Side = (typeof sides)[number]
/** Both ends of each tread. */
const treads = (steps: readonly LossStep[]) =>
  steps.flatMap(({ total, band: width }, i) =>
    [i, i + 1].map((x) =>
      total === undefined
        ? ([x, null, null, null] as const)
        : ([x, shown(total - width), shown(total), shown(total + width)] as const),
    ),
  )
const climb = (steps: readonly LossStep[]) => [
  [0, 0] as const,
  ...treads(steps).map(([x, , volts]) => [x, volts] as const),
]

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
const option = computed(() => {
  const p = paletteOf(scheme.value)
  const across = (side: Side, grid: number) =>
    axis(p, {
      gridIndex: grid,
      min: 0,
      max: Math.max(1, good.value[side].length),
      interval: 1,
      inverse: side === 'back',
      axisLabel: { show: false },
      axisTick: { show: false },
      splitLine: { show: false },
    })
  const up = (grid: number) =>
    axis(p, {
      gridIndex: grid,
      position: grid ? 'right' : 'left',
      min: 0,
      max: most.value.top,
      interval: most.value.step,
      axisLine: { show: false },
      axisTick: { show: false },
      axisLabel: { ...words(p), formatter: (v: number) => volts(v) },
    })
  const series = sides.flatMap((side, grid) => {
    const here = { xAxisIndex: grid, yAxisIndex: grid, silent: true, clip: false }
    const lit = good.value[side].flatMap(({ part }, i) =>
      part === props.lit ? [[{ xAxis: i }, { xAxis: i + 1 }]] : [],
    )
    const marks = named.value
      .filter((one) => one.side === side)
      .map(({ i, step }) => ({
        coord: [i, shown((step.total ?? 0) - (step.volts ?? 0) / 2)],
        value: `${step.part} ${volts(step.volts)}`,
      }))
    return [
      ...band(
        side,
        treads(good.value[side]).map(([x, low, , high]) => [x, low, high]),
        p.accent,
        here,
      ),
      line(climb(good.value[side]), p.accent, 1.8, {
        ...here,
        id: `healthy ${side}`,
        z: 5,
        markPoint: {
          silent: true,
          symbol: 'rect',
          symbolSize: 1,
          itemStyle: { color: 'transparent' },
          label: {
            position: side === 'feed' ? 'left' : 'right',
            fontFamily: faces.readings,
            fontSize: 12,
            fontWeight: 500,
            color: p.ink,
            formatter: '{c}',
          },
          data: marks,
        },
        markArea: { silent: true, itemStyle: { color: p.accentSoft }, data: lit },
        markLine: {
          silent: true,
          symbol: 'none',
          label: { show: false },
          lineStyle: { color: p.doubt, width: 1.6, type: 'dashed' },
          data: allowed.value ? [{ yAxis: allowed.value[grid] }] : [],
        },
      }),
      line(bad.value ? climb(bad.value[side]) : [], p.fault, 3.4, {
        ...here,
        id: `faulted ${side}`,
        z: 4,
      }),
    ]
  })
  const text = (x: number, y: number, said: string, anchor: 'left' | 'center' | 'right', strong = false) => ({
    type: 'text' as const,
    silent: true,
    x,
    y,
    style: {
      text: said,
      align: anchor,
      fill: strong ? p.ink : p.quiet,
      font: `${strong ? 500 : 400} 12px ${strong ? faces.readings : faces.text}`,
    },
  })
  const middle = margin.left + half.value + gap / 2
  return {
    ...base(p),
    grid: [
      { ...margin, right: undefined, width: half.value, outerBoundsMode: 'none' },
      { ...margin, left: undefined, width: half.value, outerBoundsMode: 'none' },
    ],
    xAxis: sides.map(across),
    yAxis: sides.map((_, grid) => up(grid)),
    series,
    graphic: [
      text(middle, height.value - 72, load.value.load ?? '', 'center', true),
      text(middle, height.value - 54, volts(load.value.loadDrop.value), 'center', true),
      text(margin.left, height.value - 18, t('ui.readings.feedFromBattery'), 'left'),
      text(width.value - margin.right, height.value - 18, t('ui.readings.returnFromBattery'), 'right'),
    ],
  }
})

const at = ref<{ side: Side; i: number } | null>(null)
const readout = computed(() => {
  if (!at.value) return ''
  const { side, i } = at.value
  const [was, now] = [good.value[side][i], bad.value?.[side][i]]
  if (!was) return ''
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
/** The piece under the pointer, on either side. */
function pieceAt(spot: readonly [number, number]) {
  for (const [grid, side] of sides.entries()) {
    const found = chart.value?.valueAt(grid, spot)
    const i = found ? Math.floor(found[0]) : -1
    const step = good.value[side][i]
    if (step) return { side, i, part: step.part }
  }
  return null
}
function point(spot: readonly [number, number]) {
  at.value = pieceAt(spot)
  emit('light', pieceAt(spot)?.part ?? null)
}
/** That the pointer has gone is told late: by then something else may be lit. */
function leave() {
  const mine = at.value && good.value[at.value.side][at.value.i]?.part
  at.value = null
  if (mine === props.lit) emit('light', null)
}
function choose(spot: readonly [number, number]) {
  const piece = pieceAt(spot)
  if (piece) emit('choose', piece.part)
}
</script>

<template>
  <figure class="m-0 grid grid-rows-[auto_1fr] h-full min-h-0">
    <Legend :faulted="!!faulted" :allowed="!!allowed" :readout="readout" />
    <div ref="plot" class="plot relative min-h-0 overflow-hidden">
      <Chart
        v-if="width && height"
        ref="chart"
        :option="option"
        :label="
          t('ui.readings.lossesFeedReturnOfPieces', {
            volts: volts(load.feedLoss.value),
            volts2: volts(load.returnLoss.value),
            pieces,
          })
        "
        @move="point"
        @leave="leave"
        @press="choose"
      />
    </div>
  </figure>
</template>

<style scoped>
figure {
  container-type: inline-size;
}
</style>
