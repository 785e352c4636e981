<script setup lang="ts">
import { t } from '../../words'
import { ArrowDownToLine, ArrowUpToLine, Undo2 } from '@lucide/vue'
import { NButton, NInput } from 'naive-ui'
import { computed } from 'vue'
import { pieceWords } from '../../readings/pieceWords'
import { useKeys } from '../../keys/useKeys'
import type { DeskModel } from './useDesk'
import type { Marks } from './useMarks'

const props = defineProps<{
  model: DeskModel
  marks: Marks
  /** Carries the probe on. This is gone by then, and what is gone emits nothing. */
  carryOn: (by: 1 | -1) => void
}>()
/** What is typed but not sent yet. */
const draft = computed(() => props.model.draft)
const list = (names: ReadonlySet<string>) => [...names].join(' ') || t('ui.desk.mark.none')
const struck = computed(() => list(props.marks.struck.value))
const ringed = computed(() => list(props.marks.ringed.value))
const markOf = (id: string) =>
  props.marks.struck.value.has(id) ? 'struck' : props.marks.ringed.value.has(id) ? 'ringed' : 'open'
const markWords = (id: string) => t(`ui.desk.mark.${markOf(id)}`)

async function infer(): Promise<boolean> {
  const { model, marks } = props
  const done = await model.act({
    type: 'infer',
    struck: [...marks.struck.value],
    ringed: [...marks.ringed.value],
    note: model.draft.note,
  })
  if (done) model.draft.note = ''
  return done
}
/** The marks stand as they are, and the probe goes to the next point: pin by pin this is one key. */
async function goOn(by: 1 | -1) {
  const { carryOn } = props
  if (await infer()) carryOn(by)
}
const keys = useKeys(
  t('ui.desk.afterAReading'),
  [
    { press: ['ArrowDown'], what: t('ui.desk.marksStandNextPoint'), act: () => (void goOn(1), true) },
    { press: ['ArrowUp'], what: t('ui.desk.marksStandPointBefore'), act: () => (void goOn(-1), true) },
  ],
  'own',
)
</script>

<template>
  <section
    class="infer grid gap-7px line-2px-accent rounded-4px p-10px bg-accent-soft"
    tabindex="-1"
    :aria-label="t('ui.desk.whatTheReadingTellsYou')"
    @keydown.self="keys"
  >
    <h2>{{ t('ui.desk.whatDoesItTellYou') }}</h2>
    <p>
      {{ t('ui.desk.inTheDrawingStrikeOut') }}
    </p>
    <div
      v-if="marks.touched.value"
      class="grid gap-5px"
      role="group"
      :aria-label="t('ui.desk.marksAt', { marks: marks.touched.value })"
    >
      <template v-if="marks.own.value.length > 1">
        <NButton
          v-for="piece in marks.own.value"
          :key="piece.id"
          size="tiny"
          round
          class="piece"
          :class="markOf(piece.id)"
          @click="marks.mark([piece.id])"
        >
          {{ pieceWords(model.circuit, piece) }}: {{ markWords(piece.id) }}
        </NButton>
      </template>
      <span class="flex flex-wrap gap-y-6px gap-x-10px items-center">
        <NButton size="small" :title="'U'" @click="marks.stretch(marks.touched.value, 'up')">
          <template #icon><ArrowUpToLine :size="15" /></template>
          {{ t('ui.desk.fromUp', { marks: marks.touched.value }) }}
        </NButton>
        <NButton size="small" :title="'D'" @click="marks.stretch(marks.touched.value, 'down')">
          <template #icon><ArrowDownToLine :size="15" /></template>
          {{ t('ui.desk.fromDownThisSide', { marks: marks.touched.value }) }}
        </NButton>
      </span>
    </div>
    <p class="reading marks text-12px">{{ t('ui.desk.struckOutRinged', { struck, ringed }) }}</p>
    <p class="count flex flex-wrap gap-y-6px gap-x-10px items-center justify-between">
      <span role="status">{{ t('ui.desk.piecesLeft', { marks: marks.left.value }) }}</span>
      <NButton size="small" :disabled="!marks.undoable.value" @click="marks.undo">
        <template #icon><Undo2 :size="15" /></template>
        {{ t('ui.desk.undoTheLastMark') }}
      </NButton>
    </p>
    <NInput
      v-model:value="draft.note"
      :input-props="{ 'aria-label': t('ui.desk.whyInASentence') }"
      :placeholder="t('ui.desk.whyInASentenceIf')"
    />
    <NButton type="primary" :loading="model.busy" @click="infer">
      {{ t('ui.desk.thatIsWhatItTells') }}
    </NButton>
  </section>
</template>

<style scoped>
.piece.struck {
  text-decoration: line-through;
  color: var(--quiet);
}
.piece.ringed {
  border-color: var(--fault);
  color: var(--fault);
}
</style>
