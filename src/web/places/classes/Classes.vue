<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { z } from 'zod'
import { classListSchema, userSchema, type ClassList, type RosterDone, type User } from '../../../contract'
import { ask, messageOf, post, send } from '../../api/client'
import Import from './Import.vue'

/** Groups of a term, and who is in them. */
const classes = ref<ClassList>([])
const people = ref<User[]>([])
const wrong = ref('')
const name = ref('')
const term = ref('')
const done = ref<RosterDone | null>(null)
async function load() {
  try {
    ;[classes.value, people.value] = await Promise.all([
      ask(classListSchema, '/classes'),
      ask(z.array(userSchema), '/students'),
    ])
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
await load()
async function act(work: () => Promise<unknown>) {
  wrong.value = ''
  try {
    await work()
    await load()
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
const add = () =>
  act(async () => {
    await send(z.object({ id: z.uuid() }), '/classes', { name: name.value, term: term.value })
    name.value = ''
  })
const others = computed(() => (one: ClassList[number]) => {
  const there = new Set(one.members.map(({ id }) => id))
  return people.value.filter(({ id }) => !there.has(id))
})
function join(one: ClassList[number], event: Event) {
  const select = event.target as HTMLSelectElement
  if (select.value) void act(() => post(`/classes/${one.id}/members`, { student: select.value }))
}
async function taken(result: RosterDone) {
  done.value = result
  await load()
}
async function slips() {
  const { printSlips } = await import('./slips')
  await printSlips(done.value!.added)
}
</script>

<template>
  <div class="classes">
    <h1>{{ t('Classes') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div class="two">
      <div class="list">
        <p v-if="!classes.length">{{ t('None yet: name one, or take in a roster.') }}</p>
        <section v-for="one in classes" :key="one.id" :aria-label="one.name">
          <h2>
            {{ one.name }} <span class="quiet">{{ one.term }} {{ one.members.length }}</span>
          </h2>
          <ul>
            <li v-for="member in one.members" :key="member.id">
              {{ member.name }}
              <button
                type="button"
                class="small"
                :aria-label="t('Take {name} out of {name2}', { name: member.name, name2: one.name })"
                @click="act(() => post(`/classes/${one.id}/members/${member.id}`, undefined, 'DELETE'))"
              >
                ✕
              </button>
            </li>
          </ul>
          <label v-if="others(one).length" class="quiet"
            >{{ t('Add') }}
            <select value="" @change="join(one, $event)">
              <option value="">{{ t('somebody') }}</option>
              <option v-for="p in others(one)" :key="p.id" :value="p.id">{{ p.name }}</option>
            </select>
          </label>
        </section>
        <form class="new" @submit.prevent="add">
          <label class="field"
            >{{ t('Name') }}
            <NInput v-model:value="name" size="small" :placeholder="t('Sweepers, second year')"
          /></label>
          <label class="field"
            >{{ t('Term') }} <NInput v-model:value="term" size="small" :placeholder="t('Autumn 2026')"
          /></label>
          <NButton attr-type="submit" :disabled="!name.trim()">{{ t('New class') }}</NButton>
        </form>
      </div>
      <div class="list">
        <Import @done="taken" />
        <section v-if="done" :aria-label="t('What was taken in')" role="status">
          <p>
            {{
              t('{count} added, {renamed} renamed, {joined} put into classes.', {
                count: done.added.length,
                renamed: done.renamed,
                joined: done.joined,
              })
            }}
            <template v-if="done.added.length">{{
              t('Their first passwords are told now and never again:')
            }}</template>
          </p>
          <NButton v-if="done.added.length" type="primary" @click="slips">{{
            t('Print the slips (PDF)')
          }}</NButton>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.classes {
  display: grid;
  gap: 14px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 16px 20px;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 36px;
}
.list,
section {
  display: grid;
  gap: 10px;
  align-content: start;
}
.list {
  gap: 24px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.new {
  display: flex;
  gap: 10px;
  align-items: end;
}
</style>
