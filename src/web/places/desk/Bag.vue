<script setup lang="ts">
import { NRadioButton, NRadioGroup } from 'naive-ui'
import { devices, type Device } from '../../../core/instruments'
import { t } from '../../words'
import { deviceSymbols } from './device-symbols'

/** What lies in the bag, side by side: one is in the hand. */
defineProps<{ kit: readonly Device[] }>()
const device = defineModel<Device>('device', { required: true })
</script>

<template>
  <NRadioGroup
    v-model:value="device"
    class="bag flex w-full h-auto"
    role="radiogroup"
    size="small"
    :aria-label="t('ui.common.instrument')"
  >
    <NRadioButton v-for="one in kit" :key="one" :value="one">
      <svg viewBox="0 0 32 24" width="32" height="24" aria-hidden="true">
        <path :d="deviceSymbols[one]" />
      </svg>
      <span :data-device="one">{{ t(devices[one]) }}</span>
    </NRadioButton>
  </NRadioGroup>
</template>

<style scoped>
.bag.bag :deep(.n-radio-button) {
  flex: 1 1 auto;
  min-width: min-content;
  height: auto;
  padding: 4px 3px;
  line-height: 1.15;
}
.bag :deep(.n-radio__label) {
  display: grid;
  justify-items: center;
  gap: 2px;
  padding: 0;
  font-size: 11px;
  line-height: 1.15;
  text-align: center;
  white-space: normal;
}
path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.7;
  stroke-linejoin: round;
  stroke-linecap: round;
}
</style>
