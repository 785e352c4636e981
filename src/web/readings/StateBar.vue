<script setup lang="ts">
import Toggle from '../parts/Toggle.vue'
import { NButton, NButtonGroup } from 'naive-ui'
import Choice from '../parts/Choice.vue'
import { entriesOf, plainEntries } from '../parts/choice'
import { t, tell } from '../words'
import { computed } from 'vue'
import type { Circuit, CircuitState } from '../../core/circuit'
import { partOfKind, positionName } from '../../core/parts'
import { isShaken, movableParts } from '../../core/attempt'

const props = defineProps<{
  circuit: Circuit
  state: CircuitState
  named?: boolean
  brief?: boolean
  /** Controls and plugs are set where they are drawn: only what stands in no drawing is set here. */
  inDrawing?: boolean
}>()
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
function alter(part: Partial<CircuitState>) {
  emit('change', { ...props.state, id: 'custom', name: t('ui.common.asSet'), ...part })
}
function toggle(id: string) {
  const detached = props.state.detached.includes(id)
    ? props.state.detached.filter((d) => d !== id)
    : [...props.state.detached, id]
  emit('change', { ...props.state, id: 'custom', name: t('ui.common.asSet'), detached })
}
function choose(id: string) {
  const found = props.circuit.states.find((s) => s.id === id)
  if (found) emit('change', found)
}
</script>

<template>
  <div
    class="bar flex flex-wrap gap-y-6px gap-x-16px items-center"
    role="group"
    :aria-label="t('ui.common.stateOfTheCircuit')"
  >
    <Choice
      v-if="named"
      :label="t('ui.readings.namedState')"
      labelled="aloud"
      :value="state.id"
      :entries="[
        ...(state.id === 'custom' ? [{ value: 'custom', label: t('ui.readings.asSet') }] : []),
        ...entriesOf(
          circuit.states,
          (s) => s.id,
          (s) => s.name,
        ),
      ]"
      @update:value="choose($event!)"
    />
    <slot />
    <template v-if="many && !inDrawing">
      <NButton
        v-for="control in controls"
        :key="control.id"
        size="small"
        :class="{ moved: position(control.id, control.positions) !== control.positions[0] }"
        :title="control.name"
        @click="goOn(control)"
      >
        {{ control.id }} {{ tell(positionName(control, position(control.id, control.positions)!)) }}
      </NButton>
    </template>
    <span
      v-for="control in many || inDrawing ? [] : controls"
      :key="control.id"
      class="pair flex-wrap inline-flex min-w-0 gap-7px items-center"
    >
      <span>{{ control.id }} {{ control.name }}</span>
      <NButtonGroup size="small">
        <Toggle
          v-for="p in control.positions"
          :key="p"
          :on="position(control.id, control.positions) === p"
          :aria-label="`${control.id} ${tell(positionName(control, p))}`"
          @click="set(control.id, p)"
        >
          {{ tell(positionName(control, p)) }}
        </Toggle>
      </NButtonGroup>
    </span>
    <Choice
      v-if="driven"
      :label="t('ui.readings.engine')"
      labelled="beside"
      :value="state.engine ?? 'off'"
      :entries="[
        { value: 'off' as const, label: t('ui.readings.off') },
        { value: 'running' as const, label: t('ui.readings.running') },
      ]"
      @update:value="alter({ engine: $event! })"
    />
    <Choice
      v-if="sleeps"
      :label="t('ui.readings.keyOffFor')"
      labelled="beside"
      :value="state.sinceKeyOff ?? 0"
      :entries="
        entriesOf(
          offTimes,
          (s) => s,
          (s) => (s < 60 ? `${s} s` : t('ui.readings.min', { x: s / 60 })),
        )
      "
      @update:value="alter({ sinceKeyOff: $event! })"
    />
    <Choice
      v-if="!brief"
      :label="t('ui.readings.movedByHand')"
      labelled="beside"
      :value="moved"
      :entries="[
        { value: '', label: t('ui.common.nothing') },
        ...(movable.length > 1 ? [{ value: everything, label: t('ui.readings.everythingAtOnce') }] : []),
        ...plainEntries(movable),
      ]"
      @update:value="wiggle($event!)"
    />
    <span v-if="!inDrawing" class="pair flex-wrap inline-flex min-w-0 gap-7px items-center">
      <span class="text-13px text-quiet">{{ t('ui.readings.out') }}</span>
      <NButtonGroup size="small">
        <Toggle
          v-for="out in outs"
          :key="out.id"
          :title="t('ui.readings.text', { verb: out.verb, name: out.name })"
          :aria-label="t('ui.readings.text', { verb: out.verb, name: `${out.id} ${out.name}` })"
          :on="state.detached.includes(out.id)"
          @click="toggle(out.id)"
        >
          {{ out.id }}
        </Toggle>
      </NButtonGroup>
    </span>
    <slot name="more" />
  </div>
</template>

<style scoped>
.moved {
  background: var(--ink);
  color: var(--sheet);
}
.pair > .choice {
  flex-wrap: wrap;
}
</style>
