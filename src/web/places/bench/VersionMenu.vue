<script setup lang="ts">
import { useAct } from '../../api/useAct'
import type { Message } from '../../../core/document'
import { t, tell } from '../../words'
import { NButton, NInput, NPopover } from 'naive-ui'
import { ref } from 'vue'
import {
  historySchema,
  storedCircuitSchema,
  versionListSchema,
  type VersionList,
} from '../../../contract/circuits'
import { ask, post, send } from '../../api/client'
import { when } from '../../parts/when'
import { useCircuit } from '../../stores/circuit'

const { wrong, act: attempt } = useAct()

const store = useCircuit()
const versions = ref<VersionList>([])
const history = ref<{ what: Message; undone: boolean }[]>([])
const open = ref(false)
const name = ref('')
const address = () => `/circuits/${store.stored!.id}`

const load = () =>
  attempt(async () => {
    await store.settled()
    ;[versions.value, history.value] = await Promise.all([
      ask(versionListSchema, `${address()}/versions`),
      ask(historySchema, `${address()}/history`),
    ])
  })
const keep = () =>
  attempt(async () => {
    await store.settled()
    await post(`${address()}/versions`, { name: name.value.trim() })
    name.value = ''
    await load()
  })
const takeUp = (id: string) =>
  attempt(async () => {
    await send(storedCircuitSchema, `${address()}/versions/${id}`)
    await store.load(store.stored!.id)
    await load()
  })
</script>

<template>
  <NPopover
    v-model:show="open"
    trigger="click"
    placement="bottom-end"
    :width="340"
    :show-arrow="false"
    @update:show="$event && load()"
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
      <p v-if="!versions.length" class="quiet">
        {{ t('ui.bench.noVersionKeptYetEvery') }}
      </p>
      <ul class="m-0 p-0 list-none">
        <li v-for="v in versions" :key="v.id" class="flex justify-between gap-8px py-3px px-0">
          <span
            >{{ v.name }} <span class="quiet">{{ when(v.created) }}</span></span
          >
          <NButton size="tiny" @click="takeUp(v.id)">{{ t('ui.bench.takeItUpAgain') }}</NButton>
        </li>
      </ul>
      <h3>{{ t('ui.common.whatWasDone') }}</h3>
      <ol v-if="history.length" class="m-0 p-0 list-none max-h-180px overflow-auto" tabindex="0">
        <li v-for="(h, i) in history" :key="i" :class="{ undone: h.undone }">{{ tell(h.what) }}</li>
      </ol>
      <p v-else class="quiet">{{ t('ui.bench.nothingYet') }}</p>
    </div>
  </NPopover>
</template>

<style scoped>
.undone {
  text-decoration: line-through;
  color: var(--quiet);
}
</style>
