<script setup lang="ts">
import { NFormItem } from 'naive-ui'
import { computed, useId } from 'vue'
import type { FormOf } from './useForm'

/** A field of a form under its label, with what is wrong of it. Its slot binds `field` to the input. */
const { form, name, label } = defineProps<{ form: FormOf; name: string; label: string }>()
const id = useId()
const wrong = computed(() => form.errors[name])
const field = computed(() => ({
  id,
  ...(wrong.value && { 'aria-invalid': true, 'aria-describedby': `${id}-wrong` }),
}))
</script>

<template>
  <NFormItem
    :label="label"
    :label-props="{ for: id }"
    :validation-status="wrong ? 'error' : undefined"
    :show-feedback="!!wrong"
    size="small"
    class="form-field"
    @focusout="form.left(name)"
  >
    <slot :field="field" />
    <template #feedback
      ><span v-if="wrong" :id="`${id}-wrong`" role="alert">{{ wrong }}</span></template
    >
  </NFormItem>
</template>

<style scoped>
.form-field {
  --n-label-height: 22px !important;
}
</style>
