<script setup lang="ts">
import { Menu } from '@lucide/vue'
import { NButton, NDrawer, NDrawerContent, NMenu } from 'naive-ui'
import { h, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { t } from '../words'

/** The places on a narrow page: behind one button, in a drawer. */
const { places } = defineProps<{ places: readonly { readonly name: string; readonly title: string }[] }>()
const route = useRoute()
const router = useRouter()
const open = ref(false)
/** The whole line is pressed, not its words alone. */
function go(name: string) {
  open.value = false
  void router.push({ name })
}
const options = () =>
  places.map(({ name, title }) => ({
    key: name,
    label: () => h(RouterLink, { to: { name } }, { default: () => title }),
  }))
</script>

<template>
  <NButton quaternary :aria-label="t('ui.shell.places')" :aria-expanded="open" @click="open = true">
    <Menu :size="20" />
  </NButton>
  <NDrawer v-model:show="open" placement="left" :width="250">
    <NDrawerContent :title="t('ui.common.brachyon')" closable body-content-style="padding: 8px">
      <nav :aria-label="t('ui.shell.places')">
        <NMenu :value="String(route.name)" :options="options()" @update:value="go" />
      </nav>
    </NDrawerContent>
  </NDrawer>
</template>
