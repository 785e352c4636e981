<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { formatPlain, parseQuantity, type Unit } from '../../../core/quantity'

const props = defineProps<{
  label: string
  unit: Unit
  value: number
  check?: (value: number) => string | undefined
}>()
const emit = defineEmits<{ set: [value: number] }>()

/** Small ohms are written in milliohms, as the trade does; everything else as it is. */
const written = computed(() =>
  props.unit === 'Ω' && props.value !== 0 && Math.abs(props.value) < 0.1
    ? `${formatPlain(props.value * 1000)} m`
    : formatPlain(props.value),
)
const text = ref(written.value)
const wrong = ref('')
watch(written, (now) => (text.value = now))

function take() {
  if (text.value === written.value) {
    wrong.value = ''
    return
  }
  const read = parseQuantity(text.value, props.unit)
  wrong.value = read.ok ? (props.check?.(read.value) ?? '') : read.message
  if (read.ok && !wrong.value) emit('set', read.value)
}
function giveUp() {
  text.value = written.value
  wrong.value = ''
}
</script>

<template>
  <label class="field">
    {{ label }}
    <NInput
      v-model:value="text"
      size="small"
      :status="wrong ? 'error' : undefined"
      :input-props="{ 'aria-invalid': wrong ? 'true' : 'false' }"
      placeholder=""
      @change="take"
      @keydown.enter="take"
      @keydown.esc="giveUp"
    >
      <template v-if="unit" #suffix>{{ unit }}</template>
    </NInput>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </label>
</template>
