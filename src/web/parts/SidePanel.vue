<script setup lang="ts">
import { NDrawer, NDrawerContent } from 'naive-ui'

/** A sheet at the side over the place, which stays as it is below. */
const { wide = false } = defineProps<{ title: string; wide?: boolean }>()
const show = defineModel<boolean>('show', { required: true })
</script>

<template>
  <NDrawer v-model:show="show" placement="right" :width="wide ? 'min(820px, 94vw)' : 'min(560px, 94vw)'">
    <NDrawerContent :title="title" closable :native-scrollbar="false" body-content-style="padding: 14px 20px">
      <slot />
    </NDrawerContent>
  </NDrawer>
</template>
