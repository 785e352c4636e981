<script setup lang="ts">
import { ref } from 'vue'
import { messageOf, post } from '../../api/client'
import { useSession } from '../../stores/session'
import { chooseLanguage, chosenLanguage, t } from '../../words'
import { languages } from '../../../messages/languages'

/** In which language one reads: kept with the account, before sign-in with the browser. */
const session = useSession()
const now = chosenLanguage()
const wrong = ref('')

async function choose(event: Event) {
  const language = (event.target as HTMLSelectElement).value
  try {
    if (session.user) await post('/language', { language }, 'PUT')
    // Everything is said anew.
    if (chooseLanguage(language)) window.location.reload()
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <label class="field language"
    >{{ t('ui.account.language') }}
    <select :value="now" @change="choose">
      <option v-for="({ name }, key) in languages" :key="key" :value="key" :lang="String(key)">
        {{ name }}
      </option>
    </select>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </label>
</template>
