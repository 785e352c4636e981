<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { findPart, wireUp } from '../../../core/model'
import { t, tell } from '../../words'
import { NButton, NPopover } from 'naive-ui'
import { computed, ref } from 'vue'
import { commonReturn, presets } from '../../../core/editing'
import { type Circuit, type TerminalRef, refOf } from '../../../core/circuit'
import { partOfKind, parts } from '../../../core/parts'
import type { Build } from './useBuild'

const props = defineProps<{ circuit: Circuit; build: Build; near: string | null }>()

const open = ref(false)
const from = ref<TerminalRef>()
const to = ref<TerminalRef>()
const kind = ref('wire')
const points = computed(() =>
  wireUp(props.circuit)
    .points.filter((p) => !p.inside)
    .map((p) => ({
      value: refOf(p.part, p.terminal),
      text: `${p.name}  ${findPart(props.circuit, p.part)?.name ?? ''} ${tell(p.title)}`.trim(),
    })),
)
function begin(shown: boolean) {
  open.value = shown
  if (!shown) return
  const beside = points.value.filter((p) => p.value.startsWith(`${props.near}.`))
  from.value = beside[beside.length - 1]?.value ?? props.circuit.paths[0]!.from
  to.value = commonReturn(props.circuit)
}
function make() {
  if (!from.value || !to.value) return
  const parameters = presets(props.circuit, partOfKind(kind.value))
  if (props.build.branch(from.value, to.value, [{ new: { kind: kind.value, parameters } }]))
    open.value = false
}
</script>

<template>
  <NPopover
    trigger="click"
    placement="bottom-start"
    :show="open"
    :width="330"
    :show-arrow="false"
    @update:show="begin"
  >
    <template #trigger>
      <NButton size="small">{{ t('ui.bench.branch') }}</NButton>
    </template>
    <form
      class="grid gap-8px"
      :aria-label="t('ui.bench.newPath')"
      @keydown.esc="open = false"
      @submit.prevent="make"
    >
      <Choice
        v-model:value="from"
        :label="t('ui.common.from')"
        :entries="
          entriesOf(
            points,
            (p) => p.value,
            (p) => p.text,
          )
        "
      />
      <Choice
        v-model:value="kind"
        :label="t('ui.bench.firstPart')"
        :entries="
          entriesOf(
            parts.filter((q) => q.role !== 'source'),
            (p) => p.kind,
            (p) => tell(p.title),
          )
        "
      />
      <Choice
        v-model:value="to"
        :label="t('ui.common.to')"
        :entries="
          entriesOf(
            points,
            (p) => p.value,
            (p) => p.text,
          )
        "
      />
      <NButton attr-type="submit" size="small" type="primary">{{ t('ui.bench.makeThePath') }}</NButton>
    </form>
  </NPopover>
</template>
