<script setup lang="ts">
import { NAlert } from 'naive-ui'
import { computed, shallowRef } from 'vue'
import { RouterLink } from 'vue-router'
import { retentionStateSchema, type RetentionState } from '../../../contract/status'
import { ask } from '../../api/client'
import { when } from '../../parts/when'
import { t } from '../../words'

/** What instructors are told before records go, and where the clock is in doubt. */
const state = shallowRef<RetentionState | null>(null)
void ask(retentionStateSchema, '/retention').then(
  (found) => (state.value = found),
  () => undefined,
)
const planned = computed(() => {
  const plan = state.value?.plan
  return plan
    ? t(
        '{count, plural, one {# piece of work is} other {# pieces of work are}} too old and will be moved to the bin on {on}.',
        { count: plan.count, on: when(plan.on) },
      )
    : ''
})
</script>

<template>
  <NAlert v-if="state?.clock === 'ahead' || state?.clock === 'behind'" type="warning" closable>
    {{ t('The clock of the school’s computer has jumped: it shows {now}.', { now: when(state.now) }) }}
    <RouterLink :to="{ name: 'account' }">{{ t('Look at it') }}</RouterLink>
  </NAlert>
  <NAlert v-else-if="state?.plan" type="info" closable>
    {{ planned }}
    <RouterLink :to="{ name: 'account' }">{{ t('Change how long records are kept') }}</RouterLink>
  </NAlert>
</template>
