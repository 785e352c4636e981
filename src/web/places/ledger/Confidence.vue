<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import type { Ledger } from '../../../contract'
import { axis, base, line, words } from '../../charts/chart'
import Chart from '../../charts/Chart.vue'
import { paletteOf, useScheme } from '../../theme/scheme'
import { t } from '../../words'

/** How sure students said they were, against how often they were right: on the line, confidence is worth its number. */
const { bins } = defineProps<{ bins: Ledger['reliability'] }>()
const emit = defineEmits<{ open: [from: number] }>()
const scheme = useScheme()
const most = computed(() => Math.max(...bins.map(({ count }) => count)))
const option = computed(() => {
  const p = paletteOf(scheme.value)
  const percent = { min: 0, max: 100, interval: 20, axisLabel: { ...words(p), formatter: '{value} %' } }
  const name = { nameLocation: 'middle', nameTextStyle: { ...words(p), fontSize: 12 } }
  return {
    ...base(p),
    grid: { left: 62, right: 20, top: 16, bottom: 48 },
    xAxis: axis(p, { ...percent, ...name, name: t('ui.ledger.sure'), nameGap: 30 }),
    yAxis: axis(p, { ...percent, ...name, name: t('ui.ledger.right'), nameGap: 46 }),
    series: [
      line(
        [
          [0, 0],
          [100, 100],
        ],
        p.ruleStrong,
        1.5,
        { silent: true, lineStyle: { color: p.ruleStrong, type: 'dashed' } },
      ),
      {
        type: 'line' as const,
        data: bins.map(({ sure, right, count }) => ({
          value: [sure, right],
          symbolSize: 10 + 22 * Math.sqrt(count / most.value),
          label: { show: true, formatter: String(count), position: 'inside', color: p.sheet, fontSize: 11 },
        })),
        symbol: 'circle',
        lineStyle: { width: 0 },
        itemStyle: { color: p.accent },
      },
    ],
  }
})
const told = computed(() =>
  bins
    .map(({ sure, right, count }) =>
      t('ui.ledger.sureRightOf', { sure: Math.round(sure), right: Math.round(right), count }),
    )
    .join('; '),
)
const chart = useTemplateRef('chart')
/** The group nearest to where was pressed. */
function press(spot: readonly [number, number]) {
  const at = chart.value?.valueAt(0, spot)
  if (!at) return
  const off = (bin: (typeof bins)[number]) => Math.hypot(bin.sure - at[0], bin.right - at[1])
  const nearest = bins.toSorted((a, b) => off(a) - off(b))[0]
  if (nearest && off(nearest) < 12) emit('open', nearest.from)
}
</script>

<template>
  <div class="h-420px max-w-620px"><Chart ref="chart" :option="option" :label="told" @press="press" /></div>
</template>
