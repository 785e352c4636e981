<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { plainEntries } from '../../parts/choice'
import { say } from '../../../core/document'
import { findPart, wireUp } from '../../../core/model'
import { t } from '../../words'
import { NButton, NInput, NPopover } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { keepState, removeState, renameState, terminalAt } from '../../../core/editing'
import { type Circuit, type CircuitState, type TerminalRef, splitRef } from '../../../core/circuit'
import { movableParts } from '../../../core/attempt'
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
const movable = computed(() => movableParts(props.circuit))
const named = computed(() => props.state.id !== 'custom')
const alter = (part: Partial<CircuitState>) =>
  emit('change', { ...props.state, id: 'custom', name: t('ui.common.asSet'), ...part })

function keep() {
  const built = store.build(say('ui.bench.stateKept', { name: name.value }), (c) =>
    keepState(c, props.state, name.value.trim()),
  )
  if (!built?.ok) return
  const kept = built.circuit.states.find((s) => s.id === built.id)
  if (kept) emit('change', kept)
}
function rename() {
  const built = store.build(say('ui.bench.stateRenamed'), (c) =>
    renameState(c, props.state.id, name.value.trim()),
  )
  if (built?.ok) emit('change', { ...props.state, name: name.value.trim() })
}
function remove() {
  const built = store.build(say('ui.bench.stateTakenAway', { name: props.state.name }), (c) =>
    removeState(c, props.state.id),
  )
  if (built?.ok) emit('change', built.circuit.states[0]!)
}
function bridge() {
  const [a, b] = [terminalAt(props.circuit, jumperFrom.value), terminalAt(props.circuit, jumperTo.value)]
  if (!a || !b || a === b) return
  alter({ bypassed: [...(props.state.bypassed ?? []), [a, b]] })
}
const written = (end: TerminalRef) => {
  const [id, key] = splitRef(end)
  const part = findPart(props.circuit, id)
  const terminal = part && partOfKind(part.kind).terminals.find((t) => t.key === key)
  return part && terminal
    ? id + (partOfKind(part.kind).suffixes?.(part.parameters)[key] ?? terminal.suffix)
    : end
}
function checkTemperature(value: number) {
  return value < -40 || value > 120 ? t('ui.bench.between40And120Degrees') : undefined
}

const checkJumper = (amps: number) =>
  amps === 0 || (amps >= 1 && amps <= 40) ? undefined : t('ui.bench.from1To40A')
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
      <NButton size="small">{{ t('ui.bench.state') }}</NButton>
    </template>
    <div class="grid gap-10px" :aria-label="t('ui.bench.thisState')" @keydown.esc="open = false">
      <label class="field"
        >{{ t('ui.common.name') }}
        <NInput
          v-model:value="name"
          size="small"
          :placeholder="t('ui.bench.keyRunFanOnX1')"
          @keydown.enter="keep"
        />
      </label>
      <div class="acts flex gap-6px items-center">
        <NButton size="small" type="primary" :disabled="!name.trim()" @click="keep">{{
          t('ui.common.keepIt')
        }}</NButton>
        <NButton size="small" :disabled="!named || !name.trim() || name === state.name" @click="rename">{{
          t('ui.bench.rename')
        }}</NButton>
        <NButton size="small" :disabled="!named || circuit.states.length < 2" @click="remove">{{
          t('ui.bench.takeItAway')
        }}</NButton>
      </div>
      <div class="field">
        <span>{{ t('ui.bench.fusedJumper') }}</span>
        <p v-for="(pair, i) in state.bypassed ?? []" :key="i" class="pair flex gap-6px items-center">
          {{ written(pair[0]) }} – {{ written(pair[1]) }}
          <NButton
            size="tiny"
            quaternary
            :aria-label="t('ui.bench.takeTheJumperOff', { x: written(pair[0]) })"
            @click="alter({ bypassed: (state.bypassed ?? []).filter((_, k) => k !== i) })"
          >
            ✕
          </NButton>
        </p>
        <span class="pair flex gap-6px items-center">
          <Choice
            v-model:value="jumperFrom"
            :label="t('ui.bench.jumperFrom')"
            labelled="aloud"
            :entries="plainEntries(points)"
          />
          {{ t('ui.bench.toPoint') }}
          <Choice
            v-model:value="jumperTo"
            :label="t('ui.bench.jumperTo')"
            labelled="aloud"
            :entries="plainEntries(points)"
          />
          <NButton
            size="small"
            :disabled="!jumperFrom || !jumperTo || jumperFrom === jumperTo"
            @click="bridge"
            >{{ t('ui.bench.putOn') }}</NButton
          >
        </span>
        <QuantityField
          v-if="state.bypassed?.length"
          :label="t('ui.bench.fuseInTheJumper0')"
          unit="A"
          :value="state.jumperFuse ?? 0"
          :check="checkJumper"
          @set="setJumper"
        />
        <p class="quiet">{{ t('ui.bench.fuseEveryJumperLikeThe') }}</p>
      </div>
      <Choice
        :label="t('ui.bench.movedByHandWhileMeasuring')"
        :value="state.wiggled?.[0] ?? ''"
        :entries="[{ value: '', label: t('ui.common.nothing') }, ...plainEntries(movable)]"
        @update:value="alter({ wiggled: $event ? [$event] : [] })"
      />
      <Choice
        :label="t('ui.bench.battery')"
        :value="state.battery?.after ?? ''"
        :entries="[
          { value: '', label: t('ui.bench.rested') },
          { value: 'charging', label: t('ui.bench.justChargedSurfaceChargeOn') },
          { value: 'load', label: t('ui.bench.afterAHeavyLoadBounces') },
        ]"
        @update:value="setPast($event ?? '')"
      />
      <QuantityField
        v-if="state.battery"
        :label="t('ui.bench.minutesSinceThen')"
        unit=""
        :value="state.battery.minutes"
        :check="(m: number) => (m >= 0 && m <= 1440 ? undefined : 'From 0 to 1440 minutes.')"
        @set="alter({ battery: { after: state.battery.after, minutes: $event } })"
      />
      <QuantityField
        :label="t('ui.bench.temperatureInThisState')"
        unit="°C"
        :value="state.temperature ?? circuit.temperature"
        :check="checkTemperature"
        @set="alter({ temperature: $event })"
      />
    </div>
  </NPopover>
</template>
