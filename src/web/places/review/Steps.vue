<script setup lang="ts">
import { NButton, NEmpty, NTimeline, NTimelineItem } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Reply } from '../../../contract'
import type { Judgement } from '../../../core/assessment'
import type { Message } from '../../../core/document'
import Segments from '../../parts/Segments.vue'
import { t } from '../../words'
import Verdict from './Verdict.vue'

/** What was done, step by step, with what is said of each. */
export interface StepRow {
  readonly i: number
  readonly time: string
  readonly minutes: number
  readonly left: number | undefined
  readonly head: string
  readonly text: string
  readonly judgements: readonly Judgement[]
}
const props = defineProps<{
  rows: readonly StepRow[]
  at: number
  say: (m: Message) => string
  replies: readonly Reply[]
  /** Its student looks at it. */
  own: boolean
}>()
const emit = defineEmits<{ go: [step: number]; answer: [reply: Reply] }>()

const filters = ['all', 'wrong', 'disputed'] as const
const filter = ref<(typeof filters)[number]>('all')
const replyTo = ({ step, verdict }: Judgement) =>
  props.replies.find((r) => r.step === step && r.verdict === verdict.code)
const shown = computed(() =>
  props.rows.filter(
    ({ judgements }) =>
      filter.value === 'all' ||
      (filter.value === 'wrong'
        ? judgements.some(({ grade }) => grade !== 'good')
        : judgements.some((j) => replyTo(j))),
  ),
)
const types = { good: 'success', partly: 'warning', poor: 'error' } as const
/** A step is as good as the worst that is said of it. */
const typeOf = ({ judgements }: StepRow) =>
  (['poor', 'partly', 'good'] as const)
    .filter((grade) => judgements.some((j) => j.grade === grade))
    .map((grade) => types[grade])[0] ?? 'default'
</script>

<template>
  <section class="steps grid grid-cols-1 gap-10px justify-items-start" :aria-label="t('ui.review.steps')">
    <Segments
      v-model:value="filter"
      :label="t('ui.review.whichSteps')"
      :entries="filters.map((value) => ({ value, label: t(`ui.review.filter.${value}`) }))"
    />
    <NEmpty v-if="!shown.length" size="small" :description="t('ui.review.noSuchStep')" />
    <NTimeline>
      <NTimelineItem v-for="row in shown" :key="row.i" :type="typeOf(row)" :data-step="row.i">
        <template #header>
          <NButton
            text
            class="head text-left whitespace-normal"
            :aria-pressed="row.i === at"
            @click="emit('go', row.i)"
          >
            <b>{{ row.head }}</b>
            <span class="quiet">{{
              row.left === undefined
                ? t('ui.review.min', { time: row.time, minutes: row.minutes.toFixed(0) })
                : t('ui.review.minSuspect', {
                    time: row.time,
                    minutes: row.minutes.toFixed(0),
                    left: row.left,
                  })
            }}</span>
          </NButton>
        </template>
        <div class="grid gap-4px py-2px px-8px" :class="{ here: row.i === at }">
          <p>{{ row.text }}</p>
          <Verdict
            v-for="(j, k) in row.judgements"
            :key="k"
            :judgement="j"
            :say="say"
            :own="own"
            :reply="replyTo(j)"
            @answer="emit('answer', $event)"
          />
        </div>
      </NTimelineItem>
    </NTimeline>
  </section>
</template>

<style scoped>
.head :deep(.n-button__content) {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
}
.here {
  background: var(--sheet);
  box-shadow: -3px 0 0 var(--accent);
}
</style>
