<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { drillsSchema } from '../../../contract/drill-sets'
import { useServer } from '../../api/useServer'
import { dayWords } from '../../parts/when'
import { t } from '../../words'

/** What the class has been set to do by itself and is not done yet. */
const drills = useServer(drillsSchema, () => '/drills')
const open = computed(() => (drills.data.value?.sets ?? []).filter(({ done, items }) => done < items))
</script>

<template>
  <section v-if="open.length" :aria-label="t('ui.common.drills')">
    <h2 class="text-15px">{{ t('ui.common.drills') }}</h2>
    <ul class="list-none p-0 m-0">
      <li v-for="one in open" :key="one.id" class="line-t py-10px px-0">
        <RouterLink :to="{ name: 'drills', query: { set: one.id } }">{{ one.name }}</RouterLink>
        <p class="quiet">
          {{ t('ui.drills.setUntil', { done: one.done, of: one.items, due: dayWords(one.due) }) }}
        </p>
      </li>
    </ul>
  </section>
</template>
