<script setup lang="ts">
import Panel from '../../parts/Panel.vue'
import { NEmpty } from 'naive-ui'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { CircuitList } from '../../../contract/lists'
import { when } from '../../parts/when'
import { useOpened } from '../../stores/opened'
import { t } from '../../words'

/** Where the instructor was: circuits that were opened last, else the newest ones. */
const { circuits } = defineProps<{ circuits: CircuitList }>()
const { opened } = useOpened()
const most = 6
const places = {
  bench: t('ui.common.bench'),
  plant: t('ui.common.plant'),
  sheet: t('ui.common.sheet'),
} as const
/** What has been taken out of the library since is not offered. */
const recent = computed(() =>
  opened.value
    .flatMap((one) => {
      const row = circuits.find(({ id }) => id === one.id)
      return row ? [{ ...row, place: one.place, at: new Date(one.at).toISOString() }] : []
    })
    .slice(0, most),
)
const shown = computed(() =>
  recent.value.length
    ? recent.value
    : circuits
        .toSorted((a, b) => b.updated.localeCompare(a.updated))
        .slice(0, most)
        .map((row) => ({ ...row, place: 'bench' as const, at: row.updated })),
)
</script>

<template>
  <Panel :title="t('ui.home.goOn')">
    <template #extra>
      <RouterLink class="text-13px" :to="{ name: 'circuits' }">{{ t('ui.home.allCircuits') }}</RouterLink>
    </template>
    <NEmpty v-if="!shown.length" size="small" :description="t('ui.home.whatYouOpenOnBench')" />
    <ul class="list-none m-0 p-0 grid grid-cols-[repeat(auto-fill,minmax(230px,1fr))] gap-12px">
      <li v-for="one in shown" :key="one.id" class="grid gap-2px content-start min-w-0 py-6px px-10px line">
        <RouterLink :to="{ name: one.place, params: { id: one.id } }" class="font-medium">
          {{ one.name }}
        </RouterLink>
        <span class="quiet text-13px">{{
          t('ui.home.openedOn', { place: places[one.place], when: when(one.at) })
        }}</span>
      </li>
    </ul>
  </Panel>
</template>
