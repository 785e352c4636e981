<script setup lang="ts">
import { computed } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { limitSetFor, opinionsOn } from '../../../core/readings'
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
  return [state.value.balances.length > 1 ? (load ?? id) : '', faulted.value ? board : '']
    .filter(Boolean)
    .join(', ')
}
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
  <div class="grid gap-3px max-h-22vh overflow-auto">
    <h2>
      {{ state.state.name }} <span class="quiet">{{ notices.join(' · ') }}</span>
    </h2>
    <template v-for="(balance, i) in state.balances" :key="balance.path">
      <BalanceLine
        :state="state"
        :limits="limitSet"
        :path="i"
        :title="title(i, t('ui.sheet.healthyBoard'))"
      />
      <BalanceLine
        v-if="faulted"
        :state="faulted"
        :limits="limitSet"
        :path="i"
        :title="title(i, t('ui.common.faultedColumn'))"
      />
    </template>
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
