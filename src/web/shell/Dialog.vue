<script setup lang="ts">
import { X } from '@lucide/vue'
import { NModal } from 'naive-ui'
import { useId } from 'vue'
import { t } from '../words'

/** Something in front of a place: named, with a way out, read by a screen reader as what it is. */
defineProps<{ title: string; width?: number }>()
const show = defineModel<boolean>('show', { required: true })
const id = useId()
</script>

<template>
  <NModal v-model:show="show">
    <section
      class="dialog"
      role="dialog"
      aria-modal="true"
      :aria-labelledby="id"
      :style="{ maxWidth: `min(94vw, ${width ?? 520}px)` }"
    >
      <header>
        <h2 :id="id">{{ title }}</h2>
        <button type="button" :aria-label="t('Close')" @click="show = false"><X :size="18" /></button>
      </header>
      <slot />
    </section>
  </NModal>
</template>

<style scoped>
.dialog {
  width: 100%;
  max-height: 92vh;
  overflow-y: auto;
  box-sizing: border-box;
  padding: 16px 22px 20px;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 12px;
  margin-bottom: 12px;
}
h2 {
  margin: 0;
  font-size: 18px;
}
button {
  flex: none;
  display: grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border: 0;
  background: none;
  color: var(--quiet);
  cursor: pointer;
}
</style>
