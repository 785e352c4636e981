<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '../../../core/quantity'
import type { StateKey } from '../../../core/readings'

const props = withDefaults(
  defineProps<{
    state: StateKey
    faulted?: StateKey | null
    lit: string | null
    /** Which path's pieces; all of them if left out. */
    path?: number
    /** The sheet's own choice and order of rows. */
    view?: {
      arrange: <T extends { id: string; words: string; size: number; difference: number; bad: boolean }>(
        rows: readonly T[],
      ) => T[]
    } | null
  }>(),
  { faulted: null, path: -1, view: null },
)
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const volts = (v: number | undefined) => (v === undefined ? 'floating' : formatQuantity(v, 'V'))
const all = computed(() =>
  (props.path < 0 ? props.state.drops : props.state.walks[props.path]!).map((drop) => {
    const other = props.faulted?.drops.find((d) => d.part === drop.part && d.segment === drop.segment)
    const both = drop.value !== undefined && other?.value !== undefined
    const difference = both ? other.value! - drop.value! : undefined
    return {
      ...drop,
      key: drop.part + drop.segment,
      id: `${drop.part}.${drop.segment}`,
      words: `${drop.part} ${drop.name} ${drop.from} ${drop.to} ${drop.side}`,
      size: Math.abs(drop.value ?? 0),
      difference: Math.abs(difference ?? 0),
      shown: volts(drop.value),
      other: other ? volts(other.value) : '',
      text: difference === undefined ? '' : Math.abs(difference) < 0.0005 ? '–' : volts(difference),
      bad: difference !== undefined && difference > Math.max(0.1, drop.band),
    }
  }),
)
const rows = computed(() => props.view?.arrange(all.value) ?? all.value)
</script>

<template>
  <table class="data">
    <caption class="visually-hidden">
      Drop across each piece of the path
    </caption>
    <thead>
      <tr>
        <th scope="col">From – to</th>
        <th scope="col">Piece</th>
        <th scope="col" class="side">Side</th>
        <th scope="col" class="num">
          {{ faulted ? 'Healthy' : 'Drop' }}
        </th>
        <template v-if="faulted">
          <th scope="col" class="num">Faulted</th>
          <th scope="col" class="num">Difference</th>
        </template>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="row in rows"
        :key="row.key"
        :class="{ lit: lit === row.part, bad: row.bad }"
        :data-row="row.part"
        @pointerenter="emit('light', row.part)"
        @pointerleave="emit('light', null)"
        @click="emit('choose', row.part)"
      >
        <td class="reading way">{{ row.from }} – {{ row.to }}</td>
        <td>{{ row.part }} {{ row.name }}</td>
        <td class="quiet side">{{ row.side }}</td>
        <td class="num">
          {{ row.shown }}
        </td>
        <template v-if="faulted">
          <td class="num">
            {{ row.other }}
          </td>
          <td class="num">
            {{ row.text }}
          </td>
        </template>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.way {
  white-space: nowrap;
}
/* Beside a wide drawing the figures matter more than the side, which the order tells as well. */
@container (max-width: 470px) {
  .side {
    display: none;
  }
  table.data {
    font-size: 12px;
  }
  table.data .num {
    padding-right: 6px;
  }
}
</style>
