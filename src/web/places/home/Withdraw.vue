<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { OrderRow } from '../../../contract/lists'
import { t } from '../../words'

/** Takes an order back that nobody has begun. */
defineProps<{ order: OrderRow }>()
const emit = defineEmits<{ withdraw: [] }>()
</script>

<template>
  <NButton
    v-if="!order.tests"
    text
    type="primary"
    class="justify-self-start min-h-24px text-13px"
    :aria-label="t('ui.home.withdrawFrom', { student: order.student, circuit: order.circuit })"
    @click="emit('withdraw')"
    >{{ t('ui.home.withdraw') }}</NButton
  >
</template>
