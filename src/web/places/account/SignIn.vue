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
  late: t('That took too long. Try once more.'),
  refused: t('The directory did not sign you in.'),
  unknown: t('The directory knows you, but this school has no account for you: ask your instructor.'),
  link: t(
    'There is an account of this sign-in name. Enter its password once, and it is yours by the directory too.',
  ),
}
const reason =
  reasons[String(route.query.directory ?? '')] ??
  (route.query.ended
    ? t('Your session has ended. Sign in to go on where you were: what you did is kept.')
    : '')
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
  <DoorFrame :title="t('Sign in')">
    <form @submit.prevent="enter">
      <p v-if="reason" role="status">{{ reason }}</p>
      <NButton v-if="session.directory" tag="a" :href="`/api/directory?next=${encodeURIComponent(next)}`">{{
        t('Sign in with {directory}', { directory: session.directory })
      }}</NButton>
      <label class="field"
        >{{ t('Sign-in name') }}
        <NInput
          v-model:value="login"
          :input-props="{ autocomplete: 'username', autocapitalize: 'none', name: 'login' }"
          autofocus
          placeholder=""
        />
      </label>
      <label class="field"
        >{{ t('Password') }}
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
      <NButton type="primary" attr-type="submit" :loading="busy"> {{ t('Sign in') }} </NButton>
      <p class="quiet">{{ t('No account? Your instructor makes one for you.') }}</p>
      <LanguageChoice />
    </form>
  </DoorFrame>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
}
</style>
