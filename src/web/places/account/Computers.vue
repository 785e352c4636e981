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
    said.value = t('Saved.')
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
const size = (bytes: number) =>
  bytes > 1e9 ? t('{x} GB', { x: (bytes / 1e9).toFixed(1) }) : t('{e6} MB', { e6: Math.round(bytes / 1e6) })
</script>

<template>
  <details @toggle="load">
    <summary>{{ t('The school’s computer') }}</summary>
    <dl v-if="status">
      <dt>{{ t('School') }}</dt>
      <dd>
        <form class="school" @submit.prevent="name">
          <NInput
            v-model:value="school"
            size="small"
            :input-props="{ 'aria-label': t('Name of the school') }"
            placeholder=""
          />
          <NButton size="small" attr-type="submit">{{ t('Save') }}</NButton>
          <span v-if="said" role="status">{{ said }}</span>
        </form>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      </dd>
      <dt>{{ t('Version') }}</dt>
      <dd>
        {{
          t('{version}, running for {x} h {x2} min', {
            version: status.version,
            x: Math.floor(status.up / 3600),
            x2: Math.floor(status.up / 60) % 60,
          })
        }}
      </dd>
      <dt>{{ t('Database') }}</dt>
      <dd>{{ status.database }}{{ status.embedded ? t(', embedded') : '' }}, {{ size(status.bytes) }}</dd>
      <dt>{{ t('Space left') }}</dt>
      <dd>{{ status.free === null ? t('the database server’s') : size(status.free) }}</dd>
      <dt>{{ t('Memory in use') }}</dt>
      <dd>{{ size(status.memory) }}</dd>
      <dt>{{ t('In it') }}</dt>
      <dd>
        {{ t('{people} people, {orders} work orders', { people: status.people, orders: status.orders }) }}
      </dd>
      <dt>{{ t('Last backup') }}</dt>
      <dd>{{ status.backup ? when(status.backup) : t('none yet: npm run backup') }}</dd>
      <dt>{{ t('Records are kept') }}</dt>
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
