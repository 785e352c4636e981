<script setup lang="ts">
import { t, tell } from '../../words'
import { Printer } from '@lucide/vue'
import { NButton, NDropdown, NInputNumber, NTimePicker } from 'naive-ui'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { clockOf } from '../../../contract/days'
import { useOneAct } from '../../api/one-act'
import { useAct } from '../../api/useAct'
import { useLeaveGuard } from '../../shell/confirm'
import Sentence from '../../parts/Sentence.vue'
import { dayWords } from '../../parts/when'
import { slot } from '../../words/slots'
import Plan from './Plan.vue'
import Stands from './Stands.vue'
import { useDay } from './useDay'

const day = await useDay(String(useRoute().params.id))
const { stored, body, lessons, wrong, saving, waiting, best, groups, stands, seats, broken } = day
const { wrong: failure, said, act } = useAct()

useLeaveGuard(saving)
/** When each round begins. */
const times = computed(() => Array.from({ length: body.value.rounds }, (_, r) => clockOf(body.value, r)))
/** One to a bench, or two where there are more people than benches. */
function pair(size: number) {
  const all = body.value.groups.flat()
  const next: string[][] = []
  for (let i = 0; i < all.length; i += size) next.push(all.slice(i, i + size))
  void day.change({ groups: next, seats: [] }).then(day.turn)
}
const { once } = useOneAct(() => stored.value.id)
async function handOut(round: number) {
  await act(async () => {
    const count = await once(() => day.handOut(round))
    if (count === undefined) return
    said.value = count
      ? t('ui.days.roundIsOutOrders', { x: round + 1, count })
      : t('ui.days.everybodyHasAnOrderOf', { x: round + 1 })
  })
}
const print = (what: 'sealed' | 'stations' | 'orders') =>
  act(async () => {
    const { dayCards } = await import('./cards')
    const names = groups.value.map((g) => g.name)
    await dayCards(what, stored.value, lessons.value, names, times.value)
  })
async function calendar() {
  const { saveCalendar } = await import('./calendar')
  saveCalendar(stored.value, times.value)
}
const files = [
  { key: 'sealed', label: t('ui.days.sealedCards') },
  { key: 'stations', label: t('ui.days.stationCards') },
  { key: 'orders', label: t('ui.days.orders') },
  { type: 'divider', key: 'line' },
  { key: 'calendar', label: t('ui.days.calendarFile') },
]
const makeFile = (what: string) =>
  what === 'calendar' ? calendar() : print(what as 'sealed' | 'stations' | 'orders')
const planned = computed(() => seats.value.some((row) => row.some((seat) => seat >= 0)))
</script>

<template>
  <div class="day grid grid-cols-1 gap-14px content-start py-16px px-20px">
    <div class="top flex flex-wrap gap-y-8px gap-x-16px items-baseline">
      <h1>{{ stored.name }}</h1>
      <span>{{ dayWords(stored.day) }}</span>
      <span>
        <Sentence :text="t('ui.home.codeOfTheDay', { word: slot('word') })"
          ><template #word
            ><b class="reading">{{ stored.word }}</b></template
          ></Sentence
        >
      </span>
      <span class="quiet ml-auto" role="status">{{
        waiting
          ? t('ui.common.notSavedNoConnectionTrying')
          : saving
            ? t('ui.common.saving')
            : t('ui.common.saved')
      }}</span>
    </div>
    <p v-if="wrong || failure" class="wrong" role="alert">{{ wrong || failure }}</p>
    <div class="acts flex flex-wrap gap-y-8px gap-x-12px items-end">
      <label class="field"
        >{{ t('ui.days.start') }}
        <NTimePicker
          :formatted-value="body.start"
          format="HH:mm"
          value-format="HH:mm"
          size="small"
          :actions="['confirm']"
          class="!w-96px"
          @update:formatted-value="$event && day.change({ start: $event })"
      /></label>
      <label class="field"
        >{{ t('ui.days.roundsTitle') }}
        <NInputNumber
          :value="body.rounds"
          size="small"
          :min="1"
          :max="12"
          :precision="0"
          class="!w-96px"
          @update:value="$event !== null && day.change({ rounds: $event })"
      /></label>
      <label class="field"
        >{{ t('ui.days.minutesEach') }}
        <NInputNumber
          :value="body.minutes"
          size="small"
          :min="5"
          :max="240"
          :precision="0"
          class="!w-96px"
          @update:value="$event !== null && day.change({ minutes: $event })"
      /></label>
      <NButton size="small" @click="pair(1)">{{ t('ui.days.alone') }}</NButton>
      <NButton size="small" @click="pair(2)">{{ t('ui.days.inPairs') }}</NButton>
      <span class="flex-1" />
      <NDropdown trigger="click" :options="files" @select="makeFile">
        <NButton size="small"
          ><template #icon><Printer :size="15" /></template>{{ t('ui.days.printAndExport') }}</NButton
        >
      </NDropdown>
      <NButton size="small" type="primary" @click="day.turn">{{
        planned ? t('ui.days.planRotationAgain') : t('ui.days.planRotation')
      }}</NButton>
    </div>
    <p v-if="best !== null" role="status">
      {{
        broken.length
          ? t('ui.days.theBestThatWasFound', { count: broken.length })
          : best
            ? t('ui.days.noRuleIsBrokenBest')
            : t('ui.days.noRuleIsBrokenFound')
      }}
      <template v-if="groups.some((g) => g.needs.length)">{{ t('ui.days.whatEachHasShownLeast') }}</template>
    </p>
    <p v-if="said" role="status">{{ said }}</p>
    <ul v-if="broken.length && planned" class="m-0 pl-20px text-fault" :aria-label="t('ui.days.brokenRules')">
      <li v-for="(one, i) in broken.slice(0, 6)" :key="i">{{ tell(one.why) }}</li>
      <li v-if="broken.length > 6">{{ t('ui.common.andMore', { x: broken.length - 6 }) }}</li>
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
    <p v-else>{{ t('ui.days.sayBelowWhatIsPlanted') }}</p>
    <h2>{{ t('ui.days.stationsAsTheyStandSide') }}</h2>
    <Stands :stands="body.stands" :lessons="lessons" @change="day.change({ stands: $event })" />
  </div>
</template>
