<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useEventListener, whenever } from '@vueuse/core'
import { computed, defineAsyncComponent, ref } from 'vue'
import { t } from '../words'
import { writtenAll } from './press'
import { groups, isTyping, useKeys, type KeyGroup } from './useKeys'

/** Every key that does something here, on `?`: read off the tables that act. */
const open = ref(false)
const asked = ref(false)
whenever(open, () => (asked.value = true))
/** Nobody waits for it who only signs in. */
const Dialog = defineAsyncComponent(() => import('../shell/Dialog.vue'))
const everywhere = t('ui.keys.everywhere')
useKeys(everywhere, [
  { press: ['?'], what: t('ui.keys.thisMapOfTheKeys'), act: () => void (open.value = !open.value) },
])
const leave = useKeys(
  everywhere,
  [
    {
      press: ['Escape'],
      what: t('ui.keys.outOfAFieldIts'),
      // Whatever else is closed with it is closed as well.
      act: ({ target }) => (isTyping(target) && (target as HTMLElement).blur(), false),
    },
  ],
  'own',
)
useEventListener(window, 'keydown', leave)
/** The place’s own first, then what has keys of its own while it has the focus; several alike stand once. */
const rank = (group: KeyGroup) => (group.title === everywhere ? 2 : group.of === 'page' ? 0 : 1)
const shown = computed(() =>
  [...new Set(groups.map(({ title }) => title))]
    .map((title) => {
      const alike = groups.filter((group) => group.title === title)
      const keys = new Map(alike.flatMap((group) => group.keys.map((key) => [key.what, key])))
      return { title, rank: rank(alike[0]!), keys: [...keys.values()] }
    })
    .toSorted((a, b) => a.rank - b.rank),
)
</script>

<template>
  <NButton
    quaternary
    circle
    class="keys"
    :aria-label="t('ui.keys.keys')"
    :title="t('ui.keys.keysHint')"
    @click="open = true"
  >
    ?
  </NButton>
  <Dialog v-if="asked" v-model:show="open" :title="t('ui.keys.keys')" :width="860">
    <div class="groups" tabindex="0" role="group" :aria-label="t('ui.keys.keys')">
      <section v-for="group in shown" :key="group.title" :aria-label="group.title">
        <h3>{{ group.title }}</h3>
        <dl>
          <template v-for="key in group.keys" :key="key.what">
            <dt>
              <kbd>{{ writtenAll(key.press) }}</kbd>
            </dt>
            <dd>{{ key.what }}</dd>
          </template>
        </dl>
      </section>
    </div>
  </Dialog>
</template>

<style scoped>
.keys {
  font: inherit;
  width: 27px;
  height: 27px;
  flex: none;
  border: 1px solid var(--rule-strong);
  border-radius: 50%;
  background: none;
  color: var(--quiet);
  cursor: pointer;
}
/* Everything at one look where there is room. */
.groups {
  columns: 2 340px;
  column-gap: 28px;
  max-height: 76vh;
  overflow-y: auto;
}
section {
  break-inside: avoid;
  padding-bottom: 14px;
}
h3 {
  margin: 0 0 6px;
  font-size: 14px;
}
dl {
  display: grid;
  grid-template-columns: 128px 1fr;
  gap: 5px 16px;
  margin: 0;
}
dt,
dd {
  margin: 0;
}
kbd {
  font-family: var(--face-readings);
  font-size: 12px;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  padding: 1px 6px;
}
</style>
