<script setup lang="ts">
import { LineChart, CustomChart } from 'echarts/charts'
import { GridComponent, MarkAreaComponent, TooltipComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { refThrottled } from '@vueuse/core'
import { computed, ref } from 'vue'
import VChart from 'vue-echarts'
import type { StateKey } from '../../core/readings'
import type { Walk } from '../../core/readings'
import { formatQuantity } from '../../core/quantity'
import { faces } from '../theme/tokens'
import { paletteOf, useScheme } from '../theme/scheme'

use([LineChart, CustomChart, GridComponent, MarkAreaComponent, TooltipComponent, SVGRenderer])

const props = defineProps<{ walk: Walk; healthy: StateKey; faulted?: StateKey | null; lit: string | null }>()
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const scheme = useScheme()
const chart = ref<InstanceType<typeof VChart> | null>(null)

const voltsOf = (key: StateKey) => {
  const at = new Map(key.points.map((row) => [row.node, row]))
  return props.walk.points.map((point) => at.get(point.node))
}

const option = computed(() => {
  const p = paletteOf(scheme.value)
  const good = voltsOf(props.healthy)
  const bad = props.faulted ? voltsOf(props.faulted) : undefined
  const lit = props.walk.strides.flatMap((s, i) =>
    s.part === props.lit ? [[{ xAxis: i }, { xAxis: i + 1 }]] : [],
  )
  const line = (rows: ReturnType<typeof voltsOf>) => rows.map((row, i) => [i, row?.value ?? null])
  const edge = (sign: number) =>
    good.map((row, i) => [i, row?.value === undefined ? null : row.value + sign * row.band])
  return {
    animation: false,
    textStyle: { fontFamily: faces.text, color: p.ink },
    grid: { left: 48, right: 14, top: 14, bottom: 44 },
    tooltip: {
      trigger: 'axis',
      backgroundColor: p.sheet,
      borderColor: p.ruleStrong,
      textStyle: { color: p.ink, fontFamily: faces.readings, fontSize: 12 },
      formatter: (items: { dataIndex: number }[]) => {
        const i = items[0]?.dataIndex ?? 0
        const point = props.walk.points[i]
        const say = (v: number | undefined) => (v === undefined ? 'floating' : formatQuantity(v, 'V'))
        return `${point?.name}, ${point?.title}<br>healthy ${say(good[i]?.value)}${bad ? `<br>faulted ${say(bad[i]?.value)}` : ''}`
      },
    },
    xAxis: {
      type: 'value',
      min: 0,
      max: props.walk.points.length - 1,
      interval: 1,
      axisLine: { lineStyle: { color: p.ink } },
      axisTick: { show: true, lineStyle: { color: p.ruleStrong } },
      splitLine: { show: false },
      axisLabel: {
        formatter: (i: number) => props.walk.points[i]?.name ?? '',
        fontFamily: faces.readings,
        fontSize: 10.5,
        color: p.quiet,
        rotate: 60,
        hideOverlap: false,
      },
    },
    yAxis: {
      type: 'value',
      min: 0,
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
      ...(bad
        ? [
            {
              type: 'line',
              name: 'faulted',
              step: 'middle',
              data: line(bad),
              symbol: 'rect',
              symbolSize: 5,
              itemStyle: { color: p.fault },
              lineStyle: { color: p.fault, width: 3.4 },
            },
          ]
        : []),
    ],
  }
})

/** A chart takes longer than all the rest: while a slider is dragged it follows a few times a second. */
const shown = refThrottled(option, 120, true, true)

/** The part whose tread or riser lies under the pointer. */
function partAt(event: { offsetX: number; offsetY: number }): string | null {
  const at = chart.value?.convertFromPixel({ seriesIndex: 2 }, [event.offsetX, event.offsetY])
  const x = Array.isArray(at) ? Number(at[0]) : Number.NaN
  return props.walk.strides[Math.floor(x)]?.part ?? null
}
</script>

<template>
  <figure>
    <figcaption>
      <span class="mark healthy" /> healthy, with its band
      <template v-if="faulted"> <span class="mark faulted" /> faulted </template>
      <span class="quiet">volts from battery + to battery −, along the path</span>
    </figcaption>
    <VChart
      ref="chart"
      :option="shown"
      :update-options="{ notMerge: true }"
      autoresize
      role="img"
      :aria-label="`Staircase of ${walk.points.length} points; the table beside it has the same numbers`"
      @zr:mousemove="emit('light', partAt($event))"
      @zr:globalout="emit('light', null)"
      @zr:click="partAt($event) && emit('choose', partAt($event)!)"
    />
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  grid-template-rows: auto 1fr;
  height: 100%;
  min-height: 0;
}
figure {
  container-type: inline-size;
}
@container (max-width: 430px) {
  figcaption .quiet {
    display: none;
  }
}
figcaption {
  white-space: nowrap;
  overflow: hidden;
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 12px;
}
figcaption .quiet {
  margin-left: auto;
}
.mark {
  width: 18px;
  height: 0;
  border-top: 2px solid var(--accent);
}
.mark.faulted {
  border-top: 4px solid var(--fault);
  margin-left: 10px;
}
</style>
