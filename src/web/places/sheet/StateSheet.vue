<script setup lang="ts">
import { t, tell } from '../../words'
import { computed } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import type { MeterType } from '../../../core/instruments'
import {
  clampColumns,
  clampTable,
  fuseColumns,
  fuseTable,
  limitSetFor,
  opinionsOn,
  type StateKey,
} from '../../../core/readings'
import KeyTable from '../../readings/KeyTable.vue'
import BalanceLine from '../../readings/BalanceLine.vue'
import DropTable from '../../readings/DropTable.vue'
import PointTable from './PointTable.vue'
import type { RowsView } from '../../readings/useRows'

const props = defineProps<{
  circuit: Circuit
  state: StateKey
  faulted: StateKey | null
  faults: readonly Fault[]
  limits: string
  view: RowsView
  meter: MeterType
}>()
const limitSet = computed(() => limitSetFor(props.circuit, props.limits))
/** What the limit sets say of the faulted board, or of the healthy one, where they do not agree. */
const split = computed(() => {
  const now = props.faulted ?? props.state
  return now.balances.flatMap((balance, i) => {
    const { passes, fails } = opinionsOn(props.circuit, balance, now.walks[i]!)
    return passes.length && fails.length ? [{ path: balance.load ?? balance.path, passes, fails }] : []
  })
})
/** Says which path and which board, as far as there is more than one. */
function title(path: number, board: string): string {
  const { load, path: id } = props.state.balances[path]!
  return [props.state.balances.length > 1 ? (load ?? id) : '', props.faulted ? board : '']
    .filter(Boolean)
    .join(', ')
}

const fuses = computed(() => fuseTable(props.state, props.faulted))
const places = computed(() => clampTable(props.state, props.faulted))
const scans = computed(() => (props.faulted ?? props.state).scans)
const switching = computed(() => [
  ...new Set([...props.state.limitCycle, ...(props.faulted?.limitCycle ?? [])]),
])

const notices = computed(() =>
  props.state.notices.map((n) => {
    const now = props.faulted?.notices.find((o) => o.part === n.part)
    return `${n.part} ${tell(n.text)}${now && now.key !== n.key ? t('ui.sheet.faulted', { text: tell(now.text) }) : ''}`
  }),
)
</script>

<template>
  <article>
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
    <p v-for="d in split" :key="d.path" class="split">
      {{
        t('ui.sheet.limitSetsDisagreeOnPasses', {
          path: d.path,
          join: d.passes.map((s) => tell(s.title)).join('; '),
          join2: d.fails.map((s) => tell(s.title)).join('; '),
        })
      }}
    </p>
    <div class="two">
      <PointTable
        :circuit="circuit"
        :state="state"
        :faulted="faulted"
        :faults="faults"
        :view="view"
        :meter="meter"
      />
      <DropTable :state="state" :faulted="faulted" :lit="null" :view="view" captioned />
    </div>
    <div v-if="fuses.length || places.length || scans.length" class="two">
      <KeyTable
        v-if="fuses.length"
        :columns="fuseColumns"
        :rows="fuses"
        :beside="!!faulted"
        :caption="t('ui.sheet.millivoltsAcrossEachFuseAnd')"
      />
      <KeyTable
        v-if="places.length"
        :columns="clampColumns"
        :rows="places"
        :beside="!!faulted"
        :caption="t('ui.sheet.aClampAtEachMeasuring')"
      />
      <table v-for="scan in scans" :key="scan.part" class="data">
        <caption>
          {{
            t('ui.sheet.scanToolOn', { part: scan.part })
          }}
        </caption>
        <tbody>
          <tr v-for="(row, i) in scan.rows" :key="i">
            <th scope="row">{{ tell(row.name) }}</th>
            <td>{{ tell(row.value) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="switching.length" class="caution">
      {{
        t('ui.sheet.findsNoRestItSwitches', {
          join: switching.join(', '),
        })
      }}
    </p>
  </article>
</template>

<style scoped>
article {
  display: grid;
  gap: 6px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 0.8fr) minmax(0, 1.2fr);
  gap: 28px;
  align-items: start;
}
@media screen and (max-width: 760px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
.split {
  font-size: 12.5px;
  color: var(--doubt);
}
caption {
  text-align: left;
  color: var(--quiet);
  font-size: 12px;
}
@media print {
  /* A state a page; the first shares it with the title. */
  article + article {
    break-before: page;
  }
  .two {
    grid-template-columns: minmax(0, 0.85fr) minmax(0, 1.15fr);
    gap: 18px;
  }
}
</style>
