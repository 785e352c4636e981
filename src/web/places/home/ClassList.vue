<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref, toRef, watch } from 'vue'
import { leastPassword, newAccountSchema, userSchema, type User } from '../../../contract/account'
import { studentsPageSchema } from '../../../contract/people'
import { ask, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'
import MoreRows from '../../parts/MoreRows.vue'
import { useScope } from '../../stores/scope'

const scope = useScope()
const students = ref<User[]>([])
const count = ref(0)
const after = ref<string | null>(null)
const adding = ref(false)
const form = useForm(newAccountSchema, () => ({ name: '', login: '', password: '' }))
useLeaveGuard(toRef(() => form.changed))
const { wrong, failed } = useAct()
async function read(from: string | null) {
  const query = new URLSearchParams(scope.query)
  if (from !== null) query.set('after', from)
  const page = await ask(studentsPageSchema, `/students/page?${query.toString()}`)
  students.value = from === null ? page.rows : [...students.value, ...page.rows]
  count.value = page.count
  after.value = page.after
}
await scope.load()
await read(null)
watch(
  () => scope.query,
  () => void read(null).catch(failed),
)

async function add() {
  const done = await form.submit(async (account) => {
    const user = await send(userSchema, '/students', account)
    students.value = [...students.value, user]
    count.value++
  })
  if (!done) return
  form.reset()
  adding.value = false
}
</script>

<template>
  <section>
    <h2>{{ scope.people ? scope.about : t('ui.home.students') }}</h2>
    <p v-if="!students.length">{{ t('ui.home.noStudentsYetAddThe') }}</p>
    <ul>
      <li v-for="student in students" :key="student.id">
        {{ student.name }} <span class="quiet">{{ student.login }}</span>
      </li>
    </ul>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <MoreRows :shown="students.length" :count="count" @more="read(after).catch(failed)" />
    <NButton v-if="!adding" size="small" @click="adding = true"> {{ t('ui.home.addAStudent') }} </NButton>
    <form v-else @submit.prevent="add">
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.common.name')"
        ><NInput v-model:value="form.values.name" :input-props="field" placeholder=""
      /></FormField>
      <FormField v-slot="{ field }" :form="form" name="login" :label="t('ui.common.signInName')"
        ><NInput
          v-model:value="form.values.login"
          :input-props="{ ...field, autocapitalize: 'none' }"
          placeholder=""
      /></FormField>
      <FormField
        v-slot="{ field }"
        :form="form"
        name="password"
        :label="t('ui.home.firstPasswordAtLeastCharacters', { leastPassword })"
        ><NInput
          v-model:value="form.values.password"
          type="password"
          show-password-on="click"
          :input-props="{ ...field, autocomplete: 'new-password' }"
          placeholder=""
      /></FormField>
      <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
      <NButton size="small" type="primary" attr-type="submit" :loading="form.busy">
        {{ t('ui.common.add') }}
      </NButton>
    </form>
  </section>
</template>
