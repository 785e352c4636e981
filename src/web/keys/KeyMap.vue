<script setup lang="ts">
import { NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { t } from '../words'
import { writtenAll } from './press'
import { groups, useKeys } from './useKeys'

/** Every key that does something here, on `?`: read off the tables that act. */
const open = ref(false)
useKeys(t('Everywhere'), [
  { press: ['?'], what: t('this map of the keys'), act: () => (open.value = !open.value) },
])
/** Several drawings or fields have the same keys: they stand once, what the place itself has first. */
const shown = computed(() => [...new Map(groups.toReversed().map((group) => [group.title, group])).values()])
</script>

<template>
  <button type="button" class="keys" :aria-label="t('Keys')" :title="t('Keys (?)')" @click="open = true">
    ?
  </button>
  <NModal v-model:show="open" preset="card" :title="t('Keys')" style="width: 520px; max-width: 94vw">
    <section v-for="group in shown" :key="group.title" :aria-label="group.title">
      <h3>{{ group.title }}</h3>
      <dl>
        <template v-for="key in group.keys" :key="key.what">
          <dt>
            <kbd>{{ writtenAll(key.press) }}</kbd>
          </dt>
          <dd>{{ key.what }}</dd>
        </template>
      </dl>
    </section>
  </NModal>
</template>

<style scoped>
.keys {
  font: inherit;
  width: 27px;
  height: 27px;
  flex: none;
  border: 1px solid var(--rule-strong);
  border-radius: 50%;
  background: none;
  color: var(--quiet);
  cursor: pointer;
}
section + section {
  margin-top: 14px;
}
h3 {
  margin: 0 0 6px;
  font-size: 14px;
}
dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 5px 16px;
  margin: 0;
}
dt,
dd {
  margin: 0;
}
kbd {
  font-family: var(--face-readings);
  font-size: 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  padding: 1px 6px;
}
</style>
