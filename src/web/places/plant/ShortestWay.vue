<script setup lang="ts">
import { computed, toRef } from 'vue'
import type { Frame } from '../../../core/attempt'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { instrumentOf } from '../../../core/instruments'
import Fold from '../../parts/Fold.vue'
import { describeHeld } from '../../readings/stepWords'
import { t, tell } from '../../words'
import HowHard from '../../readings/HowHard.vue'
import { useShortestWay } from './useShortestWay'

/** How hard it is: the fewest tests, and how many minutes they take. */
const props = defineProps<{
  circuit: Circuit
  faults: readonly Fault[]
  complaint: Frame['complaint'] | undefined
}>()
const { path, difficulty, looking } = useShortestWay(
  toRef(props, 'circuit'),
  toRef(props, 'faults'),
  toRef(props, 'complaint'),
)
const minutes = computed(() => Math.round((path.value ?? []).reduce((sum, { minutes: m }) => sum + m, 0)))
</script>

<template>
  <p v-if="looking" class="quiet" role="status">{{ t('ui.plant.lookingForTheWay') }}</p>
  <Fold v-else-if="path?.length" :title="t('ui.plant.fewestTests', { count: path.length, minutes })">
    <ol class="mt-4px mx-0 mb-0 pl-22px">
      <li v-for="(p, i) in path" :key="i">
        {{ tell(instrumentOf(p.instrument).title) }}, {{ describeHeld(p.held) }}, {{ p.state }}:
        <span class="reading">{{ tell(p.reading) }}</span>
      </li>
    </ol>
  </Fold>
  <HowHard v-if="difficulty && !looking" :difficulty="difficulty" />
</template>
