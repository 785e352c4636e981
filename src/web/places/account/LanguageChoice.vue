<script setup lang="ts">
import Segments from '../../parts/Segments.vue'
import { post } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useSession } from '../../stores/session'
import { chooseLanguage, chosenLanguage, t } from '../../words'
import { languages } from '../../../messages/languages'

/** In which language one reads: kept with the account, before sign-in with the browser. */
const session = useSession()
const now = chosenLanguage()
const { wrong, act } = useAct()

const choose = (language: string) =>
  act(async () => {
    if (session.user) await post('/language', { language }, 'PUT')
    // Everything is said anew.
    if (chooseLanguage(language)) window.location.reload()
  })
</script>

<template>
  <div class="language">
    <Segments
      :label="t('ui.account.language')"
      :value="now"
      :entries="Object.entries(languages).map(([key, { name }]) => ({ value: key, label: name, lang: key }))"
      @update:value="choose($event!)"
    />
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </div>
</template>
