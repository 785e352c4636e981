<script setup lang="ts">
import { formatQuantity, t } from '../words'
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { useElementSize } from '@vueuse/core'
import { dequal } from 'dequal/lite'
import { computed, ref, shallowRef, watch } from 'vue'
import VChart from 'vue-echarts'
import type { StateKey } from '../../core/readings'
import type { Walk } from '../../core/model'
import { faces } from '../theme/tokens'
import { paletteOf, useScheme } from '../theme/scheme'
import Legend from './Legend.vue'

use([LineChart, GridComponent, MarkAreaComponent, CanvasRenderer])

const props = defineProps<{ walk: Walk; healthy: StateKey; faulted?: StateKey | null; lit: string | null }>()
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const scheme = useScheme()
const chart = ref<InstanceType<typeof VChart> | null>(null)

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
  const line = (rows: ReturnType<typeof voltsOf>) => rows.map((row, i) => [i, row?.value ?? null])
  const edge = (sign: number) =>
    good.map((row, i) => [i, row?.value === undefined ? null : row.value + sign * row.band])
  return {
    animation: false,
    textStyle: { fontFamily: faces.text, color: p.ink },
    // Room for the names is known: nothing needs to be measured at every update.
    grid: { ...margin, outerBoundsMode: 'none' },
    xAxis: {
      type: 'value',
      min: 0,
      max: props.walk.points.length - 1,
      interval: 1,
      axisLine: { lineStyle: { color: p.ink } },
      axisTick: { show: true, lineStyle: { color: p.ruleStrong } },
      splitLine: { show: false },
      axisLabel: {
        formatter: (i: number) => (named.value.has(i) ? (props.walk.points[i]?.name ?? '') : ''),
        fontFamily: faces.readings,
        fontSize: 11,
        color: p.quiet,
        hideOverlap: true,
      },
    },
    yAxis: {
      type: 'value',
      min: range.value.least,
      max: range.value.most,
      interval: range.value.step,
      axisLabel: { formatter: '{value} V', fontFamily: faces.readings, fontSize: 11, color: p.quiet },
      splitLine: { lineStyle: { color: p.rule } },
    },
    series: [
      {
        type: 'line',
        step: 'middle',
        data: edge(-1),
        lineStyle: { opacity: 0 },
        symbol: 'none',
        stack: 'band',
        silent: true,
      },
      {
        type: 'line',
        step: 'middle',
        data: good.map((row, i) => [i, row?.value === undefined ? null : 2 * row.band]),
        lineStyle: { opacity: 0 },
        symbol: 'none',
        stack: 'band',
        stackStrategy: 'all',
        areaStyle: { color: p.accent, opacity: 0.16 },
        silent: true,
      },
      {
        type: 'line',
        name: 'healthy',
        step: 'middle',
        data: line(good),
        symbol: 'circle',
        symbolSize: 4,
        itemStyle: { color: p.accent },
        lineStyle: { color: p.accent, width: 1.6 },
        markArea: { silent: true, itemStyle: { color: p.accent, opacity: 0.14 }, data: lit },
      },
    ],
  }
})

/** The numbers are painted first, and the chart, which takes as long as all of them, in the frame after. */
const shown = shallowRef(option.value)
let waiting = false
watch(option, () => {
  if (waiting) return
  waiting = true
  requestAnimationFrame(() =>
    setTimeout(() => {
      waiting = false
      shown.value = option.value
    }),
  )
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
function point(event: { offsetX: number; offsetY: number }) {
  const x = chart.value?.convertFromPixel({ xAxisIndex: 0 }, event.offsetX) as number | undefined
  at.value = x === undefined || Number.isNaN(x) ? null : Math.round(x)
  emit('light', partAt(event))
}
function leave() {
  at.value = null
  emit('light', null)
}

/** The part whose tread or riser lies under the pointer. */
function partAt(event: { offsetX: number; offsetY: number }): string | null {
  const at = chart.value?.convertFromPixel({ seriesIndex: 2 }, [event.offsetX, event.offsetY])
  const x = Array.isArray(at) ? Number(at[0]) : Number.NaN
  return props.walk.strides[Math.floor(x)]?.part ?? null
}
</script>

<template>
  <figure class="m-0 grid grid-rows-[auto_1fr] h-full min-h-0">
    <Legend :faulted="!!faulted" :readout="readout" :rest="t('ui.readings.voltsFromBatteryToBattery')" />
    <div ref="plot" class="plot relative min-h-0">
      <VChart
        ref="chart"
        :option="shown"
        :update-options="{ lazyUpdate: true }"
        autoresize
        role="img"
        :aria-label="
          t('ui.readings.staircaseOfPointsTheTable', {
            count: walk.points.length,
          })
        "
        @zr:mousemove="point"
        @zr:globalout="leave"
        @zr:click="partAt($event) && emit('choose', partAt($event)!)"
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
