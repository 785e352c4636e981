<script setup lang="ts">
import { NButton } from 'naive-ui'
import { t } from '../../words'
import { refDebounced, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { toldSchema, type Told } from '../../../contract/floor'
import { useServer } from '../../api/useServer'
import { useLive } from '../../api/live'

/** What the instructor says while the work goes on. */
const props = defineProps<{ id: string }>()
const emit = defineEmits<{ told: [told: Told] }>()
const { data: told, again: look } = useServer(toldSchema, () => `/desk/${props.id}/told`)
watch(told, (now) => now && emit('told', now), { immediate: true })
/** Read and put away, on this machine. */
const read = ref(0)
const { connected } = useLive(`/desk/${props.id}/live`, { told: () => void look() }, () => void look())
/** A stop for safety must arrive: without a connection that stays open it is asked for. */
useIntervalFn(() => {
  if (!connected.value) void look()
}, 4000)
/** Said only where it lasts: a connection is made anew within a moment. */
const offline = refDebounced(
  computed(() => !connected.value),
  2500,
)
</script>

<template>
  <p
    v-if="offline && !connected"
    class="told say basis-full grid gap-4px py-6px px-10px line-l-5px-accent bg-sheet"
    role="status"
  >
    {{ t('ui.desk.noConnectionToTheSchool') }}
  </p>
  <div v-if="told" class="told basis-full grid gap-4px" aria-live="assertive">
    <p v-if="told.stopped !== null" class="stop py-6px px-10px line-l-5px-accent bg-sheet" role="alert">
      {{
        t('ui.desk.stoppedByYourInstructorLeads', {
          stopped: told.stopped,
        })
      }}
    </p>
    <p
      v-for="one in told.said.filter((s) => s.id > read).slice(-2)"
      :key="one.id"
      class="say py-6px px-10px line-l-5px-accent bg-sheet"
    >
      {{ t('ui.desk.yourInstructor', { text: one.text }) }}
      <NButton size="small" @click="read = one.id">{{ t('ui.common.read') }}</NButton>
    </p>
  </div>
</template>

<style scoped>
.told:empty {
  display: none;
}
.stop {
  border-color: var(--fault);
  color: var(--fault);
  font-weight: 500;
}
</style>
