<script setup lang="ts">
import { dayWords } from '../../parts/when'
import { slot } from '../../words/slots'
import Sentence from '../../parts/Sentence.vue'
import { t } from '../../words'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { dayOf, nearDaysSchema, type DayRow } from '../../../contract/days'
import { ask } from '../../api/client'

/** The lab day of today, with what is said aloud at its beginning; and the next one. */
const days = ref<DayRow[]>([])
void ask(nearDaysSchema, '/days/near').then(
  (list) => (days.value = list),
  () => undefined,
)
const today = dayOf(new Date())
const here = computed(() => days.value.filter(({ day }) => day === today))
const next = computed(() => days.value.find(({ day }) => day > today))
</script>

<template>
  <section v-if="here.length || next" class="grid gap-6px content-start" :aria-label="t('ui.common.labDays')">
    <h2>{{ t('ui.home.inTheWorkshop') }}</h2>
    <p v-for="day in here" :key="day.id">
      <RouterLink :to="{ name: 'day', params: { id: day.id } }">{{ day.name }}</RouterLink>
      {{
        t('ui.home.todayOfRoundsOutAt', {
          out: day.out,
          rounds: day.rounds,
          stations: day.stations,
        })
      }}
      <template v-if="day.word"
        >{{ t('ui.common.wordOfTheDay') }} <b class="reading">{{ day.word }}</b>. </template
      ><RouterLink :to="{ name: 'floor' }">{{ t('ui.common.floor') }}</RouterLink>
    </p>
    <p v-if="next">
      <Sentence
        :text="t('ui.home.next', { name: slot('name'), day: dayWords(next.day), stations: next.stations })"
      >
        <template #name
          ><RouterLink :to="{ name: 'day', params: { id: next.id } }">{{ next.name }}</RouterLink></template
        >
      </Sentence>
    </p>
  </section>
</template>
