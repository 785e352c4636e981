<script setup lang="ts">
import { computed } from 'vue'
import { z } from 'zod'
import { circuitListSchema } from '../../../contract/lists'
import { post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { dayWords } from '../../parts/when'
import { dayOf } from '../../../contract/days'
import { useScope } from '../../stores/scope'
import { useSession } from '../../stores/session'
import { t } from '../../words'
import IntroductionOffer from '../../shell/IntroductionOffer.vue'
import FirstSteps from './FirstSteps.vue'
import GoOn from './GoOn.vue'
import RecordsNotice from './RecordsNotice.vue'
import ToReteach from './ToReteach.vue'
import ToReview from './ToReview.vue'
import { useOrderList } from './useOrderList'
import Workshop from './Workshop.vue'

/** What needs me, then go on where I was. */
const session = useSession()
const scope = useScope()
const { wrong, busy, act } = useAct()
await scope.load()
const waiting = useOrderList('waiting')
const open = useOrderList('open')
const given = useOrderList('given')
const list = useServer(circuitListSchema, () => '/circuits')
await Promise.all([waiting.ready(), open.ready(), given.ready()])
const circuits = computed(() => list.data.value ?? [])
/** What is there is known: nobody is led through first steps while a list is on its way. */
const nothing = computed(
  () =>
    list.data.value !== undefined &&
    !scope.scope.classes.length &&
    waiting.count.value + open.count.value + given.count.value === 0,
)
const release = () =>
  act(async () => {
    await send(z.object({ count: z.number() }), '/orders/released', {
      ...scope.scope,
      asOf: waiting.asOf.value,
    })
    await Promise.all([waiting.again(), given.again()])
  })
/** An order that nobody has begun can be taken back as if it had never been handed out. */
const takeBack = (id: string) =>
  act(async () => {
    await post(`/orders/${id}`, undefined, 'DELETE')
    await open.again()
  })
</script>

<template>
  <div class="home grid grid-cols-1 gap-16px content-start max-w-1240px my-0 mx-auto py-18px px-20px">
    <div class="flex flex-wrap gap-x-16px gap-y-8px items-center">
      <h1>{{ t('ui.common.today') }}</h1>
      <span class="quiet">{{ dayWords(dayOf(new Date())) }}</span>
      <ScopeChoice class="ml-auto" />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <IntroductionOffer which="instructor" />
    <RecordsNotice />
    <FirstSteps v-if="nothing" :circuits="circuits" />
    <div class="grid grid-cols-[repeat(auto-fit,minmax(min(420px,100%),1fr))] gap-16px items-start">
      <ToReview :waiting="waiting" :given="given" :busy="busy" @release="release" />
      <Workshop :open="open" :self="session.user?.id" @take-back="takeBack" />
    </div>
    <ToReteach />
    <GoOn :circuits="circuits" />
  </div>
</template>
