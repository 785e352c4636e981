<script setup lang="ts">
import { NConfigProvider, type GlobalTheme, type NDateLocale, type NLocale } from 'naive-ui'
import { useLocalStorage, usePreferredDark } from '@vueuse/core'
import { computed, provide, shallowRef, watchEffect } from 'vue'
import Shell from './shell/Shell.vue'
import { useSession } from './stores/session'
import { themeOverrides } from './theme/overrides'
import { schemeKey } from './theme/scheme'
import { chosenLanguage } from './words'
import { applyPalette, type Scheme } from './theme/tokens'

/** As the system has it, until somebody chooses. */
const chosen = useLocalStorage<Scheme | ''>('brachyon.scheme', '')
const prefersDark = usePreferredDark()
const scheme = computed<Scheme>({
  get: () => chosen.value || (prefersDark.value ? 'dark' : 'light'),
  set: (now) => (chosen.value = now),
})
provide(schemeKey, scheme)
watchEffect(() => applyPalette(scheme.value))
/** The library’s dark side is fetched by whoever wants it. */
const dark = shallowRef<GlobalTheme | null>(null)
watchEffect(() => {
  if (scheme.value === 'dark' && !dark.value)
    void import('./theme/dark').then(({ darkTheme }) => (dark.value = darkTheme))
})
const overrides = computed(() => themeOverrides(scheme.value))

/** Nobody who only signs in waits for the library’s words; a change of language loads the page anew. */
const words = shallowRef<readonly [NLocale, NDateLocale] | null>(null)
const session = useSession()
watchEffect(() => {
  if (session.user && !words.value)
    void import('./theme/library-words').then(
      ({ libraryWords }) => (words.value = libraryWords(chosenLanguage())),
    )
})
</script>

<template>
  <NConfigProvider
    :theme="scheme === 'dark' ? dark : null"
    :theme-overrides="overrides"
    :locale="words?.[0]"
    :date-locale="words?.[1]"
    style="height: 100%"
  >
    <Shell />
  </NConfigProvider>
</template>
