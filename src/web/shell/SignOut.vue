<script setup lang="ts">
import { t } from '../words'
import { NButton, NPopconfirm } from 'naive-ui'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { isSignedOut, messageOf } from '../api/client'
import { useOpen } from '../stores/open'
import { useSession } from '../stores/session'

const { leavePlace } = defineProps<{ leavePlace: () => Promise<void> }>()
/** Why nobody was signed out; empty while it is tried. */
const emit = defineEmits<{ staying: [why: string] }>()

const router = useRouter()
const session = useSession()
const open = useOpen()

async function leave() {
  emit('staying', '')
  try {
    await session.signOut()
  } catch (error) {
    if (!isSignedOut(error)) return emit('staying', messageOf(error))
  }
  await leavePlace()
  await open.leave()
  // A fresh page: nothing that this person had open is in its memory for the next.
  window.location.replace(router.resolve({ name: 'sign-in' }).href)
}
/** What is on its way gets a moment; what still waits then is asked about. */
const asking = ref(false)
async function wantsToLeave() {
  await Promise.race([open.settled(), new Promise((done) => setTimeout(done, 1500))])
  if (open.saveState === 'saved') await leave()
  else asking.value = true
}
</script>

<template>
  <NPopconfirm
    v-model:show="asking"
    trigger="manual"
    :positive-text="t('ui.shell.signOut')"
    :negative-text="t('ui.shell.stay')"
    @positive-click="leave"
    @negative-click="asking = false"
    @clickoutside="asking = false"
  >
    <template #trigger>
      <NButton quaternary size="small" @click="wantsToLeave"> {{ t('ui.shell.signOut') }} </NButton>
    </template>
    {{ t('ui.shell.someChangesAreNotSaved') }}
  </NPopconfirm>
</template>
