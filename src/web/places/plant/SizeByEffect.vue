<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { formatQuantity, t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Circuit, CircuitState } from '../../../core/circuit'
import { faultOfKind, type Fault } from '../../../core/faults'
import { noticesOf, sizeFault, type Effect } from '../../../core/workshop'
import QuantityField from '../../readings/QuantityField.vue'

const props = defineProps<{
  circuit: Circuit
  state: CircuitState
  fault: Fault
  others: readonly Fault[]
  path: number
  limits: string
}>()
const emit = defineEmits<{ size: [severity: number] }>()

const choice = ref('')
const volts = ref(3)
const said = ref('')
const wrong = ref('')
const range = computed(() => faultOfKind(props.fault.kind).severity)
const wishes = computed(() => noticesOf(props.circuit))
const effect = computed<Effect | null>(() => {
  const [type, a, b] = choice.value.split('|')
  if (type === 'notice') return { type, part: a!, key: b! }
  if (type === 'loss')
    return { type, path: props.path, side: a === 'feed' ? 'feed' : 'return', volts: volts.value }
  if (type === 'lazy') return { type, path: props.path, limits: props.limits }
  return null
})

function find() {
  if (!effect.value || !range.value) return
  const sized = sizeFault(props.circuit, props.fault, props.state, effect.value, props.others)
  said.value = wrong.value = ''
  if (!sized.ok) {
    wrong.value = tell(sized.why)
    return
  }
  const { unit } = range.value
  said.value =
    sized.least === sized.most
      ? t('ui.plant.doesIt', { unit: formatQuantity(sized.severity, unit) })
      : t('ui.plant.anythingFromToDoesIt', {
          unit: formatQuantity(sized.severity, unit),
          unit2: formatQuantity(sized.least, unit),
          unit3: formatQuantity(sized.most, unit),
        })
  emit('size', sized.severity)
}
const checkVolts = (v: number) => (v <= 0 || v > 30 ? t('ui.plant.between0And30V') : undefined)
</script>

<template>
  <section
    v-if="range"
    class="effect grid gap-6px grid-cols-1 justify-items-start"
    :aria-label="t('ui.plant.sizeItByItsEffect')"
  >
    <Choice
      v-model:value="choice"
      :label="t('ui.plant.sizeItSoThat')"
      :entries="[
        { value: 'lazy', label: t('ui.plant.itPassesContinuityAndFails') },
        { value: 'loss|feed', label: t('ui.plant.theFeedLosesSoMany') },
        { value: 'loss|return', label: t('ui.plant.theReturnLosesSoMany') },
        ...entriesOf(
          wishes,
          (w) => `notice|${w.part}|${w.key}`,
          (w) => `${w.part} ${tell(w.name)}: ${tell(w.text)}`,
        ),
      ]"
    />
    <QuantityField
      v-if="effect?.type === 'loss'"
      :label="t('ui.plant.voltsLost')"
      unit="V"
      :value="volts"
      :check="checkVolts"
      @set="volts = $event"
    />
    <NButton v-if="effect" size="small" @click="find">{{ t('ui.plant.findTheSize') }}</NButton>
    <p v-if="said" role="status">{{ said }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.effect > * {
  max-width: 100%;
}
</style>
