<script setup lang="ts">
import { NProgress, NTag } from 'naive-ui'
import { computed } from 'vue'
import type { Message } from '../../core/document'
import { wordOfDifficulty } from '../../core/learning/difficulty/word'
import { t, tell } from '../words'

/** How hard a fault is, as a word and a bar, with its reasons where there are some. */
const { difficulty, brief = false } = defineProps<{
  difficulty: {
    readonly difficulty: number
    readonly spread: number
    readonly reasons?: readonly { readonly says: Message }[]
  }
  /** Only the word and the bar. */
  brief?: boolean
}>()
/** Logits at the two ends of the bar. */
const [least, most] = [-2, 2.5]
const word = computed(() => wordOfDifficulty(difficulty.difficulty))
const share = computed(() =>
  Math.round(100 * Math.min(1, Math.max(0.04, (difficulty.difficulty - least) / (most - least)))),
)
const colours = { easy: 'success', fair: 'info', hard: 'warning', veryHard: 'error' } as const
const logits = computed(() =>
  t('ui.readings.logits', {
    difficulty: difficulty.difficulty.toFixed(1),
    spread: difficulty.spread.toFixed(1),
  }),
)
/** More than so many nobody reads. */
const mostReasons = 3
const reasons = computed(() => (difficulty.reasons ?? []).slice(0, mostReasons).map(({ says }) => tell(says)))
</script>

<template>
  <div class="how-hard grid gap-2px" :title="logits">
    <span class="flex gap-8px items-center">
      <NTag size="small" :type="colours[word]">{{ t(`ui.ledger.hard.${word}`) }}</NTag>
      <NProgress
        class="!w-90px"
        type="line"
        :percentage="share"
        :show-indicator="false"
        :aria-label="t('ui.readings.difficulty', { word: t(`ui.ledger.hard.${word}`) })"
      />
      <span v-if="!brief" class="quiet">{{ logits }}</span>
    </span>
    <ul v-if="!brief && reasons.length" class="m-0 pl-18px">
      <li v-for="reason in reasons" :key="reason">{{ reason }}</li>
    </ul>
  </div>
</template>
