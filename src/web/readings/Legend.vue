<script setup lang="ts">
import { t } from '../words'
/** What the lines of a path are: thin and calm the healthy one, bold the faulted one. */
defineProps<{ faulted: boolean; allowed?: boolean; readout: string; rest?: string }>()
</script>

<template>
  <figcaption class="whitespace-nowrap overflow-hidden flex gap-6px items-center text-12px">
    <span class="mark healthy flex-none w-18px line-t-2px-accent" /> {{ t('ui.readings.healthyWithItsBand') }}
    <template v-if="faulted">
      <span class="mark faulted flex-none w-18px line-t-4px-fault ml-10px" />
      {{ t('ui.common.faultedColumn') }}
    </template>
    <template v-if="allowed">
      <span class="mark limit flex-none w-18px" /> <span class="limit">{{ t('ui.readings.allowed') }}</span>
    </template>
    <output v-if="readout" class="readout ml-auto font-readings" aria-live="off">{{ readout }}</output>
    <span v-else-if="rest" class="quiet ml-auto">{{ rest }}</span>
  </figcaption>
</template>

<style scoped>
.mark.limit {
  border-top: 2px dashed var(--doubt);
  margin-left: 10px;
}
@container (max-width: 430px) {
  .limit {
    display: none;
  }
}
@container (max-width: 560px) {
  .quiet {
    display: none;
  }
}
</style>
