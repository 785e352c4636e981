<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { clockOf } from '../../../contract/days'
import { messageOf } from '../../api/client'
import { useOneAct } from '../../api/one-act'
import { useLeaveGuard } from '../../shell/confirm'
import { dayWords } from '../../parts/when'
import Plan from './Plan.vue'
import Stands from './Stands.vue'
import { useDay } from './useDay'

const day = await useDay(String(useRoute().params.id))
const { stored, body, lessons, wrong, saving, waiting, best, groups, stands, seats, broken } = day
const said = ref('')

useLeaveGuard(saving)
/** When each round begins. */
const times = computed(() => Array.from({ length: body.value.rounds }, (_, r) => clockOf(body.value, r)))
const numberOf = (event: Event, least: number, most: number, now: number) => {
  const n = Math.round(Number((event.target as HTMLInputElement).value))
  return Number.isFinite(n) && n >= least && n <= most ? n : now
}
/** One to a bench, or two where there are more people than benches. */
function pair(size: number) {
  const all = body.value.groups.flat()
  const next: string[][] = []
  for (let i = 0; i < all.length; i += size) next.push(all.slice(i, i + size))
  void day.change({ groups: next, seats: [] }).then(day.turn)
}
const { once } = useOneAct(() => stored.value.id)
async function handOut(round: number) {
  said.value = ''
  try {
    const count = await once(() => day.handOut(round))
    if (count === undefined) return
    said.value = count
      ? t('Round {x} is out: {count} orders.', { x: round + 1, count })
      : t('Everybody has an order of round {x}.', { x: round + 1 })
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
async function print(what: 'sealed' | 'stations' | 'orders') {
  try {
    const { dayCards } = await import('./cards')
    await dayCards(
      what,
      stored.value,
      lessons.value,
      groups.value.map((g) => g.name),
      times.value,
    )
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
async function calendar() {
  const { saveCalendar } = await import('./calendar')
  saveCalendar(stored.value, times.value)
}
const planned = computed(() => seats.value.some((row) => row.some((seat) => seat >= 0)))
</script>

<template>
  <div class="day">
    <div class="top">
      <h1>{{ stored.name }}</h1>
      <span>{{ dayWords(stored.day) }}</span>
      <span
        >{{ t('Word of the day:') }} <b class="reading">{{ stored.word }}</b></span
      >
      <label
        >{{ t('from') }}
        <input
          type="time"
          class="plain"
          :value="body.start"
          @change="day.change({ start: ($event.target as HTMLInputElement).value || body.start })"
      /></label>
      <label
        ><input
          type="number"
          class="plain short"
          min="1"
          max="12"
          :value="body.rounds"
          @change="day.change({ rounds: numberOf($event, 1, 12, body.rounds) })"
        />
        {{ t('rounds') }}</label
      >
      <label
        >{{ t('of') }}
        <input
          type="number"
          class="plain short"
          min="5"
          max="240"
          :value="body.minutes"
          @change="day.change({ minutes: numberOf($event, 5, 240, body.minutes) })"
        />
        {{ t('min') }}</label
      >
      <button type="button" class="small" @click="pair(1)">{{ t('Alone') }}</button>
      <button type="button" class="small" @click="pair(2)">{{ t('In pairs') }}</button>
      <span class="quiet" role="status">{{
        waiting ? t('not saved: no connection, trying again') : saving ? t('saving …') : t('saved')
      }}</span>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div class="acts">
      <NButton type="primary" @click="day.turn">{{ planned ? t('Rotate anew') : t('Rotate') }}</NButton>
      <span v-if="best !== null" role="status"
        >{{
          broken.length
            ? t('The best that was found: {count} rules are broken.', { count: broken.length })
            : t('No rule is broken; families are met as evenly as {found}.', {
                found: best ? t('can be') : t('was found'),
              })
        }}{{ groups.some((g) => g.needs.length) ? t(' What each has shown least comes first.') : '' }}</span
      >
      <span class="gap" />
      <NButton size="small" @click="print('sealed')">{{ t('Sealed cards') }}</NButton>
      <NButton size="small" @click="print('stations')">{{ t('Station cards') }}</NButton>
      <NButton size="small" @click="print('orders')">{{ t('Orders') }}</NButton>
      <NButton size="small" @click="calendar">{{ t('Calendar') }}</NButton>
      <RouterLink :to="{ name: 'floor' }">{{ t('Floor') }}</RouterLink>
    </div>
    <p v-if="said" role="status">{{ said }}</p>
    <ul v-if="broken.length && planned" class="broken" :aria-label="t('Broken rules')">
      <li v-for="(one, i) in broken.slice(0, 6)" :key="i">{{ tell(one.why) }}</li>
      <li v-if="broken.length > 6">{{ t('and {x} more', { x: broken.length - 6 }) }}</li>
    </ul>
    <Plan
      v-if="planned"
      :stands="stands"
      :groups="groups"
      :seats="seats"
      :broken="broken"
      :out="body.out"
      :times="times"
      @swap="day.swap"
      @out="handOut"
    />
    <p v-else>{{ t('Say below what is planted where, then rotate.') }}</p>
    <h2>{{ t('Stations, as they stand side by side') }}</h2>
    <Stands :stands="body.stands" :lessons="lessons" @change="day.change({ stands: $event })" />
  </div>
</template>

<style scoped>
.day {
  display: grid;
  gap: 14px;
  align-content: start;
  padding: 16px 20px;
}
.top,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: center;
}
.gap {
  flex: 1;
}
.short {
  width: 58px;
}
.broken {
  margin: 0;
  padding-left: 20px;
  color: var(--fault);
}
</style>
