<script setup lang="ts">
import { say } from '../../../core/document'
import { t } from '../../words'
import { ChevronLeft, ChevronRight, Copy, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { leadEnd, namePath, removePath } from '../../../core/editing'
import { wireUp } from '../../../core/model'
import type { Circuit, TerminalRef } from '../../../core/circuit'
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
  return before
    ? t('ui.bench.after', { before })
    : after
      ? t('ui.bench.before', { after })
      : t('ui.common.here')
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
  const built = store.build(say('ui.bench.pathTakenOut'), (c) => removePath(c, id))
  if (built?.ok) emit('path', 0)
}
defineExpose({ type: () => quick.value?.focus() })
</script>

<template>
  <div class="builder">
    <div class="row">
      <label class="path"
        ><span class="visually-hidden">{{ t('ui.common.path') }}</span>
        <select :value="path" @change="emit('path', Number(value($event)))">
          <option v-for="(title, i) in titles" :key="i" :value="i">{{ title }}</option>
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
      <span class="acts" role="group" :aria-label="t('ui.bench.theChosenPart')">
        <button
          class="small"
          type="button"
          :disabled="!onPath"
          :aria-label="t('ui.bench.moveTowardsSupply')"
          :title="t('ui.bench.moveTowardsSupplyAlt')"
          @click="build.move(-1)"
        >
          <ChevronLeft :size="15" />
        </button>
        <button
          class="small"
          type="button"
          :disabled="!onPath"
          :aria-label="t('ui.bench.moveTowardsReturn')"
          :title="t('ui.bench.moveTowardsReturnAlt')"
          @click="build.move(1)"
        >
          <ChevronRight :size="15" />
        </button>
        <button
          class="small"
          type="button"
          :disabled="!onPath"
          :aria-label="t('ui.bench.doubleIt')"
          :title="t('ui.bench.doubleItCtrlD')"
          @click="build.duplicate()"
        >
          <Copy :size="15" />
        </button>
        <button
          class="small"
          type="button"
          :disabled="!chosen"
          :aria-label="t('ui.common.takeItOut')"
          :title="t('ui.bench.takeItOutDel')"
          @click="build.remove()"
        >
          <Trash2 :size="15" />
        </button>
      </span>
    </div>
    <div class="row">
      <button type="button" class="small" :aria-pressed="drawer" @click="emit('drawer')">
        {{ t('ui.common.parts') }}
      </button>
      <NewPath :circuit="circuit" :build="build" :near="chosen" />
      <details class="more" @keydown.esc="($event.currentTarget as HTMLDetailsElement).open = false">
        <summary class="small">{{ t('ui.bench.path') }}</summary>
        <div class="menu">
          <label class="field"
            >{{ t('ui.bench.nameOfThisPath') }}
            <input
              class="plain"
              :value="current.name"
              @change="store.build(say('ui.bench.pathNamed'), (c) => namePath(c, current.id, value($event)))"
            />
          </label>
          <label class="field"
            >{{ t('ui.bench.beginsAt') }}
            <select
              :value="current.from"
              @change="
                store.build(say('ui.bench.feedLedElsewhere'), (c) =>
                  leadEnd(c, current.id, 'from', value($event) as TerminalRef),
                )
              "
            >
              <option v-for="p in points" :key="p.value" :value="p.value">{{ p.text }}</option>
            </select></label
          >
          <label class="field"
            >{{ t('ui.bench.endsAt') }}
            <select
              :value="current.to"
              @change="
                store.build(say('ui.bench.returnLedElsewhere'), (c) =>
                  leadEnd(c, current.id, 'to', value($event) as TerminalRef),
                )
              "
            >
              <option v-for="p in points" :key="p.value" :value="p.value">{{ p.text }}</option>
            </select></label
          >
          <button type="button" class="small" @click="build.copyPath()">
            {{ t('ui.bench.copyAllItsParts') }}
          </button>
          <button
            type="button"
            class="small"
            :disabled="!build.clipboard.value.length"
            @click="build.paste()"
          >
            {{ t('ui.bench.pasteHere') }}
          </button>
          <button type="button" class="small" :disabled="circuit.paths.length < 2" @click="drop">
            {{ t('ui.bench.takeThisPathOut') }}
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
