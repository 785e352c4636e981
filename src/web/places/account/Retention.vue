<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { NAlert, NButton, NPopconfirm, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { z } from 'zod'
import { retentionStateSchema } from '../../../contract/status'
import { send } from '../../api/client'
import { useServer } from '../../api/useServer'
import { when } from '../../parts/when'
import { t } from '../../words'

const { wrong, said: done, act } = useAct()

/** How long records are kept, what goes into the bin next, and what lies there. */
const { data, again, ready } = useServer(retentionStateSchema, () => '/retention')
await ready()
const state = computed(() => data.value!)
const choices = computed(() => [
  { value: 0, label: t('ui.account.untilTheyAreErased') },
  ...[6, 12, 24, 36, 60].map((m) => ({ value: m, label: t('ui.account.months', { m }) })),
])
const planned = computed(() => {
  const { plan } = state.value
  return plan ? t('ui.account.countTooOldAndWill', { count: plan.count, on: when(plan.on) }) : ''
})
const binned = computed(() => {
  const { bin } = state.value
  return bin ? t('ui.account.countInTheBinThe', { count: bin.count, until: when(bin.until) }) : ''
})
const keep = (months: number) =>
  act(async () => {
    await send(retentionStateSchema, '/retention', { months: months || null }, 'PUT')
    await again()
  })
const restore = () =>
  act(async () => {
    const { count } = await send(z.object({ count: z.number() }), '/bin/restored')
    done.value = t('ui.account.countPutBack', {
      count,
    })
    await again()
  })
const clockIsRight = () =>
  act(async () => {
    await send(retentionStateSchema, '/clock/right')
    await again()
  })
</script>

<template>
  <div class="grid grid-cols-1 gap-8px">
    <NSelect
      :value="state.months ?? 0"
      :options="choices"
      :aria-label="t('ui.account.recordsAreKept')"
      class="months max-w-240px"
      @update:value="keep"
    />
    <NAlert v-if="state.clock !== 'steady'" type="warning" :title="t('ui.account.theClockOfTheSchools')">
      <p>
        {{ t('ui.account.itShowsWhileThatIs', { now: when(state.now) }) }}
      </p>
      <NButton size="small" @click="clockIsRight">{{ t('ui.account.theClockIsRight') }}</NButton>
    </NAlert>
    <NAlert v-if="state.plan" type="info">
      {{ planned }}
    </NAlert>
    <NAlert v-if="state.bin" type="default">
      <p>
        {{ binned }}
      </p>
      <NPopconfirm
        :positive-text="t('ui.account.putBack')"
        :negative-text="t('ui.account.cancel')"
        @positive-click="restore"
      >
        <template #trigger
          ><NButton size="small">{{ t('ui.account.putBackWhatIsIn') }}</NButton></template
        >
        {{ t('ui.account.everythingInTheBinGoes') }}
      </NPopconfirm>
    </NAlert>
    <p v-if="done" role="status">{{ done }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>
