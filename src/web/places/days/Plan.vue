<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import { NButton, NTable, NTag } from 'naive-ui'
import { t } from '../../words'
import { computed, ref } from 'vue'
import type { Broken, Station } from '../../../core/lab'

interface Place {
  readonly group: number
  readonly round: number
}
/** Who is where in which round. A place is dragged onto another, or chosen and then the other: the two change. */
const props = defineProps<{
  stands: readonly Station[]
  groups: readonly { readonly name: string }[]
  seats: readonly (readonly number[])[]
  broken: readonly Broken[]
  out: readonly number[]
  times: readonly string[]
}>()
const emit = defineEmits<{ swap: [a: Place, b: Place]; out: [round: number] }>()
const held = ref<Place | null>(null)
const bad = computed(
  () => new Set(props.broken.flatMap(({ groups, round }) => groups.map((g) => `${g}.${round}`))),
)
const whyOf = (group: number, round: number) =>
  props.broken.filter((b) => b.round === round && b.groups.includes(group))
function take(place: Place) {
  const from = held.value
  held.value = null
  if (!from) held.value = place
  else if (from.group !== place.group || from.round !== place.round) emit('swap', from, place)
}
const isHeld = (group: number, round: number) => held.value?.group === group && held.value.round === round
</script>

<template>
  <NTable size="small" :bordered="false" class="plan" :aria-label="t('ui.days.whoWorksWhere')">
    <thead>
      <tr>
        <th scope="col">{{ t('ui.days.who') }}</th>
        <th v-for="(time, r) in times" :key="r" scope="col">
          {{ t('ui.days.round', { x: r + 1 }) }} <span class="quiet">{{ time }}</span>
          <NButton v-if="!out.includes(r)" class="ml-8px" size="small" @click="emit('out', r)">
            {{ t('ui.days.handOut') }}
          </NButton>
          <NTag v-else class="ml-8px" size="small" type="success">{{ t('ui.days.isOut') }}</NTag>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(group, g) in groups" :key="g">
        <th scope="row">{{ group.name }}</th>
        <td v-for="(seat, r) in seats[g]" :key="r">
          <Toggle
            class="place"
            :class="{ bad: bad.has(`${g}.${r}`) }"
            :on="isHeld(g, r)"
            :title="whyOf(g, r).length ? t('ui.days.breaksARule') : stands[seat]?.task"
            draggable="true"
            @dragstart="held = { group: g, round: r }"
            @dragover.prevent
            @drop.prevent="take({ group: g, round: r })"
            @click="take({ group: g, round: r })"
            @keydown.esc="held = null"
          >
            <b class="font-medium">{{ stands[seat]?.name ?? t('ui.days.noBench') }}</b>
            <span class="overflow-hidden text-quiet text-12px text-ellipsis whitespace-nowrap">{{
              stands[seat]?.task
            }}</span>
          </Toggle>
        </td>
      </tr>
    </tbody>
  </NTable>
</template>

<style scoped>
.plan {
  table-layout: fixed;
  width: 100%;
}
.plan th:first-child {
  width: 230px;
}
th[scope='row'] {
  text-align: left;
  font-weight: 500;
  white-space: normal;
}
.place {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  justify-content: stretch;
  gap: 1px;
  width: 100%;
  padding: 4px 7px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  color: inherit;
  font: inherit;
  justify-items: start;
  text-align: left;
  cursor: grab;
}
.place :deep(.n-button__content) {
  justify-content: flex-start;
  gap: 8px;
  width: 100%;
  min-width: 0;
}
.place[aria-pressed='true'] {
  outline: 2px solid var(--focus);
}
.place.bad {
  border: 2px solid var(--fault);
  background: var(--fault-soft);
}
</style>
