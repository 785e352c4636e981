<script setup lang="ts">
import { slot } from '../../words/slots'
import Sentence from '../../parts/Sentence.vue'
import Fold from '../../parts/Fold.vue'
import { formatQuantity, t, tell, within } from '../../words'
import { computed } from 'vue'
import type { JudgedAttempt } from '../../../core/assessment'
import { faultOfKind, type Fault } from '../../../core/faults'
import { instrumentOf } from '../../../core/instruments'
import { type Unit } from '../../../core/quantity'
import { describeHeld } from '../../readings/stepWords'

const props = defineProps<{ judged: JudgedAttempt; faults: readonly Fault[] }>()
const minutes = computed(() => props.judged.path.reduce((sum, p) => sum + p.minutes, 0))
const sizes = computed(() =>
  props.judged.sizes.map(({ piece, title, from, to, unit }) => ({
    piece,
    title: within(title),
    from: formatQuantity(from, unit as Unit),
    to: formatQuantity(to, unit as Unit),
  })),
)
const evidence = computed(() => Math.round(props.judged.evidence * 100))
const kinds = computed(() => props.faults.map((f) => faultOfKind(f.kind).title))
</script>

<template>
  <section class="path grid grid-cols-1 gap-6px" :aria-label="t('ui.review.whatTheEvidenceSays')">
    <p>
      <Sentence :text="t('ui.review.theReadingsTookAway', { share: slot('share') })">
        <template #share
          ><b>{{ evidence }} %</b></template
        >
      </Sentence>
      <template v-for="s in sizes" :key="s.piece">
        {{
          t('ui.review.byThemAloneItIs', {
            piece: s.piece,
            title: s.title,
            from: s.from,
            to: s.to,
          })
        }}
      </template>
    </p>
    <Fold
      v-if="judged.path.length"
      :title="
        t('ui.review.aShortHonestWayMinutes', {
          count: judged.path.length,
          tests: judged.path.length === 1 ? t('ui.review.test') : t('ui.review.tests'),
          x: minutes.toFixed(1),
        })
      "
    >
      <ol class="mt-6px mx-0 mb-0 pl-22px" :aria-label="t('ui.review.aWayTo', { join: kinds.join(', ') })">
        <li v-for="(p, i) in judged.path" :key="i">
          <Sentence
            :text="
              t('ui.review.left', {
                test: `${tell(instrumentOf(p.instrument).title)}, ${describeHeld(p.held)}, ${p.state}`,
                reading: slot('reading'),
                left: p.left,
              })
            "
          >
            <template #reading
              ><span class="reading">{{ tell(p.reading) }}</span></template
            >
          </Sentence>
        </li>
      </ol>
    </Fold>
  </section>
</template>
