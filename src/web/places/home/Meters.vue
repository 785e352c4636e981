<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput, NInputNumber } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { z } from 'zod'
import { meterCheckSchema, metersSchema, newMeterSchema } from '../../../contract/lists'
import { post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'

/** Meters that stand at the stations of the workshop and can be read over its network. */
const list = useServer(metersSchema, () => '/meters')
const meters = computed(() => list.data.value ?? [])
await list.ready().catch(() => undefined)
const adding = ref(false)
const { wrong, act: attempt } = useAct()
const form = useForm(newMeterSchema, () => ({ name: '', host: '', port: 5025 as number | null }))
useLeaveGuard(toRef(() => form.changed))
const said = ref<Record<string, string>>({})
const act = async (work: () => Promise<unknown>) => (await attempt(work)) && list.again()
async function add() {
  const done = await form.submit((meter) => send(z.object({ id: z.uuid() }), '/meters', meter))
  if (!done) return
  adding.value = false
  form.reset()
  await list.again()
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
        <NButton text type="primary" @click="check(meter.id)">{{ t('ui.home.whoAnswers') }}</NButton>
        <NButton text type="primary" @click="act(() => post(`/meters/${meter.id}`, undefined, 'DELETE'))">
          {{ t('ui.common.takeOut') }}
        </NButton>
        <p v-if="said[meter.id]" role="status">{{ said[meter.id] }}</p>
      </li>
    </ul>
    <NButton v-if="!adding" size="small" @click="adding = true"> {{ t('ui.home.addAMeter') }} </NButton>
    <form v-else @submit.prevent="add">
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.home.itsStation')"
        ><NInput
          v-model:value="form.values.name"
          :input-props="field"
          :placeholder="t('ui.home.suchAsBench4')"
      /></FormField>
      <FormField v-slot="{ field }" :form="form" name="host" :label="t('ui.home.address')"
        ><NInput
          v-model:value="form.values.host"
          :input-props="field"
          :placeholder="t('ui.home.suchAs1921681')"
      /></FormField>
      <FormField v-slot="{ field }" :form="form" name="port" :label="t('ui.home.port')"
        ><NInputNumber
          v-model:value="form.values.port"
          :input-props="field"
          :show-button="false"
          :min="1"
          :max="65535"
          :precision="0"
      /></FormField>
      <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
      <NButton size="small" type="primary" attr-type="submit" :loading="form.busy">
        {{ t('ui.common.add') }}
      </NButton>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped></style>
