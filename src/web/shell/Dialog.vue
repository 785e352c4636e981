<script setup lang="ts">
import { X } from '@lucide/vue'
import { onMounted, ref, useId, watch } from 'vue'
import { t } from '../words'

/** Something in front of a place: named, with a way out. The browser's own dialog keeps the focus in it and closes on Esc. */
defineProps<{ title: string; width?: number }>()
const show = defineModel<boolean>('show', { required: true })
const id = useId()
const dialog = ref<HTMLDialogElement | null>(null)

function follow() {
  if (show.value && !dialog.value?.open) dialog.value?.showModal()
  else if (!show.value && dialog.value?.open) dialog.value.close()
}
onMounted(follow)
watch(show, follow, { flush: 'post' })
</script>

<template>
  <dialog
    ref="dialog"
    :aria-labelledby="id"
    :style="{ maxWidth: `min(94vw, ${width ?? 520}px)` }"
    @close="show = false"
    @click.self="show = false"
  >
    <div v-if="show" class="inside">
      <header>
        <h2 :id="id">{{ title }}</h2>
        <button type="button" :aria-label="t('ui.shell.close')" @click="show = false">
          <X :size="18" />
        </button>
      </header>
      <slot />
    </div>
  </dialog>
</template>

<style scoped>
dialog {
  width: 100%;
  max-height: 92vh;
  overflow-y: auto;
  box-sizing: border-box;
  padding: 0;
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
}
dialog::backdrop {
  background: rgb(20 28 32 / 45%);
}
.inside {
  padding: 16px 22px 20px;
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
header button {
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
