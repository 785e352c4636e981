<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { t, tell } from '../../words'
import { NButton, NInput, NPopover } from 'naive-ui'
import { computed, ref } from 'vue'
import { historySchema, storedCircuitSchema, versionListSchema } from '../../../contract/circuits'
import { post, send } from '../../api/client'
import { useServer } from '../../api/useServer'
import { when } from '../../parts/when'
import { useCircuit } from '../../stores/circuit'

const { wrong: refused, act: attempt } = useAct()

const store = useCircuit()
const open = ref(false)
/** What is being sent has come to the server: asked earlier, it would be missing here. */
const settled = ref(false)
const from = (what: string) => () => (open.value && settled.value ? `${address()}/${what}` : undefined)
const versions = useServer(versionListSchema, from('versions'))
const history = useServer(historySchema, from('history'))
const wrong = computed(() => refused.value || versions.wrong.value || history.wrong.value)
const name = ref('')
const address = () => `/circuits/${store.stored!.id}`

const again = () => Promise.all([versions.again(), history.again()])
async function show(now: boolean) {
  settled.value = false
  if (now) settled.value = await attempt(() => store.settled())
}
const keep = () =>
  attempt(async () => {
    await store.settled()
    await post(`${address()}/versions`, { name: name.value.trim() })
    name.value = ''
    await again()
  })
const takeUp = (id: string) =>
  attempt(async () => {
    await send(storedCircuitSchema, `${address()}/versions/${id}`)
    await store.load(store.stored!.id)
    await again()
  })
</script>

<template>
  <NPopover
    v-model:show="open"
    trigger="click"
    placement="bottom-end"
    :width="340"
    :show-arrow="false"
    @update:show="show"
  >
    <template #trigger>
      <NButton size="small">{{ t('ui.bench.versions') }}</NButton>
    </template>
    <div
      class="versions grid gap-8px text-13px"
      :aria-label="t('ui.common.versions')"
      @keydown.esc="open = false"
    >
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <form class="flex gap-6px" @submit.prevent="keep">
        <NInput
          v-model:value="name"
          size="small"
          :input-props="{ 'aria-label': t('ui.bench.nameOfTheVersion') }"
          :placeholder="t('ui.bench.asTaughtInSpring')"
        />
        <NButton size="small" type="primary" attr-type="submit" :disabled="!name.trim()">{{
          t('ui.common.keep')
        }}</NButton>
      </form>
      <p v-if="versions.data.value?.length === 0" class="quiet">
        {{ t('ui.bench.noVersionKeptYetEvery') }}
      </p>
      <ul class="m-0 p-0 list-none">
        <li v-for="v in versions.data.value" :key="v.id" class="flex justify-between gap-8px py-3px px-0">
          <span
            >{{ v.name }} <span class="quiet">{{ when(v.created) }}</span></span
          >
          <NButton size="tiny" @click="takeUp(v.id)">{{ t('ui.bench.takeItUpAgain') }}</NButton>
        </li>
      </ul>
      <h3>{{ t('ui.common.whatWasDone') }}</h3>
      <ol v-if="history.data.value?.length" class="m-0 p-0 list-none max-h-180px overflow-auto" tabindex="0">
        <li v-for="(h, i) in history.data.value" :key="i" :class="{ undone: h.undone }">
          {{ tell(h.what) }}
        </li>
      </ol>
      <p v-else-if="history.data.value" class="quiet">{{ t('ui.bench.nothingYet') }}</p>
    </div>
  </NPopover>
</template>

<style scoped>
.undone {
  text-decoration: line-through;
  color: var(--quiet);
}
</style>
