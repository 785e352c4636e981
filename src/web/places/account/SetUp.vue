<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { leastPassword } from '../../../contract/account'
import { messageOf, post } from '../../api/client'
import { useSession } from '../../stores/session'
import DoorFrame from './DoorFrame.vue'

const session = useSession()
const router = useRouter()
const name = ref('')
const school = ref('')
const login = ref('')
const password = ref('')
const wrong = ref('')

async function create() {
  wrong.value = ''
  try {
    await post('/set-up', {
      name: name.value,
      login: login.value.trim(),
      password: password.value,
      school: school.value,
    })
    await session.signIn(login.value.trim(), password.value)
    await router.push('/')
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <DoorFrame :title="t('ui.account.setUpYourSchool')">
    <form @submit.prevent="create">
      <p class="quiet">
        {{ t('ui.account.thisPageMakesTheFirst') }}
      </p>
      <label class="field"
        >{{ t('ui.account.nameOfTheSchool') }}
        <NInput v-model:value="school" :input-props="{ autocomplete: 'organization' }" placeholder="" />
      </label>
      <label class="field"
        >{{ t('ui.account.yourName') }}
        <NInput v-model:value="name" :input-props="{ autocomplete: 'name' }" placeholder="" />
      </label>
      <label class="field"
        >{{ t('ui.common.signInName') }}
        <NInput
          v-model:value="login"
          :input-props="{ autocomplete: 'username', autocapitalize: 'none' }"
          placeholder=""
        />
      </label>
      <label class="field"
        >{{ t('ui.account.passwordAtLeastCharactersA', { leastPassword }) }}
        <NInput
          v-model:value="password"
          type="password"
          :input-props="{ autocomplete: 'new-password' }"
          placeholder=""
        />
      </label>
      <p v-if="wrong" class="wrong" role="alert">
        {{ wrong }}
      </p>
      <NButton type="primary" attr-type="submit"> {{ t('ui.account.createTheAccount') }} </NButton>
    </form>
  </DoorFrame>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
}
</style>
