<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { z } from 'zod'
import { meterCheckSchema, metersSchema, type Meters } from '../../../contract/lists'
import { ask, messageOf, post, send } from '../../api/client'

/** Meters that stand at the stations of the workshop and can be read over its network. */
const meters = ref<Meters>([])
const adding = ref(false)
const name = ref('')
const host = ref('')
const port = ref('5025')
const wrong = ref('')
const said = ref<Record<string, string>>({})
const load = async () => {
  meters.value = await ask(metersSchema, '/meters').catch(() => [])
}
await load()

async function act(work: () => Promise<unknown>) {
  wrong.value = ''
  try {
    await work()
    await load()
    return true
  } catch (error) {
    wrong.value = messageOf(error)
    return false
  }
}
async function add() {
  const made = { name: name.value, host: host.value.trim(), port: Number(port.value) }
  if (await act(() => send(z.object({ id: z.uuid() }), '/meters', made))) adding.value = false
}
async function check(id: string) {
  await act(async () => {
    const found = await send(meterCheckSchema, `/meters/${id}/name`)
    said.value = { ...said.value, [id]: 'name' in found ? found.name : tell(found.trouble) }
  })
}
</script>

<template>
  <section>
    <h2>{{ t('ui.home.meters') }}</h2>
    <p v-if="!meters.length">
      {{ t('ui.home.noneAMeterWithA') }}
    </p>
    <ul>
      <li v-for="meter in meters" :key="meter.id">
        {{ meter.name }} <span class="quiet">{{ meter.host }}:{{ meter.port }}</span>
        <button type="button" class="link" @click="check(meter.id)">{{ t('ui.home.whoAnswers') }}</button>
        <button
          type="button"
          class="link"
          @click="act(() => post(`/meters/${meter.id}`, undefined, 'DELETE'))"
        >
          {{ t('ui.common.takeOut') }}
        </button>
        <p v-if="said[meter.id]" role="status">{{ said[meter.id] }}</p>
      </li>
    </ul>
    <NButton v-if="!adding" size="small" @click="adding = true"> {{ t('ui.home.addAMeter') }} </NButton>
    <form v-else @submit.prevent="add">
      <label class="field"
        >{{ t('ui.home.itsStation')
        }}<NInput v-model:value="name" size="small" :placeholder="t('ui.home.suchAsBench4')"
      /></label>
      <label class="field"
        >{{ t('ui.home.address')
        }}<NInput v-model:value="host" size="small" :placeholder="t('ui.home.suchAs1921681')"
      /></label>
      <label class="field"
        >{{ t('ui.home.port') }}<NInput v-model:value="port" size="small" :placeholder="'5025'"
      /></label>
      <NButton size="small" type="primary" attr-type="submit"> {{ t('ui.common.add') }} </NButton>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.link {
  font-size: 13px;
}
</style>
