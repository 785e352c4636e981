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
  ['counts', t('ui.sheet.counts'), ''],
  ['voltsPercent', t('ui.sheet.volts'), '%'],
  ['voltsDigits', t('ui.sheet.voltsDigits'), ''],
  ['inputOhms', t('ui.sheet.input'), 'Ω'],
  ['ohmsPercent', t('ui.sheet.ohms'), '%'],
  ['ohmsDigits', t('ui.sheet.ohmsDigits'), ''],
  ['leadOhms', t('ui.sheet.leads'), 'Ω'],
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
    >{{ t('ui.common.meter') }}
    <select v-model="id">
      <option v-for="m in meters" :key="m.id" :value="m.id">{{ tell(m.title) }}</option>
      <option value="own">{{ t('ui.sheet.ourOwnByItsLeaflet') }}</option>
    </select></label
  >
  <fieldset v-if="id === 'own'" class="leaflet">
    <legend class="visually-hidden">{{ t('ui.sheet.whatTheMetersLeafletSays') }}</legend>
    <QuantityField
      v-for="[field, label, unit] in fields"
      :key="field"
      :label="label"
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
