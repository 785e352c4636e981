<script setup lang="ts">
import { computed } from 'vue'
import type { StateKey } from '../../../core/readings'
import { dropRows } from '../../parts/rows'
import PinButton from '../sheet/PinButton.vue'
import type { SheetView } from '../sheet/useSheet'

const props = withDefaults(
  defineProps<{
    state: StateKey
    faulted?: StateKey | null
    lit: string | null
    /** Which path's pieces; all of them if left out. */
    path?: number
    /** The sheet's own choice and order of rows. */
    view?: SheetView | null
  }>(),
  { faulted: null, path: -1, view: null },
)
const emit = defineEmits<{ light: [part: string | null]; choose: [part: string] }>()

const all = computed(() => dropRows(props.state, props.faulted, props.path))
const rows = computed(() => props.view?.arrange(all.value) ?? all.value)
</script>

<template>
  <table class="data">
    <caption class="visually-hidden">
      Drop across each piece of the path
    </caption>
    <thead>
      <tr>
        <th v-if="view" scope="col" class="no-print"><span class="visually-hidden">Pin</span></th>
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
        :key="row.id"
        :class="{ lit: lit === row.part, bad: row.bad }"
        :data-row="row.part"
        @pointerenter="emit('light', row.part)"
        @pointerleave="emit('light', null)"
        @click="emit('choose', row.part)"
      >
        <td v-if="view" class="no-print">
          <PinButton :id="row.id" :view="view" :what="`${row.part} ${row.name}`" />
        </td>
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
