<script setup lang="ts">
import { findPart, wireUp } from '../../../core/model'
import { t } from '../../words'
import { NButton, NInput, NPopover } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { keepState, removeState, renameState, terminalAt } from '../../../core/editing'
import { type Circuit, type CircuitState } from '../../../core/circuit'
import { partOfKind } from '../../../core/parts'
import { useCircuit } from '../../stores/circuit'
import QuantityField from '../../readings/QuantityField.vue'

const props = defineProps<{ circuit: Circuit; state: CircuitState }>()
const emit = defineEmits<{ change: [state: CircuitState] }>()
const store = useCircuit()
const open = ref(false)
const name = ref('')
const jumperFrom = ref('')
const jumperTo = ref('')
watch(
  () => props.state,
  (state) => (name.value = state.id === 'custom' ? '' : state.name),
  { immediate: true },
)
const points = computed(() =>
  wireUp(props.circuit)
    .points.filter((p) => !p.inside)
    .map((p) => p.name),
)
const text = (event: Event) => (event.target as HTMLSelectElement).value
const joints = computed(() =>
  props.circuit.parts.filter((p) => partOfKind(p.kind).role === 'connection').map((p) => p.id),
)
const named = computed(() => props.state.id !== 'custom')
const alter = (part: Partial<CircuitState>) =>
  emit('change', { ...props.state, id: 'custom', name: t('as set'), ...part })

function keep() {
  const built = store.build(t('State “{name}” kept', { name: name.value }), (c) =>
    keepState(c, props.state, name.value.trim()),
  )
  if (!built?.ok) return
  const kept = built.circuit.states.find((s) => s.id === built.id)
  if (kept) emit('change', kept)
}
function rename() {
  const built = store.build(t('State renamed'), (c) => renameState(c, props.state.id, name.value.trim()))
  if (built?.ok) emit('change', { ...props.state, name: name.value.trim() })
}
function remove() {
  const built = store.build(t('State “{name}” taken away', { name: props.state.name }), (c) =>
    removeState(c, props.state.id),
  )
  if (built?.ok) emit('change', built.circuit.states[0]!)
}
function bridge() {
  const [a, b] = [terminalAt(props.circuit, jumperFrom.value), terminalAt(props.circuit, jumperTo.value)]
  if (!a || !b || a === b) return
  alter({ bypassed: [...(props.state.bypassed ?? []), [a, b]] })
}
const written = (end: string) => {
  const [id, key] = end.split('.') as [string, string]
  const part = findPart(props.circuit, id)
  const terminal = part && partOfKind(part.kind).terminals.find((t) => t.key === key)
  return part && terminal
    ? id + (partOfKind(part.kind).suffixes?.(part.parameters)[key] ?? terminal.suffix)
    : end
}
function checkTemperature(value: number) {
  return value < -40 || value > 120 ? t('Between −40 and 120 °C') : undefined
}

const checkJumper = (amps: number) =>
  amps === 0 || (amps >= 1 && amps <= 40) ? undefined : t('From 1 to 40 A; 0 for a piece of wire.')
function setJumper(amps: number) {
  const rest = { ...props.state }
  delete rest.jumperFuse
  emit('change', amps ? { ...rest, jumperFuse: amps } : rest)
}
function setPast(after: string) {
  const { battery, ...rest } = props.state
  const minutes = battery?.minutes ?? 0
  emit('change', after === 'charging' || after === 'load' ? { ...rest, battery: { after, minutes } } : rest)
}
</script>

<template>
  <NPopover v-model:show="open" trigger="click" placement="bottom-start" :width="320" :show-arrow="false">
    <template #trigger>
      <button type="button" class="small">{{ t('State …') }}</button>
    </template>
    <div class="form" :aria-label="t('This state')" @keydown.esc="open = false">
      <label class="field"
        >{{ t('Name') }}
        <NInput
          v-model:value="name"
          size="small"
          :placeholder="t('key run, fan on, X1 unplugged')"
          @keydown.enter="keep"
        />
      </label>
      <div class="acts">
        <NButton size="small" type="primary" :disabled="!name.trim()" @click="keep">{{
          t('Keep it')
        }}</NButton>
        <NButton size="small" :disabled="!named || !name.trim() || name === state.name" @click="rename">{{
          t('Rename')
        }}</NButton>
        <NButton size="small" :disabled="!named || circuit.states.length < 2" @click="remove">{{
          t('Take it away')
        }}</NButton>
      </div>
      <div class="field">
        <span>{{ t('Fused jumper') }}</span>
        <p v-for="(pair, i) in state.bypassed ?? []" :key="i" class="pair">
          {{ written(pair[0]) }} – {{ written(pair[1]) }}
          <button
            type="button"
            :aria-label="t('Take the jumper {x} off', { x: written(pair[0]) })"
            @click="alter({ bypassed: (state.bypassed ?? []).filter((_, k) => k !== i) })"
          >
            ✕
          </button>
        </p>
        <span class="pair">
          <select v-model="jumperFrom" :aria-label="t('Jumper from')">
            <option v-for="p in points" :key="p">{{ p }}</option>
          </select>
          {{ t('to') }}
          <select v-model="jumperTo" :aria-label="t('Jumper to')">
            <option v-for="p in points" :key="p">{{ p }}</option>
          </select>
          <NButton
            size="small"
            :disabled="!jumperFrom || !jumperTo || jumperFrom === jumperTo"
            @click="bridge"
            >{{ t('Put on') }}</NButton
          >
        </span>
        <QuantityField
          v-if="state.bypassed?.length"
          :label="t('Fuse in the jumper (0: none)')"
          unit="A"
          :value="state.jumperFuse ?? 0"
          :check="checkJumper"
          @set="setJumper"
        />
        <p class="quiet">{{ t('Fuse every jumper like the circuit it feeds; keep its leads short.') }}</p>
      </div>
      <label class="field"
        >{{ t('Moved by hand while measuring') }}
        <select
          :value="state.wiggled?.[0] ?? ''"
          @change="alter({ wiggled: text($event) ? [text($event)] : [] })"
        >
          <option value="">{{ t('nothing') }}</option>
          <option v-for="id in joints" :key="id" :value="id">{{ id }}</option>
        </select>
      </label>
      <label class="field"
        >{{ t('Battery') }}
        <select :value="state.battery?.after ?? ''" @change="setPast(text($event))">
          <option value="">{{ t('rested') }}</option>
          <option value="charging">{{ t('just charged: surface charge on top') }}</option>
          <option value="load">{{ t('after a heavy load: bounces back') }}</option>
        </select>
      </label>
      <QuantityField
        v-if="state.battery"
        :label="t('Minutes since then')"
        unit=""
        :value="state.battery.minutes"
        :check="(m: number) => (m >= 0 && m <= 1440 ? undefined : 'From 0 to 1440 minutes.')"
        @set="alter({ battery: { after: state.battery.after, minutes: $event } })"
      />
      <QuantityField
        :label="t('Temperature in this state')"
        unit="°C"
        :value="state.temperature ?? circuit.temperature"
        :check="checkTemperature"
        @set="alter({ temperature: $event })"
      />
    </div>
  </NPopover>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}
.acts,
.pair {
  display: flex;
  gap: 6px;
  align-items: center;
}
.pair select {
  max-width: 90px;
}
</style>
