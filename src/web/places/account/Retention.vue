<script setup lang="ts">
import { NAlert, NButton, NPopconfirm, NSelect } from 'naive-ui'
import { computed, shallowRef } from 'vue'
import { z } from 'zod'
import { retentionStateSchema, type RetentionState } from '../../../contract/status'
import { ask, messageOf, send } from '../../api/client'
import { when } from '../../parts/when'
import { t } from '../../words'

/** How long records are kept, what goes into the bin next, and what lies there. */
const state = shallowRef<RetentionState>(await ask(retentionStateSchema, '/retention'))
const wrong = shallowRef('')
const done = shallowRef('')
async function act(work: () => Promise<void>) {
  wrong.value = done.value = ''
  try {
    await work()
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
const choices = computed(() => [
  { value: 0, label: t('until they are erased') },
  ...[6, 12, 24, 36, 60].map((m) => ({ value: m, label: t('{m} months', { m }) })),
])
const planned = computed(() => {
  const { plan } = state.value
  return plan
    ? t(
        '{count, plural, one {# piece of work is} other {# pieces of work are}} too old and will be moved to the bin on {on}. To keep it, choose a longer time.',
        { count: plan.count, on: when(plan.on) },
      )
    : ''
})
const binned = computed(() => {
  const { bin } = state.value
  return bin
    ? t(
        '{count, plural, one {# piece of work is} other {# pieces of work are}} in the bin. The first is erased for good on {until}.',
        { count: bin.count, until: when(bin.until) },
      )
    : ''
})
const keep = (months: number) =>
  act(async () => {
    state.value = await send(retentionStateSchema, '/retention', { months: months || null }, 'PUT')
  })
const restore = () =>
  act(async () => {
    const { count } = await send(z.object({ count: z.number() }), '/bin/restored')
    done.value = t('{count, plural, one {# piece of work was} other {# pieces of work were}} put back.', {
      count,
    })
    state.value = await ask(retentionStateSchema, '/retention')
  })
const clockIsRight = () =>
  act(async () => {
    state.value = await send(retentionStateSchema, '/clock/right')
  })
</script>

<template>
  <div class="retention">
    <NSelect
      :value="state.months ?? 0"
      :options="choices"
      :aria-label="t('Records are kept')"
      class="months"
      @update:value="keep"
    />
    <NAlert
      v-if="state.clock !== 'steady'"
      type="warning"
      :title="t('The clock of the school’s computer has jumped')"
    >
      <p>
        {{ t('It shows {now}. While that is in doubt, nothing is erased.', { now: when(state.now) }) }}
      </p>
      <NButton size="small" @click="clockIsRight">{{ t('The clock is right') }}</NButton>
    </NAlert>
    <NAlert v-if="state.plan" type="info">
      {{ planned }}
    </NAlert>
    <NAlert v-if="state.bin" type="default">
      <p>
        {{ binned }}
      </p>
      <NPopconfirm :positive-text="t('Put back')" :negative-text="t('Cancel')" @positive-click="restore">
        <template #trigger
          ><NButton size="small">{{ t('Put back what is in the bin') }}</NButton></template
        >
        {{ t('Everything in the bin goes back where it was. Choose a longer time first, or it goes again.') }}
      </NPopconfirm>
    </NAlert>
    <p v-if="done" role="status">{{ done }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.retention {
  display: grid;
  gap: 8px;
}
.months {
  max-width: 240px;
}
</style>
