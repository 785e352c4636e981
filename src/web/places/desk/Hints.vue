<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { hintLevels } from '../../../core/attempt'
import type { DeskModel } from './useDesk'

const props = defineProps<{ model: DeskModel }>()
const names = {
  where: t('ui.desk.whereToLook'),
  side: t('ui.desk.whichSide'),
  test: t('ui.desk.whichTest'),
} as const
const prices = computed(() => props.model.desk?.frame.hints)
/** Hints since the last reading: they speak of this moment. */
const given = computed(() => {
  const { steps } = props.model
  const since = steps.findLastIndex((s) => s.type !== 'hint')
  return steps.slice(since + 1).flatMap((s) => (s.type === 'hint' ? [s] : []))
})
const price = (points: number) => (points === 1 ? t('ui.desk.n1Point') : t('ui.desk.points', { points }))
</script>

<template>
  <section v-if="prices" class="hints grid grid-cols-1 gap-6px" :aria-label="t('ui.common.hints')">
    <h2>{{ t('ui.desk.aHint') }}</h2>
    <div class="row flex flex-wrap gap-6px">
      <NButton
        v-for="level in hintLevels"
        :key="level"
        size="small"
        :loading="model.busy"
        :disabled="given.some((g) => g.level === level)"
        @click="model.act({ type: 'hint', level })"
      >
        {{ names[level] }}, {{ price(prices[level]) }}
      </NButton>
    </div>
    <p v-for="(hint, i) in given" :key="i" class="bg-accent-soft py-6px px-10px" role="status">
      {{ tell(hint.says) }}
    </p>
  </section>
</template>
