<script setup lang="ts">
import { NAlert, NButton } from 'naive-ui'
import { computed } from 'vue'
import type { Review } from '../../../contract'
import { givenTotal } from '../../../core/assessment'
import { when } from '../../parts/when'
import { t } from '../../words'

/** A mark that was given back does not change unsaid: what a newer judge would give, and what was changed. */
const props = defineProps<{ review: Review }>()
const emit = defineEmits<{ settle: [taken: boolean] }>()
const round = (mark: number) => Math.round(mark * 10) / 10
const now = computed(() => {
  const { judged, overrides } = props.review
  return judged ? round((100 * givenTotal(judged, overrides)) / Math.max(1, judged.of)) : null
})
</script>

<template>
  <div class="grid col-span-full gap-8px">
    <NAlert v-if="review.newerMark !== null" type="warning" :show-icon="false">
      {{
        t('ui.review.theJudgeHasBecomeBetter', {
          newer: round(review.newerMark),
          now: now ?? '–',
        })
      }}
      <span class="acts inline-flex gap-8px ml-12px">
        <NButton size="small" @click="emit('settle', true)">{{ t('ui.review.changeTheMark') }}</NButton>
        <NButton size="small" @click="emit('settle', false)">{{ t('ui.review.leaveTheMark') }}</NButton>
      </span>
    </NAlert>
    <NAlert v-if="review.markedAnew" type="info" :show-icon="false">
      {{
        t('ui.review.markedAnewOnTheMark', {
          at: when(review.markedAnew.at),
          before: round(review.markedAnew.before),
        })
      }}
    </NAlert>
  </div>
</template>
