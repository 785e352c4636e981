<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { messageOf } from '../../api/client'
import { useSession } from '../../stores/session'
import DoorFrame from './DoorFrame.vue'
import LanguageChoice from './LanguageChoice.vue'

const session = useSession()
const route = useRoute()
const router = useRouter()
const login = ref('')
const password = ref('')
const wrong = ref('')
const busy = ref(false)
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
if (typeof route.query.login === 'string') login.value = route.query.login

async function enter() {
  wrong.value = ''
  busy.value = true
  try {
    await session.signIn(login.value, password.value)
    await router.push(next.startsWith('/') && !next.startsWith('//') ? next : '/')
  } catch (error) {
    wrong.value = messageOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <DoorFrame :title="t('ui.common.signIn')">
    <form class="grid gap-14px" @submit.prevent="enter">
      <p v-if="reason" role="status">{{ reason }}</p>
      <NButton v-if="session.directory" tag="a" :href="`/api/directory?next=${encodeURIComponent(next)}`">{{
        t('ui.account.signInWith', { directory: session.directory })
      }}</NButton>
      <label class="field"
        >{{ t('ui.common.signInName') }}
        <NInput
          v-model:value="login"
          :input-props="{ autocomplete: 'username', autocapitalize: 'none', name: 'login' }"
          autofocus
          placeholder=""
        />
      </label>
      <label class="field"
        >{{ t('ui.account.password') }}
        <NInput
          v-model:value="password"
          type="password"
          :input-props="{ autocomplete: 'current-password', name: 'password' }"
          placeholder=""
        />
      </label>
      <p v-if="wrong" class="wrong" role="alert">
        {{ wrong }}
      </p>
      <NButton type="primary" attr-type="submit" :loading="busy"> {{ t('ui.common.signIn') }} </NButton>
      <p class="quiet">{{ t('ui.account.noAccountYourInstructorMakes') }}</p>
      <LanguageChoice />
    </form>
  </DoorFrame>
</template>
