<script setup lang="ts">
import { NButton } from 'naive-ui'
import { t, tell } from '../words'
import { TriangleAlert } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { Circuit } from '../../core/circuit'
import { type Wiring, walkPaths } from '../../core/model'
import { type StateKey } from '../../core/readings'
import { warningsOf } from '../../core/workshop'

const props = defineProps<{
  circuit: Circuit
  wiring: Wiring
  state: StateKey | null
  /** Of a board with a fault in it: only what burns by it, not what its builder might look at. */
  faulted?: boolean
}>()
const emit = defineEmits<{ choose: [part: string] }>()
const all = ref(false)
const found = computed(() =>
  warningsOf({
    circuit: props.circuit,
    wiring: props.wiring,
    walks: walkPaths(props.circuit),
    key: props.state,
  }).filter(({ text }) => !props.faulted || /burns|overWatts/.test(text.code)),
)
const shown = computed(() => (all.value ? found.value : found.value.slice(0, 1)))
const words = { hazard: t('ui.readings.hazard'), wrong: t('ui.readings.wrong'), hint: t('ui.readings.look') }
</script>

<template>
  <div
    v-if="found.length"
    class="flex gap-10px items-start text-12.5px"
    role="region"
    :aria-label="t('ui.readings.workshopRules')"
  >
    <ul class="m-0 p-0 list-none grid gap-2px">
      <li
        v-for="(w, i) in shown"
        :key="i"
        class="flex gap-6px items-center text-doubt"
        :data-weight="w.weight"
      >
        <TriangleAlert :size="14" aria-hidden="true" />
        <b>{{ words[w.weight] }}</b>
        <NButton text size="small" @click="emit('choose', w.part)">{{ tell(w.text) }}</NButton>
      </li>
    </ul>
    <NButton
      v-if="found.length > 1"
      text
      size="small"
      class="more text-accent whitespace-nowrap"
      :aria-expanded="all"
      @click="all = !all"
    >
      {{ all ? t('ui.readings.fewer') : t('ui.common.andMore', { x: found.length - 1 }) }}
    </NButton>
  </div>
</template>

<style scoped>
li[data-weight='hazard'] {
  color: var(--fault);
}
li[data-weight='hint'] {
  color: var(--quiet);
}
</style>
