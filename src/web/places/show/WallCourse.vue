<script setup lang="ts">
import { computed } from 'vue'
import { axis, base, line, niceStep } from '../../charts/chart'
import Chart from '../../charts/Chart.vue'
import { paletteOf, useScheme } from '../../theme/scheme'
import { faces } from '../../theme/tokens'
import { formatPlain, formatQuantity, t } from '../../words'
import type { Stop } from './stops'

/** The volts along the path, or what is lost on it, drawn up to the probe: large enough for the last row. */
const props = defineProps<{
  stops: readonly Stop[]
  /** How many of them the class has seen. */
  shown: number
  healthy: boolean
  faulted: boolean
  /** Losses are hairs on the scale of the source: they are drawn by themselves. */
  losses: boolean
}>()
const scheme = useScheme()
const of = (stop: Stop, which: 'healthy' | 'faulted') => (props.losses ? stop.lost[which] : stop[which])
const most = computed(() => {
  // The scale of losses would tell how large the largest is before anybody has been asked.
  const scaled = props.losses ? props.stops.slice(0, props.shown) : props.stops
  const volts = scaled.flatMap((stop) => [of(stop, 'healthy') ?? 0, of(stop, 'faulted') ?? 0])
  const top = Math.max(props.losses ? 0.02 : 1, ...volts.map(Math.abs))
  const step = niceStep(top, 3)
  return { step, top: step * Math.ceil(top / step - 1e-9) }
})
const option = computed(() => {
  const p = paletteOf(scheme.value)
  const large = { fontFamily: faces.readings, fontSize: 24, color: p.quiet }
  const here = props.shown - 1
  const course = (which: 'healthy' | 'faulted', color: string, width: number, drawn: boolean) =>
    line(
      drawn ? props.stops.slice(0, props.shown).map((stop, i) => [i, of(stop, which) ?? null]) : [],
      color,
      width,
      { id: which, step: 'start', symbol: 'circle', symbolSize: width * 2.2 },
    )
  return {
    ...base(p),
    grid: { left: 118, right: 20, top: 14, bottom: 46 },
    xAxis: axis(p, {
      min: 0,
      max: Math.max(1, props.stops.length - 1),
      interval: 1,
      axisTick: { show: false },
      splitLine: { show: false },
      axisLabel: {
        ...large,
        color: p.ink,
        formatter: (i: number) => (i === here ? (props.stops[i]?.name ?? '') : ''),
      },
    }),
    yAxis: axis(p, {
      min: 0,
      max: most.value.top,
      interval: most.value.step,
      axisLine: { show: false },
      axisTick: { show: false },
      axisLabel: {
        ...large,
        formatter: (v: number) => (props.losses ? formatQuantity(v, 'V') : `${formatPlain(v)} V`),
      },
    }),
    series: [
      {
        ...course('healthy', p.accent, 4, props.healthy),
        markLine: {
          silent: true,
          symbol: 'none',
          label: { show: false },
          lineStyle: { color: p.focus, width: 3, type: 'dashed' },
          data: here >= 0 ? [{ xAxis: here }] : [],
        },
      },
      course('faulted', p.fault, 7, props.faulted),
    ],
  }
})
</script>

<template>
  <Chart
    class="min-h-0"
    :option="option"
    :label="losses ? t('ui.show.lossesAlongThePath') : t('ui.show.voltsAlongThePathAs')"
  />
</template>
