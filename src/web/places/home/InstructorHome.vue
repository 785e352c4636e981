<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { z } from 'zod'
import { orderRowSchema, type OrderRow } from '../../../contract/lists'
import { ask, messageOf, send } from '../../api/client'
import { when } from '../../parts/when'
import { useSession } from '../../stores/session'
import ClassList from './ClassList.vue'
import Library from './Library.vue'
import Meters from './Meters.vue'

const session = useSession()
const orders = ref<OrderRow[]>([])
const wrong = ref('')
try {
  orders.value = await ask(z.array(orderRowSchema), '/orders')
} catch (error) {
  wrong.value = messageOf(error)
}
/** Finished, and not given back yet. */
const waiting = computed(() => orders.value.filter((o) => o.concluded && !o.released).length)
async function giveBack() {
  wrong.value = ''
  try {
    await send(z.object({ count: z.number() }), '/orders/released')
    orders.value = await ask(z.array(orderRowSchema), '/orders')
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <div class="home">
    <h1 class="visually-hidden">Today</h1>
    <p v-if="wrong" class="wrong" role="alert">
      {{ wrong }}
    </p>
    <section class="orders">
      <div class="title">
        <h2>Work orders out</h2>
        <RouterLink :to="{ name: 'rubric' }">How they are marked</RouterLink>
        <NButton v-if="waiting" size="small" @click="giveBack">
          Give back {{ waiting === 1 ? 'the finished review' : `all ${waiting} finished reviews` }}
        </NButton>
      </div>
      <p v-if="!orders.length">None yet. Open a circuit, plant a fault, and hand it out from Plant.</p>
      <table v-else class="data">
        <thead>
          <tr>
            <th scope="col">Student</th>
            <th scope="col">Complaint</th>
            <th scope="col">Circuit</th>
            <th scope="col" class="num">Readings</th>
            <th scope="col">Handed out</th>
            <th scope="col">Where it stands</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="order in orders" :key="order.id">
            <td>{{ order.student }}</td>
            <td>{{ order.complaint }}</td>
            <td>{{ order.circuit }}</td>
            <td class="num">
              {{ order.tests }}
            </td>
            <td>{{ when(order.created) }}</td>
            <td>
              <RouterLink
                v-if="order.studentId === session.user?.id && !order.concluded"
                class="own"
                :to="{ name: 'desk', params: { id: order.id } }"
                >Your Desk</RouterLink
              >
              <RouterLink :to="{ name: 'review', params: { id: order.id } }">
                {{
                  order.released
                    ? 'Given back: review'
                    : order.concluded
                      ? 'Finished: review'
                      : order.tests
                        ? 'At work: look'
                        : 'Not begun: look'
                }}
              </RouterLink>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
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
.own {
  margin-right: 10px;
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
.orders {
  grid-column: 1 / -1;
}
section .title {
  display: flex;
  gap: 16px;
  align-items: baseline;
}
section {
  display: grid;
  gap: 10px;
  align-content: start;
}
:deep(table.data thead th) {
  background: var(--paper);
}
:deep(table.data td) {
  padding-block: 6px;
}
</style>
