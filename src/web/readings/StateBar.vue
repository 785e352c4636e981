<script setup lang="ts">
import { t, tell } from '../words'
import { computed } from 'vue'
import type { Circuit, CircuitState } from '../../core/circuit'
import { partOfKind, positionName } from '../../core/parts'
import { isShaken, movableParts } from '../../core/attempt'

const props = defineProps<{ circuit: Circuit; state: CircuitState; named?: boolean; brief?: boolean }>()
const emit = defineEmits<{ change: [state: CircuitState] }>()

const controls = computed(() =>
  props.circuit.parts.flatMap((part) => {
    const { positions, positionNames, title } = partOfKind(part.kind)
    return positions ? [{ id: part.id, name: part.name || tell(title), positions, positionNames }] : []
  }),
)
const outs = computed(() =>
  props.circuit.parts.flatMap((part) => {
    const { detach, title } = partOfKind(part.kind)
    return detach
      ? [{ id: part.id, name: part.name || tell(title), verb: t(detach.verb), done: tell(detach.done) }]
      : []
  }),
)
/** Of many controls each is one button: it says where it stands, and a press takes it on. */
const many = computed(() => controls.value.length > 6)
const position = (id: string, positions: readonly string[]) => props.state.controls[id] ?? positions[0]

function goOn({ id, positions }: (typeof controls.value)[number]) {
  const at = positions.indexOf(position(id, positions)!)
  set(id, positions[(at + 1) % positions.length]!)
}
function set(id: string, to: string) {
  emit('change', {
    ...props.state,
    id: 'custom',
    name: t('ui.common.asSet'),
    controls: { ...props.state.controls, [id]: to },
  })
}
const driven = computed(() => props.circuit.parts.some((p) => partOfKind(p.kind).generates))
const sleeps = computed(() => props.circuit.parts.some((p) => partOfKind(p.kind).sleeps))
const offTimes = computed(() =>
  [...new Set([0, 5, 30, 60, 600, 1800, props.state.sinceKeyOff ?? 0])].sort((a, b) => a - b),
)
const movable = computed(() => movableParts(props.circuit))
/** What stands for all of them. */
const everything = '*'
const moved = computed(() =>
  movable.value.length > 1 && isShaken(props.circuit, props.state)
    ? everything
    : (props.state.wiggled?.[0] ?? ''),
)
const wiggle = (what: string) => alter({ wiggled: what === everything ? movable.value : what ? [what] : [] })
const chosen = (event: Event) => (event.target as HTMLSelectElement).value
function alter(part: Partial<CircuitState>) {
  emit('change', { ...props.state, id: 'custom', name: t('ui.common.asSet'), ...part })
}
function toggle(id: string) {
  const detached = props.state.detached.includes(id)
    ? props.state.detached.filter((d) => d !== id)
    : [...props.state.detached, id]
  emit('change', { ...props.state, id: 'custom', name: t('ui.common.asSet'), detached })
}
function choose(event: Event) {
  const found = props.circuit.states.find((s) => s.id === (event.target as HTMLSelectElement).value)
  if (found) emit('change', found)
}
</script>

<template>
  <div class="bar" role="group" :aria-label="t('ui.common.stateOfTheCircuit')">
    <label v-if="named">
      <span class="visually-hidden">{{ t('ui.readings.namedState') }}</span>
      <select :value="state.id" @change="choose">
        <option v-if="state.id === 'custom'" value="custom">{{ t('ui.readings.asSet') }}</option>
        <option v-for="s in circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
      </select>
    </label>
    <slot />
    <template v-if="many">
      <button
        v-for="control in controls"
        :key="control.id"
        type="button"
        class="small"
        :class="{ moved: position(control.id, control.positions) !== control.positions[0] }"
        :title="control.name"
        @click="goOn(control)"
      >
        {{ control.id }} {{ tell(positionName(control, position(control.id, control.positions)!)) }}
      </button>
    </template>
    <span v-for="control in many ? [] : controls" :key="control.id" class="pair">
      <span>{{ control.id }} {{ control.name }}</span>
      <span class="choice">
        <button
          v-for="p in control.positions"
          :key="p"
          type="button"
          :aria-pressed="position(control.id, control.positions) === p"
          :aria-label="`${control.id} ${tell(positionName(control, p))}`"
          @click="set(control.id, p)"
        >
          {{ tell(positionName(control, p)) }}
        </button>
      </span>
    </span>
    <label v-if="driven" class="pair"
      >{{ t('ui.readings.engine') }}
      <select
        :value="state.engine ?? 'off'"
        @change="alter({ engine: chosen($event) === 'running' ? 'running' : 'off' })"
      >
        <option value="off">{{ t('ui.readings.off') }}</option>
        <option value="running">{{ t('ui.readings.running') }}</option>
      </select>
    </label>
    <label v-if="sleeps" class="pair"
      >{{ t('ui.readings.keyOffFor') }}
      <select :value="state.sinceKeyOff ?? 0" @change="alter({ sinceKeyOff: Number(chosen($event)) })">
        <option v-for="s in offTimes" :key="s" :value="s">
          {{ s < 60 ? `${s} s` : t('ui.readings.min', { x: s / 60 }) }}
        </option>
      </select>
    </label>
    <label v-if="!brief" class="pair"
      >{{ t('ui.readings.movedByHand') }}
      <select :value="moved" @change="wiggle(chosen($event))">
        <option value="">{{ t('ui.common.nothing') }}</option>
        <option v-if="movable.length > 1" :value="everything">
          {{ t('ui.readings.everythingAsOnTheRoad') }}
        </option>
        <option v-for="id in movable" :key="id" :value="id">{{ id }}</option>
      </select>
    </label>
    <span class="pair">
      <span>{{ t('ui.readings.out') }}</span>
      <span class="choice">
        <button
          v-for="out in outs"
          :key="out.id"
          type="button"
          :title="t('ui.readings.text', { verb: out.verb, name: out.name })"
          :aria-label="t('ui.readings.text', { verb: out.verb, name: `${out.id} ${out.name}` })"
          :aria-pressed="state.detached.includes(out.id)"
          @click="toggle(out.id)"
        >
          {{ out.id }}
        </button>
      </span>
    </span>
  </div>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
}
.moved {
  background: var(--ink);
  color: var(--sheet);
}
.pair,
.pair > .choice {
  flex-wrap: wrap;
}
.pair {
  display: inline-flex;
  min-width: 0;
  gap: 7px;
  align-items: center;
}
</style>
