<script setup lang="ts">
import { useAct } from '../../api/useAct'
import Awaited from '../../parts/Awaited.vue'
import Fold from '../../parts/Fold.vue'
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref, watch } from 'vue'
import { z } from 'zod'
import { statusSchema } from '../../../contract'
import { post } from '../../api/client'
import { useServer } from '../../api/useServer'
import { when } from '../../parts/when'
import Retention from './Retention.vue'

const { wrong, said, act } = useAct()

/** For whoever looks after the school’s computers. */
const open = ref(false)
const whenOpen = (path: string) => () => (open.value ? path : undefined)
const { data: status } = useServer(statusSchema, whenOpen('/status'))
const named = useServer(z.object({ name: z.string() }), whenOpen('/school'))
const school = ref('')
// What is being typed stays while it is asked anew.
watch(
  () => named.data.value?.name,
  (now) => (school.value = now ?? ''),
  { immediate: true },
)
async function name() {
  await act(async () => {
    await post('/school', { name: school.value }, 'PUT')
    said.value = t('ui.account.saved')
  })
}
const size = (bytes: number) =>
  bytes > 1e9
    ? t('ui.account.gb', { x: (bytes / 1e9).toFixed(1) })
    : t('ui.account.mb', { e6: Math.round(bytes / 1e6) })
</script>

<template>
  <Fold :title="t('ui.account.theSchoolsComputer')" @toggle="open = $event">
    <dl v-if="status" class="grid grid-cols-[max-content_1fr] gap-y-4px gap-x-18px mt-8px mx-0 mb-0">
      <dt>{{ t('ui.account.school') }}</dt>
      <dd>
        <form class="flex gap-8px items-center max-w-420px" @submit.prevent="name">
          <NInput
            v-model:value="school"
            size="small"
            :input-props="{ 'aria-label': t('ui.account.nameOfTheSchool') }"
            placeholder=""
          />
          <NButton size="small" attr-type="submit">{{ t('ui.account.save') }}</NButton>
          <span v-if="said" role="status">{{ said }}</span>
        </form>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      </dd>
      <dt>{{ t('ui.account.version') }}</dt>
      <dd>
        {{
          t('ui.account.runningForHMin', {
            version: status.version,
            x: Math.floor(status.up / 3600),
            x2: Math.floor(status.up / 60) % 60,
          })
        }}
      </dd>
      <dt>{{ t('ui.account.database') }}</dt>
      <dd>
        {{
          status.embedded
            ? t('ui.account.embedded', { database: status.database, size: size(status.bytes) })
            : `${status.database}, ${size(status.bytes)}`
        }}
      </dd>
      <dt>{{ t('ui.account.spaceLeft') }}</dt>
      <dd>{{ status.free === null ? t('ui.account.theDatabaseServers') : size(status.free) }}</dd>
      <dt>{{ t('ui.account.memoryInUse') }}</dt>
      <dd>{{ size(status.memory) }}</dd>
      <dt>{{ t('ui.account.inIt') }}</dt>
      <dd>
        {{ t('ui.account.peopleWorkOrders', { people: status.people, orders: status.orders }) }}
      </dd>
      <dt>{{ t('ui.account.lastBackup') }}</dt>
      <dd>{{ status.backup ? when(status.backup) : t('ui.account.noneYetNpmRunBackup') }}</dd>
      <dt>{{ t('ui.account.recordsAreKept') }}</dt>
      <dd>
        <Awaited><Retention /></Awaited>
      </dd>
    </dl>
  </Fold>
</template>

<style scoped>
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
}
</style>
