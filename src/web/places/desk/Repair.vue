<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { repairOf, repairsFor, type RepairKey } from '../../../core/attempt'
import { findPieces, piecesOf } from '../../../core/model'
import { pieceWords } from '../../readings/pieceWords'
import type { DeskModel } from './useDesk'

const props = defineProps<{ model: DeskModel }>()
const last = props.model.steps.findLast((s) => s.type === 'conclude')
const piece = ref(last?.type === 'conclude' ? (findPieces(props.model.circuit, last.piece)[0]?.id ?? '') : '')
const way = ref<RepairKey | ''>('')
const pieces = computed(() =>
  piecesOf(props.model.circuit).map((one) => ({ id: one.id, text: pieceWords(props.model.circuit, one) })),
)
const ways = computed(() => [
  ...new Set(
    findPieces(props.model.circuit, piece.value).flatMap((one) => repairsFor(props.model.circuit, one)),
  ),
])
const parts = computed(
  () => props.model.steps.filter((s) => s.type === 'repair' && repairOf(s.by).consumes === true).length,
)

async function repair() {
  const { value: by } = way
  if (piece.value && by && (await props.model.act({ type: 'repair', piece: piece.value, by }))) way.value = ''
}
</script>

<template>
  <form
    class="repair grid grid-cols-[repeat(2,minmax(0,1fr))] gap-y-8px gap-x-10px items-end"
    :aria-label="t('ui.desk.repair')"
    @submit.prevent="repair"
  >
    <Choice
      v-model:value="piece"
      :label="t('ui.common.piece')"
      :entries="
        entriesOf(
          pieces,
          (p) => p.id,
          (p) => p.text,
        )
      "
      @update:value="way = ''"
    />
    <Choice
      v-model:value="way"
      :label="t('ui.desk.how')"
      :disabled="!piece"
      :entries="
        entriesOf(
          ways,
          (w) => w.key,
          (w) => tell(w.title),
        )
      "
    />
    <p v-if="way" class="about col-span-full">
      {{ t('ui.desk.aboutMinutes', { about: tell(repairOf(way).about), minutes: repairOf(way).minutes }) }}
    </p>
    <NButton attr-type="submit" :loading="model.busy" :disabled="!way">{{ t('ui.desk.repairIt') }}</NButton>
    <span v-if="parts" class="quiet">{{
      t('ui.desk.soFar', { parts: parts === 1 ? t('ui.desk.oneNewPart') : t('ui.desk.newParts', { parts }) })
    }}</span>
  </form>
</template>
