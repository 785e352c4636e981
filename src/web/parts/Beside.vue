<script setup lang="ts">
/** What a place is about, and beside it, below it on a narrow page, what goes with it. */
defineSlots<{ default: () => unknown; side: () => unknown }>()
</script>

<template>
  <div class="beside grid gap-16px items-start">
    <div class="min-w-0"><slot /></div>
    <slot name="side" />
  </div>
</template>

<style scoped>
.beside {
  grid-template-columns: minmax(0, 1fr) minmax(280px, 360px);
}
@media (max-width: 880px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
