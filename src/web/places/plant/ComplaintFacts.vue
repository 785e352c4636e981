<script setup lang="ts">
import { NButton, NCheckbox, NCheckboxGroup, NSelect } from 'naive-ui'
import { computed, ref, shallowRef, watch } from 'vue'
import { arrangementOf, claimText, isShaken, whatShows, type Claim, type Frame } from '../../../core/attempt'
import { settable, type Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { findPart } from '../../../core/model'
import { partOfKind } from '../../../core/parts'
import { t, tell } from '../../words'

/**
 * What of the complaint the student must reproduce, beside its words: in which state, which part, what it shows. Drafted from
 * the faulted circuit; asked again where the words are somebody's own.
 */
const props = defineProps<{
  circuit: Circuit
  faults: readonly Fault[]
  /** Nothing is wrong: what was complained of is only said. */
  sound: boolean
  /** The words are not those that were drafted. */
  ownWords: boolean
  /** It is looked at: until then nothing is worked out, so that a size can be dragged. */
  active: boolean
}>()
const facts = defineModel<Frame['complaint']>({ required: true })
/** Somebody has said that the facts go with the words. */
const confirmed = defineModel<boolean>('confirmed', { required: true })

const textOf = (claim: Claim): string => {
  const found = findPart(props.circuit, claim.part)
  return found ? `${found.name || claim.part} ${tell(claimText(props.circuit, claim))}` : claim.part
}
const keyOf = ({ arrangement, part, notice }: Claim): string => JSON.stringify([arrangement, part, notice])
const stateName = (name: string, { arrangement }: Claim): string =>
  isShaken(props.circuit, arrangement) ? t('ui.plant.whileItIsShaken', { state: name }) : name

const states = computed(() => props.circuit.states.filter(settable))
interface Fact {
  readonly claim: Claim
  readonly key: string
  readonly state: string
  readonly text: string
}
const factsOf = (circuit: Circuit, faults: readonly Fault[]): readonly Fact[] =>
  faults.length
    ? [...whatShows(circuit, faults)].flatMap(({ state, complaint }) =>
        complaint.map((claim) => ({
          claim,
          key: keyOf(claim),
          state: stateName(state.name, claim),
          text: textOf(claim),
        })),
      )
    : []
const shown = shallowRef<readonly Fact[]>([])
/** Of which circuit and faults that was worked out. */
let of: readonly unknown[] = []
watch(
  [() => props.active, () => props.circuit, () => props.faults] as const,
  ([active, circuit, faults]) => {
    if (!active || (of[0] === circuit && of[1] === faults)) return
    of = [circuit, faults]
    shown.value = factsOf(circuit, faults)
  },
  { immediate: true },
)
const chosen = computed(() => facts.value.map(keyOf))
function choose(keys: (string | number)[]): void {
  facts.value = shown.value.filter(({ key }) => keys.includes(key)).map(({ claim }) => claim)
  confirmed.value = true
}
// What is planted has changed: the first state in which it shows is what a customer would have met.
watch(
  shown,
  (now) => {
    if (props.sound) return
    facts.value = now.filter(({ state }) => state === now[0]?.state).map(({ claim }) => claim)
  },
  { immediate: true },
)
// Where nothing shows there is nothing to ask.
watch(
  [() => props.ownWords, () => props.sound || shown.value.length > 0],
  ([own, asks]) => (confirmed.value = !own || !asks),
  { immediate: true },
)

const state = ref<string | null>(null)
const part = ref<string | null>(null)
const notice = ref<string | null>(null)
const noticing = computed(() =>
  props.circuit.parts
    .filter(({ kind }) => partOfKind(kind).notice)
    .map(({ id, name }) => ({ value: id, label: name ? `${id} ${name}` : id })),
)
const notices = computed(() => {
  const found = part.value === null ? undefined : findPart(props.circuit, part.value)
  return (found ? (partOfKind(found.kind).notice?.all ?? []) : []).map(({ key, text }) => ({
    value: key,
    label: tell(text),
  }))
})
watch([() => props.sound, state, part, notice], ([sound]) => {
  if (!sound) return
  const at = states.value.find(({ id }) => id === state.value)
  const claim =
    at && part.value !== null && notice.value !== null
      ? [{ arrangement: arrangementOf(at), part: part.value, notice: notice.value }]
      : []
  facts.value = claim
  confirmed.value = claim.length > 0
})
</script>

<template>
  <div
    class="facts grid grid-cols-1 gap-4px text-13px"
    role="group"
    :aria-label="t('ui.plant.whatMustBeReproduced')"
  >
    <span>{{ sound ? t('ui.plant.whatTheyClaim') : t('ui.plant.whatMustBeReproduced') }}</span>
    <template v-if="sound">
      <NSelect
        v-model:value="state"
        size="small"
        filterable
        :options="states.map(({ id, name }) => ({ value: id, label: name }))"
        :placeholder="t('ui.plant.inWhichState')"
        :input-props="{ 'aria-label': t('ui.plant.inWhichState') }"
      />
      <NSelect
        v-model:value="part"
        size="small"
        filterable
        :options="noticing"
        :placeholder="t('ui.plant.whichPart')"
        :input-props="{ 'aria-label': t('ui.plant.whichPart') }"
        @update:value="notice = null"
      />
      <NSelect
        v-model:value="notice"
        size="small"
        filterable
        :disabled="part === null"
        :options="notices"
        :placeholder="t('ui.plant.whatItIsSaidToDo')"
        :input-props="{ 'aria-label': t('ui.plant.whatItIsSaidToDo') }"
      />
    </template>
    <NCheckboxGroup v-else-if="shown.length" :value="chosen" @update:value="choose">
      <div v-for="one in shown" :key="one.key">
        <NCheckbox size="small" :value="one.key" :label="`${one.state}: ${one.text}`" />
      </div>
    </NCheckboxGroup>
    <span v-else class="quiet">{{ t('ui.plant.nothingShowsToReproduce') }}</span>
    <div
      v-if="!sound && !confirmed && shown.length"
      class="line-l-4px-doubt bg-doubt-soft py-5px px-8px"
      role="status"
    >
      {{ t('ui.plant.theWordsAreYourOwn') }}
      <NButton size="tiny" :disabled="!facts.length" @click="confirmed = true">{{
        t('ui.plant.keepTheseFacts')
      }}</NButton>
    </div>
  </div>
</template>

<style scoped>
/* Large enough to be hit with a finger. */
.facts :deep(.n-checkbox) {
  min-height: 24px;
  align-items: center;
}
</style>
