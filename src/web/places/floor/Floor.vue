<script setup lang="ts">
import { useStorage } from '@vueuse/core'
import { NAlert, NEmpty, NTag } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { FloorRow } from '../../../contract/floor'
import { useKeys } from '../../keys/useKeys'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import Search from '../../parts/Search.vue'
import Segments from '../../parts/Segments.vue'
import Sentence from '../../parts/Sentence.vue'
import { t } from '../../words'
import { slot } from '../../words/slots'
import Claims from './Claims.vue'
import FloorList from './FloorList.vue'
import StationCard from './StationCard.vue'
import { byNeed, filters, needOf, type Filter } from '../../readings/needs'
import { useScope } from '../../stores/scope'
import { useFloor } from './useFloor'

/** The workshop as it runs: who needs me, at a glance. */
const claims = ref<InstanceType<typeof Claims> | null>(null)
await useScope().load()
const { scope, rows, count, wrong, now, connected, ready, act } = useFloor(() => void claims.value?.look())
// What keeps it away is said in the place, which goes on asking.
await ready().catch(() => undefined)

const search = ref('')
const filter = ref<Filter | null>('all')
const view = useStorage<'cards' | 'list'>('floor view', 'cards')
const fits = (row: FloorRow, which: Filter) =>
  (filters[which] as readonly string[]).includes(needOf(row, now.value))
const countOf = (which: Filter) => rows.value.filter((row) => fits(row, which)).length
const entries = computed(() => [
  { value: 'all' as const, label: t('ui.floor.filterAll', { count: countOf('all') }) },
  { value: 'needMe' as const, label: t('ui.floor.filterNeedMe', { count: countOf('needMe') }) },
  { value: 'atWork' as const, label: t('ui.floor.filterAtWork', { count: countOf('atWork') }) },
  { value: 'notBegun' as const, label: t('ui.floor.filterNotBegun', { count: countOf('notBegun') }) },
  { value: 'finished' as const, label: t('ui.floor.filterFinished', { count: countOf('finished') }) },
])
const shown = computed(() => {
  const words = search.value.toLowerCase().trim()
  const fitting = rows.value.filter(
    (row) =>
      fits(row, filter.value ?? 'all') &&
      (!words || `${row.student.name} ${row.circuit} ${row.station ?? ''}`.toLowerCase().includes(words)),
  )
  return byNeed(fitting, now.value)
})
const views = [
  { value: 'cards' as const, label: t('ui.common.asCards') },
  { value: 'list' as const, label: t('ui.common.asList') },
]
const finder = ref<InstanceType<typeof Search> | null>(null)
useKeys(t('ui.common.floor'), [
  { press: ['/'], what: t('ui.floor.findAPersonCircuitOr'), act: () => finder.value?.focus() },
])
</script>

<template>
  <div class="floor grid grid-cols-1 gap-14px content-start py-14px px-20px">
    <div class="top flex flex-wrap gap-y-8px gap-x-12px items-center">
      <h1>{{ t('ui.common.floor') }}</h1>
      <NTag size="small" :type="connected ? 'success' : 'warning'" round
        ><span role="status">{{
          connected ? t('ui.floor.live') : t('ui.floor.noConnectionTryingAgain')
        }}</span></NTag
      >
      <Segments v-model:value="filter" :label="t('ui.floor.filter')" :entries="entries" />
      <ScopeChoice />
      <Search
        ref="finder"
        v-model="search"
        class="!w-200px"
        :label="t('ui.common.find')"
        :placeholder="t('ui.floor.nameCircuitStation')"
      />
      <Segments v-model:value="view" :label="t('ui.common.view')" :entries="views" class="ml-auto" />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <Claims ref="claims" />
    <NAlert v-if="count > rows.length" type="info" role="status">
      {{ t('ui.floor.theNewestOfAreShown', { shown: rows.length, count }) }}
    </NAlert>
    <NEmpty
      v-if="!rows.length && scope.people"
      :description="t('ui.floor.nobodyOfIsAtWork', { about: scope.about })"
    />
    <NEmpty v-else-if="!rows.length">
      <Sentence :text="t('ui.floor.nobodyIsAtWorkHand', { plant: slot('plant'), day: slot('day') })">
        <template #plant
          ><RouterLink :to="{ name: 'circuits' }">{{ t('ui.floor.aCircuitsPlant') }}</RouterLink></template
        >
        <template #day
          ><RouterLink :to="{ name: 'days' }">{{ t('ui.floor.aLabDay') }}</RouterLink></template
        >
      </Sentence>
    </NEmpty>
    <NEmpty v-else-if="!shown.length" :description="t('ui.floor.nobodyFits')" />
    <FloorList v-else-if="view === 'list'" :rows="shown" :now="now" @act="act" />
    <ul
      v-else
      class="stations grid grid-cols-[repeat(auto-fill,minmax(280px,1fr))] gap-12px m-0 p-0 list-none"
    >
      <StationCard v-for="row in shown" :key="row.id" :row="row" :now="now" @act="act(row, $event)" />
    </ul>
  </div>
</template>
