<script setup lang="ts">
import { formatQuantity, t } from '../words'
import { useElementSize } from '@vueuse/core'
import { dequal } from 'dequal/lite'
import { computed, ref, useTemplateRef } from 'vue'
import type { StateKey } from '../../core/readings'
import type { Walk } from '../../core/model'
import { axis, band, base, line, words } from '../charts/chart'
import Chart from '../charts/Chart.vue'
import { paletteOf, useScheme } from '../theme/scheme'
import Legend from './Legend.vue'

const props = defineProps<{ walk: Walk; healthy: StateKey; faulted?: StateKey | null; lit: string | null }>()
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const scheme = useScheme()
const chart = useTemplateRef('chart')

const voltsOf = (key: StateKey) => {
  const at = new Map(key.points.map((row) => [row.node, row]))
  return props.walk.points.map((point) => at.get(point.node))
}

/** Around the plot, in pixels: the faulted staircase is drawn over the chart and must know where that stands. */
const margin = { left: 48, right: 14, top: 14, bottom: 26 }

interface Range {
  readonly step: number
  readonly least: number
  readonly most: number
}

/** The axis, in whole steps, so that it stands still while a fault is made worse. */
const range = computed((before?: Range): Range => {
  const keys = props.faulted ? [props.healthy, props.faulted] : [props.healthy]
  const volts = keys.flatMap((key) => voltsOf(key).flatMap((row) => row?.value ?? []))
  const span = Math.max(2, ...volts) - Math.min(0, ...volts)
  const step = span > 33 ? 10 : span > 17 ? 5 : span > 7 ? 2 : 1
  const now = {
    step,
    least: step * Math.floor(Math.min(0, ...volts) / step + 1e-6),
    most: step * Math.ceil(Math.max(2, ...volts) / step - 1e-6),
  }
  // The same range is the same object, or the chart below would be drawn anew for nothing.
  return before && dequal(before, now) ? before : now
})

const plot = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(plot)

/**
 * The faulted staircase, drawn by ourselves over the chart: it follows a severity in every frame, where a whole chart
 * takes as long as a frame has.
 */
const fault = computed(() => {
  if (!props.faulted || !width.value) return null
  const rows = voltsOf(props.faulted)
  const stepX = (width.value - margin.left - margin.right) / Math.max(1, rows.length - 1)
  const scaleY = (height.value - margin.top - margin.bottom) / (range.value.most - range.value.least)
  const x = (i: number) => margin.left + Math.max(0, Math.min(rows.length - 1, i)) * stepX
  const y = (volts: number) => margin.top + (range.value.most - volts) * scaleY
  let line = ''
  let dots = ''
  rows.forEach((row, i) => {
    if (row?.value === undefined) return
    const at = y(row.value).toFixed(1)
    const joined = rows[i - 1]?.value !== undefined
    line += `${joined ? 'V' : `M${x(i - 0.5).toFixed(1)} `}${at}H${x(i + 0.5).toFixed(1)}`
    dots += `M${(x(i) - 2.5).toFixed(1)} ${(Number(at) - 2.5).toFixed(1)}h5v5h-5z`
  })
  return { line, dots }
})

/** Points that are worth a name below: the posts, the ends of the load, and those of the largest step beside it. */
const named = computed(() => {
  const key = props.faulted ?? props.healthy
  const volts = voltsOf(key).map((row) => row?.value)
  const fall = (i: number) => Math.abs((volts[i] ?? 0) - (volts[i + 1] ?? 0))
  const { strides, points } = props.walk
  const own = strides.map((_, i) => i)
  const load = own.filter((i) => strides[i]!.side === 'load')
  const largest = own.filter((i) => strides[i]!.side !== 'load').sort((p, q) => fall(q) - fall(p))[0]
  const ends = [...load, ...(largest === undefined ? [] : [largest])].flatMap((i) => [i, i + 1])
  return new Set([0, points.length - 1, ...ends])
})

const option = computed(() => {
  const p = paletteOf(scheme.value)
  const good = voltsOf(props.healthy)
  const lit = props.walk.strides.flatMap((s, i) =>
    s.part === props.lit ? [[{ xAxis: i }, { xAxis: i + 1 }]] : [],
  )
  return {
    ...base(p),
    // Room for the names is known: nothing needs to be measured at every update.
    grid: { ...margin, outerBoundsMode: 'none' },
    xAxis: axis(p, {
      min: 0,
      max: props.walk.points.length - 1,
      interval: 1,
      axisLine: { lineStyle: { color: p.ink } },
      axisTick: { show: true, lineStyle: { color: p.ruleStrong } },
      splitLine: { show: false },
      axisLabel: {
        ...words(p),
        formatter: (i: number) => (named.value.has(i) ? (props.walk.points[i]?.name ?? '') : ''),
        hideOverlap: true,
      },
    }),
    yAxis: axis(p, {
      min: range.value.least,
      max: range.value.most,
      interval: range.value.step,
      axisLine: { show: false },
      axisTick: { show: false },
      axisLabel: { ...words(p), formatter: '{value} V' },
    }),
    series: [
      ...band(
        'band',
        good.map((row, i) =>
          row?.value === undefined ? [i, null, null] : [i, row.value - row.band, row.value + row.band],
        ),
        p.accent,
        { step: 'middle' },
      ),
      line(
        good.map((row, i) => [i, row?.value ?? null]),
        p.accent,
        1.6,
        {
          id: 'healthy',
          step: 'middle',
          symbol: 'circle',
          symbolSize: 4,
          markArea: { silent: true, itemStyle: { color: p.accent, opacity: 0.14 }, data: lit },
        },
      ),
    ],
  }
})

/** The point that is nearest to the pointer, and what it reads: said in the line above, where it hides nothing. */
const at = ref<number | null>(null)
const readout = computed(() => {
  const point = at.value === null ? undefined : props.walk.points[at.value]
  if (!point) return ''
  const say = (key: StateKey) => {
    const volts = key.points.find((row) => row.node === point.node)?.value
    return volts === undefined ? t('ui.common.floating') : formatQuantity(volts, 'V')
  }
  const bad = props.faulted ? ` → ${say(props.faulted)}` : ''
  return `${point.name} ${say(props.healthy)}${bad}`
})
let mine: string | null = null
function point(spot: readonly [number, number]) {
  const found = chart.value?.valueAt(0, spot)
  at.value = found ? Math.round(found[0]) : null
  mine = partAt(spot)
  emit('light', mine)
}
/** That the pointer has gone is told late: by then something else may be lit. */
function leave() {
  at.value = null
  if (mine === props.lit) emit('light', null)
}

/** The part whose tread or riser lies under the pointer. */
function partAt(spot: readonly [number, number]): string | null {
  const found = chart.value?.valueAt(0, spot)
  return (found && props.walk.strides[Math.floor(found[0])]?.part) ?? null
}
function choose(spot: readonly [number, number]) {
  const part = partAt(spot)
  if (part) emit('choose', part)
}
</script>

<template>
  <figure class="m-0 grid grid-rows-[auto_1fr] h-full min-h-0">
    <Legend :faulted="!!faulted" :readout="readout" :rest="t('ui.readings.voltsFromBatteryToBattery')" />
    <div ref="plot" class="plot relative min-h-0">
      <Chart
        ref="chart"
        :option="option"
        :label="
          t('ui.readings.staircaseOfPointsTheTable', {
            count: walk.points.length,
          })
        "
        @move="point"
        @leave="leave"
        @press="choose"
      />
      <svg v-if="fault" class="over" aria-hidden="true">
        <path :d="fault.line" class="line" />
        <path :d="fault.dots" class="dots" />
      </svg>
    </div>
  </figure>
</template>

<style scoped>
figure {
  container-type: inline-size;
}
.over {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.over .line {
  fill: none;
  stroke: var(--fault);
  stroke-width: 3.4;
  stroke-linejoin: round;
}
.over .dots {
  fill: var(--fault);
}
</style>
