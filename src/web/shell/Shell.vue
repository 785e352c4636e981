<script setup lang="ts">
import { t } from '../words'
import { Moon, Sun } from '@lucide/vue'
import { NButton } from 'naive-ui'
import { useEventListener, useMediaQuery } from '@vueuse/core'
import { computed, defineAsyncComponent, nextTick, onErrorCaptured, ref, shallowRef } from 'vue'
import { RouterLink, RouterView, useRoute, useRouter } from 'vue-router'
import { isOutdated } from '../api/build'
import { isSignedOut } from '../api/client'
import { useOpen } from '../stores/open'
import { useSession } from '../stores/session'
import { useScheme } from '../theme/scheme'
import CircuitHead from './CircuitHead.vue'
import { problem } from './problem'
import Waiting from './Waiting.vue'

const PlaceProblem = defineAsyncComponent(() => import('./PlaceProblem.vue'))
// Nobody who is not signed in waits for these.
const KeyMap = defineAsyncComponent(() => import('../keys/KeyMap.vue'))
const PlaceMenu = defineAsyncComponent(() => import('./PlaceMenu.vue'))
const Introduction = defineAsyncComponent(() => import('./Introduction.vue'))
const SignOut = defineAsyncComponent(() => import('./SignOut.vue'))

const route = useRoute()
const router = useRouter()
const session = useSession()
const open = useOpen()
const scheme = useScheme()

/** Places of the school; those of the circuit that is open stand in its own head. */
const teaching = [
  { name: 'circuits', title: t('ui.common.circuits') },
  { name: 'lessons', title: t('ui.common.lessons') },
  { name: 'classes', title: t('ui.common.classes') },
  { name: 'days', title: t('ui.common.labDays') },
  { name: 'floor', title: t('ui.common.floor') },
  { name: 'ledger', title: t('ui.common.ledger') },
]
const places = computed(() => [
  { name: 'home', title: t('ui.common.today') },
  ...(session.user?.role === 'instructor' ? teaching : []),
  { name: 'drills', title: t('ui.common.drills') },
  { name: 'handbook', title: t('ui.common.handbook') },
])
/** In the hand there is the remote of the wall, too. */
const inHand = computed(() => [
  ...places.value,
  ...(session.user?.role === 'instructor' ? [{ name: 'remote', title: t('ui.show.remote') }] : []),
])
/** On a narrow page they stand behind one button. */
const narrow = useMediaQuery('(max-width: 900px)')
const onCircuit = computed(() => ['bench', 'plant', 'sheet', 'show'].includes(String(route.name)))
/** A place with a drawing in it waits in another shape than a list. */
const hasDrawing = (name: unknown) => ['bench', 'plant', 'desk', 'review', 'returned'].includes(String(name))

/** A place that is being fetched or prepared says so before anybody wonders. */
const busy = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined
function preparing(now: boolean) {
  clearTimeout(timer)
  if (now) timer = setTimeout(() => (busy.value = true), 120)
  else busy.value = false
}
router.beforeEach(() => preparing(true))
router.afterEach(() => preparing(false))
router.onError(() => preparing(false))
function resolved() {
  preparing(false)
  stands.value = true
}

/** What a place could not be prepared for, or drawn for, is shown in its stead; what a press has caused is not. */
const count = ref(0)
const stands = ref(false)
onErrorCaptured((error) => {
  preparing(false)
  // The page for signing in is on its way.
  if (isSignedOut(error)) return false
  if (stands.value) return true
  problem.value = {
    error,
    again: () => {
      problem.value = null
      count.value++
    },
  }
  return false
})
router.afterEach(() => {
  problem.value = null
  stands.value = false
})

/** Signing out: the place goes first, then what it worked on. */
const leaving = ref(false)
const staying = shallowRef('')
async function leavePlace() {
  leaving.value = true
  await nextTick()
}
/** The browser asks before it closes a page with changes that are not saved. */
useEventListener(window, 'beforeunload', (event) => {
  if (session.user && open.saveState !== 'saved' && !leaving.value) event.preventDefault()
})
const reload = () => window.location.reload()
</script>

<template>
  <div class="frame grid grid-cols-1 grid-rows-[auto_auto_1fr] h-full">
    <header v-if="session.user" class="shell">
      <PlaceMenu v-if="narrow" :places="inHand" />
      <RouterLink :to="{ name: 'home' }" class="name" :aria-label="t('ui.shell.brachyonToday')">
        <svg viewBox="0 0 32 32" width="22" height="22" aria-hidden="true">
          <path d="M4 7h10v9h7v9h7" fill="none" stroke="currentColor" stroke-width="3" />
          <circle cx="21" cy="16" r="3.4" class="dot" />
        </svg>
        {{ t('ui.common.brachyon') }}
      </RouterLink>
      <nav v-if="!narrow" :aria-label="t('ui.shell.places')">
        <RouterLink
          v-for="one in places"
          :key="one.name"
          :to="{ name: one.name }"
          :class="{ 'router-link-exact-active': route.name === one.name }"
          >{{ one.title }}</RouterLink
        >
      </nav>
      <span class="flex-1" />
      <KeyMap />
      <RouterLink class="quiet who whitespace-nowrap" :to="{ name: 'account' }">{{
        session.user.name
      }}</RouterLink>
      <NButton
        quaternary
        size="small"
        :aria-label="scheme === 'dark' ? t('ui.shell.lightPaper') : t('ui.shell.darkPaper')"
        @click="scheme = scheme === 'dark' ? 'light' : 'dark'"
      >
        <component :is="scheme === 'dark' ? Sun : Moon" :size="16" />
      </NButton>
      <SignOut :leave-place="leavePlace" @staying="staying = $event" />
    </header>
    <CircuitHead v-if="session.user && onCircuit" />
    <main>
      <p v-if="staying" class="wrong py-6px px-16px line-b" role="alert">{{ staying }}</p>
      <p v-if="isOutdated" class="py-6px px-16px line-b" role="status">
        {{ t('ui.shell.thereIsANewerVersion') }}
        <NButton size="tiny" @click="reload">{{ t('ui.shell.loadIt') }}</NButton>
      </p>
      <p v-if="busy" class="busy" role="status">
        <span class="visually-hidden">{{ t('ui.shell.preparing') }}</span>
      </p>
      <PlaceProblem v-if="problem" :problem="problem" />
      <RouterView v-else-if="!leaving" v-slot="{ Component }"
        ><Suspense :timeout="150" @pending="preparing(true)" @resolve="resolved"
          ><component :is="Component" :key="`${route.path} ${count}`" /><template #fallback
            ><Waiting :drawing="hasDrawing(route.name)" /></template></Suspense
      ></RouterView>
    </main>
    <Introduction v-if="session.user" />
  </div>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 14px;
  height: 46px;
  padding: 0 16px;
  border-bottom: 1.5px solid var(--ink);
}
.name {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  font-weight: 500;
  font-size: 17px;
  color: var(--ink);
  text-decoration: none;
}
.dot {
  fill: var(--fault);
}
nav {
  display: flex;
  gap: 2px;
  align-self: stretch;
}
nav a {
  white-space: nowrap;
  display: flex;
  align-items: center;
  padding: 0 12px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  margin-bottom: -1.5px;
}
nav a.router-link-exact-active {
  border-bottom-color: var(--fault);
  font-weight: 500;
}
/* Two lines of a bar of places would push the page down. */
@media (max-width: 1400px) {
  header {
    gap: 8px;
  }
  .who {
    flex: 0 1 auto;
    min-width: 48px;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  nav a {
    padding: 0 7px;
  }
  html:not([lang='en']) nav a {
    padding: 0 4px;
    font-size: 12.5px;
  }
}
@media (max-width: 1180px) {
  nav a {
    padding: 0 6px;
    font-size: 13px;
  }
  .who {
    max-width: 76px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
}
.busy {
  position: fixed;
  top: 0;
  left: 0;
  right: 0;
  height: 3px;
  z-index: 60;
  background: linear-gradient(90deg, transparent, var(--accent), transparent) 0 0 / 40% 100% no-repeat;
  animation: run 1.1s linear infinite;
}
@keyframes run {
  from {
    background-position: -60% 0;
  }
  to {
    background-position: 160% 0;
  }
}
@media (prefers-reduced-motion: reduce) {
  .busy {
    animation: none;
    background: var(--accent);
  }
}
main {
  /* What is read out only lies within it, and makes the page no longer. */
  position: relative;
  min-height: 0;
  overflow: auto;
  grid-row: 3;
}
@media (max-width: 520px) {
  header {
    gap: 4px;
    padding: 0 8px;
  }
  .who {
    display: none;
  }
}
</style>
