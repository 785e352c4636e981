<script setup lang="ts">
import { slot } from '../../words/slots'
import Sentence from '../../parts/Sentence.vue'
import { useAct } from '../../api/useAct'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import Fold from '../../parts/Fold.vue'
import Choice from '../../parts/Choice.vue'
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref, toRef } from 'vue'
import { z } from 'zod'
import {
  benchCodeSchema,
  leastPassword,
  newAccountSchema,
  resetSchema,
  signInsSchema,
  userSchema,
  type Role,
  type SignIns,
  type User,
} from '../../../contract/account'
import { post, send } from '../../api/client'
import { useServer } from '../../api/useServer'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'
import { when } from '../../parts/when'
import { useSession } from '../../stores/session'

const { wrong, act: doing } = useAct()

/** Who has an account: add, give a new password, take away; and who signed in or failed to. */
const session = useSession()
const { data: people, ready, again } = useServer(z.array(userSchema), () => '/people')
await ready()
/** Who signed in is asked for while it is looked at. */
const looking = ref(false)
const { data: signIns } = useServer(signInsSchema, () => (looking.value ? '/sign-ins' : undefined))
/** A new password is told once: to be read out or written on a slip. */
const told = ref<{ name: string; login: string; password: string } | null>(null)
const toldCode = ref<{ name: string; code: string } | null>(null)
const form = useForm(newAccountSchema, () => ({
  name: '',
  login: '',
  password: '',
  role: 'student' as Role,
}))
useLeaveGuard(toRef(() => form.changed))

const act = async (work: () => Promise<unknown>) => (await doing(work)) && again()

async function add() {
  const done = await form.submit((account) =>
    send(userSchema, form.values.role === 'instructor' ? '/instructors' : '/students', account),
  )
  if (!done) return
  form.reset()
  await again()
}
const reset = ({ id, name, login }: User) =>
  act(async () => {
    const { password } = await send(resetSchema, `/people/${id}/password`)
    told.value = { name, login, password }
  })
const benchCode = ({ id, name }: User) =>
  act(async () => {
    const { code } = await send(benchCodeSchema, `/people/${id}/bench-code`)
    toldCode.value = { name, code }
  })
async function remove({ id, name, role }: User) {
  const { sure } = await import('../../shell/sure')
  const yes = await sure({
    title: t('ui.account.deleteTheAccountOf', { name }),
    content:
      role === 'student' ? t('ui.account.theirWorkOrdersAndReadings') : t('ui.account.theirCircuitsStay'),
    yes: t('ui.account.delete'),
  })
  if (yes) await act(() => post(`/people/${id}`, undefined, 'DELETE'))
}
const outcomes = {
  in: t('ui.account.signedIn'),
  out: t('ui.account.signedOut'),
  wrong: t('ui.account.wrongPassword'),
  waits: t('ui.account.hasToWait'),
  card: t('ui.account.signedInAtABench'),
  directory: t('ui.account.signedInByTheDirectory'),
}
const columns: Column<User>[] = [
  { key: 'name', title: t('ui.common.name'), text: (p) => p.name, sort: byText((p) => p.name) },
  { key: 'login', title: t('ui.common.signInName'), text: (p) => p.login, sort: byText((p) => p.login) },
  {
    key: 'role',
    title: t('ui.account.role'),
    text: (p) => t(`ui.account.role.${p.role}`),
    sort: byText((p) => p.role),
  },
  { key: 'acts', title: t('ui.account.acts'), untitled: true, width: 330 },
]
const signInColumns: Column<SignIns[number]>[] = [
  { key: 'at', title: t('ui.common.when'), text: (one) => when(one.at) },
  {
    key: 'login',
    title: t('ui.common.signInName'),
    text: (one) => one.login,
    sort: byText((one) => one.login),
  },
  { key: 'from', title: t('ui.common.from'), text: (one) => one.address },
  { key: 'outcome', title: t('ui.account.outcome'), text: (one) => outcomes[one.outcome] },
]
</script>

<template>
  <section class="grid grid-cols-1 gap-12px line-t pt-16px" aria-labelledby="people">
    <h2 id="people">{{ t('ui.account.accounts') }}</h2>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="told" class="told line-l-4px-accent bg-accent-soft py-8px px-12px" role="status">
      <Sentence
        :text="
          t('ui.account.signsInAs', { name: told.name, login: slot('login'), password: slot('password') })
        "
      >
        <template #login
          ><b>{{ told.login }}</b></template
        >
        <template #password
          ><code class="font-readings font-medium">{{ told.password }}</code></template
        >
      </Sentence>
    </p>
    <p v-if="toldCode" class="told line-l-4px-accent bg-accent-soft py-8px px-12px" role="status">
      <Sentence :text="t('ui.account.newBenchCodeOfTold', { name: toldCode.name, code: slot('code') })">
        <template #code
          ><code class="font-readings font-medium">{{ toldCode.code }}</code></template
        >
      </Sentence>
    </p>
    <DataTable
      :label="t('ui.account.accounts')"
      :columns="columns"
      :rows="people ?? []"
      :row-key="(person) => person.id"
    >
      <template #cell-acts="{ row: person }"
        ><span class="acts flex gap-14px">
          <template v-if="person.id !== session.user?.id">
            <NButton
              text
              type="primary"
              :aria-label="t('ui.account.newPasswordFor', { name: person.name })"
              @click="reset(person)"
              >{{ t('ui.account.newPassword') }}</NButton
            >
            <NButton
              v-if="person.role === 'student'"
              text
              type="primary"
              :aria-label="t('ui.account.benchCodeFor', { name: person.name })"
              @click="benchCode(person)"
              >{{ t('ui.account.benchCode') }}</NButton
            >
            <NButton
              text
              type="primary"
              :aria-label="t('ui.account.deleteWhom', { name: person.name })"
              @click="remove(person)"
              >{{ t('ui.account.delete') }}</NButton
            >
          </template>
        </span></template
      >
    </DataTable>
    <form
      class="flex flex-wrap gap-10px items-start"
      :aria-label="t('ui.account.addAnAccount')"
      @submit.prevent="add"
    >
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
        :label="t('ui.account.firstPasswordCharactersOrMore', { leastPassword })"
        ><NInput
          v-model:value="form.values.password"
          :input-props="{ ...field, autocomplete: 'off' }"
          placeholder=""
      /></FormField>
      <Choice
        v-model:value="form.values.role"
        :label="t('ui.account.role')"
        :entries="[
          { value: 'student' as const, label: t('ui.account.student') },
          { value: 'instructor' as const, label: t('ui.account.instructor') },
        ]"
      />
      <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
      <NButton class="mt-24px" size="small" type="primary" attr-type="submit" :loading="form.busy">{{
        t('ui.common.add')
      }}</NButton>
    </form>
    <Fold :title="t('ui.account.whoSignedInAndWho')" @toggle="looking = $event">
      <DataTable
        v-if="signIns"
        :label="t('ui.account.whoSignedInAndWho')"
        :columns="signInColumns"
        :rows="signIns"
        :row-key="(one) => `${one.at} ${one.login} ${one.outcome}`"
      />
    </Fold>
  </section>
</template>
