<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { t } from '../../words'
import { NButton, NInput, NSelect, NSwitch } from 'naive-ui'
import { computed, ref } from 'vue'
import { z } from 'zod'
import { classListSchema, userSchema, type ClassList, type RosterDone, type User } from '../../../contract'
import { ask, messageOf, post, send } from '../../api/client'
import Import from './Import.vue'

const { wrong, act: doing } = useAct()

/** Groups of a term, and who is in them. */
const classes = ref<ClassList>([])
const people = ref<User[]>([])
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
const act = async (work: () => Promise<unknown>) => (await doing(work)) && load()
const add = () =>
  act(async () => {
    await send(z.object({ id: z.uuid() }), '/classes', { name: name.value, term: term.value })
    name.value = ''
  })
/** The class that is open: its people, and who could be added. */
const open = ref<string | null>(null)
const others = computed(() => {
  const there = new Set(classes.value.find(({ id }) => id === open.value)?.members.map(({ id }) => id))
  return people.value
    .filter(({ id }) => !there.has(id))
    .map(({ id, name, login }) => ({ value: id, label: `${name} (${login})` }))
})
const join = (one: ClassList[number], student: string) =>
  act(() => post(`/classes/${one.id}/members`, { student }))
const teach = (one: ClassList[number], teaches: boolean) =>
  act(() => post(`/classes/${one.id}/teaching`, { teaches }, 'PUT'))
const peopleWords = (one: ClassList[number]) => t('ui.common.count', { count: one.members.length })
const find = ref('')
const shown = computed(() => {
  const words = find.value.toLowerCase().trim()
  return classes.value.filter(({ name, term }) => !words || `${name} ${term}`.toLowerCase().includes(words))
})
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
    <h1>{{ t('ui.common.classes') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div class="two">
      <div class="list">
        <p v-if="!classes.length">{{ t('ui.classes.noneYetNameOneOr') }}</p>
        <NInput
          v-if="classes.length > 8"
          v-model:value="find"
          size="small"
          clearable
          :placeholder="t('ui.classes.findAClass')"
          :input-props="{ 'aria-label': t('ui.classes.findAClass') }"
        />
        <div class="all">
          <div v-for="one in shown" :key="one.id" class="one">
            <NButton
              quaternary
              block
              class="head"
              :aria-expanded="open === one.id"
              @click="open = open === one.id ? null : one.id"
            >
              <b>{{ one.name }}</b>
              <span class="quiet">
                {{
                  [one.term, peopleWords(one), ...(one.own ? [t('ui.classes.youTeachIt')] : [])]
                    .filter(Boolean)
                    .join(' · ')
                }}
              </span>
            </NButton>
            <section v-if="open === one.id" :aria-label="one.name">
              <label class="teaches">
                <NSwitch
                  size="small"
                  :value="one.own"
                  :aria-label="t('ui.classes.youTeach', { name: one.name })"
                  @update:value="teach(one, $event)"
                />
                <span class="quiet">{{ t('ui.classes.youTeachItItComes') }}</span>
              </label>
              <ul>
                <li v-for="member in one.members" :key="member.id">
                  {{ member.name }}
                  <NButton
                    size="tiny"
                    quaternary
                    :aria-label="t('ui.classes.takeOutOf', { name: member.name, name2: one.name })"
                    @click="act(() => post(`/classes/${one.id}/members/${member.id}`, undefined, 'DELETE'))"
                  >
                    ✕
                  </NButton>
                </li>
              </ul>
              <NSelect
                v-if="others.length"
                :value="null"
                :options="others"
                filterable
                size="small"
                class="add"
                :placeholder="t('ui.classes.addSomebody')"
                :input-props="{ 'aria-label': t('ui.classes.addSomebodyTo', { name: one.name }) }"
                @update:value="(student: string) => join(one, student)"
              />
            </section>
          </div>
        </div>
        <form class="new" @submit.prevent="add">
          <label class="field"
            >{{ t('ui.common.name') }}
            <NInput v-model:value="name" size="small" :placeholder="t('ui.classes.sweepersSecondYear')"
          /></label>
          <label class="field"
            >{{ t('ui.classes.term') }}
            <NInput v-model:value="term" size="small" :placeholder="t('ui.classes.autumn2026')"
          /></label>
          <NButton attr-type="submit" :disabled="!name.trim()">{{ t('ui.classes.newClass') }}</NButton>
        </form>
      </div>
      <div class="list">
        <Import @done="taken" />
        <section v-if="done" :aria-label="t('ui.classes.whatWasTakenIn')" role="status">
          <p>
            {{
              t('ui.classes.addedRenamedPutIntoClasses', {
                count: done.added.length,
                renamed: done.renamed,
                joined: done.joined,
              })
            }}
            <template v-if="done.added.length">{{ t('ui.classes.theirFirstPasswordsAreTold') }}</template>
          </p>
          <NButton v-if="done.added.length" type="primary" @click="slips">{{
            t('ui.classes.printTheSlipsPdf')
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
.teaches {
  display: flex;
  gap: 10px;
  align-items: center;
}
.one {
  border-bottom: 1px solid var(--rule);
}
.head {
  justify-content: flex-start;
}
.head :deep(.n-button__content) {
  gap: 12px;
}
.one section {
  padding: 4px 14px 14px;
  justify-items: start;
}
.add {
  max-width: 300px;
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
