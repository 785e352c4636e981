<script setup lang="ts">
import { NInput } from 'naive-ui'

/** A text that counts once it is left, or on Enter. */
const {
  label,
  placeholder = '',
  wrong = false,
  numeric = false,
  most = undefined,
} = defineProps<{
  value: string
  label: string
  placeholder?: string
  wrong?: boolean
  numeric?: boolean
  /** Characters at most. */
  most?: number
}>()
const emit = defineEmits<{ change: [text: string] }>()
</script>

<template>
  <NInput
    :key="value"
    :default-value="value"
    size="small"
    :placeholder="placeholder"
    :maxlength="most"
    :status="wrong ? 'error' : undefined"
    :input-props="{
      'aria-label': label,
      'aria-invalid': wrong,
      autocomplete: 'off',
      spellcheck: 'false',
      ...(numeric && { inputmode: 'decimal' }),
    }"
    @change="emit('change', $event)"
  />
</template>
