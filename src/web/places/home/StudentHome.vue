<script setup lang="ts">
import { listed, quoted, t } from '../../words'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { ownRoundsSchema } from '../../../contract/days'
import { deskListSchema } from '../../../contract/lists'
import { usePages } from '../../api/usePages'
import { useServer } from '../../api/useServer'
import { useSession } from '../../stores/session'
import MoreRows from '../../parts/MoreRows.vue'
import { when } from '../../parts/when'
import IntroductionOffer from '../../shell/IntroductionOffer.vue'
import Asked from './Asked.vue'
import DrillsToDo from './DrillsToDo.vue'

/** A student’s day: what the wall asks, what to work at now, where to stand next, and what has come back. */
const { user } = useSession()
const { rows: orders, count, more, ready } = usePages(deskListSchema, () => '/desk')
// At a bench there is this bench and nothing else.
const { data: rounds, ready: seated } = useServer(ownRoundsSchema, () =>
  user?.bench ? undefined : '/rounds',
)
await Promise.all([ready(), user?.bench ? undefined : seated()])

const groups = computed(() =>
  [
    { title: t('ui.home.toWorkAt'), orders: orders.value.filter((o) => !o.concluded) },
    { title: t('ui.home.givenBackTitle'), orders: orders.value.filter((o) => o.concluded && o.released) },
    {
      title: t('ui.home.withYourInstructor'),
      orders: orders.value.filter((o) => o.concluded && !o.released),
    },
  ].filter((group) => group.orders.length),
)
</script>

<template>
  <div class="home max-w-760px my-0 mx-auto py-24px px-20px grid grid-cols-1 gap-18px">
    <h1>{{ t('ui.home.yourWorkOrders') }}</h1>
    <p v-if="user?.bench" role="status">
      {{
        t('ui.home.youAreSignedInAt', {
          bench: user.bench.name,
        })
      }}
    </p>
    <IntroductionOffer v-if="!user?.bench" which="student" />
    <Asked v-if="!user?.bench" />
    <DrillsToDo v-if="!user?.bench" />
    <section v-if="rounds?.length" :aria-label="t('ui.home.yourBenchesToday')">
      <h2 class="text-15px">{{ t('ui.home.yourBenchesToday') }}</h2>
      <ol class="list-none p-0 m-0 flex flex-wrap gap-y-6px gap-x-24px pt-6px">
        <li v-for="one in rounds" :key="`${one.day} ${one.round}`">
          <b class="reading">{{ one.at }}</b>
          {{
            one.with.length ? t('ui.home.with', { stand: one.stand, others: listed(one.with) }) : one.stand
          }}
        </li>
      </ol>
    </section>
    <p v-if="!orders.length">
      {{ t('ui.home.nothingIsOnYourDesk') }}
    </p>
    <section v-for="group in groups" :key="group.title" :aria-label="group.title">
      <h2 class="text-15px">{{ group.title }}</h2>
      <ul class="list-none p-0 m-0">
        <li v-for="order in group.orders" :key="order.id" class="line-t py-10px px-0">
          <RouterLink :to="{ name: 'desk', params: { id: order.id } }">
            {{ order.circuit }}
          </RouterLink>
          <p>{{ quoted(order.complaint) }}</p>
          <p class="quiet">
            {{
              [
                when(order.created),
                ...(order.station
                  ? [t('ui.home.stationRound', { station: order.station, round: order.round })]
                  : []),
                order.concluded
                  ? t('ui.common.finished')
                  : order.steps
                    ? t('ui.home.begunSteps', { steps: order.steps })
                    : t('ui.home.open'),
              ].join(' · ')
            }}
          </p>
          <RouterLink
            v-if="order.released"
            class="review"
            :to="{ name: 'returned', params: { id: order.id } }"
          >
            {{ t('ui.common.yourReview') }}
          </RouterLink>
        </li>
      </ul>
    </section>
    <MoreRows :shown="orders.length" :count="count" @more="more" />
  </div>
</template>

<style scoped>
li a:not(.review) {
  font-size: 17px;
  font-weight: 500;
}
</style>
