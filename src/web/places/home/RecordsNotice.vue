<script setup lang="ts">
import { NAlert } from 'naive-ui'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { retentionStateSchema } from '../../../contract/status'
import { useServer } from '../../api/useServer'
import { when } from '../../parts/when'
import { t } from '../../words'

/** What instructors are told before records go, and where the clock is in doubt. */
const { data: state } = useServer(retentionStateSchema, () => '/retention')
const planned = computed(() => {
  const plan = state.value?.plan
  return plan ? t('ui.home.countTooOldAndWill', { count: plan.count, on: when(plan.on) }) : ''
})
</script>

<template>
  <NAlert v-if="state?.clock === 'ahead' || state?.clock === 'behind'" type="warning" closable>
    {{ t('ui.home.theClockOfTheSchools', { now: when(state.now) }) }}
    <RouterLink :to="{ name: 'account' }">{{ t('ui.home.lookAtIt') }}</RouterLink>
  </NAlert>
  <NAlert v-else-if="state?.plan" type="info" closable>
    {{ planned }}
    <RouterLink :to="{ name: 'account' }">{{ t('ui.home.changeHowLongRecordsAre') }}</RouterLink>
  </NAlert>
</template>
