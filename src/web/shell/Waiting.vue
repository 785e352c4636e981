<script setup lang="ts">
import { NSkeleton } from 'naive-ui'
import { t } from '../words'

/** In the shape of what is on its way: a drawing with a pane beside it, or a heading and a list. */
const { drawing } = defineProps<{ drawing: boolean }>()
</script>

<template>
  <div v-if="drawing" class="grid grid-rows-[28px_minmax(0,1fr)] gap-8px h-full pt-8px px-16px pb-10px">
    <NSkeleton class="w-60%" height="28px" :sharp="false" />
    <div class="grid grid-cols-[minmax(0,64fr)_minmax(0,36fr)] gap-14px min-h-0">
      <NSkeleton height="100%" :sharp="false" />
      <div class="grid gap-14px content-start"><NSkeleton text :repeat="12" /></div>
    </div>
    <span class="visually-hidden" role="status">{{ t('ui.shell.preparing') }}</span>
  </div>
  <div v-else class="grid gap-18px content-start max-w-1240px my-0 mx-auto py-18px px-20px">
    <NSkeleton width="220px" height="26px" :sharp="false" />
    <div class="grid gap-12px"><NSkeleton v-for="i in 7" :key="i" height="38px" :sharp="false" /></div>
    <span class="visually-hidden" role="status">{{ t('ui.shell.preparing') }}</span>
  </div>
</template>
