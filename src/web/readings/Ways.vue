<script setup lang="ts">
import Segments from '../parts/Segments.vue'
import { t } from '../words'
import { computed, ref, watch } from 'vue'
import { smallLosses, type LimitSet, type StateKey } from '../../core/readings'
import { type Walk } from '../../core/model'
import { Losses, Staircase } from './charts'

/** Two readings of one path: the losses, where they are small against the source; and the whole staircase. */
const props = defineProps<{
  walk: Walk
  path: number
  healthy: StateKey
  faulted?: StateKey | null
  limits: LimitSet
  lit: string | null
}>()
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const balance = computed(() => (props.faulted ?? props.healthy).balances[props.path])
const fitting = computed(() => (balance.value && smallLosses(balance.value) ? 'losses' : 'stairs'))
/** What somebody has chosen holds for this path and this fault; another one opens with what shows it best. */
const chosen = ref<'losses' | 'stairs' | null>(null)
watch(
  () => [props.path, props.walk.path.id, JSON.stringify(props.healthy.state.id)].join(),
  () => (chosen.value = null),
)
const shown = computed(() => chosen.value ?? fitting.value)
</script>

<template>
  <div class="ways relative h-full min-h-0">
    <Segments
      :value="shown"
      class="absolute z-2 right-0 top-0 text-12px"
      :label="t('ui.readings.howThePathIsShown')"
      :entries="[
        { value: 'losses', label: t('ui.common.losses') },
        { value: 'stairs', label: t('ui.readings.staircase') },
      ]"
      @update:value="chosen = $event"
    />
    <Losses
      v-if="shown === 'losses'"
      :path="path"
      :healthy="healthy"
      :faulted="faulted ?? null"
      :limits="limits"
      :lit="lit"
      @light="emit('light', $event)"
      @choose="emit('choose', $event)"
    />
    <Staircase
      v-else
      :walk="walk"
      :healthy="healthy"
      :faulted="faulted ?? null"
      :lit="lit"
      @light="emit('light', $event)"
      @choose="emit('choose', $event)"
    />
  </div>
</template>

<style scoped>
.ways :deep(figcaption) {
  padding-right: 150px;
  min-height: 26px;
}
</style>
