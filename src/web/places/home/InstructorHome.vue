<script setup lang="ts">
import { t } from '../../words'
import { ref } from 'vue'
import { z } from 'zod'
import { circuitListSchema, orderRowSchema, type CircuitList, type OrderRow } from '../../../contract/lists'
import { ask, messageOf, post, send } from '../../api/client'
import { useSession } from '../../stores/session'
import Benches from './Benches.vue'
import ClassList from './ClassList.vue'
import FirstSteps from './FirstSteps.vue'
import LabToday from './LabToday.vue'
import Library from './Library.vue'
import Meters from './Meters.vue'
import RecordsNotice from './RecordsNotice.vue'

const session = useSession()
const orders = ref<OrderRow[]>([])
const wrong = ref('')
/** What is there is known: nobody is led through first steps while a list is on its way. */
const looked = ref(false)
orders.value = await ask(z.array(orderRowSchema), '/orders')
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
    await send(z.object({ count: z.number() }), '/orders/released')
    orders.value = await ask(z.array(orderRowSchema), '/orders')
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
/** An order that nobody has begun can be taken back as if it had never been handed out. */
async function takeBack(id: string) {
  wrong.value = ''
  try {
    await post(`/orders/${id}`, undefined, 'DELETE')
    orders.value = orders.value.filter((order) => order.id !== id)
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <div class="home">
    <h1 class="visually-hidden">{{ t('Today') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">
      {{ wrong }}
    </p>
    <RecordsNotice class="all" />
    <FirstSteps v-if="looked && !orders.length" class="all" :circuits="circuits" />
    <LabToday class="all" />
    <div class="today">
      <Benches
        :orders="orders"
        :circuits="circuits"
        :self="session.user?.id"
        @give-back="giveBack"
        @take-back="takeBack"
      />
    </div>
    <Library />
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
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 24px 36px;
}
:deep(table.data thead th) {
  background: var(--paper);
}
:deep(table.data td) {
  padding-block: 6px;
}
</style>
