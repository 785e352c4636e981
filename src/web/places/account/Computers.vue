<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { z } from 'zod'
import { statusSchema, type Status } from '../../../contract'
import { ask, messageOf, post } from '../../api/client'
import { when } from '../../parts/when'
import Retention from './Retention.vue'

/** For whoever looks after the school’s computers. */
const status = ref<Status | null>(null)
const load = async () => {
  status.value = await ask(statusSchema, '/status').catch(() => null)
  school.value = (await ask(z.object({ name: z.string() }), '/school').catch(() => ({ name: '' }))).name
}
const school = ref('')
const wrong = ref('')
const said = ref('')
async function name() {
  wrong.value = said.value = ''
  try {
    await post('/school', { name: school.value }, 'PUT')
    said.value = t('ui.account.saved')
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
const size = (bytes: number) =>
  bytes > 1e9
    ? t('ui.account.gb', { x: (bytes / 1e9).toFixed(1) })
    : t('ui.account.mb', { e6: Math.round(bytes / 1e6) })
</script>

<template>
  <details @toggle="load">
    <summary>{{ t('ui.account.theSchoolsComputer') }}</summary>
    <dl v-if="status">
      <dt>{{ t('ui.account.school') }}</dt>
      <dd>
        <form class="school" @submit.prevent="name">
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
        {{ status.database }}{{ status.embedded ? t('ui.account.embedded') : '' }}, {{ size(status.bytes) }}
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
        <Suspense><Retention /></Suspense>
      </dd>
    </dl>
  </details>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 4px 18px;
  margin: 8px 0 0;
}
dt {
  color: var(--quiet);
}
dd {
  margin: 0;
}
.school {
  display: flex;
  gap: 8px;
  align-items: center;
  max-width: 420px;
}
</style>
