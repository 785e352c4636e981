<script setup lang="ts">
import Fold from '../../parts/Fold.vue'
import { t, quoted } from '../../words'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { CircuitList } from '../../../contract/lists'
import MoreRows from '../../parts/MoreRows.vue'
import { when } from '../../parts/when'
import { useOpened } from '../../stores/opened'
import type { useOrderList } from './useOrderList'

type OrderList = ReturnType<typeof useOrderList>

/** What today needs: who waits for a review, who is at work, and what was opened last. */
const props = defineProps<{
  waiting: OrderList
  open: OrderList
  given: OrderList
  circuits: CircuitList
  self: string | undefined
}>()
const emit = defineEmits<{ giveBack: []; takeBack: [id: string] }>()

const { opened } = useOpened()
const waiting = computed(() => props.waiting.rows.value)
const given = computed(() => props.given.rows.value)
const working = computed(() =>
  [...props.open.rows.value]
    // Who has begun comes before who has not.
    .sort((a, b) => Number(b.tests > 0) - Number(a.tests > 0)),
)
/** What has been taken out of the library since is not offered. */
const recent = computed(() =>
  opened.value.flatMap((one) => {
    const row = props.circuits.find(({ id }) => id === one.id)
    return row ? [{ ...one, name: row.name }] : []
  }),
)
const places = {
  bench: t('ui.common.bench'),
  plant: t('ui.common.plant'),
  sheet: t('ui.common.sheet'),
} as const
</script>

<template>
  <section class="grid gap-8px content-start line-t-2px-ink pt-10px" aria-labelledby="waiting">
    <div class="title flex gap-10px items-baseline">
      <h2 id="waiting">{{ t('ui.home.waitingForYou') }}</h2>
      <span v-if="props.waiting.count.value" class="count font-readings font-medium text-accent">{{
        props.waiting.count.value
      }}</span>
      <RouterLink class="more ml-auto text-13px" :to="{ name: 'rubric' }">{{
        t('ui.home.howTheyAreMarked')
      }}</RouterLink>
    </div>
    <p v-if="!waiting.length" class="quiet">{{ t('ui.home.noFinishedWorkWaitsFor') }}</p>
    <ul class="list-none m-0 p-0 max-h-250px overflow-auto">
      <li v-for="order in waiting" :key="order.id" class="grid gap-1px py-6px px-0 line-b">
        <RouterLink :to="{ name: 'review', params: { id: order.id } }">{{ order.student }}</RouterLink>
        <span class="what text-14px">{{ order.circuit }}</span>
        <span class="text-13px italic whitespace-nowrap overflow-hidden text-ellipsis">{{
          quoted(order.complaint)
        }}</span>
        <span class="quiet">{{
          t('ui.home.finishedReadings', {
            concluded: when(order.concluded!),
            tests: order.tests,
          })
        }}</span>
      </li>
    </ul>
    <MoreRows
      :shown="props.waiting.rows.value.length"
      :count="props.waiting.count.value"
      @more="props.waiting.more"
    />
    <NButton v-if="waiting.length" size="small" @click="emit('giveBack')">
      {{
        t('ui.home.giveBack', {
          reviews:
            props.waiting.count.value === 1
              ? t('ui.home.theFinishedReview')
              : t('ui.home.allFinishedReviews', { count: props.waiting.count.value }),
        })
      }}
    </NButton>
    <Fold v-if="given.length" :title="t('ui.home.givenBack', { count: props.given.count.value })">
      <ul class="list-none m-0 p-0 max-h-250px overflow-auto">
        <li v-for="order in given" :key="order.id" class="grid gap-1px py-6px px-0 line-b">
          <RouterLink :to="{ name: 'review', params: { id: order.id } }">{{ order.student }}</RouterLink>
          <span class="what text-14px">{{ order.circuit }}</span>
        </li>
      </ul>
      <MoreRows :shown="given.length" :count="props.given.count.value" @more="props.given.more" />
    </Fold>
  </section>
  <section class="grid gap-8px content-start line-t-2px-ink pt-10px" aria-labelledby="working">
    <div class="title flex gap-10px items-baseline">
      <h2 id="working">{{ t('ui.common.atTheBenches') }}</h2>
      <span v-if="props.open.count.value" class="count font-readings font-medium text-accent">{{
        props.open.count.value
      }}</span>
    </div>
    <p v-if="!working.length" class="quiet">
      {{ t('ui.home.nobodyIsAtWorkOpen') }}
    </p>
    <ul class="list-none m-0 p-0 max-h-250px overflow-auto">
      <li v-for="order in working" :key="order.id" class="grid gap-1px py-6px px-0 line-b">
        <RouterLink v-if="order.studentId === self" :to="{ name: 'desk', params: { id: order.id } }">{{
          t('ui.home.yourDesk')
        }}</RouterLink>
        <RouterLink v-else :to="{ name: 'review', params: { id: order.id } }">{{ order.student }}</RouterLink>
        <span class="what text-14px">{{ order.circuit }}</span>
        <span class="text-13px italic whitespace-nowrap overflow-hidden text-ellipsis">{{
          quoted(order.complaint)
        }}</span>
        <span class="quiet">
          {{
            order.early
              ? t('ui.home.opensOn', { when: when(order.created) })
              : t('ui.home.outSince', {
                  tests: order.tests,
                  created: when(order.created),
                })
          }}
        </span>
        <NButton
          v-if="!order.tests"
          text
          type="primary"
          class="back justify-self-start min-h-24px text-13px"
          @click="emit('takeBack', order.id)"
        >
          {{ t('ui.common.takeItBack')
          }}<span class="visually-hidden">
            {{ t('ui.home.from', { student: order.student, circuit: order.circuit }) }}</span
          >
        </NButton>
      </li>
    </ul>
    <MoreRows :shown="props.open.rows.value.length" :count="props.open.count.value" @more="props.open.more" />
  </section>
  <section class="grid gap-8px content-start line-t-2px-ink pt-10px" aria-labelledby="opened">
    <div class="title flex gap-10px items-baseline">
      <h2 id="opened">{{ t('ui.home.openedLast') }}</h2>
    </div>
    <p v-if="!recent.length" class="quiet">
      {{ t('ui.home.whatYouOpenOnBench') }}
    </p>
    <ul class="list-none m-0 p-0 max-h-250px overflow-auto">
      <li v-for="one in recent" :key="one.id" class="grid gap-1px py-6px px-0 line-b">
        <RouterLink :to="{ name: one.place, params: { id: one.id } }">{{ one.name }}</RouterLink>
        <span class="quiet">{{
          t('ui.home.on', {
            place: places[one.place],
            toISOString: when(new Date(one.at).toISOString()),
          })
        }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li a {
  font-weight: 500;
  min-height: 24px;
}
.quiet {
  font-size: 13px;
}
</style>
