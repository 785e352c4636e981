<script setup lang="ts">
import type { Plant } from '../../../contract'
import type { Circuit, CircuitState } from '../../../core/circuit'
import Fold from '../../parts/Fold.vue'
import { t } from '../../words'
import FaultChooser from './FaultChooser.vue'
import FaultSets from './FaultSets.vue'
import Planted from './Planted.vue'
import Shows from './Shows.vue'
import SizeByEffect from './SizeByEffect.vue'
import type { usePlanting } from './usePlanting'

/** The first step: which fault, where, how large. */
defineProps<{
  id: string
  circuit: Circuit
  plant: Plant
  state: CircuitState
  path: number
  planting: ReturnType<typeof usePlanting>
}>()
const emit = defineEmits<{ change: [part: Partial<Plant>] }>()
</script>

<template>
  <section class="grid grid-cols-1 gap-12px content-start" :aria-label="t('ui.plant.steps.fault')">
    <Planted
      :circuit="circuit"
      :faults="plant.faults"
      :active="planting.active.value"
      @choose="planting.choose"
      @remove="planting.remove"
      @another="planting.another"
    />
    <FaultChooser
      :circuit="circuit"
      :fault="
        planting.fault.value &&
        (!planting.pointed.value || planting.pointed.value === planting.fault.value.part)
          ? planting.fault.value
          : null
      "
      :part="planting.pointed.value"
      :marks="planting.marks.value"
      @part="planting.point"
      @plant="planting.plantAt"
    />
    <Shows
      v-if="planting.fault.value"
      :circuit="circuit"
      :found="planting.symptom.value"
      :looking="planting.looking.value"
      @state="emit('change', { state: $event })"
      @size="planting.plantAt({ ...planting.fault.value!, severity: $event })"
    />
    <Fold v-if="planting.fault.value" :title="t('ui.plant.sizeItByItsEffect')">
      <SizeByEffect
        :circuit="circuit"
        :state="state"
        :fault="planting.fault.value"
        :others="plant.faults.filter((f) => f !== planting.fault.value)"
        :path="path"
        :limits="plant.limits"
        @size="planting.plantAt({ ...planting.fault.value!, severity: $event })"
      />
    </Fold>
    <Fold :title="t('ui.plant.faultSets')">
      <FaultSets :id="id" :circuit="circuit" :plant="plant" @take="emit('change', $event)" />
    </Fold>
  </section>
</template>
