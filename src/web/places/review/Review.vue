<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { reviewSchema, type Review } from '../../../contract'
import { judgedSchema } from '../../../core/assessment'
import { wireUp } from '../../../core/circuit'
import { speakerWith } from '../../../contract/words'
import { aspectNames } from '../../../core/assessment'
import { ruleTexts } from '../../../core/assessment/rules/registry'
import { describeFault } from '../../../core/faults'
import Schematic from '../../schematic/Schematic.vue'
import { ask, messageOf, send } from '../../api/client'
import { when } from '../../parts/when'
import { stepWords } from '../../readings/stepWords'
import MarkTable from '../../readings/MarkTable.vue'
import ModelPath from './ModelPath.vue'
import Overriding from './Overriding.vue'

const props = defineProps<{ own?: boolean }>()
/** A student's own review comes by the student's way, and can only be read. */
const from = props.own ? '/desk' : '/orders'
/** Words of the rules come with the place that shows them. */
const say = speakerWith(ruleTexts)
const route = useRoute()
const review = ref<Review | null>(null)
const missing = ref('')
const at = ref(0)
await ask(reviewSchema, `${from}/${String(route.params.id)}/review`).then(
  (found) => {
    review.value = found
    at.value = Math.max(0, found.steps.length - 1)
  },
  (error: unknown) => (missing.value = messageOf(error)),
)
// The steps are there at once; the verdicts fill in.
const unjudged = ref('')
if (review.value && !review.value.judged)
  void ask(judgedSchema, `${from}/${review.value.id}/judgement`).then(
    (judged) => (review.value = { ...review.value!, judged }),
    (error: unknown) => (unjudged.value = messageOf(error)),
  )

async function giveBack() {
  unjudged.value = ''
  const { id, released, judged } = review.value!
  await send(reviewSchema, `/orders/${id}/released`, { released: !released }, 'PUT').then(
    (found) => (review.value = { ...found, judged: found.judged ?? judged }),
    (error: unknown) => (unjudged.value = messageOf(error)),
  )
}

const wiring = computed(() => wireUp(review.value!.circuit))
const rows = computed(() => {
  let tests = 0
  return review.value!.steps.map(({ step, at: time }, i) => ({
    i,
    time: when(time),
    judgements: (review.value!.judged?.judgements ?? []).filter((j) => j.step === i),
    left: review.value!.judged?.suspects[i]?.length,
    ...stepWords(review.value!.circuit, step, step.type === 'test' ? ++tests : tests),
  }))
})
/** The student's marks on the drawing, as they stood at the chosen step. */
const marks = computed(() => {
  const last = review
    .value!.steps.slice(0, at.value + 1)
    .reverse()
    .flatMap(({ step }) => (step.type === 'infer' ? [step] : []))[0]
  const parts = (pieces: readonly string[] = []) => new Set(pieces.map((p) => p.split('.')[0]!))
  return { struck: parts(last?.struck), ringed: parts(last?.ringed) }
})
const current = computed(() => review.value!.steps[at.value]?.step)
const leads = computed(() =>
  current.value?.type === 'test' && current.value.held.type === 'leads' ? current.value.held : undefined,
)
const arrangement = computed(() => {
  const found = [...review.value!.steps.slice(0, at.value + 1)]
    .reverse()
    .find(({ step }) => 'arrangement' in step)?.step
  return found && 'arrangement' in found ? found.arrangement : { controls: {}, detached: [] }
})
</script>

<template>
  <p v-if="missing || !review" class="wrong" role="alert">
    {{ missing }}
  </p>
  <div v-else class="review place">
    <div class="top">
      <h1>{{ review.student.name }}</h1>
      <span>{{ review.circuit.name }}: “{{ review.complaint }}”</span>
      <span class="planted"
        >Planted: {{ review.faults.map((f) => describeFault(review!.circuit, f)).join('; ') }}</span
      >
      <span class="quiet">{{
        review.concluded ? `finished ${when(review.concluded)}` : 'still at work'
      }}</span>
      <NButton v-if="!own && review.concluded" size="small" @click="giveBack">
        {{ review.released ? 'Take the review back' : 'Give it back to the student' }}
      </NButton>
    </div>
    <section class="drawing" aria-label="The student’s drawing at the chosen step">
      <Schematic
        :circuit="review.circuit"
        :wiring="wiring"
        :struck="marks.struck"
        :ringed="marks.ringed"
        :controls="arrangement.controls"
        :detached="arrangement.detached"
        :red="leads?.red ?? ''"
        :black="leads?.black ?? ''"
        :lit="review.faults[0]?.part ?? null"
      />
    </section>
    <div class="scroll side" tabindex="0" role="region" aria-label="Steps and marks">
      <template v-if="review.judged">
        <MarkTable :judged="review.judged" :overrides="review.overrides" />
        <ModelPath v-if="rows.length" :judged="review.judged" :faults="review.faults" />
        <Overriding
          v-if="rows.length && !own"
          :order="review.id"
          :marks="review.judged.marks"
          :overrides="review.overrides"
          @changed="review.overrides = $event"
        />
        <p v-for="(c, i) in review.judged.contradictions" :key="i" class="caution">
          {{ say(c) }}
        </p>
      </template>
      <p v-else-if="!unjudged" role="status">The verdicts are being worked out …</p>
      <p v-if="unjudged" class="wrong" role="alert">{{ unjudged }}</p>
      <p v-if="!rows.length">No step yet: the student has not begun.</p>
      <ol>
        <li v-for="row in rows" :key="row.i" :class="{ here: row.i === at }">
          <button type="button" :aria-pressed="row.i === at" @click="at = row.i">
            <b>{{ row.head }}</b>
            <span class="quiet"
              >{{ row.time }}{{ row.left === undefined ? '' : ` · ${row.left} suspect` }}</span
            >
          </button>
          <p>{{ row.text }}</p>
          <p v-for="(j, k) in row.judgements" :key="k" class="judgement" :data-grade="j.grade">
            <span class="tag">{{ aspectNames[j.aspect] }}: {{ say(j.verdict) }}</span> {{ say(j.reason) }}
          </p>
        </li>
      </ol>
    </div>
  </div>
</template>

<style scoped>
.review {
  grid-template-columns: minmax(340px, 40%) minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr);
  gap: 8px 18px;
  padding: 10px 16px;
}
.top {
  grid-column: 1 / -1;
}
.planted {
  color: var(--fault);
  font-weight: 500;
}
.side {
  display: grid;
  gap: 12px;
  align-content: start;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 6px 8px;
  display: grid;
  gap: 3px;
}
li.here {
  background: var(--sheet);
  box-shadow: -4px 0 0 var(--accent);
}
li button {
  font: inherit;
  color: inherit;
  text-align: left;
  border: 0;
  background: none;
  padding: 0;
  cursor: pointer;
  display: flex;
  gap: 10px;
  justify-content: space-between;
}
.judgement {
  font-size: 13px;
  padding-left: 10px;
  border-left: 3px solid var(--rule-strong);
}
.tag {
  font-weight: 500;
}
.judgement[data-grade='good'] {
  border-color: var(--good);
}
.judgement[data-grade='good'] .tag {
  color: var(--good);
}
.judgement[data-grade='partly'] {
  border-color: var(--doubt);
}
.judgement[data-grade='partly'] .tag {
  color: var(--doubt);
}
.judgement[data-grade='poor'] {
  border-color: var(--fault);
}
.judgement[data-grade='poor'] .tag {
  color: var(--fault);
}
</style>
