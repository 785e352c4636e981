<script setup lang="ts">
import { NAlert, NButton } from 'naive-ui'
import { benchClaimsSchema } from '../../../contract/days'
import { post } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import { t } from '../../words'

/** Students at benches who ask to be confirmed: the instructor sees who stands there. */
const { data: claims, again: look } = useServer(benchClaimsSchema, () => '/claims')
const { wrong, act } = useAct()
async function settle(id: string, confirmed: boolean) {
  await act(() => post(`/claims/${id}`, { confirmed }))
  await look()
}
defineExpose({ look })
</script>

<template>
  <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  <NAlert
    v-for="one in claims ?? []"
    :key="one.id"
    type="info"
    :title="
      t('ui.floor.wantsToSignInAt', {
        student: one.student,
        station: one.station ?? t('ui.floor.aBench'),
      })
    "
  >
    <div class="acts flex gap-10px">
      <NButton size="small" type="primary" @click="settle(one.id, true)">{{
        t('ui.floor.confirm', { student: one.student })
      }}</NButton>
      <NButton size="small" @click="settle(one.id, false)">{{ t('ui.floor.refuse') }}</NButton>
    </div>
  </NAlert>
</template>
