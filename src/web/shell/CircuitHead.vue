<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { useOpen } from '../stores/open'
import { t } from '../words'

/** What is open: the circuit's own places, whether it is saved, and what its place has to offer, apart from the school's. */
const route = useRoute()
const open = useOpen()
const id = computed(() => String(route.params.id))
const circuit = computed(() => (open.circuit?.id === id.value ? open.circuit : null))
const places = (['bench', 'plant', 'sheet', 'show'] as const).map((name) => ({
  name,
  title: t(`ui.common.${name}`),
}))
const saveText = {
  saved: t('ui.common.saved'),
  saving: t('ui.common.saving'),
  waiting: t('ui.common.notSavedNoConnectionTrying'),
  signedOut: t('ui.shell.notSavedSignInAgain'),
}
</script>

<template>
  <div
    class="head no-print flex items-center gap-y-4px gap-x-14px min-h-36px py-0 px-16px line-b-rule-strong bg-sheet"
  >
    <p class="what flex gap-10px items-baseline min-w-0 whitespace-nowrap overflow-hidden">
      <strong class="overflow-hidden text-ellipsis">{{ circuit?.name }}</strong>
      <span v-if="circuit?.vehicle" class="quiet overflow-hidden text-ellipsis">{{ circuit.vehicle }}</span>
    </p>
    <nav class="flex self-stretch" :aria-label="t('ui.shell.thisCircuit')">
      <RouterLink v-for="{ name, title } in places" :key="name" :to="{ name, params: { id } }">{{
        title
      }}</RouterLink>
    </nav>
    <span
      v-if="route.name !== 'show'"
      class="save text-12px text-quiet whitespace-nowrap"
      role="status"
      :data-state="open.saveState"
      >{{ saveText[open.saveState] }}</span
    >
    <!-- What a place has to say beside its own bar: versions, undo. -->
    <span id="place-tools" class="ml-auto inline-flex gap-6px items-center whitespace-nowrap" />
  </div>
</template>

<style scoped>
nav a {
  display: flex;
  align-items: center;
  padding: 0 12px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  margin-bottom: -1px;
}
nav a.router-link-exact-active {
  border-bottom-color: var(--fault);
  font-weight: 500;
}
.save[data-state='waiting'] {
  color: var(--fault);
}
@media (max-width: 760px) {
  .head {
    flex-wrap: wrap;
  }
}
</style>
