<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { NAlert, NCalendar, NEmpty, NTabPane, NTabs } from 'naive-ui'
import { computed, onMounted, ref, useTemplateRef } from 'vue'
import { RouterLink } from 'vue-router'
import { dayListSchema, dayOf, type DayRow } from '../../../contract'
import { usePages } from '../../api/usePages'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import MoreRows from '../../parts/MoreRows.vue'
import Search from '../../parts/Search.vue'
import { dayWords } from '../../parts/when'
import { useScope } from '../../stores/scope'
import { t } from '../../words'
import NewDay from './NewDay.vue'

/** Days in the workshop: what is planned, what runs, what was. */
const find = ref('')
const asked = refDebounced(find, 200)
const list = usePages(dayListSchema, () => `/days?find=${encodeURIComponent(asked.value.trim())}`)
const scope = useScope()
await Promise.all([list.ready(), scope.load(), scope.loadPeople()])

const days = list.rows
const ofDay = computed(() => {
  const found = new Map<string, DayRow[]>()
  for (const one of days.value) found.set(one.day, [...(found.get(one.day) ?? []), one])
  return found
})
const iso = (year: number, month: number, date: number) =>
  `${year}-${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`
const chosen = ref(dayOf(new Date()))
const noon = ref(Date.parse(`${chosen.value}T12:00:00`))
function choose(at: number, { year, month, date }: { year: number; month: number; date: number }) {
  noon.value = at
  chosen.value = iso(year, month, date)
}
/** Days come newest first: a month that lies before what has come asks for more. */
async function look({ year, month }: { year: number; month: number }) {
  const first = iso(year, month, 1)
  while (list.count.value > days.value.length && (days.value.at(-1)?.day ?? '') >= first) {
    const before = days.value.length
    await list.more()
    if (days.value.length === before) return
  }
}
const calendar = useTemplateRef('calendar')
// The library’s buttons for the month before and after have no names.
onMounted(() => {
  const names = [t('ui.days.monthBefore'), '', t('ui.days.monthAfter')]
  for (const [i, button] of (calendar.value?.querySelectorAll('.n-calendar-header button') ?? []).entries())
    if (names[i]) button.setAttribute('aria-label', names[i])
})
const columns: Column<DayRow>[] = [
  {
    key: 'day',
    title: t('ui.days.day'),
    text: (one) => dayWords(one.day),
    width: 170,
    sort: byText((one) => one.day),
  },
  { key: 'name', title: t('ui.common.name'), sort: byText((one) => one.name) },
  {
    key: 'stations',
    title: t('ui.days.stations'),
    text: (one) => String(one.stations),
    number: true,
    width: 90,
  },
  {
    key: 'rounds',
    title: t('ui.days.roundsHandedOut'),
    text: (one) => t('ui.days.roundsOut', { out: one.out, rounds: one.rounds }),
    number: true,
    width: 160,
  },
]
</script>

<template>
  <div class="days grid grid-cols-1 gap-12px content-start max-w-1240px my-0 mx-auto py-16px px-20px">
    <h1>{{ t('ui.common.labDays') }}</h1>
    <NAlert v-if="list.wrong.value" type="error" role="alert">{{ list.wrong.value }}</NAlert>
    <div class="grid grid-cols-[minmax(0,1fr)_320px] gap-24px items-start lt-md:grid-cols-1">
      <NTabs type="line" size="small" default-value="calendar">
        <NTabPane name="calendar" :tab="t('ui.days.calendar')">
          <div ref="calendar">
            <NCalendar v-model:value="noon" class="calendar" @update:value="choose" @panel-change="look">
              <template #default="{ year, month, date }">
                <RouterLink
                  v-for="one in ofDay.get(iso(year, month, date)) ?? []"
                  :key="one.id"
                  class="event"
                  :to="{ name: 'day', params: { id: one.id } }"
                  :title="
                    t('ui.days.eventTold', {
                      name: one.name,
                      stations: one.stations,
                      out: one.out,
                      rounds: one.rounds,
                    })
                  "
                  @click.stop
                  >{{ one.name }}</RouterLink
                >
              </template>
            </NCalendar>
          </div>
        </NTabPane>
        <NTabPane name="list" :tab="t('ui.common.asList')">
          <div class="grid gap-10px">
            <Search
              v-model="find"
              class="find"
              :label="t('ui.days.findALabDayBy')"
              :placeholder="t('ui.days.findALabDayBy')"
            />
            <NEmpty v-if="!days.length && find" :description="t('ui.days.noLabDayHasA')" />
            <NEmpty v-else-if="!days.length" :description="t('ui.days.nonePlannedYetADay')" />
            <DataTable
              v-else
              :label="t('ui.common.labDays')"
              :columns="columns"
              :rows="days"
              :row-key="(one) => one.id"
            >
              <template #cell-name="{ row }"
                ><RouterLink :to="{ name: 'day', params: { id: row.id } }">{{
                  row.name
                }}</RouterLink></template
              >
            </DataTable>
            <MoreRows :shown="days.length" :count="list.count.value" @more="list.more" />
          </div>
        </NTabPane>
      </NTabs>
      <NewDay :day="chosen" />
    </div>
  </div>
</template>

<style scoped>
.calendar {
  height: 620px;
}
.calendar :deep(.n-calendar-cell--other-month .n-calendar-date) {
  color: var(--quiet);
}
.event {
  display: block;
  overflow: hidden;
  margin-top: 2px;
  padding: 1px 5px;
  border-left: 3px solid var(--accent);
  background: var(--accent-soft);
  font-size: 12px;
  text-decoration: none;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
