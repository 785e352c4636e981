<script setup lang="ts">
import { quoted, t } from '../../words'
import { computed } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { floorRowSchema } from '../../../contract/floor'
import { useLive } from '../../api/live'
import { useReview } from '../../readings/useReview'
import WallDrawing from './WallDrawing.vue'

/**
 * Reason aloud: the class watches one student’s Desk on the wall as it is worked, without a name. What is planted is not
 * marked anywhere.
 */
const id = String(useRoute().params.id)
const { review, trouble, at, load, follow, wiring, rows, marks, current, arrangement } = useReview(id, false)
await load()
const { connected } = useLive(
  '/floor/live',
  { row: (data) => void (floorRowSchema.parse(data).id === id && follow()) },
  () => void follow(),
)
const leads = computed(() => {
  const step = current.value
  return step?.type === 'test' && step.held.type === 'leads' ? step.held : undefined
})
const recent = computed(() => rows.value.slice(-4))
const last = computed(() => recent.value.at(-1))
</script>

<template>
  <div
    class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] grid-rows-[auto_auto_minmax(0,1fr)] gap-y-10px gap-x-24px h-full py-18px px-32px text-28px"
  >
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
    <template v-else-if="review">
      <div class="top col-span-full flex gap-24px items-center">
        <h1 class="flex-1 text-34px">{{ review.circuit.name }}</h1>
        <span v-if="!connected" role="status">{{ t('ui.show.noConnectionTryingAgain') }}</span>
        <RouterLink :to="{ name: 'floor' }">{{ t('ui.common.floor') }}</RouterLink>
      </div>
      <p class="complaint col-span-full text-30px">{{ quoted(review.complaint) }}</p>
      <WallDrawing
        :circuit="review.circuit"
        :wiring="wiring"
        :struck="marks.struck"
        :ringed="marks.ringed"
        :controls="arrangement.controls"
        :detached="arrangement.detached"
        :red="leads?.red ?? ''"
        :black="leads?.black ?? ''"
      />
      <section
        class="grid gap-12px content-start overflow-hidden"
        aria-live="polite"
        :aria-label="t('ui.show.whatWasDoneLast')"
      >
        <template v-if="last">
          <p class="title">{{ last.head }}</p>
          <p class="line text-32px">{{ last.text }}</p>
        </template>
        <p v-else class="title">{{ t('ui.show.nothingHasBeenDoneYet') }}</p>
        <ol v-if="recent.length > 1" class="m-0 pl-36px text-quiet">
          <li v-for="row in recent.slice(0, -1).toReversed()" :key="row.i">{{ row.head }}</li>
        </ol>
        <p class="quiet text-24px">{{ t('ui.show.steps', { x: at + 1 }) }}</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.title {
  font: 500 36px var(--face-readings);
}
</style>
