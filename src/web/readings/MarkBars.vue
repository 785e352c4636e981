<script setup lang="ts">
import { slot } from '../words/slots'
import Sentence from '../parts/Sentence.vue'
import { NButton, NProgress } from 'naive-ui'
import { computed } from 'vue'
import type { Overrides } from '../../contract'
import {
  aspectNames,
  givenTotal,
  type Aspect,
  type JudgedAttempt,
  type Judgement,
} from '../../core/assessment'
import { paletteOf, useScheme } from '../theme/scheme'
import { formatPlain, t, tell } from '../words'

/** The mark and its parts as bars; each opens what stands behind it. */
const {
  judged,
  overrides = [],
  open = undefined,
} = defineProps<{
  judged: Pick<JudgedAttempt, 'marks' | 'total' | 'of' | 'uncapped'>
  overrides?: Overrides
  /** The aspect whose reasons are shown; undefined where none can be. */
  open?: Judgement['aspect'] | '' | undefined
}>()
const emit = defineEmits<{ aspect: [aspect: Aspect] }>()
/** Each aspect with what the instructor put in its place. */
const rows = computed(() =>
  judged.marks
    .filter(({ of }) => of > 0)
    .map((mark) => {
      const own = overrides.find((o) => o.aspect === mark.aspect)
      const given = own?.points ?? mark.points
      return { ...mark, own, given, share: Math.round((100 * given) / mark.of) }
    }),
)
const total = computed(() => givenTotal(judged, overrides))
const scheme = useScheme()
const palette = computed(() => paletteOf(scheme.value))
const colourOf = (share: number) =>
  share >= 80 ? palette.value.good : share >= 45 ? palette.value.doubt : palette.value.fault
</script>

<template>
  <section class="mark" :aria-label="t('ui.common.mark')">
    <p class="total text-15px">
      <Sentence :text="t('ui.readings.pointsOf', { given: slot('given'), of: judged.of })">
        <template #given
          ><b class="reading text-24px">{{ formatPlain(total, 3) }}</b></template
        >
      </Sentence>
      <span v-if="judged.uncapped !== undefined" class="text-fault">{{
        t('ui.readings.cappedFrom', { x: formatPlain(judged.uncapped, 3) })
      }}</span>
    </p>
    <ul class="mt-4px mx-0 mb-0 p-0 list-none">
      <li v-for="row in rows" :key="row.aspect">
        <NButton
          quaternary
          block
          class="aspect h-auto min-h-28px py-2px px-4px"
          :disabled="open === undefined"
          :aria-expanded="open === undefined ? undefined : open === row.aspect"
          @click="emit('aspect', row.aspect)"
        >
          <span class="name">{{ tell(aspectNames[row.aspect]) }}</span>
          <span class="bar" aria-hidden="true"
            ><NProgress
              type="line"
              :percentage="row.share"
              :show-indicator="false"
              :height="9"
              :color="colourOf(row.share)"
              :rail-color="palette.rule"
          /></span>
          <span class="points text-right"
            ><Sentence :text="t('ui.readings.pointsOf', { given: slot('given'), of: row.of })">
              <template #given
                ><b class="reading">{{ formatPlain(row.given, 3) }}</b></template
              >
            </Sentence>
            <span v-if="row.own" class="block text-12px text-quiet">{{
              t('ui.readings.judge', { x: formatPlain(row.points, 3) })
            }}</span></span
          >
        </NButton>
        <div v-if="open === row.aspect" class="more pt-4px pr-0 pb-10px pl-8px"><slot :mark="row" /></div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.aspect:disabled {
  opacity: 1;
}
.aspect :deep(.n-button__content) {
  display: grid;
  grid-template-columns: 9.5em minmax(60px, 1fr) 8.5em;
  gap: 10px;
  align-items: center;
  width: 100%;
  font-weight: 400;
  text-align: left;
  white-space: normal;
}
</style>
