<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput, NTabPane, NTabs } from 'naive-ui'
import { computed, defineAsyncComponent } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { changePasswordSchema, leastPassword } from '../../../contract/account'
import { post } from '../../api/client'
import { useAct } from '../../api/useAct'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useSession } from '../../stores/session'
import LanguageChoice from './LanguageChoice.vue'

const BenchCode = defineAsyncComponent(() => import('./BenchCode.vue'))
const People = defineAsyncComponent(() => import('./People.vue'))
const Meters = defineAsyncComponent(() => import('./Meters.vue'))
const Computers = defineAsyncComponent(() => import('./Computers.vue'))
const session = useSession()
const route = useRoute()
const router = useRouter()
/** Which part is open stands in the address, so that other places can lead to it. */
const tab = computed({
  get: () => (typeof route.query.tab === 'string' ? route.query.tab : 'own'),
  set: (name) => void router.replace({ query: name === 'own' ? {} : { tab: name } }),
})
const form = useForm(changePasswordSchema, () => ({ current: '', password: '' }))
const { wrong, said, act } = useAct()

async function change() {
  said.value = ''
  const done = await form.submit((passwords) => post('/password', passwords, 'PUT'))
  if (!done) return
  form.reset()
  await session.load()
  said.value = t('ui.account.changedEveryOtherPlaceWhere')
}
const elsewhere = () =>
  act(() => post('/sessions', undefined, 'DELETE'), t('ui.account.signedOutEverywhereButHere'))
</script>

<template>
  <div class="account max-w-1000px my-0 mx-auto py-24px px-20px grid grid-cols-1 gap-20px">
    <h1>{{ session.user?.name }}</h1>
    <p v-if="session.user?.mustChange" class="caution" role="status">
      {{ t('ui.account.somebodyElseChoseYourPassword') }}
    </p>
    <NTabs v-model:value="tab" type="line" size="small">
      <NTabPane name="own" :tab="t('ui.account.yourAccount')">
        <div class="grid gap-20px">
          <div class="grid gap-10px">
            <h2>{{ t('ui.account.language') }}</h2>
            <LanguageChoice />
          </div>
          <form class="grid gap-10px max-w-460px" aria-labelledby="password" @submit.prevent="change">
            <h2 id="password">{{ t('ui.account.yourPassword') }}</h2>
            <FormField
              v-slot="{ field }"
              :form="form"
              name="current"
              :label="t('ui.account.presentPassword')"
            >
              <NInput
                v-model:value="form.values.current"
                type="password"
                :input-props="{ ...field, autocomplete: 'current-password' }"
                placeholder=""
              />
            </FormField>
            <FormField
              v-slot="{ field }"
              :form="form"
              name="password"
              :label="t('ui.account.newPasswordAtLeastCharacters', { leastPassword })"
            >
              <NInput
                v-model:value="form.values.password"
                type="password"
                show-password-on="click"
                :input-props="{ ...field, autocomplete: 'new-password' }"
                placeholder=""
              />
            </FormField>
            <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
            <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
            <p v-if="said" role="status">{{ said }}</p>
            <div class="acts flex gap-10px">
              <NButton type="primary" attr-type="submit">{{ t('ui.account.changeIt') }}</NButton>
              <NButton @click="elsewhere">{{ t('ui.account.signOutEverywhereElse') }}</NButton>
            </div>
          </form>
          <BenchCode v-if="session.user?.role === 'student'" />
        </div>
      </NTabPane>
      <template v-if="session.user?.role === 'instructor'">
        <NTabPane name="people" :tab="t('ui.account.accounts')"><People /></NTabPane>
        <NTabPane name="meters" :tab="t('ui.account.meters')"><Meters /></NTabPane>
        <NTabPane name="computers" :tab="t('ui.account.schoolsComputers')"><Computers /></NTabPane>
      </template>
    </NTabs>
  </div>
</template>
