<script setup lang="ts">
import { NConfigProvider, darkTheme } from 'naive-ui'
import { useLocalStorage } from '@vueuse/core'
import { computed, provide, watchEffect } from 'vue'
import Shell from './shell/Shell.vue'
import { themeOverrides } from './theme/overrides'
import { schemeKey } from './theme/scheme'
import { applyPalette, type Scheme } from './theme/tokens'

const scheme = useLocalStorage<Scheme>('brachyon.scheme', 'light')
provide(schemeKey, scheme)
watchEffect(() => applyPalette(scheme.value))
const overrides = computed(() => themeOverrides(scheme.value))
</script>

<template>
  <NConfigProvider
    :theme="scheme === 'dark' ? darkTheme : null"
    :theme-overrides="overrides"
    style="height: 100%"
  >
    <Shell />
  </NConfigProvider>
</template>
