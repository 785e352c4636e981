<script setup lang="ts">
import { NButton, NInput, NInputNumber } from 'naive-ui'
import { computed, ref } from 'vue'
import { overridesSchema, type Overrides } from '../../../contract'
import type { Mark } from '../../../core/assessment'
import { send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { t } from '../../words'

/** A mark of the instructor’s own in place of the judge’s, with the reason for the record. */
const props = defineProps<{ order: string; mark: Mark; overrides: Overrides }>()
const emit = defineEmits<{ changed: [Overrides] }>()
const { busy, wrong, act } = useAct()
const known = computed(() => props.overrides.find((o) => o.aspect === props.mark.aspect))
const changing = ref(false)
const points = ref<number | null>(null)
const note = ref('')

function begin() {
  points.value = known.value?.points ?? Math.round(props.mark.points * 10) / 10
  note.value = known.value?.note ?? ''
  changing.value = true
}
async function put(value: number | null) {
  const body = { aspect: props.mark.aspect, points: value, note: note.value }
  const done = await act(async () =>
    emit('changed', await send(overridesSchema, `/orders/${props.order}/overrides`, body, 'PUT')),
  )
  if (done) changing.value = false
}
</script>

<template>
  <form
    v-if="changing"
    class="flex flex-wrap gap-y-6px gap-x-8px items-center"
    :aria-label="t('ui.review.aMarkOfYourOwn')"
    @submit.prevent="points !== null && put(points)"
  >
    <NInputNumber
      v-model:value="points"
      size="small"
      class="points w-110px"
      autofocus
      :min="0"
      :max="mark.of"
      :step="0.5"
      :input-props="{ 'aria-label': t('ui.common.points') }"
    />
    <NInput
      v-model:value="note"
      size="small"
      :placeholder="t('ui.review.whyForTheRecord')"
      :input-props="{ 'aria-label': t('ui.common.why') }"
    />
    <NButton attr-type="submit" type="primary" size="small" :disabled="points === null" :loading="busy">{{
      t('ui.common.save')
    }}</NButton>
    <NButton size="small" @click="changing = false">{{ t('ui.common.cancel') }}</NButton>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </form>
  <p v-else class="flex flex-wrap gap-y-6px gap-x-8px items-center">
    <span v-if="known?.note">{{ known.note }}</span>
    <NButton size="tiny" @click="begin">{{ t('ui.review.changeThisMark') }}</NButton>
    <NButton v-if="known" size="tiny" @click="put(null)">{{ t('ui.review.useTheJudges') }}</NButton>
  </p>
</template>

<style scoped>
form > :nth-child(2) {
  flex: 1;
  min-width: 140px;
}
</style>
