<script setup lang="ts">
import { NFormItem } from 'naive-ui'
import { computed, onMounted, useId, useTemplateRef, watch } from 'vue'
import type { FormOf } from './useForm'

/** A field of a form under its label, with what is wrong of it. Its slot binds `field` to the input. */
const { form, name, label } = defineProps<{ form: FormOf; name: string; label: string }>()
const id = useId()
const wrong = computed(() => form.errors[name])
const field = computed(() => ({
  id,
  ...(wrong.value && { 'aria-invalid': true, 'aria-describedby': `${id}-wrong` }),
}))
// Not every one of the library's fields hands on what it is given: the one that somebody types into gets its name here.
const item = useTemplateRef('item')
const typed = () => (item.value?.$el as HTMLElement | undefined)?.querySelector('input, textarea')
function mark() {
  const input = typed()
  if (!input) return
  input.id ||= id
  if (input.id !== id) return
  const set = (name: string, value: string | undefined) =>
    value ? input.setAttribute(name, value) : input.removeAttribute(name)
  set('aria-invalid', wrong.value && 'true')
  set('aria-describedby', wrong.value && `${id}-wrong`)
}
onMounted(mark)
watch(wrong, mark, { flush: 'post' })
</script>

<template>
  <NFormItem
    ref="item"
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
