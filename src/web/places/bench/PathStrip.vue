<script setup lang="ts">
import { t } from '../../words'
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
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
    const { kind, name, parameters } = props.circuit.parts.find((p) => p.id === part)!
    const definition = partOfKind(kind)
    const names = definition.suffixes?.(parameters) ?? {}
    const pin = (key: string) =>
      (names[key] ?? definition.terminals.find((t) => t.key === key)!.suffix).replace(/^\./, '')
    const way = enter && leave ? ` ${pin(enter)}–${pin(leave)}` : ''
    const what = definition.cable?.byTheMetre
      ? definition.summary(parameters).split(',')[0]!
      : name || t(definition.title.split(' in ')[0]!)
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

function key(event: KeyboardEvent, i: number) {
  const { build } = props
  const ctrl = event.ctrlKey || event.metaKey
  const go = (to: number) => {
    const next = chips.value[Math.max(0, Math.min(chips.value.length - 1, to))]
    if (!next) return
    emit('choose', next.id)
    focusSoon(next.id)
  }
  if (event.altKey && event.key === 'ArrowLeft') build.move(-1)
  else if (event.altKey && event.key === 'ArrowRight') build.move(1)
  else if (event.key === 'ArrowLeft') go(i - 1)
  else if (event.key === 'ArrowRight') go(i + 1)
  else if (event.key === 'Home') go(0)
  else if (event.key === 'End') go(chips.value.length - 1)
  else if (event.key === 'Delete' || event.key === 'Backspace') build.remove()
  else if (ctrl && event.key === 'c') build.copy()
  else if (ctrl && event.key === 'x') {
    build.copy()
    build.remove()
  } else if (ctrl && event.key === 'v') build.paste()
  else if (ctrl && event.key === 'd') build.duplicate()
  else if (event.key === '/' || event.key === 'Enter') emit('type')
  else return
  event.preventDefault()
  if (event.key.startsWith('Arrow') && !event.altKey) return
  const id = chips.value[Math.min(i, chips.value.length - 1)]?.id
  if (event.key !== '/' && event.key !== 'Enter' && id) focusSoon(props.chosen ?? id)
}

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
  <div class="strip" role="group" :aria-label="t('Parts of the path, in order')">
    <span class="end" :title="t('begins at {from}', { from: ends.from })">{{ ends.from }}</span>
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
        :title="t(chip.text)"
        :tabindex="chosen === chip.id || (!chips.some((c) => c.id === chosen) && i === 0) ? 0 : -1"
        @click="emit('choose', chip.id)"
        @focus="chosen === chip.id || emit('choose', chip.id)"
        @keydown="key($event, i)"
        @pointerenter="emit('light', chip.id)"
        @pointerleave="emit('light', null)"
      >
        <b>{{ chip.id }}</b> <span>{{ t(chip.text) }}</span>
      </button>
    </VueDraggable>
    <span
      class="end"
      :class="{ caret: build.at.value === chips.length }"
      :title="t('ends at {to}', { to: ends.to })"
      >{{ ends.to }}</span
    >
    <span v-if="!chips.length" class="empty">{{
      t('nothing between them yet: type beside it, or take parts from the drawer')
    }}</span>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: center;
  gap: 4px;
  min-width: 0;
  overflow-x: auto;
  padding: 3px 0;
}
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
.end {
  flex: none;
  font-family: var(--face-readings);
  font-size: 12px;
  color: var(--quiet);
  white-space: nowrap;
}
.empty {
  font-size: 12px;
  color: var(--quiet);
}
</style>
