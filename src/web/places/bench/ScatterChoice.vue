<script setup lang="ts">
import { say } from '../../../core/document'
import { formatPlain, t } from '../../words'
import { NButton, NPopover } from 'naive-ui'
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
  return t('ui.bench.batteryVContacts', {
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
  const label = say('ui.bench.jointsAndGroundsGivenOhms')
  store.edit({ type: 'whole', label, circuit: scattered(props.circuit, seed) })
}
const check = (key: keyof Scatter, scale: number) => (value: number) =>
  scatterSchema.shape[key].safeParse(value / scale).success
    ? undefined
    : key === 'rest'
      ? t('ui.bench.from001To1')
      : t('ui.bench.from2To300')
</script>

<template>
  <NPopover trigger="click" placement="top-end">
    <template #trigger>
      <NButton size="small" aria-haspopup="dialog">{{ t('ui.bench.bands', { said }) }}</NButton>
    </template>
    <div class="grid gap-8px max-w-300px">
      <p class="m-0">{{ t('ui.bench.howFarBoardsOfThis') }}</p>
      <QuantityField
        :label="t('ui.bench.aRested12VBlock')"
        unit="V"
        :value="now.rest"
        :check="check('rest', 1)"
        @set="set({ rest: $event })"
      />
      <QuantityField
        :label="t('ui.bench.contacts')"
        unit="%"
        :value="100 * now.contacts"
        :check="check('contacts', 100)"
        @set="set({ contacts: $event / 100 })"
      />
      <NButton size="small" @click="store.edit({ type: 'setScatter' })">
        {{ t('ui.bench.anyBoardOfASchool') }}
      </NButton>
      <NButton size="small" @click="draw">
        {{ t('ui.bench.giveEveryJointAndGround') }}
      </NButton>
      <NButton size="small" @click="set(measuredScatter)">
        {{ t('ui.bench.oneBoardThatWasMeasured') }}
      </NButton>
    </div>
  </NPopover>
</template>
