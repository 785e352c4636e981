<script setup lang="ts">
import Panel from '../../parts/Panel.vue'
import { NAlert, NEmpty } from 'naive-ui'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { dayOf, nearDaysSchema } from '../../../contract/days'
import { floorSummarySchema } from '../../../contract/floor-base'
import { useServer } from '../../api/useServer'
import Fold from '../../parts/Fold.vue'
import MoreRows from '../../parts/MoreRows.vue'
import Sentence from '../../parts/Sentence.vue'
import { dayWords, when } from '../../parts/when'
import { useScope } from '../../stores/scope'
import { quoted, t } from '../../words'
import { slot } from '../../words/slots'
import { byNeed, filters, needOf } from '../../readings/needs'
import NeedTag from '../../readings/NeedTag.vue'
import type { OrderPages } from './useOrderList'
import Withdraw from './Withdraw.vue'

/** Today's lab day, who needs help there, and what else was handed out. */
const { open, self } = defineProps<{ open: OrderPages; self: string | undefined }>()
const emit = defineEmits<{ takeBack: [id: string] }>()
const scope = useScope()
const days = useServer(nearDaysSchema, () => '/days/near')
const floor = useServer(floorSummarySchema, () => `/floor?${scope.query}`)
const today = dayOf(new Date())
const here = computed(() => (days.data.value ?? []).filter(({ day }) => day === today))
const next = computed(() => (days.data.value ?? []).find(({ day }) => day > today))
const now = Date.now()
const rows = computed(() => floor.data.value?.rows ?? [])
const of = (which: keyof typeof filters) =>
  byNeed(
    rows.value.filter((row) => (filters[which] as readonly string[]).includes(needOf(row, now))),
    now,
  )
const needHelp = computed(() => of('needMe'))
const atWork = computed(() => of('atWork').length)
/** What the instructor tries out is apart from what students have. */
const own = computed(() => open.rows.value.filter(({ studentId }) => studentId === self))
const others = computed(() => open.rows.value.filter(({ studentId }) => studentId !== self))
/** More than this are looked at on the Floor. */
const most = 5
</script>

<template>
  <Panel :title="t('ui.home.inTheWorkshop')">
    <template #extra>
      <RouterLink class="text-13px" :to="{ name: 'floor' }">{{ t('ui.common.floor') }}</RouterLink>
    </template>
    <div class="grid gap-10px">
      <div v-for="day in here" :key="day.id" class="grid gap-2px">
        <RouterLink class="font-medium text-16px" :to="{ name: 'day', params: { id: day.id } }">{{
          day.name
        }}</RouterLink>
        <p>
          {{ t('ui.home.roundsHandedOut', { out: day.out, rounds: day.rounds, stations: day.stations }) }}
        </p>
        <p v-if="day.word">
          <Sentence :text="t('ui.home.codeOfTheDay', { word: slot('word') })"
            ><template #word
              ><b class="reading">{{ day.word }}</b></template
            ></Sentence
          >
        </p>
      </div>
      <p v-if="!here.length && !rows.length">{{ t('ui.home.noLabDayToday') }}</p>
      <p v-if="rows.length">{{ t('ui.home.atWorkAndStuck', { atWork, stuck: needHelp.length }) }}</p>
      <ul v-if="needHelp.length" class="list-none m-0 p-0 grid">
        <li
          v-for="row in needHelp.slice(0, most)"
          :key="row.id"
          class="flex flex-wrap gap-x-8px items-baseline py-5px line-t"
        >
          <NeedTag :need="needOf(row, now)" />
          <RouterLink class="font-medium" :to="{ name: 'review', params: { id: row.id } }">{{
            row.student.name
          }}</RouterLink>
          <span class="quiet">{{ row.station }}</span>
        </li>
      </ul>
      <p v-if="next" class="quiet">
        <Sentence
          :text="
            t('ui.home.nextLabDay', { name: slot('name'), day: dayWords(next.day), stations: next.stations })
          "
        >
          <template #name
            ><RouterLink :to="{ name: 'day', params: { id: next.id } }">{{ next.name }}</RouterLink></template
          >
        </Sentence>
      </p>
      <ul v-if="own.length" class="list-none m-0 p-0 grid" :aria-label="t('ui.home.yourOwnOrders')">
        <li v-for="order in own" :key="order.id" class="grid gap-1px py-5px line-t">
          <RouterLink class="font-medium" :to="{ name: 'desk', params: { id: order.id } }">{{
            t('ui.home.yourDesk')
          }}</RouterLink>
          <span class="quiet text-13px">{{ quoted(order.complaint) }}</span>
          <Withdraw :order="order" @withdraw="emit('takeBack', order.id)" />
        </li>
      </ul>
      <NAlert v-if="floor.wrong.value" type="error" role="alert">{{ floor.wrong.value }}</NAlert>
      <Fold
        v-if="others.length"
        :title="t('ui.home.ordersNotFinished', { count: open.count.value - own.length })"
      >
        <ul class="list-none m-0 p-0" :aria-label="t('ui.home.notFinished')">
          <li v-for="order in others" :key="order.id" class="grid gap-1px py-6px line-b">
            <RouterLink :to="{ name: 'review', params: { id: order.id } }">{{ order.student }}</RouterLink>
            <span class="text-13px">{{ order.circuit }}</span>
            <span class="quiet text-13px">{{
              order.early
                ? t('ui.home.opensOn', { when: when(order.created) })
                : t('ui.home.handedOutAt', { tests: order.tests, created: when(order.created) })
            }}</span>
            <Withdraw :order="order" @withdraw="emit('takeBack', order.id)" />
          </li>
        </ul>
        <MoreRows :shown="open.rows.value.length" :count="open.count.value" @more="open.more" />
      </Fold>
      <NEmpty
        v-if="!open.rows.value.length && !rows.length"
        size="small"
        :description="t('ui.home.nobodyIsAtWorkOpen')"
      />
    </div>
  </Panel>
</template>
