<script setup lang="ts">
import { NButton } from 'naive-ui'
import { formatQuantity, t, tell } from '../../words'
import { computed } from 'vue'
import { complaintWords, isShaken } from '../../../core/attempt'
import type { Circuit } from '../../../core/circuit'
import { faultOfKind, severityOf } from '../../../core/faults'
import type { SymptomSays } from '../../workers/symptom'

/** Whether a customer would notice what is planted: where, or that nothing shows, and what size would. */
const props = defineProps<{ circuit: Circuit; found: SymptomSays | null; looking: boolean }>()
const emit = defineEmits<{ state: [id: string]; size: [severity: number] }>()

const states = computed(() =>
  (props.found?.symptom.states ?? []).flatMap((id) => props.circuit.states.filter((s) => s.id === id)),
)
/** What no look shows: it takes hours, or a rough road. */
const inTime = computed(() => {
  const complaint = props.found?.symptom.complaint ?? []
  const [first] = complaint
  if (!first || (first.hours === undefined && !isShaken(props.circuit, first.arrangement))) return ''
  const words = complaintWords(props.circuit, complaint)
  return words ? tell(words) : ''
})
const sized = computed(() => {
  const one = props.found?.sized
  if (!one || one.by === 'none') return null
  const { unit } = faultOfKind(one.fault.kind).severity!
  const severity = severityOf(one.fault)
  return { by: one.by, severity, text: formatQuantity(severity, unit) }
})
</script>

<template>
  <p v-if="looking && !found" class="quiet" role="status">{{ t('ui.plant.lookingInEveryState') }}</p>
  <p
    v-else-if="states.length"
    class="m-0 flex flex-wrap gap-y-2px gap-x-8px items-center text-13px"
    role="status"
  >
    {{ t('ui.plant.showsIn') }}
    <NButton v-for="s in states" :key="s.id" text type="primary" @click="emit('state', s.id)">
      {{ s.name }}
    </NButton>
    <span v-if="inTime">{{ inTime }}</span>
  </p>
  <div
    v-else-if="found"
    class="none m-0 flex flex-wrap gap-y-2px gap-x-8px items-center text-13px line-l-4px-doubt bg-doubt-soft py-5px px-8px"
    role="status"
  >
    <b>{{ t('ui.plant.noSymptomInAnyState') }}</b>
    <template v-if="sized">
      <span v-if="sized.by === 'symptom'">{{ t('ui.plant.theLeastThatShows') }}</span>
      <span v-else>{{ t('ui.plant.noSizeShowsTheLeast') }}</span>
      <NButton size="small" @click="emit('size', sized.severity)">{{ sized.text }}</NButton>
    </template>
    <span v-else>{{ t('ui.plant.norAtAnyOtherSize') }}</span>
  </div>
</template>
