<script setup lang="ts">
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
      <button type="button" class="small">{{ t('ui.bench.branch') }}</button>
    </template>
    <form class="form" :aria-label="t('ui.bench.newPath')" @keydown.esc="open = false" @submit.prevent="make">
      <label class="field"
        >{{ t('ui.common.from') }}
        <select v-model="from">
          <option v-for="p in points" :key="p.value" :value="p.value">{{ p.text }}</option>
        </select></label
      >
      <label class="field"
        >{{ t('ui.bench.firstPart') }}
        <select v-model="kind">
          <option v-for="p in parts.filter((q) => q.role !== 'source')" :key="p.kind" :value="p.kind">
            {{ tell(p.title) }}
          </option>
        </select></label
      >
      <label class="field"
        >{{ t('ui.common.to') }}
        <select v-model="to">
          <option v-for="p in points" :key="p.value" :value="p.value">{{ p.text }}</option>
        </select></label
      >
      <NButton attr-type="submit" size="small" type="primary">{{ t('ui.bench.makeThePath') }}</NButton>
    </form>
  </NPopover>
</template>

<style scoped>
.form {
  display: grid;
  gap: 8px;
}
</style>
