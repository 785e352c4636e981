<script setup lang="ts">
import { t } from '../../words'
import { computed, ref } from 'vue'
import { z } from 'zod'
import { circuitListSchema, type CircuitList } from '../../../contract/lists'
import { ask, post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { useScope } from '../../stores/scope'
import { useSession } from '../../stores/session'
import Benches from './Benches.vue'
import ClassList from './ClassList.vue'
import FirstSteps from './FirstSteps.vue'
import LabToday from './LabToday.vue'
import Meters from './Meters.vue'
import RecordsNotice from './RecordsNotice.vue'
import { useOrderList } from './useOrderList'

const session = useSession()
const scope = useScope()
const { wrong, act, failed } = useAct()
const waiting = useOrderList('waiting', failed)
const open = useOrderList('open', failed)
const given = useOrderList('given', failed)
/** What is there is known: nobody is led through first steps while a list is on its way. */
const looked = ref(false)
await scope.load()
await Promise.all([waiting.load(), open.load(), given.load()])
const nothing = computed(
  () => !scope.scope.classes.length && waiting.count.value + open.count.value + given.count.value === 0,
)
const circuits = ref<CircuitList>([])
void ask(circuitListSchema, '/circuits').then(
  (list) => {
    circuits.value = list
    looked.value = true
  },
  () => undefined,
)
const giveBack = () =>
  act(async () => {
    await send(z.object({ count: z.number() }), '/orders/released', {
      ...scope.scope,
      asOf: waiting.asOf.value,
    })
    await Promise.all([waiting.load(), given.load()])
  })
/** An order that nobody has begun can be taken back as if it had never been handed out. */
const takeBack = (id: string) =>
  act(async () => {
    await post(`/orders/${id}`, undefined, 'DELETE')
    await open.load()
  })
</script>

<template>
  <div
    class="home grid grid-cols-[minmax(0,1fr)_250px] gap-y-32px gap-x-36px max-w-1240px my-0 mx-auto py-24px px-20px"
  >
    <h1 class="visually-hidden">{{ t('ui.common.today') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">
      {{ wrong }}
    </p>
    <RecordsNotice class="col-span-full" />
    <FirstSteps v-if="looked && nothing" class="col-span-full" :circuits="circuits" />
    <LabToday class="col-span-full" />
    <ScopeChoice class="col-span-full" />
    <div class="today grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-y-24px gap-x-36px">
      <Benches
        :waiting="waiting"
        :open="open"
        :given="given"
        :circuits="circuits"
        :self="session.user?.id"
        @give-back="giveBack"
        @take-back="takeBack"
      />
    </div>
    <div class="aside grid gap-28px content-start">
      <ClassList />
      <Meters />
    </div>
  </div>
</template>

<style scoped>
.aside :deep(section),
.aside :deep(form) {
  display: grid;
  gap: 8px;
  align-content: start;
  justify-items: start;
}
.aside :deep(form) {
  justify-items: stretch;
}
.aside :deep(ul) {
  margin: 0;
  padding: 0;
  list-style: none;
}
.aside :deep(li) {
  padding: 3px 0;
}
</style>
