<script setup lang="ts">
import { NButton, NSkeleton } from 'naive-ui'
import { onErrorCaptured, ref } from 'vue'
import { isSignedOut, messageOf } from '../api/client'
import { isGone, loadAnew } from '../api/load-anew'
import { t } from '../words'

/** A piece of a place that comes later: lines in its stead until then, and where it fails why, and how to try once more. */
const wrong = ref('')
const stands = ref(false)
onErrorCaptured((error) => {
  if (stands.value || isSignedOut(error)) return true
  if (isGone(error) && loadAnew(location.pathname + location.search)) return false
  wrong.value = messageOf(error)
  return false
})
</script>

<template>
  <div v-if="wrong" role="alert">
    <p class="wrong">{{ wrong }}</p>
    <NButton size="small" @click="wrong = ''">{{ t('ui.shell.tryAgain') }}</NButton>
  </div>
  <Suspense v-else @resolve="stands = true">
    <slot />
    <template #fallback><NSkeleton text :repeat="4" /></template>
  </Suspense>
</template>
