<script setup lang="ts">
import { computed } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { limitSetFor, opinionsOn } from '../../../core/readings'
import { NButton, NPopover } from 'naive-ui'
import BalanceLine from '../../readings/BalanceLine.vue'
import { t, tell } from '../../words'
import type { StatePair } from './sheet-rows'

/** What a state comes to: what is seen, the balance of each path, and where limit sets disagree. */
const props = defineProps<{ circuit: Circuit; pair: StatePair; limits: string }>()
const limitSet = computed(() => limitSetFor(props.circuit, props.limits))
const state = computed(() => props.pair.state)
const faulted = computed(() => props.pair.faulted)
/** What the limit sets say of the faulted board, or of the healthy one, where they do not agree. */
const split = computed(() => {
  const now = faulted.value ?? state.value
  return now.balances.flatMap((balance, i) => {
    const { passes, fails } = opinionsOn(props.circuit, balance, now.walks[i]!)
    return passes.length && fails.length ? [{ path: balance.load ?? balance.path, passes, fails }] : []
  })
})
/** Says which path and which board, as far as there is more than one. */
function title(path: number, board: string): string {
  const { load, path: id } = state.value.balances[path]!
  const shared = state.value.balances.filter((other) => other.load === load).length > 1
  // Several paths through one load are told apart by their own names.
  const name = load && !shared ? load : props.circuit.paths.find((p) => p.id === id)?.name || id
  return [state.value.balances.length > 1 ? name : '', faulted.value ? board : ''].filter(Boolean).join(', ')
}
/** So many paths stand above the table: the ones that carry most. The others are a press away. */
const shownFirst = 2
const paths = computed(() =>
  state.value.balances.map((_, i) => i).sort((a, b) => carried(b) - carried(a) || a - b),
)
/** Amps of a path, on whichever board it carries more. */
const carried = (path: number) =>
  Math.max(...[state.value, faulted.value].map((key) => Math.abs(key?.balances[path]?.amps ?? 0)))
/** Of each path a line for either board. */
const lines = computed(() =>
  paths.value.flatMap((path) => [
    { path, state: state.value, title: title(path, t('ui.sheet.healthyBoard')) },
    ...(faulted.value
      ? [{ path, state: faulted.value, title: title(path, t('ui.common.faultedColumn')) }]
      : []),
  ]),
)
const linesFirst = computed(() => shownFirst * (faulted.value ? 2 : 1))
const switching = computed(() => [
  ...new Set([...state.value.limitCycle, ...(faulted.value?.limitCycle ?? [])]),
])
const notices = computed(() =>
  state.value.notices.map((n) => {
    const now = faulted.value?.notices.find((o) => o.part === n.part)
    const healthy = `${n.part} ${tell(n.text)}`
    return now && now.key !== n.key ? t('ui.sheet.faulted', { healthy, faulted: tell(now.text) }) : healthy
  }),
)
</script>

<template>
  <div class="grid grid-cols-1 gap-3px">
    <h2>
      {{ state.state.name }} <span class="quiet">{{ notices.join(' · ') }}</span>
    </h2>
    <BalanceLine
      v-for="(line, i) in lines"
      :key="i"
      v-bind="line"
      :limits="limitSet"
      :class="{ beyond: i >= linesFirst }"
    />
    <NPopover v-if="paths.length > shownFirst" trigger="click" placement="bottom-start" :show-arrow="false">
      <template #trigger>
        <NButton size="tiny" class="no-print justify-self-start">{{
          t('ui.sheet.showAllPaths', { count: paths.length })
        }}</NButton>
      </template>
      <div class="scroll grid gap-3px max-w-[min(92vw,900px)] max-h-60vh" tabindex="0">
        <BalanceLine v-for="(line, i) in lines" :key="i" v-bind="line" :limits="limitSet" />
      </div>
    </NPopover>
    <p v-for="d in split" :key="d.path" class="split text-12.5px text-doubt">
      {{
        t('ui.sheet.limitSetsDisagreeOnPasses', {
          path: d.path,
          join: d.passes.map((s) => tell(s.title)).join('; '),
          join2: d.fails.map((s) => tell(s.title)).join('; '),
        })
      }}
    </p>
    <p v-if="switching.length" class="caution">
      {{ t('ui.sheet.findsNoRestItSwitches', { join: switching.join(', ') }) }}
    </p>
  </div>
</template>

<style scoped>
/* Paper has room for all of them. */
@media screen {
  .beyond {
    display: none;
  }
}
</style>
