<script setup lang="ts">
import { t } from '../../words'
import { ChevronLeft, ChevronRight, Copy, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { leadEnd, namePath, removePath } from '../../../core/editing'
import { wireUp } from '../../../core/model'
import { type Circuit } from '../../../core/circuit'
import { useCircuit } from '../../stores/circuit'
import HarnessEditor from './HarnessEditor.vue'
import NewPath from './NewPath.vue'
import PathStrip from './PathStrip.vue'
import QuickAdd from './QuickAdd.vue'
import type { Build } from './useBuild'

const props = defineProps<{
  circuit: Circuit
  build: Build
  path: number
  chosen: string | null
  lit: string | null
  /** The drawer of parts stands open. */
  drawer: boolean
}>()
const emit = defineEmits<{
  path: [index: number]
  choose: [id: string]
  light: [id: string | null]
  drawer: []
}>()

const store = useCircuit()
const quick = ref<InstanceType<typeof QuickAdd> | null>(null)
const current = computed(() => props.build.current.value)
const titles = computed(() =>
  props.circuit.paths.map(
    (p, i) => p.name || `${i + 1}  ${p.from.replace('.', '')} → ${p.to.replace('.', '')}`,
  ),
)
const where = computed(() => {
  const at = props.build.at.value
  const before = current.value.steps[at - 1]?.part
  const after = current.value.steps[at]?.part
  return before ? t('after {before}', { before }) : after ? t('before {after}', { after }) : t('here')
})
const points = computed(() =>
  wireUp(props.circuit)
    .points.filter((p) => !p.inside)
    .map((p) => ({ value: `${p.part}.${p.terminal}`, text: p.name })),
)
const value = (event: Event) => (event.target as HTMLInputElement | HTMLSelectElement).value
const onPath = computed(() => props.build.index.value >= 0)

function drop() {
  const { id } = current.value
  const built = store.build(t('Path taken out'), (c) => removePath(c, id))
  if (built?.ok) emit('path', 0)
}
defineExpose({ type: () => quick.value?.focus() })
</script>

<template>
  <div class="builder">
    <div class="row">
      <label class="path"
        ><span class="visually-hidden">{{ t('Path') }}</span>
        <select :value="path" @change="emit('path', Number(value($event)))">
          <option v-for="(title, i) in titles" :key="i" :value="i">{{ t(title) }}</option>
        </select>
      </label>
      <PathStrip
        class="strip"
        :circuit="circuit"
        :build="build"
        :chosen="chosen"
        :lit="lit"
        @choose="emit('choose', $event)"
        @light="emit('light', $event)"
        @type="quick?.focus()"
      />
      <span class="acts" role="group" :aria-label="t('The chosen part')">
        <button
          class="small"
          type="button"
          :disabled="!onPath"
          :aria-label="t('Move towards supply')"
          :title="t('Move towards supply (Alt ←)')"
          @click="build.move(-1)"
        >
          <ChevronLeft :size="15" />
        </button>
        <button
          class="small"
          type="button"
          :disabled="!onPath"
          :aria-label="t('Move towards return')"
          :title="t('Move towards return (Alt →)')"
          @click="build.move(1)"
        >
          <ChevronRight :size="15" />
        </button>
        <button
          class="small"
          type="button"
          :disabled="!onPath"
          :aria-label="t('Double it')"
          :title="t('Double it (Ctrl D)')"
          @click="build.duplicate()"
        >
          <Copy :size="15" />
        </button>
        <button
          class="small"
          type="button"
          :disabled="!chosen"
          :aria-label="t('Take it out')"
          :title="t('Take it out (Del)')"
          @click="build.remove()"
        >
          <Trash2 :size="15" />
        </button>
      </span>
    </div>
    <div class="row">
      <button type="button" class="small" :aria-pressed="drawer" @click="emit('drawer')">
        {{ t('Parts') }}
      </button>
      <NewPath :circuit="circuit" :build="build" :near="chosen" />
      <details class="more" @keydown.esc="($event.currentTarget as HTMLDetailsElement).open = false">
        <summary class="small">{{ t('Path …') }}</summary>
        <div class="menu">
          <label class="field"
            >{{ t('Name of this path') }}
            <input
              class="plain"
              :value="current.name"
              @change="store.build('Path named', (c) => namePath(c, current.id, value($event)))"
            />
          </label>
          <label class="field"
            >{{ t('Begins at') }}
            <select
              :value="current.from"
              @change="
                store.build('Feed led elsewhere', (c) => leadEnd(c, current.id, 'from', value($event)))
              "
            >
              <option v-for="p in points" :key="p.value" :value="p.value">{{ t(p.text) }}</option>
            </select></label
          >
          <label class="field"
            >{{ t('Ends at') }}
            <select
              :value="current.to"
              @change="
                store.build('Return led elsewhere', (c) => leadEnd(c, current.id, 'to', value($event)))
              "
            >
              <option v-for="p in points" :key="p.value" :value="p.value">{{ t(p.text) }}</option>
            </select></label
          >
          <button type="button" class="small" @click="build.copyPath()">{{ t('Copy all its parts') }}</button>
          <button
            type="button"
            class="small"
            :disabled="!build.clipboard.value.length"
            @click="build.paste()"
          >
            {{ t('Paste here') }}
          </button>
          <button type="button" class="small" :disabled="circuit.paths.length < 2" @click="drop">
            {{ t('Take this path out') }}
          </button>
          <HarnessEditor :circuit="circuit" />
        </div>
      </details>
      <QuickAdd ref="quick" class="typed" :circuit="circuit" :where="where" @take="build.typed($event)" />
    </div>
    <p v-if="build.said.value" class="quiet said" role="status">{{ build.said.value }}</p>
  </div>
</template>

<style scoped>
.builder {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  border-block: 1px solid var(--rule);
  padding: 3px 0;
}
.row {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 0;
  flex: 1 1 400px;
}
.row:first-child {
  flex: 1.5 1 560px;
}
.path select {
  max-width: 150px;
}
.strip {
  flex: 1;
}
.typed {
  flex: 1;
  min-width: 0;
}
.acts {
  display: inline-flex;
  gap: 2px;
}
summary {
  list-style: none;
}
.more {
  position: relative;
}
.menu {
  position: absolute;
  z-index: 20;
  top: 32px;
  right: 0;
  width: 300px;
  max-height: 60vh;
  overflow: auto;
  display: grid;
  gap: 8px;
  padding: 10px;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
}
.said {
  font-size: 12px;
  flex-basis: 100%;
}
</style>
