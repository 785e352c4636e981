<script setup lang="ts">
import { partOf } from '../../../core/model'
import { t, tell } from '../../words'
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { useKeys } from '../../keys/useKeys'
import type { Circuit } from '../../../core/circuit'
import { partOfKind } from '../../../core/parts'
import type { Build } from './useBuild'

const props = defineProps<{ circuit: Circuit; build: Build; chosen: string | null; lit: string | null }>()
const emit = defineEmits<{ choose: [id: string]; light: [id: string | null]; type: [] }>()

interface Chip {
  key: string
  id: string
  text: string
  role: string
}
const chips = computed<Chip[]>(() =>
  props.build.current.value.steps.map(({ part, enter, leave }, i) => {
    const { kind, name, parameters } = partOf(props.circuit, part)
    const definition = partOfKind(kind)
    const names = definition.suffixes?.(parameters) ?? {}
    const pin = (key: string) =>
      (names[key] ?? definition.terminals.find((t) => t.key === key)!.suffix).replace(/^\./, '')
    const way = enter && leave ? ` ${pin(enter)}–${pin(leave)}` : ''
    const what = definition.cable?.byTheMetre
      ? tell(definition.summary(parameters)).split(',')[0]!
      : name || tell(definition.title).split(' in ')[0]!
    return { key: `${i}${part}`, id: part, text: way || what, role: definition.role }
  }),
)
const model = computed({ get: () => chips.value, set: () => undefined })

function dropped(event: { oldIndex?: number; newIndex?: number }) {
  if (event.oldIndex === undefined || event.newIndex === undefined || event.oldIndex === event.newIndex)
    return
  props.build.reorder(event.oldIndex, event.newIndex)
}
/** A part dragged out of the drawer lands between two chips. */
function added(event: { newIndex?: number; item: HTMLElement }) {
  const kind = event.item.dataset.kind
  event.item.remove()
  if (!kind) return
  props.build.place(event.newIndex ?? null)
  props.build.insertKind(kind)
}

const placeOf = ({ target }: KeyboardEvent) =>
  chips.value.findIndex(({ id }) => id === (target as HTMLElement).dataset.chip)
const goTo = (to: (at: number) => number) => (event: KeyboardEvent) => {
  const next = chips.value[Math.max(0, Math.min(chips.value.length - 1, to(placeOf(event))))]
  if (!next) return false
  emit('choose', next.id)
  focusSoon(next.id)
}
/** What changes the path draws the chips anew: focus follows the part. */
const change = (act: () => unknown) => (event: KeyboardEvent) => {
  const at = placeOf(event)
  act()
  const id = chips.value[Math.min(at, chips.value.length - 1)]?.id
  if (id) focusSoon(props.chosen ?? id)
}
const key = useKeys(
  t('ui.bench.alongThePath'),
  [
    {
      press: ['ArrowLeft', 'ArrowRight'],
      what: t('ui.bench.onePartBackOneOn'),
      act: (event) => goTo((at) => at + (event.key === 'ArrowLeft' ? -1 : 1))(event),
    },
    {
      press: ['Home', 'End'],
      what: t('ui.bench.toItsFirstPartIts'),
      act: (event) => goTo(() => (event.key === 'Home' ? 0 : Infinity))(event),
    },
    {
      press: ['Alt ArrowLeft', 'Alt ArrowRight'],
      what: t('ui.bench.moveThePart'),
      act: (event) => change(() => props.build.move(event.key === 'ArrowLeft' ? -1 : 1))(event),
    },
    {
      press: ['Delete'],
      also: ['Backspace'],
      what: t('ui.bench.takeThePartOut'),
      act: change(() => props.build.remove()),
    },
    { press: ['Ctrl c'], what: t('ui.bench.copy'), act: change(() => props.build.copy()) },
    {
      press: ['Ctrl x'],
      what: t('ui.bench.cutOut'),
      act: change(() => {
        props.build.copy()
        props.build.remove()
      }),
    },
    { press: ['Ctrl v'], what: t('ui.bench.paste'), act: change(() => props.build.paste()) },
    { press: ['Ctrl d'], what: t('ui.common.double'), act: change(() => props.build.duplicate()) },
    { press: ['/', 'Enter'], what: t('ui.bench.typePartsHere'), act: () => emit('type') },
  ],
  'own',
)

/** The chips are drawn anew after a change: focus follows the part. */
function focusSoon(id: string) {
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-chip="${id}"]`)?.focus())
}
const ends = computed(() => {
  const { from, to } = props.build.current.value
  return { from: from.replace('.', ''), to: to.replace('.', '') }
})
</script>

<template>
  <div
    class="flex items-center gap-4px min-w-0 overflow-x-auto py-3px px-0"
    role="group"
    :aria-label="t('ui.bench.partsOfThePathIn')"
  >
    <span
      class="end flex-none font-readings text-12px text-quiet whitespace-nowrap"
      :title="t('ui.bench.pathBegins', { from: ends.from })"
      >{{ ends.from }}</span
    >
    <VueDraggable
      v-model="model"
      class="chips"
      group="parts"
      :animation="120"
      draggable=".chip"
      @update="dropped"
      @add="added"
    >
      <button
        v-for="(chip, i) in chips"
        :key="chip.key"
        type="button"
        class="chip"
        :class="{ lit: lit === chip.id, caret: build.at.value === i }"
        :data-role="chip.role"
        :data-chip="chip.id"
        :aria-pressed="chosen === chip.id"
        :aria-label="`${chip.id} ${chip.text}`"
        :title="chip.text"
        :tabindex="chosen === chip.id || (!chips.some((c) => c.id === chosen) && i === 0) ? 0 : -1"
        @click="emit('choose', chip.id)"
        @focus="chosen === chip.id || emit('choose', chip.id)"
        @keydown="key"
        @pointerenter="emit('light', chip.id)"
        @pointerleave="emit('light', null)"
      >
        <b>{{ chip.id }}</b> <span>{{ chip.text }}</span>
      </button>
    </VueDraggable>
    <span
      class="end flex-none font-readings text-12px text-quiet whitespace-nowrap"
      :class="{ caret: build.at.value === chips.length }"
      :title="t('ui.bench.pathEnds', { to: ends.to })"
      >{{ ends.to }}</span
    >
    <span v-if="!chips.length" class="text-12px text-quiet">{{
      t('ui.bench.nothingBetweenThemYetType')
    }}</span>
  </div>
</template>

<style scoped>
.chips {
  flex: none;
  display: flex;
  gap: 4px;
  min-width: 12px;
  min-height: 27px;
}
.chip {
  font: inherit;
  font-size: 12px;
  white-space: nowrap;
  max-width: 150px;
  overflow: hidden;
  text-overflow: ellipsis;
  padding: 3px 6px;
  min-height: 27px;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  cursor: grab;
  position: relative;
}
.chip[data-role='conductor'] {
  border-style: none none solid;
  border-radius: 0;
  background: none;
}
.chip[data-role='load'] {
  border-width: 2px;
}
.chip[aria-pressed='true'] {
  background: var(--ink);
  color: var(--sheet);
}
.chip.lit:not([aria-pressed='true']) {
  background: var(--accent-soft);
}
/* The whole path is in view by its short names; what is at hand says what it is. */
.chip {
  flex: none;
}
.chip:not([aria-pressed='true']) span {
  display: none;
}
/* The caret: new parts go here. */
.caret {
  box-shadow: -4px 0 0 -1px var(--focus);
}
</style>
