<script setup lang="ts">
import { NButton, NUpload, type UploadFileInfo } from 'naive-ui'

/** A file of this computer, given to the page: nothing is sent before somebody says so. */
defineProps<{ label: string; accept: string; multiple?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()
/** Several that are chosen together come one by one: they are handed on as one. */
let waiting: File[] = []
function take({ file }: { file: { file?: File | null } }): boolean {
  if (file.file) {
    waiting.push(file.file)
    if (waiting.length === 1)
      queueMicrotask(() => {
        emit('files', waiting)
        waiting = []
      })
  }
  // It stays here: the list of the library is not shown.
  return false
}
const none: UploadFileInfo[] = []
</script>

<template>
  <NUpload
    :file-list="none"
    :accept="accept"
    :multiple="multiple"
    :show-file-list="false"
    :on-before-upload="take"
    class="choose-file w-auto"
  >
    <NButton size="small">{{ label }}</NButton>
  </NUpload>
</template>
