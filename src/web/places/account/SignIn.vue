<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { useRoute, useRouter } from 'vue-router'
import { signInSchema } from '../../../contract/account'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useSession } from '../../stores/session'
import DoorFrame from './DoorFrame.vue'
import LanguageChoice from './LanguageChoice.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const form = useForm(signInSchema, () => ({
  login: typeof route.query.login === 'string' ? route.query.login : '',
  password: '',
}))
const next = typeof route.query.next === 'string' ? route.query.next : '/'
/** Why somebody was led here. */
const reasons: Readonly<Record<string, string>> = {
  late: t('ui.account.thatTookTooLongTry'),
  refused: t('ui.account.theDirectoryDidNotSign'),
  unknown: t('ui.account.theDirectoryKnowsYouBut'),
  link: t('ui.account.thereIsAnAccountOf'),
}
const reason =
  reasons[String(route.query.directory ?? '')] ??
  (route.query.ended ? t('ui.account.yourSessionHasEndedSign') : '')

const enter = () =>
  form.submit(async ({ login, password }) => {
    await session.signIn(login, password)
    await router.push(next.startsWith('/') && !next.startsWith('//') ? next : '/')
  })
</script>

<template>
  <DoorFrame :title="t('ui.common.signIn')">
    <form class="grid gap-14px" @submit.prevent="enter">
      <p v-if="reason" role="status">{{ reason }}</p>
      <NButton v-if="session.directory" tag="a" :href="`/api/directory?next=${encodeURIComponent(next)}`">{{
        t('ui.account.signInWith', { directory: session.directory })
      }}</NButton>
      <FormField v-slot="{ field }" :form="form" name="login" :label="t('ui.common.signInName')">
        <NInput
          v-model:value="form.values.login"
          :input-props="{ ...field, autocomplete: 'username', autocapitalize: 'none', name: 'login' }"
          autofocus
          placeholder=""
        />
      </FormField>
      <FormField v-slot="{ field }" :form="form" name="password" :label="t('ui.account.password')">
        <NInput
          v-model:value="form.values.password"
          type="password"
          :input-props="{ ...field, autocomplete: 'current-password', name: 'password' }"
          placeholder=""
        />
      </FormField>
      <p v-if="form.wrong" class="wrong" role="alert">
        {{ form.wrong }}
      </p>
      <NButton type="primary" attr-type="submit" :loading="form.busy"> {{ t('ui.common.signIn') }} </NButton>
      <p class="quiet">{{ t('ui.account.noAccountYourInstructorMakes') }}</p>
      <LanguageChoice />
    </form>
  </DoorFrame>
</template>
