<script setup lang="ts">
import Slide from '../../parts/Slide.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { soundCircuit } from '../../../core/attempt'
import { findPieces, partOf, piecesOf } from '../../../core/model'
import { pieceWords } from '../../readings/pieceWords'
import { faultOfKind, faultsOf, type FaultKind } from '../../../core/faults'
import { partOfKind } from '../../../core/parts'
import type { DeskModel } from './useDesk'

const props = defineProps<{ model: DeskModel }>()
const piece = ref('')
const kind = ref<FaultKind | ''>('')
const sure = ref(70)
const wrong = ref('')
/** Pieces of a part after the whole of it, where that is one article at the parts counter. */
const pieces = computed(() => {
  const { circuit } = props.model
  const whole = new Set<string>()
  return piecesOf(circuit).flatMap((one) => {
    const own = { id: one.id, text: pieceWords(circuit, one) }
    const { name, kind } = partOf(circuit, one.part)
    if (whole.has(one.part) || one.id === one.part || !partOfKind(kind).orderedAs) return [own]
    whole.add(one.part)
    return [
      {
        id: one.part,
        text: t('ui.desk.asAWhole', { part: one.part, name: name || tell(partOfKind(kind).title) }),
      },
      own,
    ]
  })
})
const isSound = computed(() => piece.value === soundCircuit)
const kinds = computed<FaultKind[]>(() => {
  const kindsOf = new Map(props.model.circuit.parts.map((p) => [p.id, p.kind]))
  const found = findPieces(props.model.circuit, piece.value).flatMap(({ part, unit }) => {
    const definition = partOfKind(kindsOf.get(part)!)
    return definition.segments
      .filter((s) => unit.segments.includes(s.key))
      .flatMap((s) => faultsOf(definition, s))
  })
  return [...new Set(found)]
})

async function conclude() {
  wrong.value = ''
  if (isSound.value) {
    await props.model.act({
      type: 'conclude',
      piece: soundCircuit,
      kind: soundCircuit,
      sure: sure.value,
      note: '',
    })
    return
  }
  if (!piece.value || !kind.value) {
    wrong.value = t('ui.desk.nameThePieceAndHow')
    return
  }
  const { value: said } = kind
  await props.model.act({ type: 'conclude', piece: piece.value, kind: said, sure: sure.value, note: '' })
}
</script>

<template>
  <form
    class="conclude grid grid-cols-[repeat(2,minmax(0,1fr))] gap-y-8px gap-x-10px items-end"
    :aria-label="t('ui.desk.conclusion')"
    @submit.prevent="conclude"
  >
    <Choice
      v-model:value="piece"
      :label="t('ui.common.piece')"
      :entries="[
        { value: soundCircuit, label: t('ui.desk.electricallySound') },
        ...entriesOf(
          pieces,
          (p) => p.id,
          (p) => p.text,
        ),
      ]"
      @update:value="kind = ''"
    />
    <Choice
      v-if="!isSound"
      v-model:value="kind"
      :label="t('ui.common.howItFailed')"
      :disabled="!piece"
      :entries="
        entriesOf(
          kinds,
          (k) => k,
          (k) => tell(faultOfKind(k).title),
        )
      "
    />
    <div class="field">
      <span aria-hidden="true">{{ t('ui.desk.howSure', { sure }) }}</span>
      <Slide v-model:value="sure" :label="t('ui.desk.howSure', { sure })" :min="0" :max="100" :step="5" />
    </div>
    <NButton attr-type="submit" :loading="model.busy" :disabled="model.inferenceDue">
      {{ t('ui.desk.conclude') }}
    </NButton>
    <p v-if="wrong" class="wrong col-span-full" role="alert">
      {{ wrong }}
    </p>
  </form>
</template>
