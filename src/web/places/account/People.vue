<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { z } from 'zod'
import {
  benchCodeSchema,
  leastPassword,
  resetSchema,
  signInsSchema,
  userSchema,
  type Role,
  type SignIns,
  type User,
} from '../../../contract/account'
import { ask, messageOf, post, send } from '../../api/client'
import { when } from '../../parts/when'
import { useSession } from '../../stores/session'

/** Who has an account: add, give a new password, take away; and who signed in or failed to. */
const session = useSession()
const people = ref<User[]>([])
const signIns = ref<SignIns | null>(null)
const wrong = ref('')
/** A new password is told once: to be read out or written on a slip. */
const told = ref<{ name: string; login: string; password: string } | null>(null)
const toldCode = ref<{ name: string; code: string } | null>(null)
const blank = { name: '', login: '', password: '', role: 'student' as Role }
const adding = ref({ ...blank })

const load = async () => (people.value = await ask(z.array(userSchema), '/people'))
async function act(work: () => Promise<unknown>) {
  wrong.value = ''
  try {
    await work()
    await load()
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
await act(load)

const add = () =>
  act(async () => {
    const { role, ...account } = adding.value
    await send(userSchema, role === 'instructor' ? '/instructors' : '/students', {
      ...account,
      login: account.login.trim(),
    })
    adding.value = { ...blank }
  })
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
const remove = ({ id, name, role }: User) => {
  const what = role === 'student' ? t('ui.account.theirWorkOrdersAndReadings') : ''
  if (window.confirm(t('ui.account.takeTheAccountOfAway', { name, what })))
    void act(() => post(`/people/${id}`, undefined, 'DELETE'))
}
const outcomes = {
  in: t('ui.account.signedIn'),
  out: t('ui.account.signedOut'),
  wrong: t('ui.account.wrongPassword'),
  waits: t('ui.account.hasToWait'),
  card: t('ui.account.signedInAtABench'),
  directory: t('ui.account.signedInByTheDirectory'),
}
async function look(open: boolean) {
  if (open) await act(async () => (signIns.value = await ask(signInsSchema, '/sign-ins')))
}
</script>

<template>
  <section aria-labelledby="people">
    <h2 id="people">{{ t('ui.account.accounts') }}</h2>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="told" class="told" role="status">
      {{ t('ui.account.signsInAs', { name: told.name }) }} <b>{{ told.login }}</b> {{ t('ui.account.with') }}
      <code>{{ told.password }}</code>{{ t('ui.account.itIsToldOnceAnd') }}
    </p>
    <p v-if="toldCode" class="told" role="status">
      {{ t('ui.account.newBenchCodeOfTold', { name: toldCode.name }) }}
      <code>{{ toldCode.code }}</code>
    </p>
    <table class="data">
      <thead>
        <tr>
          <th scope="col">{{ t('ui.common.name') }}</th>
          <th scope="col">{{ t('ui.common.signInName') }}</th>
          <th scope="col">{{ t('ui.account.role') }}</th>
          <th scope="col">
            <span class="visually-hidden">{{ t('ui.account.acts') }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="person in people" :key="person.id">
          <td>{{ person.name }}</td>
          <td>{{ person.login }}</td>
          <td>{{ t(`ui.account.role.${person.role}`) }}</td>
          <td class="acts">
            <template v-if="person.id !== session.user?.id">
              <button type="button" class="link" @click="reset(person)">
                {{ t('ui.account.newPassword')
                }}<span class="visually-hidden"> {{ t('ui.account.for', { name: person.name }) }}</span>
              </button>
              <button v-if="person.role === 'student'" type="button" class="link" @click="benchCode(person)">
                {{ t('ui.account.benchCode')
                }}<span class="visually-hidden"> {{ t('ui.account.for', { name: person.name }) }}</span>
              </button>
              <button type="button" class="link" @click="remove(person)">
                {{ t('ui.account.takeAway') }}<span class="visually-hidden"> {{ person.name }}</span>
              </button>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <form :aria-label="t('ui.account.addAnAccount')" @submit.prevent="add">
      <label class="field"
        >{{ t('ui.common.name') }}<NInput v-model:value="adding.name" size="small" placeholder=""
      /></label>
      <label class="field"
        >{{ t('ui.common.signInName') }}<NInput v-model:value="adding.login" size="small" placeholder=""
      /></label>
      <label class="field"
        >{{ t('ui.account.firstPasswordCharactersOrMore', { leastPassword })
        }}<NInput
          v-model:value="adding.password"
          size="small"
          :input-props="{ autocomplete: 'off' }"
          placeholder=""
      /></label>
      <label class="field"
        >{{ t('ui.account.role') }}
        <select v-model="adding.role">
          <option value="student">{{ t('ui.account.student') }}</option>
          <option value="instructor">{{ t('ui.account.instructor') }}</option>
        </select>
      </label>
      <NButton size="small" type="primary" attr-type="submit">{{ t('ui.common.add') }}</NButton>
    </form>
    <details @toggle="look(($event.target as HTMLDetailsElement).open)">
      <summary>{{ t('ui.account.whoSignedInAndWho') }}</summary>
      <table v-if="signIns" class="data">
        <thead>
          <tr>
            <th scope="col">{{ t('ui.common.when') }}</th>
            <th scope="col">{{ t('ui.common.signInName') }}</th>
            <th scope="col">{{ t('ui.common.from') }}</th>
            <th scope="col">{{ t('ui.account.outcome') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(one, i) in signIns" :key="i">
            <td>{{ when(one.at) }}</td>
            <td>{{ one.login }}</td>
            <td>{{ one.address }}</td>
            <td>{{ outcomes[one.outcome] }}</td>
          </tr>
        </tbody>
      </table>
    </details>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 12px;
  border-top: 1px solid var(--rule);
  padding-top: 16px;
}
.acts {
  text-align: right;
}
.acts button + button {
  margin-left: 12px;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: end;
}
.told {
  border-left: 4px solid var(--accent);
  background: var(--accent-soft);
  padding: 8px 12px;
}
code {
  font-family: var(--face-readings);
  font-weight: 500;
}
</style>
