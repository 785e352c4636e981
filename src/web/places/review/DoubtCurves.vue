<script setup lang="ts">
import { t } from '../../words'
import { LineChart } from 'echarts/charts'
import { GridComponent, MarkLineComponent } from 'echarts/components'
import { use } from 'echarts/core'
import { CanvasRenderer } from 'echarts/renderers'
import { computed } from 'vue'
import VChart from 'vue-echarts'
import { faces } from '../../theme/tokens'
import { paletteOf, useScheme } from '../../theme/scheme'

use([LineChart, GridComponent, MarkLineComponent, CanvasRenderer])

/** Pieces that the evidence left suspect over simulated minutes: the student’s way beside a short one. */
const props = defineProps<{
  student: readonly { minutes: number; left: number; step: number }[]
  short: readonly { minutes: number; left: number }[]
  at: number
}>()
const emit = defineEmits<{ choose: [step: number] }>()
const scheme = useScheme()

const option = computed(() => {
  const palette = paletteOf(scheme.value)
  const text = { color: palette.quiet, fontFamily: faces.text, fontSize: 12 }
  const here = props.student.find((p) => p.step === props.at)
  const line = (
    points: readonly { minutes: number; left: number }[],
    color: string,
    type: 'solid' | 'dashed',
  ) => ({
    type: 'line' as const,
    step: 'end' as const,
    data: points.map(({ minutes, left }) => [minutes, left]),
    symbolSize: 7,
    lineStyle: { color, width: 2, type },
    itemStyle: { color },
    animation: false,
  })
  return {
    grid: { left: 36, right: 14, top: 10, bottom: 34 },
    xAxis: {
      type: 'value' as const,
      name: 'minutes',
      nameLocation: 'middle' as const,
      nameGap: 20,
      nameTextStyle: text,
      axisLabel: text,
      axisLine: { lineStyle: { color: palette.rule } },
      splitLine: { show: false },
      min: 0,
    },
    yAxis: {
      type: 'value' as const,
      axisLabel: text,
      minInterval: 1,
      splitLine: { lineStyle: { color: palette.rule } },
      min: 0,
    },
    series: [
      {
        ...line(props.student, palette.accent, 'solid'),
        ...(here && {
          markLine: {
            symbol: 'none',
            silent: true,
            label: { show: false },
            lineStyle: { color: palette.ink, type: 'dotted' as const },
            data: [{ xAxis: here.minutes }],
          },
        }),
      },
      line(props.short, palette.doubt, 'dashed'),
    ],
  }
})
const last = computed(() => props.student[props.student.length - 1])
const end = computed(() => props.short[props.short.length - 1])
const told = computed(() =>
  t('ui.review.piecesLeftSuspectOverMinutes', {
    x: last.value?.left ?? 0,
    x2: (last.value?.minutes ?? 0).toFixed(0),
    x3: end.value?.left ?? 0,
    x4: (end.value?.minutes ?? 0).toFixed(0),
  }),
)
function click({ seriesIndex, dataIndex }: { seriesIndex?: number; dataIndex?: number }) {
  const point = seriesIndex === 0 ? props.student[dataIndex ?? -1] : undefined
  if (point) emit('choose', point.step)
}
</script>

<template>
  <figure class="m-0 grid gap-4px">
    <figcaption class="text-13px">
      {{ t('ui.review.piecesLeftSuspect') }}
      <span class="student line-b-2px-accent">{{ t('ui.review.theStudentsWay') }}</span>,
      <span class="short">{{ t('ui.review.aShortHonestWay') }}</span>
    </figcaption>
    <div class="plot h-150px" role="img" :aria-label="told">
      <VChart :option="option" autoresize @click="click" />
    </div>
  </figure>
</template>

<style scoped>
.short {
  border-bottom: 2px dashed var(--doubt);
}
</style>
