<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useEventListener, whenever } from '@vueuse/core'
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute } from 'vue-router'
import { useIntroduction } from '../stores/introduction'
import { useSession } from '../stores/session'
import { t } from '../words'
import { writtenAll } from './press'
import { groups, isTyping, useKeys, type KeyGroup } from './useKeys'

/** Every key that does something here, on `?`: read off the tables that act. */
const open = ref(false)
const asked = ref(false)
const route = useRoute()
const session = useSession()
const { begin } = useIntroduction(session.user?.id ?? '')
function introduce() {
  open.value = false
  begin(String(route.name).startsWith('show') ? 'wall' : (session.user?.role ?? 'student'))
}
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
    <p v-if="session.user" class="mb-12px">
      <NButton size="small" @click="introduce">{{ t('ui.intro.show') }}</NButton>
    </p>
    <div class="groups" tabindex="0" role="group" :aria-label="t('ui.keys.keys')">
      <section
        v-for="group in shown"
        :key="group.title"
        class="break-inside-avoid pb-14px"
        :aria-label="group.title"
      >
        <h3 class="mt-0 mx-0 mb-6px text-14px">{{ group.title }}</h3>
        <dl class="grid grid-cols-[128px_1fr] gap-y-5px gap-x-16px m-0">
          <template v-for="key in group.keys" :key="key.what">
            <dt class="m-0">
              <kbd class="font-readings text-12px line-rule-strong rounded-3px py-1px px-6px">{{
                writtenAll(key.press)
              }}</kbd>
            </dt>
            <dd class="m-0">{{ key.what }}</dd>
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
</style>
