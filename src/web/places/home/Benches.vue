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
  <section aria-labelledby="waiting">
    <div class="title">
      <h2 id="waiting">{{ t('ui.home.waitingForYou') }}</h2>
      <span v-if="props.waiting.count.value" class="count">{{ props.waiting.count.value }}</span>
      <RouterLink class="more" :to="{ name: 'rubric' }">{{ t('ui.home.howTheyAreMarked') }}</RouterLink>
    </div>
    <p v-if="!waiting.length" class="quiet">{{ t('ui.home.noFinishedWorkWaitsFor') }}</p>
    <ul>
      <li v-for="order in waiting" :key="order.id">
        <RouterLink :to="{ name: 'review', params: { id: order.id } }">{{ order.student }}</RouterLink>
        <span class="what">{{ order.circuit }}</span>
        <span class="said">{{ quoted(order.complaint) }}</span>
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
      <ul>
        <li v-for="order in given" :key="order.id">
          <RouterLink :to="{ name: 'review', params: { id: order.id } }">{{ order.student }}</RouterLink>
          <span class="what">{{ order.circuit }}</span>
        </li>
      </ul>
      <MoreRows :shown="given.length" :count="props.given.count.value" @more="props.given.more" />
    </Fold>
  </section>
  <section aria-labelledby="working">
    <div class="title">
      <h2 id="working">{{ t('ui.common.atTheBenches') }}</h2>
      <span v-if="props.open.count.value" class="count">{{ props.open.count.value }}</span>
    </div>
    <p v-if="!working.length" class="quiet">
      {{ t('ui.home.nobodyIsAtWorkOpen') }}
    </p>
    <ul>
      <li v-for="order in working" :key="order.id">
        <RouterLink v-if="order.studentId === self" :to="{ name: 'desk', params: { id: order.id } }">{{
          t('ui.home.yourDesk')
        }}</RouterLink>
        <RouterLink v-else :to="{ name: 'review', params: { id: order.id } }">{{ order.student }}</RouterLink>
        <span class="what">{{ order.circuit }}</span>
        <span class="said">{{ quoted(order.complaint) }}</span>
        <span class="quiet">
          {{
            t('ui.home.outSince', {
              begun: order.tests
                ? `${order.tests} ${order.tests === 1 ? t('ui.home.reading') : t('ui.common.readings')}`
                : t('ui.common.notBegun'),
              created: when(order.created),
            })
          }}
        </span>
        <NButton v-if="!order.tests" text type="primary" class="back" @click="emit('takeBack', order.id)">
          {{ t('ui.common.takeItBack')
          }}<span class="visually-hidden">
            {{ t('ui.home.from', { student: order.student, circuit: order.circuit }) }}</span
          >
        </NButton>
      </li>
    </ul>
    <MoreRows :shown="props.open.rows.value.length" :count="props.open.count.value" @more="props.open.more" />
  </section>
  <section aria-labelledby="opened">
    <div class="title">
      <h2 id="opened">{{ t('ui.home.openedLast') }}</h2>
    </div>
    <p v-if="!recent.length" class="quiet">
      {{ t('ui.home.whatYouOpenOnBench') }}
    </p>
    <ul>
      <li v-for="one in recent" :key="one.id">
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
section {
  display: grid;
  gap: 8px;
  align-content: start;
  border-top: 2px solid var(--ink);
  padding-top: 10px;
}
.title {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
.more {
  margin-left: auto;
  font-size: 13px;
}
.count {
  font-family: var(--face-readings);
  font-weight: 500;
  color: var(--accent);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 250px;
  overflow: auto;
}
li {
  display: grid;
  gap: 1px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
li a {
  font-weight: 500;
  min-height: 24px;
}
.back {
  justify-self: start;
  min-height: 24px;
  font-size: 13px;
}
.what {
  font-size: 14px;
}
.said {
  font-size: 13px;
  font-style: italic;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.quiet {
  font-size: 13px;
}
</style>
