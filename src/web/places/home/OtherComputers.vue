<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { NAlert, NButton } from 'naive-ui'
import { computed } from 'vue'
import { post } from '../../api/client'
import { useSession } from '../../stores/session'
import { t } from '../../words'

const { wrong, act } = useAct()

/** After a sign-in: the account is open on other computers too, which may have been left so. */
const session = useSession()
const where = computed(() => t('ui.home.count', { count: session.others }))
async function signOutThere() {
  await act(async () => {
    await post('/sessions', undefined, 'DELETE')
    session.others = 0
  })
}
</script>

<template>
  <NAlert type="info" closable class="mt-12px mx-16px mb-0" @after-leave="session.others = 0">
    {{ where }}
    <NButton size="tiny" @click="signOutThere">{{ t('ui.home.endTheOtherSessions') }}</NButton>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </NAlert>
</template>
