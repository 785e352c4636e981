<script setup lang="ts">
import { t, tell } from '../../words'
import { problemsOf } from '../../../core/document'
import { useLocalStorage } from '@vueuse/core'
import { computed, watch } from 'vue'
import {
  leafletOf,
  leafletSchema,
  meterOf,
  meterOfLeaflet,
  meters,
  workshopMeter,
  type Leaflet,
  type MeterType,
} from '../../../core/instruments'
import type { Unit } from '../../../core/quantity'
import QuantityField from '../../readings/QuantityField.vue'

const emit = defineEmits<{ meter: [meter: MeterType] }>()

/** Which meter this school has is remembered on this machine. */
const id = useLocalStorage('brachyon.meter', meters[0]!.id)
const kept = useLocalStorage<Leaflet>('brachyon.leaflet', leafletOf(workshopMeter))
const leaflet = computed(() => {
  const read = leafletSchema.safeParse(kept.value)
  return read.success ? read.data : leafletOf(workshopMeter)
})
const meter = computed(() => (id.value === 'own' ? meterOfLeaflet(leaflet.value) : meterOf(id.value)))
watch(meter, (now) => emit('meter', now), { immediate: true })

const fields: readonly [keyof Leaflet, string, Unit][] = [
  ['counts', t('Counts'), ''],
  ['voltsPercent', t('Volts ±'), '%'],
  ['voltsDigits', t('Volts, digits'), ''],
  ['inputOhms', t('Input'), 'Ω'],
  ['ohmsPercent', t('Ohms ±'), '%'],
  ['ohmsDigits', t('Ohms, digits'), ''],
  ['leadOhms', t('Leads'), 'Ω'],
]
const check = (field: keyof Leaflet) => (value: number) => {
  const { error } = leafletSchema.shape[field].safeParse(value)
  return error && tell(problemsOf(error)[0]!)
}
function set(field: keyof Leaflet, value: number) {
  kept.value = { ...leaflet.value, [field]: value }
}
</script>

<template>
  <label
    >{{ t('Meter') }}
    <select v-model="id">
      <option v-for="m in meters" :key="m.id" :value="m.id">{{ t(m.title) }}</option>
      <option value="own">{{ t('Our own, by its leaflet …') }}</option>
    </select></label
  >
  <fieldset v-if="id === 'own'" class="leaflet">
    <legend class="visually-hidden">{{ t('What the meter’s leaflet says') }}</legend>
    <QuantityField
      v-for="[field, label, unit] in fields"
      :key="field"
      :label="t(label)"
      :unit="unit"
      :value="leaflet[field]"
      :check="check(field)"
      @set="set(field, $event)"
    />
  </fieldset>
</template>

<style scoped>
.leaflet {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(7, minmax(92px, 130px));
  gap: 8px;
  flex-basis: 100%;
}
</style>
