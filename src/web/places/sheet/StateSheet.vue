<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '../../../core/quantity'
import type { StateKey } from '../../../core/readings'
import BalanceLine from '../bench/BalanceLine.vue'
import DropTable from '../bench/DropTable.vue'

const props = defineProps<{ state: StateKey; faulted: StateKey | null; school: string }>()
const volts = (v: number | undefined) => (v === undefined ? 'floating' : formatQuantity(v, 'V'))
const rows = computed(() =>
  props.state.points.map((row, i) => {
    const other = props.faulted?.points[i]
    const difference =
      row.value !== undefined && other?.value !== undefined ? other.value - row.value : undefined
    return {
      ...row,
      shown: volts(row.value),
      spread: row.value === undefined ? '' : `± ${volts(row.band)}`,
      other: other ? volts(other.value) : '',
      difference: difference === undefined ? '' : Math.abs(difference) < 0.0005 ? '–' : volts(difference),
      bad: difference !== undefined && Math.abs(difference) > row.band,
    }
  }),
)
/** Says which path and which board, as far as there is more than one. */
function title(path: number, board: string): string {
  const { load, path: id } = props.state.balances[path]!
  return [props.state.balances.length > 1 ? (load ?? id) : '', props.faulted ? board : '']
    .filter(Boolean)
    .join(', ')
}

const notices = computed(() =>
  props.state.notices.map((n) => {
    const now = props.faulted?.notices.find((o) => o.part === n.part)
    return `${n.part} ${n.text}${now && now.key !== n.key ? `, faulted ${now.text}` : ''}`
  }),
)
</script>

<template>
  <article>
    <h2>
      {{ state.state.name }} <span class="quiet">{{ notices.join(' · ') }}</span>
    </h2>
    <template v-for="(balance, i) in state.balances" :key="balance.path">
      <BalanceLine :state="state" :school="school" :path="i" :title="title(i, 'healthy')" />
      <BalanceLine v-if="faulted" :state="faulted" :school="school" :path="i" :title="title(i, 'faulted')" />
    </template>
    <div class="two">
      <table class="data">
        <caption>
          Volts at each point, black lead on battery −
        </caption>
        <thead>
          <tr>
            <th scope="col">Point</th>
            <th scope="col" class="num">
              {{ faulted ? 'Healthy' : 'Expected' }}
            </th>
            <th scope="col" class="num">Band</th>
            <template v-if="faulted">
              <th scope="col" class="num">Faulted</th>
              <th scope="col" class="num">Difference</th>
            </template>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.name" :class="{ bad: row.bad }">
            <td :title="row.title">
              <span class="reading">{{ row.name }}</span>
            </td>
            <td class="num">
              {{ row.shown }}
            </td>
            <td class="num quiet">
              {{ row.spread }}
            </td>
            <template v-if="faulted">
              <td class="num">
                {{ row.other }}
              </td>
              <td class="num">
                {{ row.difference }}
              </td>
            </template>
          </tr>
        </tbody>
      </table>
      <DropTable :state="state" :faulted="faulted" :lit="null" />
    </div>
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
