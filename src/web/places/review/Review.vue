<script setup lang="ts">
import Segments from '../../parts/Segments.vue'
import { quoted, t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, nextTick, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { z } from 'zod'
import { aspectNames, type Judgement } from '../../../core/assessment'
import { describeFault } from '../../../core/faults'
import Schematic from '../../schematic/Schematic.vue'
import { send } from '../../api/client'
import { useOneAct } from '../../api/one-act'
import { useLive } from '../../api/live'
import { floorRowSchema } from '../../../contract/floor'
import { fileName, saveBlob } from '../../parts/download'
import { when } from '../../parts/when'
import { attemptIdeasSchema } from '../../../contract/ideas'
import { useServer } from '../../api/useServer'
import Ideas from '../../readings/Ideas.vue'
import MarkBars from '../../readings/MarkBars.vue'
import Fold from '../../parts/Fold.vue'
import Panes from '../../parts/Panes.vue'
import { useKeys } from '../../keys/useKeys'
import StepLosses from './StepLosses.vue'
import MarkNotices from './MarkNotices.vue'
import ModelPath from './ModelPath.vue'
import OwnMark from './OwnMark.vue'
import Player from './Player.vue'
import Steps from './Steps.vue'
import { useReview } from '../../readings/useReview'
import { verdictWords } from '../../readings/verdictWords'
import Verdict from './Verdict.vue'

/** Charts come after the place. */
const DoubtCurves = defineAsyncComponent({
  loader: () => import('./DoubtCurves.vue'),
  suspensible: false,
})

const props = defineProps<{ own?: boolean }>()
const router = useRouter()
const { review, trouble, act, at, load, follow, giveBack, settle, answer, ...shown } = useReview(
  String(useRoute().params.id),
  Boolean(props.own),
)
await load()
/** What explains several wrong verdicts at once; of finished work only. */
const ideas = useServer(attemptIdeasSchema, () =>
  review.value?.concluded ? `/ideas/order/${review.value.id}` : undefined,
)
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
/** A point that was found in a plug has a place in the drawing, too. */
const drawn = (name = '') => wiring.value.find(name)?.name ?? name
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
  list.value?.querySelector(`[data-step="${at.value}"]`)?.scrollIntoView({ block: 'nearest' })
}
const player = ref<InstanceType<typeof Player> | null>(null)
/** What is said so far, by how good it is: of unfinished work there is no mark yet. */
const soFar = computed(() => {
  const all = review.value?.judged?.judgements ?? []
  const of = (grade: Judgement['grade']) => all.filter((j) => j.grade === grade).length
  return t('ui.review.soFar', { good: of('good'), partly: of('partly'), poor: of('poor') })
})
const views = ['marks', 'cleared', 'ways', 'losses'] as const
useKeys(t('ui.common.review'), [
  { press: ['Space'], what: t('ui.review.playOrPause'), act: () => void player.value?.play() },
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
  await act(async () => {
    const made = await once(() => send(z.object({ id: z.uuid() }), `/desk/${review.value!.id}/another`))
    if (made) await router.push({ name: 'desk', params: { id: made.id } })
  })
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
  <div v-if="review" class="review flex flex-col gap-8px h-full pt-8px px-16px pb-10px">
    <div class="top flex flex-wrap gap-y-4px gap-x-14px items-center">
      <h1>{{ review.student.name }}</h1>
      <span>{{ review.circuit.name }}: {{ quoted(review.complaint) }}</span>
      <span class="planted text-fault font-medium">{{
        t('ui.common.planted', {
          join: review.faults.map((f) => tell(describeFault(review!.circuit, f))).join('; '),
        })
      }}</span>
      <span v-if="review.spares.length" class="planted text-fault font-medium">{{
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
    <Panes name="review" :first="0.64">
      <template #left>
        <section
          class="drawing grid grid-cols-1 grid-rows-[auto_auto_minmax(0,1fr)_auto] h-full min-h-300px bg-sheet line"
          :aria-label="t('ui.review.theStudentsDrawingAtThe')"
        >
          <Segments
            v-model:value="showing"
            :label="t('ui.review.whatTheDrawingShows')"
            :entries="[
              { value: 'marks', label: t('ui.review.theStudentsMarks') },
              { value: 'cleared', label: t('ui.review.whatTheReadingsHadCleared') },
              { value: 'ways', label: t('ui.review.bothWays') },
              { value: 'losses', label: t('ui.common.losses') },
            ]"
          />
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
            :red="drawn(leads?.red)"
            :black="drawn(leads?.black)"
            :lit="review.faults[0]?.part ?? null"
          />
          <Player
            v-if="rows.length"
            ref="player"
            :at="at"
            :steps="rows.length"
            :minutes="rows[at]?.minutes"
            @update:at="go"
          />
        </section>
      </template>
      <template #right>
        <div
          ref="list"
          class="scroll side grid grid-cols-1 gap-12px content-start h-full pr-6px"
          tabindex="0"
          role="region"
          :aria-label="t('ui.review.stepsAndMarks')"
        >
          <template v-if="review.judged">
            <MarkBars
              v-if="review.concluded"
              :judged="review.judged"
              :overrides="review.overrides"
              :open="aspect"
              @aspect="aspect = aspect === $event ? '' : $event"
            >
              <template #default="{ mark }">
                <div class="why grid gap-6px">
                  <p v-for="(less, k) in mark.less" :key="`less ${k}`" class="less">{{ say(less) }}</p>
                  <p v-if="!reasons.length" class="quiet">
                    {{ t('ui.review.nothingInThisAttemptWas', { aspect: tell(aspectNames[mark.aspect]) }) }}
                  </p>
                  <div v-for="(j, k) in reasons" :key="k">
                    <NButton text class="step" @click="go(j.step)">
                      {{ rows[j.step]?.head ?? t('ui.review.beforeTheWork') }}
                    </NButton>
                    <Verdict :judgement="j" :say="say" :reply="undefined" :own="false" />
                  </div>
                  <OwnMark
                    v-if="!own"
                    :key="mark.aspect"
                    :order="review.id"
                    :mark="mark"
                    :overrides="review.overrides"
                    @changed="review.overrides = $event"
                  />
                </div>
              </template>
            </MarkBars>
            <p v-else-if="rows.length" role="status">{{ soFar }}</p>
            <section
              v-if="ideas.data.value?.length"
              class="grid gap-6px"
              :aria-label="t('ui.review.ideasBehind')"
            >
              <h2 class="text-15px">{{ t('ui.review.ideasBehind') }}</h2>
              <Ideas :ideas="ideas.data.value" />
            </section>
            <Fold v-if="rows.length" :title="t('ui.review.whatTheEvidenceSays')">
              <DoubtCurves
                v-if="curves.student.length"
                :student="curves.student"
                :short="curves.short"
                :at="at"
                @choose="go"
              />
              <ModelPath :judged="review.judged" :faults="review.faults" />
            </Fold>
            <p v-for="(c, i) in review.judged.contradictions" :key="i" class="caution">
              {{ say(c) }}
            </p>
          </template>
          <p v-else-if="!trouble" role="status">{{ t('ui.review.theVerdictsAreBeingWorked') }}</p>
          <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
          <p v-if="!rows.length">{{ t('ui.review.noStepYetTheStudent') }}</p>
          <Steps
            v-else
            :rows="rows"
            :at="at"
            :say="say"
            :replies="review.replies"
            :own="Boolean(own)"
            @go="at = $event"
            @answer="answer"
          />
        </div>
      </template>
    </Panes>
  </div>
</template>

<style scoped>
.review > :last-child {
  flex: 1;
}
.drawing > .segments {
  justify-self: start;
  margin: 6px;
}
.drawing > :deep(.frame) {
  grid-row: 3;
}
@media (max-width: 760px) {
  .review,
  .side {
    height: auto;
  }
  .drawing {
    height: 70vh;
  }
}
</style>
