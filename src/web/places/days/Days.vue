<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { z } from 'zod'
import { dayListSchema, dayOf, lessonListSchema, userSchema, type DayList } from '../../../contract'
import { ask, messageOf, send } from '../../api/client'
import { dayWords } from '../../parts/when'

/** Days in the workshop: what is planned, what runs, what was. */
const router = useRouter()
const days = ref<DayList>([])
const wrong = ref('')
const name = ref('')
const day = ref(dayOf(new Date()))
const rounds = ref(3)
days.value = await ask(dayListSchema, '/days').catch((error: unknown) => {
  wrong.value = messageOf(error)
  return []
})

/** A bench for each student, the lessons in turn: a plan to change, not an empty page. */
async function make() {
  wrong.value = ''
  try {
    const [people, lessons] = await Promise.all([
      ask(z.array(userSchema), '/students'),
      ask(lessonListSchema, '/lessons'),
    ])
    const sets = lessons.flatMap(({ id, sets: own }) => own.map((_, set) => ({ lesson: id, set })))
    // One of each lesson first, so that neighbours differ.
    sets.sort((a, b) => a.set - b.set)
    const count = Math.max(rounds.value, people.length)
    const stands = Array.from({ length: count }, (_, i) => ({
      name: t('Bench {x}', { x: i + 1 }),
      lesson: sets[i % Math.max(1, sets.length)]?.lesson ?? null,
      set: sets[i % Math.max(1, sets.length)]?.set ?? 0,
      real: false,
      checked: [],
    }))
    const { id } = await send(z.object({ id: z.uuid() }), '/days', {
      name: name.value.trim() || t('Lab day'),
      day: day.value,
      class: null,
      body: {
        start: '08:00',
        minutes: 45,
        rounds: rounds.value,
        stands,
        groups: people.map((p) => [p.id]),
        seats: [],
        out: [],
      },
    })
    await router.push({ name: 'day', params: { id } })
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <div class="days">
    <h1>{{ t('Lab days') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <form class="new" :aria-label="t('New lab day')" @submit.prevent="make">
      <label class="field"
        >{{ t('Name') }} <NInput v-model:value="name" size="small" :placeholder="t('Thursday group')"
      /></label>
      <label class="field">{{ t('Day') }} <input v-model="day" type="date" class="plain" required /></label>
      <label class="field"
        >{{ t('Rounds') }}
        <input v-model.number="rounds" type="number" min="1" max="12" class="plain" required
      /></label>
      <NButton type="primary" attr-type="submit">{{ t('Plan it') }}</NButton>
    </form>
    <p v-if="!days.length">
      {{
        t(
          'None planned yet. A day has a bench for everybody, a lesson on each, and rounds in which they go on.',
        )
      }}
    </p>
    <table v-else class="data">
      <thead>
        <tr>
          <th scope="col">{{ t('Day') }}</th>
          <th scope="col">{{ t('Name') }}</th>
          <th scope="col" class="num">{{ t('Stations') }}</th>
          <th scope="col" class="num">{{ t('Rounds handed out') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in days" :key="one.id">
          <td>{{ dayWords(one.day) }}</td>
          <td>
            <RouterLink :to="{ name: 'day', params: { id: one.id } }">{{ one.name }}</RouterLink>
          </td>
          <td class="num">{{ one.stations }}</td>
          <td class="num">{{ t('{out} of {rounds}', { out: one.out, rounds: one.rounds }) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.days {
  display: grid;
  gap: 16px;
  align-content: start;
  max-width: 900px;
  margin: 0 auto;
  padding: 18px 20px;
}
.new {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
}
</style>
