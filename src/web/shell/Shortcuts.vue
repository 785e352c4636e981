<script setup lang="ts">
import { t } from '../words'
import { NModal } from 'naive-ui'
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'

/** Keys of a place, shown on `?`; the place itself says what they are and does them. */
defineProps<{ place: string; keys: readonly (readonly [keys: string, what: string])[] }>()
const open = ref(false)
useEventListener('keydown', (event: KeyboardEvent) => {
  const inField = ['INPUT', 'SELECT', 'TEXTAREA'].includes((event.target as HTMLElement).tagName)
  if (event.key !== '?' || inField) return
  event.preventDefault()
  open.value = !open.value
})
</script>

<template>
  <button
    type="button"
    class="keys"
    :aria-label="t('Keys of {place}', { place })"
    :title="t('Keys (?)')"
    @click="open = true"
  >
    ?
  </button>
  <NModal v-model:show="open" preset="card" :title="t('Keys of {place}', { place })" style="width: 460px">
    <dl>
      <template v-for="[key, what] in keys" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ t(what) }}</dd>
      </template>
    </dl>
  </NModal>
</template>

<style scoped>
.keys {
  font: inherit;
  width: 27px;
  height: 27px;
  border: 1px solid var(--rule-strong);
  border-radius: 50%;
  background: none;
  color: var(--quiet);
  cursor: pointer;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 6px 16px;
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
