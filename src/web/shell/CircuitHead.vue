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
  <div class="head no-print">
    <p class="what">
      <strong>{{ circuit?.name }}</strong>
      <span v-if="circuit?.vehicle" class="quiet">{{ circuit.vehicle }}</span>
    </p>
    <nav :aria-label="t('ui.shell.thisCircuit')">
      <RouterLink v-for="{ name, title } in places" :key="name" :to="{ name, params: { id } }">{{
        title
      }}</RouterLink>
    </nav>
    <span v-if="route.name !== 'show'" class="save" role="status" :data-state="open.saveState">{{
      saveText[open.saveState]
    }}</span>
    <!-- What a place has to say beside its own bar: versions, undo. -->
    <span id="place-tools" class="tools" />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  gap: 4px 14px;
  min-height: 36px;
  padding: 0 16px;
  border-bottom: 1px solid var(--rule-strong);
  background: var(--sheet);
}
.what {
  display: flex;
  gap: 10px;
  align-items: baseline;
  min-width: 0;
  white-space: nowrap;
  overflow: hidden;
}
.what strong,
.what span {
  overflow: hidden;
  text-overflow: ellipsis;
}
nav {
  display: flex;
  align-self: stretch;
}
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
.save {
  font-size: 12px;
  color: var(--quiet);
  white-space: nowrap;
}
.save[data-state='waiting'] {
  color: var(--fault);
}
.tools {
  margin-left: auto;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  white-space: nowrap;
}
@media (max-width: 760px) {
  .head {
    flex-wrap: wrap;
  }
}
</style>
