<script setup lang="ts">
import { computed } from 'vue'
import { axis, base } from '../../charts/chart'
import Chart from '../../charts/Chart.vue'
import { paletteOf, useScheme } from '../../theme/scheme'
import { faces } from '../../theme/tokens'
import { formatPlain, t } from '../../words'
import { histogramOf } from './histogram'

/** What the class answered in volts, once it is shown: how many, never who. */
const props = defineProps<{
  values: readonly number[]
  /** What the reading is, where there is one. */
  right: number | undefined
  most: number
}>()
const scheme = useScheme()
const bins = computed(() => histogramOf(props.values, props.most))
const isRight = ({ from, to }: { from: number; to: number }) =>
  props.right !== undefined && props.right >= from - 1e-9 && props.right < to - 1e-9
const option = computed(() => {
  const p = paletteOf(scheme.value)
  const large = { fontFamily: faces.readings, fontSize: 24, color: p.quiet }
  return {
    ...base(p),
    grid: { left: 60, right: 20, top: 40, bottom: 46 },
    xAxis: {
      ...axis(p, { axisTick: { show: false }, axisLabel: { ...large, interval: 'auto', hideOverlap: true } }),
      type: 'category',
      data: bins.value.map(({ from }) => `${formatPlain(from)} V`),
    },
    yAxis: axis(p, { min: 0, minInterval: 1, axisLabel: large, axisLine: { show: false } }),
    series: [
      {
        type: 'bar',
        barWidth: '86%',
        data: bins.value.map((bin) => ({
          value: bin.count,
          itemStyle: { color: isRight(bin) ? p.good : p.ruleStrong },
        })),
        label: {
          show: true,
          position: 'top',
          ...large,
          color: p.ink,
          formatter: ({ value }: { value: number }) => (value ? String(value) : ''),
        },
      },
    ],
  }
})
const said = computed(() =>
  bins.value
    .filter(({ count }) => count)
    .map(({ from, to, count }) =>
      t('ui.show.answersBetween', { from: formatPlain(from), to: formatPlain(to), count }),
    )
    .join('; '),
)
</script>

<template>
  <Chart class="histogram min-h-0" :option="option" :label="said" />
</template>
