<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { t } from '../../words'
import { NButton, NInput, NSelect, NSwitch } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { z } from 'zod'
import {
  classListSchema,
  newClassSchema,
  userSchema,
  type ClassList,
  type RosterDone,
  type User,
} from '../../../contract'
import { ask, post, send } from '../../api/client'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'
import Import from './Import.vue'

const { wrong, act: doing } = useAct()

/** Groups of a term, and who is in them. */
const classes = ref<ClassList>([])
const people = ref<User[]>([])
const form = useForm(newClassSchema, () => ({ name: '', term: '' }))
useLeaveGuard(toRef(() => form.changed))
const done = ref<RosterDone | null>(null)
const load = () =>
  doing(async () => {
    ;[classes.value, people.value] = await Promise.all([
      ask(classListSchema, '/classes'),
      ask(z.array(userSchema), '/students'),
    ])
  })
await load()
const act = async (work: () => Promise<unknown>) => (await doing(work)) && load()
async function add() {
  const done = await form.submit((made) => send(z.object({ id: z.uuid() }), '/classes', made))
  if (!done) return
  form.reset()
  await load()
}
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
  <div class="classes grid gap-14px max-w-1240px my-0 mx-auto py-16px px-20px">
    <h1>{{ t('ui.common.classes') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div class="grid grid-cols-2 gap-36px">
      <div class="grid content-start gap-24px">
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
          <div v-for="one in shown" :key="one.id" class="line-b">
            <NButton
              quaternary
              block
              class="head justify-start"
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
            <section
              v-if="open === one.id"
              class="grid gap-10px content-start pt-4px px-14px pb-14px justify-items-start"
              :aria-label="one.name"
            >
              <label class="flex gap-10px items-center">
                <NSwitch
                  size="small"
                  :value="one.own"
                  :aria-label="t('ui.classes.youTeach', { name: one.name })"
                  @update:value="teach(one, $event)"
                />
                <span class="quiet">{{ t('ui.classes.youTeachItItComes') }}</span>
              </label>
              <ul class="flex flex-wrap gap-y-4px gap-x-16px m-0 p-0 list-none">
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
                class="max-w-300px"
                :placeholder="t('ui.classes.addSomebody')"
                :input-props="{ 'aria-label': t('ui.classes.addSomebodyTo', { name: one.name }) }"
                @update:value="(student: string) => join(one, student)"
              />
            </section>
          </div>
        </div>
        <form class="flex gap-10px items-end" @submit.prevent="add">
          <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.common.name')">
            <NInput
              v-model:value="form.values.name"
              :input-props="field"
              :placeholder="t('ui.classes.sweepersSecondYear')"
            />
          </FormField>
          <FormField v-slot="{ field }" :form="form" name="term" :label="t('ui.classes.term')">
            <NInput
              v-model:value="form.values.term"
              :input-props="field"
              :placeholder="t('ui.classes.autumn2026')"
            />
          </FormField>
          <NButton attr-type="submit" :loading="form.busy">{{ t('ui.classes.newClass') }}</NButton>
          <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
        </form>
      </div>
      <div class="grid content-start gap-24px">
        <Import class="grid gap-10px content-start" @done="taken" />
        <section
          v-if="done"
          class="grid gap-10px content-start"
          :aria-label="t('ui.classes.whatWasTakenIn')"
          role="status"
        >
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
.head :deep(.n-button__content) {
  gap: 12px;
}
</style>
