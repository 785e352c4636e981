<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { reteachSchema } from '../../../contract/ideas'
import { useServer } from '../../api/useServer'
import Panel from '../../parts/Panel.vue'
import { useScope } from '../../stores/scope'
import { t, tell } from '../../words'

/** What several of the class hold wrongly: what to teach again tomorrow. */
const scope = useScope()
const table = useServer(reteachSchema, () => `/ideas/reteach?${scope.query}`)
/** More are in the Ledger. */
const most = 3
const rows = computed(() => (table.data.value ?? []).slice(0, most))
</script>

<template>
  <Panel v-if="rows.length" :title="t('ui.home.toReteach')">
    <template #extra>
      <RouterLink class="text-13px" :to="{ name: 'ledger', query: { tab: 'reteach' } }">{{
        t('ui.common.ledger')
      }}</RouterLink>
    </template>
    <ul class="list-none m-0 p-0 grid gap-8px">
      <li v-for="one in rows" :key="one.misbelief" class="grid gap-1px">
        <strong>{{ tell({ code: `learning.misbeliefs.${one.misbelief}.title` }) }}</strong>
        <span class="quiet text-13px">{{ t('ui.home.heldByCount', { count: one.students.length }) }}</span>
      </li>
    </ul>
  </Panel>
</template>
