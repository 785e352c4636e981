<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import Slide from '../../parts/Slide.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { findPart } from '../../../core/model'
import { formatQuantity, t, tell } from '../../words'
import { NCheckbox } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { type Circuit, partIn, type SegmentRef } from '../../../core/circuit'
import {
  canMove,
  coldOf,
  faultOfKind,
  faultsOf,
  partnersOf,
  severityOf,
  type Fault,
  type FaultKind,
} from '../../../core/faults'
import { partOfKind, strandsOf } from '../../../core/parts'
import type { SizeMark } from '../../../core/workshop'
import QuantityField from '../../readings/QuantityField.vue'
import { useSilent } from './useSilent'

const props = defineProps<{
  circuit: Circuit
  fault: Fault | null
  part: string | null
  /** Where along its size each effect begins. */
  marks: readonly SizeMark[]
}>()
const emit = defineEmits<{ plant: [fault: Fault | null]; part: [id: string] }>()

const places = computed(() =>
  entriesOf(
    props.circuit.parts.filter(({ kind }) =>
      partOfKind(kind).segments.some((s) => faultsOf(partOfKind(kind), s).length),
    ),
    ({ id }) => id,
    ({ id, name, kind }) => `${id}  ${name || tell(partOfKind(kind).title)}`,
  ),
)
const part = computed(() => findPart(props.circuit, props.fault?.part ?? props.part))
const choices = computed(() =>
  part.value
    ? partOfKind(part.value.kind).segments.flatMap((segment) =>
        faultsOf(partOfKind(part.value!.kind), segment)
          .filter(
            (kind) =>
              !faultOfKind(kind).involves ||
              partnersOf(props.circuit, { kind, part: part.value!.id, segment: segment.key }).length > 0,
          )
          .map((kind) => ({
            segment,
            kind,
            title: faultOfKind(kind).title,
            fault: usual(segment.key, kind),
          })),
      )
    : [],
)
const { silent } = useSilent(
  toRef(props, 'circuit'),
  computed(() => choices.value.map(({ fault }) => fault)),
)
/** Somebody wants what never shows, too. */
const wantsAll = ref(false)
const isChosen = (c: (typeof choices.value)[number]) =>
  props.fault?.part === part.value?.id &&
  props.fault?.segment === c.segment.key &&
  props.fault.kind === c.kind
const offered = computed(() =>
  choices.value.filter((c, i) => wantsAll.value || !silent.value.has(i) || isChosen(c)),
)
const bySegment = computed(() => {
  const groups = new Map<string, (typeof choices.value)[number][]>()
  for (const c of offered.value) {
    const name = tell(c.segment.name)
    groups.set(name, [...(groups.get(name) ?? []), c])
  }
  return [...groups]
})
const hidden = computed(() => choices.value.length - offered.value.length)
const partners = computed(() => (props.fault ? partnersOf(props.circuit, props.fault) : []))
const definition = computed(() => props.fault && faultOfKind(props.fault.kind))
const range = computed(() => definition.value?.severity)
/** A wire is spoilt strand by strand. */
const strands = computed(() => {
  const section = part.value?.parameters.section
  return definition.value?.madeBy === 'strands' && typeof section === 'number'
    ? strandsOf(section)
    : undefined
})
const checkStrands = (value: number) =>
  Number.isInteger(value) && value >= 1 && value < strands.value!
    ? undefined
    : t('ui.plant.aWholeNumberFrom1', { x: strands.value! - 1 })
const checkCold = (value: number) => {
  const { least, most } = definition.value!.cold!
  return value >= least && value <= most
    ? undefined
    : t('ui.plant.fromTo', { least: formatQuantity(least, 'Ω'), most: formatQuantity(most, 'Ω') })
}
/** The slider runs in decades, so that milliohms and kilohms are equally easy to hit. */
const slider = computed(() => {
  const r = range.value
  if (!r || !props.fault) return 0
  return (1000 * Math.log(severityOf(props.fault) / r.least)) / Math.log(r.most / r.least)
})

/** Marks that would stand over one another stand as one. */
const together = 130
const along = computed(() => {
  const r = range.value
  if (!r) return {}
  const groups: { at: number; words: string[] }[] = []
  for (const { effect, severity } of props.marks) {
    const at = Math.round((1000 * Math.log(severity / r.least)) / Math.log(r.most / r.least))
    const last = groups[groups.length - 1]
    const word = t(`ui.plant.mark.${effect}`)
    if (last && at - last.at < together) last.words.push(...(last.words.includes(word) ? [] : [word]))
    else groups.push({ at, words: [word] })
  }
  return Object.fromEntries(groups.map(({ at, words }) => [at, words.join(' · ')]))
})

/** A fault of the part at hand in the usual size of its kind. */
function usual(segment: string, kind: FaultKind): Fault {
  const preset = faultOfKind(kind).severity?.preset
  const fault: Fault = {
    kind,
    part: part.value!.id,
    segment,
    ...(preset === undefined ? {} : { severity: preset }),
  }
  const [other] = partnersOf(props.circuit, fault)
  return other === undefined ? fault : { ...fault, other }
}
function withMovement(fault: Fault, moving: boolean): Fault {
  const still = { ...fault }
  delete still.moving
  return moving ? { ...still, moving } : still
}
function chooseOther(other: SegmentRef) {
  if (props.fault) emit('plant', { ...props.fault, other })
}
function slide(at: number) {
  const r = range.value
  if (!r || !props.fault) return
  const share = at / 1000
  emit('plant', { ...props.fault, severity: Number((r.least * (r.most / r.least) ** share).toPrecision(3)) })
}
function check(value: number) {
  const r = range.value
  return r && (value < r.least || value > r.most)
    ? t('ui.plant.mustLieBetweenAnd', {
        label: tell(r.label),
        least: r.least,
        most: r.most,
        unit: r.unit,
      })
    : undefined
}
</script>

<template>
  <section class="grid grid-cols-1 gap-8px text-13px" :aria-label="t('ui.common.fault')">
    <Choice
      :label="t('ui.plant.place')"
      :placeholder="t('ui.plant.chooseOrPointInThe')"
      :value="part?.id"
      :entries="places"
      @update:value="emit('part', $event!)"
    />
    <div
      v-if="part"
      class="grid grid-cols-[minmax(70px,max-content)_minmax(0,1fr)] gap-y-6px gap-x-10px items-baseline"
      role="group"
      :aria-label="t('ui.plant.howItFails')"
    >
      <template v-for="[segment, kinds] in bySegment" :key="segment">
        <span class="quiet">{{ segment }}</span>
        <span class="row flex flex-wrap gap-4px">
          <Toggle
            v-for="c in kinds"
            :key="c.segment.key + c.kind"
            :on="isChosen(c)"
            :aria-label="`${tell(c.title)} ${segment}`"
            @click="emit('plant', c.fault)"
            >{{ tell(c.title) }}</Toggle
          >
        </span>
      </template>
    </div>
    <NCheckbox v-if="part && (hidden > 0 || wantsAll)" v-model:checked="wantsAll" size="small">{{
      wantsAll ? t('ui.plant.offerAlsoWhatNeverShows') : t('ui.plant.offerAlsoSoMany', { count: hidden })
    }}</NCheckbox>
    <Choice
      v-if="partners.length"
      :label="t('ui.plant.with')"
      :value="fault?.other"
      :entries="entriesOf(partners, (p) => p, partIn)"
      @update:value="chooseOther($event!)"
    />
    <template v-if="fault && range">
      <QuantityField
        v-if="strands"
        :label="t('ui.plant.strandsCutOf', { strands })"
        unit=""
        :value="Math.round((severityOf(fault) * strands) / 100)"
        :check="checkStrands"
        @set="emit('plant', { ...fault, severity: Number(((100 * $event) / strands).toPrecision(4)) })"
      />
      <QuantityField
        v-else
        :label="tell(range.label)"
        :unit="range.unit"
        :value="severityOf(fault)"
        :check="check"
        @set="emit('plant', { ...fault, severity: $event })"
      />
      <Slide
        :label="t('ui.plant.slider', { label: tell(range.label) })"
        :min="0"
        :max="1000"
        :step="1"
        :value="slider"
        :shows="formatQuantity(severityOf(fault), range.unit)"
        :marks="along"
        @update:value="slide"
      />
    </template>
    <QuantityField
      v-if="fault && definition?.cold"
      :label="tell(definition.cold.label)"
      :unit="definition.cold.unit"
      :value="coldOf(fault)"
      :check="checkCold"
      @set="emit('plant', { ...fault, cold: $event })"
    />
    <NCheckbox
      v-if="fault && part && canMove(fault.kind, partOfKind(part.kind))"
      size="small"
      :checked="fault.moving === true"
      @update:checked="emit('plant', withMovement(fault, $event))"
      >{{ t('ui.plant.onlyWhileMoved') }}</NCheckbox
    >
    <p v-if="definition" class="quiet">{{ t('ui.plant.onARealBoard', { built: tell(definition.built) }) }}</p>
    <p v-if="definition?.caution" class="caution">
      {{ tell(definition.caution) }}
    </p>
  </section>
</template>
