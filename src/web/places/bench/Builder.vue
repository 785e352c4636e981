<script setup lang="ts">
import Committed from '../../parts/Committed.vue'
import Toggle from '../../parts/Toggle.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { say } from '../../../core/document'
import { t } from '../../words'
import { NButton, NPopover } from 'naive-ui'
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
    .map((p) => ({ value: `${p.part}.${p.terminal}` as TerminalRef, text: p.name })),
)
const onPath = computed(() => props.build.index.value >= 0)

function drop() {
  const { id } = current.value
  const built = store.build(say('ui.bench.pathTakenOut'), (c) => removePath(c, id))
  if (built?.ok) emit('path', 0)
}
defineExpose({ type: () => quick.value?.focus() })
</script>

<template>
  <div class="grid grid-cols-1 gap-6px pb-6px line-b">
    <div class="row flex gap-8px items-center min-w-0">
      <slot />
      <Toggle :on="drawer" @click="emit('drawer')">
        {{ t('ui.common.parts') }}
      </Toggle>
      <NewPath :circuit="circuit" :build="build" :near="chosen" />
      <NPopover trigger="click" placement="bottom-end" :show-arrow="false" scrollable>
        <template #trigger>
          <NButton size="small">{{ t('ui.bench.path') }}</NButton>
        </template>
        <div class="w-280px max-h-60vh grid gap-8px">
          <label class="field"
            >{{ t('ui.bench.nameOfThisPath') }}
            <Committed
              :value="current.name"
              :label="t('ui.bench.nameOfThisPath')"
              @change="(name) => store.build(say('ui.bench.pathNamed'), (c) => namePath(c, current.id, name))"
            />
          </label>
          <Choice
            :label="t('ui.bench.beginsAt')"
            :value="current.from"
            :entries="
              entriesOf(
                points,
                (p) => p.value,
                (p) => p.text,
              )
            "
            @update:value="
              (end) =>
                store.build(say('ui.bench.feedLedElsewhere'), (c) => leadEnd(c, current.id, 'from', end!))
            "
          />
          <Choice
            :label="t('ui.bench.endsAt')"
            :value="current.to"
            :entries="
              entriesOf(
                points,
                (p) => p.value,
                (p) => p.text,
              )
            "
            @update:value="
              (end) =>
                store.build(say('ui.bench.returnLedElsewhere'), (c) => leadEnd(c, current.id, 'to', end!))
            "
          />
          <NButton size="small" @click="build.copyPath()">
            {{ t('ui.bench.copyAllItsParts') }}
          </NButton>
          <NButton size="small" :disabled="!build.clipboard.value.length" @click="build.paste()">
            {{ t('ui.bench.pasteHere') }}
          </NButton>
          <NButton size="small" :disabled="circuit.paths.length < 2" @click="drop">
            {{ t('ui.bench.takeThisPathOut') }}
          </NButton>
          <HarnessEditor :circuit="circuit" />
        </div>
      </NPopover>
      <QuickAdd ref="quick" class="typed" :circuit="circuit" :where="where" @take="build.typed($event)" />
    </div>
    <div class="row flex gap-8px items-center min-w-0">
      <Choice
        :label="t('ui.common.path')"
        labelled="aloud"
        class="path max-w-170px"
        :value="path"
        :entries="
          entriesOf(
            titles,
            (_, i) => i,
            (title) => title,
          )
        "
        @update:value="emit('path', $event!)"
      />
      <PathStrip
        class="flex-1"
        :circuit="circuit"
        :build="build"
        :chosen="chosen"
        :lit="lit"
        @choose="emit('choose', $event)"
        @light="emit('light', $event)"
        @type="quick?.focus()"
      />
      <span class="acts inline-flex gap-2px" role="group" :aria-label="t('ui.bench.theChosenPart')">
        <NButton
          size="small"
          :disabled="!onPath"
          :aria-label="t('ui.bench.moveTowardsSupply')"
          :title="t('ui.bench.moveTowardsSupplyAlt')"
          @click="build.move(-1)"
        >
          <ChevronLeft :size="15" />
        </NButton>
        <NButton
          size="small"
          :disabled="!onPath"
          :aria-label="t('ui.bench.moveTowardsReturn')"
          :title="t('ui.bench.moveTowardsReturnAlt')"
          @click="build.move(1)"
        >
          <ChevronRight :size="15" />
        </NButton>
        <NButton
          size="small"
          :disabled="!onPath"
          :aria-label="t('ui.bench.doubleIt')"
          :title="t('ui.bench.doubleItCtrlD')"
          @click="build.duplicate()"
        >
          <Copy :size="15" />
        </NButton>
        <NButton
          size="small"
          :disabled="!chosen"
          :aria-label="t('ui.common.takeItOut')"
          :title="t('ui.bench.takeItOutDel')"
          @click="build.remove()"
        >
          <Trash2 :size="15" />
        </NButton>
      </span>
    </div>
    <p v-if="build.said.value" class="quiet text-12px basis-full" role="status">{{ build.said.value }}</p>
  </div>
</template>

<style scoped>
.row:first-child {
  flex-wrap: wrap;
}
.typed {
  flex: 1 1 200px;
}
</style>
