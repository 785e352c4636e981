<script setup lang="ts">
import { quoted, t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { z } from 'zod'
import { aspectNames, type Judgement } from '../../../core/assessment'
import { describeFault } from '../../../core/faults'
import Schematic from '../../schematic/Schematic.vue'
import { messageOf, send } from '../../api/client'
import { useOneAct } from '../../api/one-act'
import { useLive } from '../../api/live'
import { floorRowSchema } from '../../../contract/floor'
import { fileName, saveBlob } from '../../parts/download'
import { when } from '../../parts/when'
import MarkTable from '../../readings/MarkTable.vue'
import { useKeys } from '../../keys/useKeys'
import StepLosses from './StepLosses.vue'
import DoubtCurves from './DoubtCurves.vue'
import MarkNotices from './MarkNotices.vue'
import ModelPath from './ModelPath.vue'
import Overriding from './Overriding.vue'
import { useReview } from '../../readings/useReview'
import { verdictWords } from '../../readings/verdictWords'
import Verdict from './Verdict.vue'

const props = defineProps<{ own?: boolean }>()
const router = useRouter()
const { review, trouble, at, load, follow, giveBack, settle, answer, ...shown } = useReview(
  String(useRoute().params.id),
  Boolean(props.own),
)
await load()
const say = verdictWords(review.value?.circuit)
const { wiring, rows, marks, cleared, current, arrangement, ways, curves } = shown
/** While its student is at work the instructor watches: every step comes by itself. */
const watching = !props.own && review.value !== null && review.value.concluded === null
if (watching)
  useLive(
    '/floor/live',
    { row: (data) => void (floorRowSchema.parse(data).id === review.value?.id && follow()) },
    () => void follow(),
  )

/** On the drawing: the student’s marks, what the readings had really cleared, or where both ways went. */
const showing = ref<'marks' | 'cleared' | 'ways' | 'losses'>('marks')
const lit = ref<string | null>(null)
const onDrawing = computed(() => (showing.value === 'cleared' ? cleared.value : marks.value))
const leads = computed(() =>
  current.value?.type === 'test' && current.value.held.type === 'leads' ? current.value.held : undefined,
)
/** The aspect whose reasons are asked for, with the steps that earned it. */
const aspect = ref<Judgement['aspect'] | ''>('')
const reasons = computed(
  () => review.value?.judged?.judgements.filter((j) => j.aspect === aspect.value) ?? [],
)

const list = ref<HTMLElement | null>(null)
async function go(to: number) {
  at.value = Math.min(rows.value.length - 1, Math.max(0, to))
  await nextTick()
  list.value?.querySelector('.here')?.scrollIntoView({ block: 'nearest' })
}
const views = ['marks', 'cleared', 'ways', 'losses'] as const
useKeys(t('ui.common.review'), [
  { press: ['n'], what: t('ui.review.oneStepOn'), act: () => void go(at.value + 1) },
  { press: ['p'], what: t('ui.review.oneStepBack'), act: () => void go(at.value - 1) },
  {
    press: ['1', '2', '3', '4'],
    what: t('ui.review.theMarksWhatWasCleared'),
    act: ({ key }) => (showing.value = views[Number(key) - 1]!),
  },
])

const { busy: asking, once } = useOneAct(() => review.value?.id)
async function another() {
  await once(() => send(z.object({ id: z.uuid() }), `/desk/${review.value!.id}/another`)).then(
    (made) => made && router.push({ name: 'desk', params: { id: made.id } }),
    (error: unknown) => (trouble.value = messageOf(error)),
  )
}
async function worksheet() {
  const { orderSheetPdf } = await import('./pdf')
  const { student, circuit } = review.value!
  saveBlob(
    fileName(t('ui.review.worksheet', { name: student.name, name2: circuit.name }), 'pdf'),
    await orderSheetPdf(review.value!),
  )
}
async function print() {
  const { attemptPdf } = await import('./pdf')
  const { student, circuit } = review.value!
  saveBlob(fileName(`${student.name} ${circuit.name}`, 'pdf'), await attemptPdf(review.value!, say))
}
</script>

<template>
  <div v-if="review" class="review place">
    <div class="top">
      <h1>{{ review.student.name }}</h1>
      <span>{{ review.circuit.name }}: {{ quoted(review.complaint) }}</span>
      <span class="planted">{{
        t('ui.common.planted', {
          join: review.faults.map((f) => tell(describeFault(review!.circuit, f))).join('; '),
        })
      }}</span>
      <span v-if="review.spares.length" class="planted">{{
        t('ui.review.badSpares', {
          faults: review.spares.map((f) => tell(describeFault(review!.circuit, f))).join('; '),
        })
      }}</span>
      <span class="quiet">{{
        review.concluded
          ? t('ui.review.finished', { concluded: when(review.concluded) })
          : t('ui.review.stillAtWork')
      }}</span>
      <NButton v-if="!own && review.concluded" size="small" @click="giveBack">
        {{ review.released ? t('ui.review.takeTheReviewBack') : t('ui.review.giveItBackToThe') }}
      </NButton>
      <NButton v-if="own" size="small" type="primary" :loading="asking" @click="another">{{
        t('ui.review.anotherLikeIt')
      }}</NButton>
      <NButton size="small" :disabled="!review.judged" @click="print">{{ t('ui.review.pdf') }}</NButton>
      <template v-if="!own && review.frame.source !== 'model' && !review.concluded">
        <NButton size="small" @click="worksheet">{{ t('ui.review.worksheetPdf') }}</NButton>
        <RouterLink :to="{ name: 'paper', params: { id: review.id } }">{{
          t('ui.review.typeInFromPaper')
        }}</RouterLink>
      </template>
      <RouterLink v-if="!own" :to="{ name: 'rubric', query: { attempt: review.id } }">{{
        t('ui.review.markedByAnotherRubric')
      }}</RouterLink>
    </div>
    <MarkNotices v-if="review.newerMark !== null || review.markedAnew" :review="review" @settle="settle" />
    <section class="drawing" :aria-label="t('ui.review.theStudentsDrawingAtThe')">
      <div class="choice" role="group" :aria-label="t('ui.review.whatTheDrawingShows')">
        <button type="button" :aria-pressed="showing === 'marks'" @click="showing = 'marks'">
          {{ t('ui.review.theStudentsMarks') }}
        </button>
        <button type="button" :aria-pressed="showing === 'cleared'" @click="showing = 'cleared'">
          {{ t('ui.review.whatTheReadingsHadCleared') }}
        </button>
        <button type="button" :aria-pressed="showing === 'ways'" @click="showing = 'ways'">
          {{ t('ui.review.bothWays') }}
        </button>
        <button type="button" :aria-pressed="showing === 'losses'" @click="showing = 'losses'">
          {{ t('ui.common.losses') }}
        </button>
      </div>
      <p v-if="showing === 'ways'" class="quiet">
        {{ t('ui.review.numbersWhereTheStudentsReadings') }}
      </p>
      <StepLosses
        v-if="showing === 'losses'"
        :circuit="review.circuit"
        :wiring="wiring"
        :faults="review.faults"
        :arrangement="arrangement"
        @light="lit = $event"
      />
      <Schematic
        v-else
        :circuit="review.circuit"
        :wiring="wiring"
        :struck="showing === 'ways' ? undefined : onDrawing.struck"
        :ringed="showing === 'ways' ? undefined : onDrawing.ringed"
        :values="showing === 'ways' ? ways : undefined"
        :controls="arrangement.controls"
        :detached="arrangement.detached"
        :red="leads?.red ?? ''"
        :black="leads?.black ?? ''"
        :lit="review.faults[0]?.part ?? null"
      />
    </section>
    <div ref="list" class="scroll side" tabindex="0" role="region" :aria-label="t('ui.review.stepsAndMarks')">
      <template v-if="review.judged">
        <MarkTable
          :judged="review.judged"
          :overrides="review.overrides"
          :open="aspect"
          @aspect="aspect = aspect === $event ? '' : $event"
        />
        <section
          v-if="aspect"
          class="why"
          :aria-label="t('ui.review.why', { aspect: tell(aspectNames[aspect]) })"
        >
          <p v-if="!reasons.length" class="quiet">
            {{ t('ui.review.nothingInThisAttemptWas', { aspect: tell(aspectNames[aspect]) }) }}
          </p>
          <div v-for="(j, k) in reasons" :key="k">
            <button type="button" class="step" @click="go(j.step)">
              {{ rows[j.step]?.head ?? t('ui.review.beforeTheWork') }}
            </button>
            <Verdict :judgement="j" :say="say" :reply="undefined" :own="false" />
          </div>
        </section>
        <DoubtCurves
          v-if="curves.student.length"
          :student="curves.student"
          :short="curves.short"
          :at="at"
          @choose="go"
        />
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
      <p v-else-if="!trouble" role="status">{{ t('ui.review.theVerdictsAreBeingWorked') }}</p>
      <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
      <p v-if="!rows.length">{{ t('ui.review.noStepYetTheStudent') }}</p>
      <ol>
        <li v-for="row in rows" :key="row.i" :class="{ here: row.i === at }">
          <button type="button" :aria-pressed="row.i === at" @click="at = row.i">
            <b>{{ row.head }}</b>
            <span class="quiet">{{
              t('ui.review.min', {
                time: row.time,
                x: row.minutes.toFixed(0),
                suspect: row.left === undefined ? '' : t('ui.review.suspect', { left: row.left }),
              })
            }}</span>
          </button>
          <p>{{ row.text }}</p>
          <Verdict
            v-for="(j, k) in row.judgements"
            :key="k"
            :judgement="j"
            :say="say"
            :own="Boolean(own)"
            :reply="review.replies.find((r) => r.step === j.step && r.verdict === j.verdict.code)"
            @answer="answer"
          />
        </li>
      </ol>
    </div>
  </div>
</template>

<style scoped>
.review {
  grid-template-columns: minmax(0, 63fr) minmax(0, 37fr);
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
.drawing {
  display: grid;
  grid-template-rows: auto auto minmax(0, 1fr);
  justify-items: stretch;
}
.drawing .choice {
  justify-self: start;
  margin: 6px;
}
.drawing > :deep(.frame) {
  grid-row: 3;
}
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
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
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
.why {
  display: grid;
  gap: 5px;
}
</style>
