<script setup lang="ts">
import { slot } from '../../words/slots'
import Sentence from '../../parts/Sentence.vue'
import Search from '../../parts/Search.vue'
import { useKeys } from '../../keys/useKeys'
import { t } from '../../words'
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { floorRowSchema, floorSchema, type FloorAct, type FloorRow } from '../../../contract/floor'
import { ask, post } from '../../api/client'
import { useLive } from '../../api/live'
import { useAct } from '../../api/useAct'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { useScope } from '../../stores/scope'
import { byNeed, needOf } from './needs'
import Claims from './Claims.vue'
import Station from './Station.vue'

/** The workshop as it runs: who needs me, at a glance. */
const scope = useScope()
await scope.load()
const rows = ref<FloorRow[]>([])
/** How many there are in all, where more are going on than are shown. */
const count = ref(0)
const claims = ref<InstanceType<typeof Claims> | null>(null)
const { wrong, act: doing, failed } = useAct()
const filter = ref('')
const now = ref(Date.now())
useIntervalFn(() => (now.value = Date.now()), 10_000)

/** Rows that came by themselves while the whole list was on its way: they are newer than what it says. */
const newer = new Set<string>()
async function load() {
  newer.clear()
  try {
    const { rows: list, count: all } = await ask(floorSchema, `/floor?${scope.query}`)
    count.value = all
    const kept = new Map(rows.value.filter(({ id }) => newer.has(id)).map((row) => [row.id, row]))
    rows.value = [
      ...list.map((row) => kept.get(row.id) ?? row),
      ...[...kept.values()].filter(({ id }) => !list.some((row) => row.id === id)),
    ]
    wrong.value = ''
  } catch (error) {
    failed(error)
  }
}
const { connected } = useLive(
  '/floor/live',
  {
    row: (data) => {
      const row = floorRowSchema.parse(data)
      // What goes on elsewhere in the school is not looked at here.
      if (scope.people && !scope.people.has(row.student.id)) return
      newer.add(row.id)
      const at = rows.value.findIndex(({ id }) => id === row.id)
      rows.value = at < 0 ? [...rows.value, row] : rows.value.map((old, i) => (i === at ? row : old))
      now.value = Date.now()
    },
    claims: () => void claims.value?.look(),
  },
  () => {
    void load()
    void claims.value?.look()
  },
)
useIntervalFn(() => {
  if (!connected.value) void load()
}, 6000)
await load()
watch(
  () => scope.query,
  () => {
    rows.value = []
    void load()
  },
)

const shown = computed(() => {
  const words = filter.value.toLowerCase().trim()
  const fitting = rows.value.filter(
    (row) =>
      !words || `${row.student.name} ${row.circuit} ${row.station ?? ''}`.toLowerCase().includes(words),
  )
  return byNeed(fitting, now.value)
})
const countOf = (...needs: readonly string[]) =>
  rows.value.filter((row) => needs.includes(needOf(row, now.value))).length

const act = (row: FloorRow, what: FloorAct) => doing(() => post(`/orders/${row.id}/acts`, what))
const finder = ref<InstanceType<typeof Search> | null>(null)
useKeys(t('ui.common.floor'), [
  { press: ['/'], what: t('ui.floor.findAPersonCircuitOr'), act: () => finder.value?.focus() },
])
</script>

<template>
  <div class="floor grid gap-14px content-start py-14px px-20px">
    <div class="top flex flex-wrap gap-y-6px gap-x-20px items-baseline">
      <h1>{{ t('ui.common.floor') }}</h1>
      <ScopeChoice />
      <span
        ><b class="text-20px font-medium">{{ countOf('working', 'stuck', 'unsafe', 'stopped') }}</b>
        {{ t('ui.floor.atWork') }}</span
      >
      <span :class="{ alarm: countOf('unsafe') }"
        ><b class="text-20px font-medium">{{ countOf('unsafe') }}</b> {{ t('ui.floor.unsafe') }}</span
      >
      <span
        ><b class="text-20px font-medium">{{ countOf('stuck') }}</b> {{ t('ui.floor.stuck') }}</span
      >
      <span
        ><b class="text-20px font-medium">{{ countOf('waiting') }}</b> {{ t('ui.common.finished') }}</span
      >
      <Search
        ref="finder"
        v-model="filter"
        :label="t('ui.common.find')"
        :placeholder="t('ui.floor.nameCircuitStation')"
      />
      <span class="quiet" role="status">{{
        connected ? t('ui.floor.live') : t('ui.floor.noConnectionTryingAgain')
      }}</span>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <Claims ref="claims" />
    <p v-if="count > rows.length" role="status">
      {{
        t('ui.floor.theNewestOfAreShown', {
          shown: rows.length,
          count,
        })
      }}
    </p>
    <p v-if="!rows.length && scope.people">
      {{ t('ui.floor.nobodyOfIsAtWork', { about: scope.about }) }}
    </p>
    <p v-else-if="!rows.length">
      <Sentence :text="t('ui.floor.nobodyIsAtWorkHand', { plant: slot('plant'), day: slot('day') })">
        <template #plant
          ><RouterLink :to="{ name: 'circuits' }">{{ t('ui.floor.aCircuitsPlant') }}</RouterLink></template
        >
        <template #day
          ><RouterLink :to="{ name: 'days' }">{{ t('ui.floor.aLabDay') }}</RouterLink></template
        >
      </Sentence>
    </p>
    <ul class="stations grid grid-cols-[repeat(auto-fill,minmax(280px,1fr))] gap-12px m-0 p-0 list-none">
      <Station v-for="row in shown" :key="row.id" :row="row" :now="now" @act="act(row, $event)" />
    </ul>
  </div>
</template>

<style scoped>
.alarm {
  color: var(--fault);
}
</style>
