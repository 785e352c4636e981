<script setup lang="ts">
import { t } from '../../words'
import { ref } from 'vue'
import { statusSchema, type Status } from '../../../contract'
import { ask, messageOf, post } from '../../api/client'
import { when } from '../../parts/when'

/** For whoever looks after the school’s computers. */
const status = ref<Status | null>(null)
const load = async () => {
  status.value = await ask(statusSchema, '/status').catch(() => null)
}
const wrong = ref('')
const asking = ref<number | null>(null)
/** What is older goes at once: it is asked for twice. */
async function keep(months: number | null) {
  wrong.value = ''
  asking.value = null
  await post('/retention', { months }, 'PUT').catch((error: unknown) => (wrong.value = messageOf(error)))
  await load()
}
function choose(event: Event) {
  const { value } = event.target as HTMLSelectElement
  if (value) asking.value = Number(value)
  else void keep(null)
}
const size = (bytes: number) =>
  bytes > 1e9 ? t('{x} GB', { x: (bytes / 1e9).toFixed(1) }) : t('{e6} MB', { e6: Math.round(bytes / 1e6) })
</script>

<template>
  <details @toggle="load">
    <summary>{{ t('The school’s computer') }}</summary>
    <dl v-if="status">
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
        <select
          class="plain"
          :aria-label="t('Records are kept')"
          :value="status.retention ?? ''"
          @change="choose"
        >
          <option value="">{{ t('until they are erased') }}</option>
          <option v-for="m in [6, 12, 24, 36, 60]" :key="m" :value="m">{{ t('{m} months', { m }) }}</option>
        </select>
        <p v-if="asking !== null" class="asking">
          {{
            t(
              'Work older than {asking} months is erased now, and from then on by itself; it cannot be brought back. Make a backup first.',
              { asking },
            )
          }}
          <button type="button" class="small" @click="keep(asking)">{{ t('Erase it') }}</button>
          <button type="button" class="small" @click="load().then(() => (asking = null))">
            {{ t('Leave it') }}
          </button>
        </p>
        <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
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
</style>
