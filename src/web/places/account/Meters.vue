<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NEmpty, NInput, NInputNumber } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { z } from 'zod'
import { meterCheckSchema, metersSchema, newMeterSchema, type Meters } from '../../../contract/lists'
import { post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
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
const columns: Column<Meters[number]>[] = [
  {
    key: 'name',
    title: t('ui.account.station'),
    head: true,
    text: (one) => one.name,
    sort: byText((one) => one.name),
  },
  {
    key: 'host',
    title: t('ui.account.address'),
    text: (one) => `${one.host}:${one.port}`,
    quiet: true,
    width: 170,
  },
  { key: 'test', title: t('ui.account.answer') },
  { key: 'acts', title: t('ui.common.actions'), untitled: true, width: 220 },
]
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
  <section class="grid grid-cols-1 gap-12px content-start" :aria-label="t('ui.account.meters')">
    <p class="quiet">{{ t('ui.account.aMeterWithA') }}</p>
    <DataTable
      :label="t('ui.account.meters')"
      :columns="columns"
      :rows="meters"
      :row-key="(meter) => meter.id"
    >
      <template #empty><NEmpty size="small" :description="t('ui.account.noMeters')" /></template>
      <template #cell-test="{ row }"
        ><span v-if="said[row.id]" role="status">{{ said[row.id] }}</span></template
      >
      <template #cell-acts="{ row }"
        ><span class="flex gap-14px">
          <NButton text type="primary" @click="check(row.id)">{{ t('ui.account.testConnection') }}</NButton>
          <NButton text type="primary" @click="act(() => post(`/meters/${row.id}`, undefined, 'DELETE'))">
            {{ t('ui.common.remove') }}
          </NButton>
        </span></template
      >
    </DataTable>
    <NButton v-if="!adding" class="justify-self-start" size="small" @click="adding = true">
      {{ t('ui.account.addAMeter') }}
    </NButton>
    <form v-else class="flex flex-wrap gap-10px items-start" @submit.prevent="add">
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.account.station')"
        ><NInput
          v-model:value="form.values.name"
          :input-props="field"
          :placeholder="t('ui.account.suchAsBench4')"
      /></FormField>
      <FormField v-slot="{ field }" :form="form" name="host" :label="t('ui.account.address')"
        ><NInput
          v-model:value="form.values.host"
          :input-props="field"
          :placeholder="t('ui.account.suchAs1921681')"
      /></FormField>
      <FormField v-slot="{ field }" :form="form" name="port" :label="t('ui.account.port')"
        ><NInputNumber
          v-model:value="form.values.port"
          :input-props="field"
          :show-button="false"
          :min="1"
          :max="65535"
          :precision="0"
      /></FormField>
      <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
      <NButton class="mt-24px" size="small" type="primary" attr-type="submit" :loading="form.busy">
        {{ t('ui.common.add') }}
      </NButton>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>
