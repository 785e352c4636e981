<script setup lang="ts">
import { computed } from 'vue'
import type { Course } from '../../../contract'
import { levelOf, skills, type Skill } from '../../../core/lab'
import { axis, band, base, line, words } from '../../charts/chart'
import Chart from '../../charts/Chart.vue'
import { dayWords } from '../../parts/when'
import { paletteOf, useScheme } from '../../theme/scheme'
import { t } from '../../words'
import { percent } from './useLedger'

/** Marks as points, and a skill as a line with its uncertainty, attempt by attempt. */
const { rows, skill } = defineProps<{ rows: Course['rows']; skill: Skill }>()
const scheme = useScheme()
const day = 86_400_000
const inTime = computed(() => rows.toSorted((a, b) => a.at.localeCompare(b.at)))
/** What was known of the skill after each attempt. */
const course = computed(() =>
  inTime.value.map((one, n) => {
    const at = Date.parse(one.at)
    const evidence = inTime.value
      .slice(0, n + 1)
      .flatMap((before) =>
        before.evidence.flatMap(([key, share, weight]) =>
          key === skill ? [{ skill, share, weight, age: (at - Date.parse(before.at)) / day }] : [],
        ),
      )
    return { n: n + 1, at: one.at, mark: one.total, known: evidence.length > 0, ...levelOf(evidence) }
  }),
)
const option = computed(() => {
  const p = paletteOf(scheme.value)
  const known = course.value.filter((one) => one.known)
  return {
    ...base(p),
    grid: { left: 44, right: 16, top: 14, bottom: 40 },
    xAxis: axis(p, {
      min: 0,
      max: course.value.length + 1,
      interval: 1,
      splitLine: { show: false },
      axisLabel: {
        ...words(p),
        formatter: (n: number) => (n > 0 && n <= course.value.length ? String(n) : ''),
      },
      name: t('ui.ledger.attemptNumber'),
      nameLocation: 'middle',
      nameGap: 24,
      nameTextStyle: words(p),
    }),
    yAxis: axis(p, { min: 0, max: 100, interval: 25 }),
    series: [
      ...band(
        'spread',
        known.map(
          ({ n, level, spread }) =>
            [n, 100 * Math.max(0, level - spread), 100 * Math.min(1, level + spread)] as const,
        ),
        p.accent,
      ),
      line(
        known.map(({ n, level }) => [n, 100 * level] as const),
        p.accent,
        2,
      ),
      line(
        course.value.map(({ n, mark }) => [n, mark] as const),
        p.doubt,
        0,
        {
          symbol: 'circle',
          symbolSize: 7,
          lineStyle: { width: 0 },
        },
      ),
    ],
  }
})
const told = computed(() => {
  const [first, last] = [course.value[0], course.value.at(-1)]
  return first && last
    ? t('ui.ledger.courseTold', {
        skill: t(skills[skill]),
        from: dayWords(first.at.slice(0, 10)),
        to: dayWords(last.at.slice(0, 10)),
        level: percent(last.level),
        spread: percent(last.spread),
      })
    : ''
})
</script>

<template>
  <figure class="m-0 grid grid-cols-1 gap-4px">
    <figcaption class="text-13px flex flex-wrap gap-x-16px">
      <span class="flex gap-6px items-center"
        ><span class="inline-block w-9px h-9px rounded-full bg-doubt" aria-hidden="true" />{{
          t('ui.ledger.markOfEach')
        }}</span
      >
      <span class="line-b-2px-accent">{{ t('ui.ledger.levelWithSpread', { skill: t(skills[skill]) }) }}</span>
    </figcaption>
    <div class="h-220px"><Chart :option="option" :label="told" /></div>
  </figure>
</template>
