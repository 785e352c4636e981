<script setup lang="ts">
import { t } from '../../words'
import { computed, useTemplateRef } from 'vue'
import { axis, base, line, words } from '../../charts/chart'
import Chart from '../../charts/Chart.vue'
import { paletteOf, useScheme } from '../../theme/scheme'

/** Pieces that the evidence left suspect over simulated minutes: the student’s way beside a short one. */
const props = defineProps<{
  student: readonly { minutes: number; left: number; step: number }[]
  short: readonly { minutes: number; left: number }[]
  at: number
}>()
const emit = defineEmits<{ choose: [step: number] }>()
const scheme = useScheme()

const option = computed(() => {
  const p = paletteOf(scheme.value)
  const here = props.student.find((one) => one.step === props.at)
  const course = (points: readonly { minutes: number; left: number }[], color: string, more: object) =>
    line(
      points.map(({ minutes, left }) => [minutes, left]),
      color,
      2,
      { step: 'end', symbol: 'circle', symbolSize: 7, ...more },
    )
  return {
    ...base(p),
    grid: { left: 36, right: 14, top: 10, bottom: 34 },
    xAxis: axis(p, {
      name: t('ui.review.minutes'),
      nameLocation: 'middle',
      nameGap: 20,
      nameTextStyle: words(p),
      splitLine: { show: false },
      min: 0,
    }),
    yAxis: axis(p, { minInterval: 1, min: 0 }),
    series: [
      course(props.student, p.accent, {
        id: 'student',
        markLine: {
          symbol: 'none',
          silent: true,
          label: { show: false },
          lineStyle: { color: p.ink, type: 'dotted' },
          data: here ? [{ xAxis: here.minutes }] : [],
        },
      }),
      course(props.short, p.doubt, { id: 'short', lineStyle: { color: p.doubt, width: 2, type: 'dashed' } }),
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
const chart = useTemplateRef('chart')
/** The step whose minute lies nearest to where was pressed. */
function choose(spot: readonly [number, number]) {
  const found = chart.value?.valueAt(0, spot)
  if (!found) return
  const off = ({ minutes }: { minutes: number }) => Math.abs(minutes - found[0])
  const nearest = props.student.toSorted((a, b) => off(a) - off(b))[0]
  if (nearest) emit('choose', nearest.step)
}
</script>

<template>
  <figure class="m-0 grid grid-cols-1 gap-4px">
    <figcaption class="text-13px">
      {{ t('ui.review.piecesLeftSuspect') }}
      <span class="student line-b-2px-accent">{{ t('ui.review.theStudentsWay') }}</span>,
      <span class="short">{{ t('ui.review.aShortHonestWay') }}</span>
    </figcaption>
    <div class="plot h-150px"><Chart ref="chart" :option="option" :label="told" @press="choose" /></div>
  </figure>
</template>

<style scoped>
.short {
  border-bottom: 2px dashed var(--doubt);
}
</style>
