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

async function enter() {
  wrong.value = ''
  busy.value = true
  try {
    await session.signIn(login.value, password.value)
    const next = route.query.next
    await router.push(typeof next === 'string' && next.startsWith('/') && !next.startsWith('//') ? next : '/')
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
