<script setup lang="ts">
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { deskListSchema, type DeskList } from '../../../contract/lists'
import { ask, messageOf } from '../../api/client'
import { when } from '../../parts/when'

const orders = ref<DeskList>([])
const wrong = ref('')
await ask(deskListSchema, '/desk').then(
  (list) => (orders.value = list),
  (error: unknown) => (wrong.value = messageOf(error)),
)
</script>

<template>
  <div class="home">
    <h1>Your work orders</h1>
    <p v-if="wrong" class="wrong" role="alert">
      {{ wrong }}
    </p>
    <p v-else-if="!orders.length">
      Nothing is on your desk yet. Your instructor hands work orders out; reload the page when they say so.
    </p>
    <ul>
      <li v-for="order in orders" :key="order.id">
        <RouterLink :to="{ name: 'desk', params: { id: order.id } }">
          {{ order.circuit }}
        </RouterLink>
        <p>“{{ order.complaint }}”</p>
        <p class="quiet">{{ when(order.created) }} · {{ order.concluded ? 'finished' : 'open' }}</p>
        <RouterLink v-if="order.released" class="review" :to="{ name: 'returned', params: { id: order.id } }">
          Your review
        </RouterLink>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.home {
  max-width: 760px;
  margin: 0 auto;
  padding: 24px 20px;
  display: grid;
  gap: 14px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 12px 0;
}
li a:not(.review) {
  font-size: 17px;
  font-weight: 500;
}
</style>
