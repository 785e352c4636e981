<script setup lang="ts">
import { formatQuantity, t, tell } from '../words'
import { computed } from 'vue'
import type { LimitSet, StateKey } from '../../core/readings'

const props = withDefaults(
  defineProps<{ state: StateKey; limits: LimitSet; title?: string; path?: number }>(),
  {
    title: '',
    path: 0,
  },
)
const balance = computed(() => props.state.balances[props.path]!)
const verdict = computed(() => props.limits.judge(balance.value, props.state.walks[props.path]!))
const v = (value: number | undefined) =>
  value === undefined ? t('ui.common.floating') : formatQuantity(value, 'V')
</script>

<template>
  <p class="flex flex-wrap gap-y-2px gap-x-8px text-13px">
    <strong v-if="title">{{ title }}</strong>
    <span
      >{{ t('ui.readings.source') }} <b class="reading">{{ v(balance.source) }}</b></span
    >
    <span
      >{{ t('ui.readings.feed') }} <b class="reading">{{ v(balance.feedLoss.value) }}</b></span
    >
    <span
      >{{ t('ui.readings.load') }} <b class="reading">{{ v(balance.loadDrop.value) }}</b></span
    >
    <span
      >{{ t('ui.readings.return') }} <b class="reading">{{ v(balance.returnLoss.value) }}</b></span
    >
    <span
      >{{ t('ui.readings.at') }} <b class="reading">{{ formatQuantity(balance.amps, 'A') }}</b></span
    >
    <span v-if="verdict.passes === null" class="quiet">{{ tell(verdict.reason) }}</span>
    <span v-else :class="verdict.passes ? 'passes' : 'fails'"
      >{{ verdict.passes ? t('ui.readings.passes') : t('ui.readings.fails') }}:
      {{ tell(verdict.reason) }}</span
    >
  </p>
</template>

<style scoped>
b {
  font-weight: 500;
}
.passes {
  color: var(--good);
}
.fails {
  color: var(--fault);
}
</style>
