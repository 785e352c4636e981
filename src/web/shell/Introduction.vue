<script setup lang="ts">
import { X } from '@lucide/vue'
import { NButton, NCard } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { useIntroduction, type Introduced } from '../stores/introduction'
import { useSession } from '../stores/session'
import { t } from '../words'

/** The first five minutes, step by step, beside the place that each step speaks of. */
interface Stop {
  readonly title: string
  readonly text: string
  /** The place where it can be tried. */
  readonly to?: string
  readonly place?: string
}
/** Said when it is opened: whoever has just signed in has not got all words yet. */
const ways = (): Readonly<Record<Introduced, readonly Stop[]>> => ({
  instructor: [
    {
      title: t('ui.intro.circuitTitle'),
      text: t('ui.intro.circuit'),
      to: 'circuits',
      place: t('ui.common.circuits'),
    },
    { title: t('ui.intro.plantTitle'), text: t('ui.intro.plant') },
    {
      title: t('ui.intro.handOutTitle'),
      text: t('ui.intro.handOut'),
      to: 'lessons',
      place: t('ui.common.lessons'),
    },
    { title: t('ui.intro.floorTitle'), text: t('ui.intro.floor'), to: 'floor', place: t('ui.common.floor') },
    { title: t('ui.intro.reviewTitle'), text: t('ui.intro.review'), to: 'home', place: t('ui.common.today') },
  ],
  student: [
    { title: t('ui.intro.orderTitle'), text: t('ui.intro.order'), to: 'home', place: t('ui.common.today') },
    { title: t('ui.intro.verifyTitle'), text: t('ui.intro.verify') },
    { title: t('ui.intro.measureTitle'), text: t('ui.intro.measure') },
    { title: t('ui.intro.strikeTitle'), text: t('ui.intro.strike') },
    {
      title: t('ui.intro.concludeTitle'),
      text: t('ui.intro.conclude'),
      to: 'handbook',
      place: t('ui.common.handbook'),
    },
  ],
  wall: [
    { title: t('ui.intro.keyTitle'), text: t('ui.intro.key') },
    { title: t('ui.intro.classTitle'), text: t('ui.intro.class') },
    { title: t('ui.intro.phoneTitle'), text: t('ui.intro.phone') },
  ],
})
const session = useSession()
const { open, leave } = useIntroduction(session.user?.id ?? '')
const at = ref(0)
watch(open, () => (at.value = 0))
const stops = computed(() => (open.value ? ways()[open.value] : []))
const now = computed(() => stops.value[at.value])
const isLast = computed(() => at.value === stops.value.length - 1)
</script>

<template>
  <aside v-if="now" class="introduction" :aria-label="t('ui.intro.introduction')">
    <NCard size="small">
      <header class="flex gap-8px items-baseline">
        <h2 class="flex-1 text-16px">{{ now.title }}</h2>
        <span class="quiet">{{ t('ui.common.of', { x: at + 1, of: stops.length }) }}</span>
        <NButton size="tiny" quaternary :aria-label="t('ui.intro.leave')" @click="leave"
          ><X :size="15"
        /></NButton>
      </header>
      <p class="my-8px" aria-live="polite">{{ now.text }}</p>
      <div class="flex gap-8px items-center">
        <RouterLink v-if="now.to" :to="{ name: now.to }">{{
          t('ui.intro.goTo', { place: now.place })
        }}</RouterLink>
        <span class="flex-1" />
        <NButton v-if="at" size="small" quaternary @click="at--">{{ t('ui.intro.back') }}</NButton>
        <NButton v-if="!isLast" size="small" type="primary" @click="at++">{{ t('ui.intro.next') }}</NButton>
        <NButton v-else size="small" type="primary" @click="leave">{{ t('ui.intro.finish') }}</NButton>
      </div>
    </NCard>
  </aside>
</template>

<style scoped>
.introduction {
  position: fixed;
  right: 16px;
  bottom: 16px;
  z-index: 50;
  width: min(360px, calc(100vw - 32px));
  box-shadow: 0 4px 18px rgb(0 0 0 / 25%);
}
@media print {
  .introduction {
    display: none;
  }
}
</style>
