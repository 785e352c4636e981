<script setup lang="ts">
import { t } from '../words'
/** What the lines of a path are: thin and calm the healthy one, bold the faulted one. */
defineProps<{ faulted: boolean; allowed?: boolean; readout: string; rest?: string }>()
</script>

<template>
  <figcaption>
    <span class="mark healthy" /> {{ t('ui.readings.healthyWithItsBand') }}
    <template v-if="faulted"> <span class="mark faulted" /> {{ t('ui.common.faultedColumn') }} </template>
    <template v-if="allowed"> <span class="mark limit" /> {{ t('ui.readings.allowed') }} </template>
    <output v-if="readout" class="readout" aria-live="off">{{ readout }}</output>
    <span v-else-if="rest" class="quiet">{{ rest }}</span>
  </figcaption>
</template>

<style scoped>
figcaption {
  white-space: nowrap;
  overflow: hidden;
  display: flex;
  gap: 6px;
  align-items: center;
  font-size: 12px;
}
.quiet,
.readout {
  margin-left: auto;
}
.readout {
  font-family: var(--face-readings);
}
.mark {
  flex: none;
  width: 18px;
  border-top: 2px solid var(--accent);
}
.mark.faulted {
  border-top: 4px solid var(--fault);
  margin-left: 10px;
}
.mark.limit {
  border-top: 2px dashed var(--doubt);
  margin-left: 10px;
}
@container (max-width: 560px) {
  .quiet {
    display: none;
  }
}
</style>
