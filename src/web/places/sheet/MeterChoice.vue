<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { problemsOf } from '../../../core/document'
import { leafletSchema, meters, type Leaflet } from '../../../core/instruments'
import type { Unit } from '../../../core/quantity'
import QuantityField from '../../readings/QuantityField.vue'
import { useMeter } from './useMeter'

const { id, leaflet, set } = useMeter()

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
</script>

<template>
  <Choice
    v-model:value="id"
    :label="t('ui.common.meter')"
    labelled="beside"
    :entries="[
      ...entriesOf(
        meters,
        (m) => m.id,
        (m) => tell(m.title),
      ),
      { value: 'own', label: t('ui.sheet.ourOwnByItsLeaflet') },
    ]"
  />
  <fieldset
    v-if="id === 'own'"
    class="leaflet border-none m-0 p-0 grid grid-cols-[repeat(2,minmax(120px,1fr))] gap-8px basis-full"
  >
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
