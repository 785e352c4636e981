<script setup lang="ts">
import { NAlert, NButton, NInput, NTabPane, NTabs, NTag } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { z } from 'zod'
import {
  classListSchema,
  newClassSchema,
  userSchema,
  type ClassList,
  type RosterDone,
} from '../../../contract'
import { post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import DataTable from '../../parts/DataTable.vue'
import { byNumber, byText, type Column } from '../../parts/columns'
import FormField from '../../parts/FormField.vue'
import Search from '../../parts/Search.vue'
import SidePanel from '../../parts/SidePanel.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'
import { t } from '../../words'
import ClassPanel from './ClassPanel.vue'
import Import from './Import.vue'
import Students from './Students.vue'

/** Groups of a term, who is in them, and rosters of other systems. */
const list = useServer(classListSchema, () => '/classes')
const everyone = useServer(z.array(userSchema), () => '/students')
await Promise.all([list.ready(), everyone.ready()])
const classes = computed(() => list.data.value ?? [])
const people = computed(() => everyone.data.value ?? [])
const { wrong, act: doing } = useAct()
const again = () => Promise.all([list.again(), everyone.again()])
const act = async (work: () => Promise<unknown>) => (await doing(work)) && again()
const form = useForm(newClassSchema, () => ({ name: '', term: '' }))
useLeaveGuard(toRef(() => form.changed))
async function add() {
  const done = await form.submit((made) => send(z.object({ id: z.uuid() }), '/classes', made))
  if (!done) return
  form.reset()
  await list.again()
}
/** The class that is open. */
const openId = ref<string | null>(null)
const open = computed(() => classes.value.find(({ id }) => id === openId.value))
const find = ref('')
const shown = computed(() => {
  const words = find.value.toLowerCase().trim()
  return classes.value.filter(({ name, term }) => !words || `${name} ${term}`.toLowerCase().includes(words))
})
type Row = ClassList[number]
const columns: Column<Row>[] = [
  { key: 'name', title: t('ui.common.class'), head: true, sort: byText((one) => one.name) },
  {
    key: 'term',
    title: t('ui.classes.term'),
    text: (one) => one.term,
    sort: byText((one) => one.term),
    width: 160,
  },
  {
    key: 'count',
    title: t('ui.common.students'),
    text: (one) => String(one.members.length),
    number: true,
    sort: byNumber((one) => one.members.length),
    width: 110,
  },
  { key: 'own', title: t('ui.classes.teaching'), width: 130 },
]
const done = ref<RosterDone | null>(null)
async function imported(result: RosterDone) {
  done.value = result
  await again()
}
async function slips() {
  const { printSlips } = await import('./slips')
  await printSlips(done.value!.added)
}
</script>

<template>
  <div class="classes grid grid-cols-1 content-start gap-10px max-w-1000px my-0 mx-auto py-16px px-20px">
    <h1>{{ t('ui.common.classes') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <NTabs type="line" size="small" default-value="classes">
      <NTabPane name="classes" :tab="t('ui.common.classes')">
        <div class="grid gap-16px content-start">
          <p v-if="!classes.length">{{ t('ui.classes.noneYetNameOneOr') }}</p>
          <template v-else>
            <Search
              v-if="classes.length > 8"
              v-model="find"
              :label="t('ui.classes.findAClass')"
              :placeholder="t('ui.classes.findAClass')"
            />
            <DataTable
              :label="t('ui.common.classes')"
              :columns="columns"
              :rows="shown"
              :row-key="(one) => one.id"
            >
              <template #cell-name="{ row }"
                ><NButton text type="primary" @click="openId = row.id">{{ row.name }}</NButton></template
              >
              <template #cell-own="{ row }"
                ><NTag v-if="row.own" size="small" type="info">{{
                  t('ui.classes.youTeachIt')
                }}</NTag></template
              >
            </DataTable>
          </template>
          <form
            class="flex flex-wrap gap-10px items-end"
            :aria-label="t('ui.classes.newClass')"
            @submit.prevent="add"
          >
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
            <NButton attr-type="submit" type="primary" :loading="form.busy">{{
              t('ui.classes.addClass')
            }}</NButton>
            <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
          </form>
        </div>
      </NTabPane>
      <NTabPane name="students" :tab="t('ui.common.students')" display-directive="show:lazy">
        <Students @added="again" />
      </NTabPane>
      <NTabPane name="import" :tab="t('ui.classes.importRoster')" display-directive="show">
        <Import class="grid gap-10px content-start" @done="imported" />
        <NAlert
          v-if="done"
          type="success"
          class="mt-14px"
          :aria-label="t('ui.classes.imported')"
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
          <NButton v-if="done.added.length" type="primary" class="mt-8px" @click="slips">{{
            t('ui.classes.printTheSlipsPdf')
          }}</NButton>
        </NAlert>
      </NTabPane>
    </NTabs>
    <SidePanel :show="open !== undefined" :title="open?.name ?? ''" @update:show="openId = null">
      <ClassPanel
        v-if="open"
        :one="open"
        :people="people"
        @join="(student) => act(() => post(`/classes/${open!.id}/members`, { student }))"
        @leave="(student) => act(() => post(`/classes/${open!.id}/members/${student}`, undefined, 'DELETE'))"
        @teach="(teaches) => act(() => post(`/classes/${open!.id}/teaching`, { teaches }, 'PUT'))"
      />
    </SidePanel>
  </div>
</template>
