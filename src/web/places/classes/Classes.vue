<script setup lang="ts">
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
    <h1>Classes</h1>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div class="two">
      <div class="list">
        <p v-if="!classes.length">None yet: name one, or take in a roster.</p>
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
                :aria-label="`Take ${member.name} out of ${one.name}`"
                @click="act(() => post(`/classes/${one.id}/members/${member.id}`, undefined, 'DELETE'))"
              >
                ✕
              </button>
            </li>
          </ul>
          <label v-if="others(one).length" class="quiet"
            >Add
            <select value="" @change="join(one, $event)">
              <option value="">somebody</option>
              <option v-for="p in others(one)" :key="p.id" :value="p.id">{{ p.name }}</option>
            </select>
          </label>
        </section>
        <form class="new" @submit.prevent="add">
          <label class="field"
            >Name <NInput v-model:value="name" size="small" placeholder="Sweepers, second year"
          /></label>
          <label class="field"
            >Term <NInput v-model:value="term" size="small" placeholder="Autumn 2026"
          /></label>
          <NButton attr-type="submit" :disabled="!name.trim()">New class</NButton>
        </form>
      </div>
      <div class="list">
        <Import @done="taken" />
        <section v-if="done" aria-label="What was taken in" role="status">
          <p>
            {{ done.added.length }} added, {{ done.renamed }} renamed, {{ done.joined }} put into classes.
            <template v-if="done.added.length">Their first passwords are told now and never again:</template>
          </p>
          <NButton v-if="done.added.length" type="primary" @click="slips">Print the slips (PDF)</NButton>
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
