<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { useRouter } from 'vue-router'
import { leastPassword, setUpSchema } from '../../../contract/account'
import { post } from '../../api/client'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useSession } from '../../stores/session'
import DoorFrame from './DoorFrame.vue'

const session = useSession()
const router = useRouter()
const form = useForm(setUpSchema, () => ({ name: '', school: '', login: '', password: '' }))

const create = () =>
  form.submit(async (account) => {
    await post('/set-up', account)
    await session.signIn(account.login, account.password)
    await router.push('/')
  })
</script>

<template>
  <DoorFrame :title="t('ui.account.setUpYourSchool')">
    <form class="grid gap-14px" @submit.prevent="create">
      <p class="quiet">
        {{ t('ui.account.thisPageMakesTheFirst') }}
      </p>
      <FormField v-slot="{ field }" :form="form" name="school" :label="t('ui.account.nameOfTheSchool')">
        <NInput
          v-model:value="form.values.school"
          :input-props="{ ...field, autocomplete: 'organization' }"
          placeholder=""
        />
      </FormField>
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.account.yourName')">
        <NInput
          v-model:value="form.values.name"
          :input-props="{ ...field, autocomplete: 'name' }"
          placeholder=""
        />
      </FormField>
      <FormField v-slot="{ field }" :form="form" name="login" :label="t('ui.common.signInName')">
        <NInput
          v-model:value="form.values.login"
          :input-props="{ ...field, autocomplete: 'username', autocapitalize: 'none' }"
          placeholder=""
        />
      </FormField>
      <FormField
        v-slot="{ field }"
        :form="form"
        name="password"
        :label="t('ui.account.passwordAtLeastCharactersA', { leastPassword })"
      >
        <NInput
          v-model:value="form.values.password"
          type="password"
          show-password-on="click"
          :input-props="{ ...field, autocomplete: 'new-password' }"
          placeholder=""
        />
      </FormField>
      <p v-if="form.wrong" class="wrong" role="alert">
        {{ form.wrong }}
      </p>
      <NButton type="primary" attr-type="submit" :loading="form.busy">
        {{ t('ui.account.createTheAccount') }}
      </NButton>
    </form>
  </DoorFrame>
</template>
