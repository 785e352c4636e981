<script setup lang="ts">
import { formatPlain, t } from '../../words'
import { NPopover } from 'naive-ui'
import { computed } from 'vue'
import {
  measuredScatter,
  schoolScatter,
  scatterSchema,
  type Circuit,
  type Scatter,
} from '../../../core/circuit'
import { scattered } from '../../../core/workshop'
import QuantityField from '../../readings/QuantityField.vue'
import { useCircuit } from '../../stores/circuit'

/** How far boards of this drawing lie apart: every band follows. */
const props = defineProps<{ circuit: Circuit }>()
const store = useCircuit()
const now = computed(() => props.circuit.scatter ?? schoolScatter)
const said = computed(() => {
  const { rest, contacts } = now.value
  return t('battery ±{rest} V, contacts ±{contacts} %', {
    rest: formatPlain(rest),
    contacts: formatPlain(100 * contacts),
  })
})
function set(change: Partial<Scatter>) {
  store.edit({ type: 'setScatter', scatter: { ...now.value, ...change } })
}
/** Contacts of its own for every joint: what one vehicle has, not what a drawing says. */
function draw() {
  const seed = Math.floor(Math.random() * 2 ** 32)
  const label = t('joints and grounds given ohms of their own')
  store.edit({ type: 'whole', label, circuit: scattered(props.circuit, seed) })
}
const check = (key: keyof Scatter, scale: number) => (value: number) =>
  scatterSchema.shape[key].safeParse(value / scale).success
    ? undefined
    : key === 'rest'
      ? t('From 0.01 to 1 V.')
      : t('From 2 to 300 %.')
</script>

<template>
  <NPopover trigger="click" placement="top-end">
    <template #trigger>
      <button type="button" class="small" aria-haspopup="dialog">{{ t('Bands: {said}', { said }) }}</button>
    </template>
    <div class="scatter">
      <p>{{ t('How far boards of this drawing lie apart. Every expected reading has its band from it.') }}</p>
      <QuantityField
        :label="t('A rested 12 V block, ±')"
        unit="V"
        :value="now.rest"
        :check="check('rest', 1)"
        @set="set({ rest: $event })"
      />
      <QuantityField
        :label="t('Contacts, ±')"
        unit="%"
        :value="100 * now.contacts"
        :check="check('contacts', 100)"
        @set="set({ contacts: $event / 100 })"
      />
      <button type="button" class="small" @click="store.edit({ type: 'setScatter' })">
        {{ t('Any board of a school') }}
      </button>
      <button type="button" class="small" @click="draw">
        {{ t('Give every joint and ground ohms of its own') }}
      </button>
      <button type="button" class="small" @click="set(measuredScatter)">
        {{ t('One board that was measured') }}
      </button>
    </div>
  </NPopover>
</template>

<style scoped>
.scatter {
  display: grid;
  gap: 8px;
  max-width: 300px;
}
.scatter p {
  margin: 0;
}
</style>
