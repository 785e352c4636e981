<script setup lang="ts">
import { t } from '../../words'
import { computed, ref } from 'vue'
import { z } from 'zod'
import { circuitListSchema, type CircuitList } from '../../../contract/lists'
import { ask, messageOf, post, send } from '../../api/client'
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
const wrong = ref('')
const said = (error: unknown) => void (wrong.value = messageOf(error))
const waiting = useOrderList('waiting', said)
const open = useOrderList('open', said)
const given = useOrderList('given', said)
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
async function giveBack() {
  wrong.value = ''
  try {
    await send(z.object({ count: z.number() }), '/orders/released', {
      ...scope.scope,
      asOf: waiting.asOf.value,
    })
    await Promise.all([waiting.load(), given.load()])
  } catch (error) {
    said(error)
  }
}
/** An order that nobody has begun can be taken back as if it had never been handed out. */
async function takeBack(id: string) {
  wrong.value = ''
  try {
    await post(`/orders/${id}`, undefined, 'DELETE')
    await open.load()
  } catch (error) {
    said(error)
  }
}
</script>

<template>
  <div class="home">
    <h1 class="visually-hidden">{{ t('ui.common.today') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">
      {{ wrong }}
    </p>
    <RecordsNotice class="all" />
    <FirstSteps v-if="looked && nothing" class="all" :circuits="circuits" />
    <LabToday class="all" />
    <ScopeChoice class="all" />
    <div class="today">
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
    <div class="aside">
      <ClassList />
      <Meters />
    </div>
  </div>
</template>

<style scoped>
.home {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 32px 36px;
  max-width: 1240px;
  margin: 0 auto;
  padding: 24px 20px;
}
.aside {
  display: grid;
  gap: 28px;
  align-content: start;
}
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
.all {
  grid-column: 1 / -1;
}
.today {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 24px 36px;
}
</style>
