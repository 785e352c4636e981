<script setup lang="ts">
import { NButton, NPopover, NRadioButton, NRadioGroup, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import {
  coloursAt,
  faceOf,
  faceSides,
  findPart,
  halfId,
  halvesOf,
  type Cavity,
  type FaceSide,
} from '../../../core/model'
import { nameOfPart } from '../../../core/parts'
import type { Code } from '../../../core/document'
import { t, tell } from '../../words'
import type { DeskModel } from './useDesk'

/** A pin is chosen where an eye meets it: in the plug's face, from the front once it is apart, or from the back. */
const props = defineProps<{ model: DeskModel; next: 'red' | 'black'; inHand: boolean }>()
const emit = defineEmits<{ point: [name: string] }>()

const options = computed(() =>
  props.model.circuit.parts.flatMap((part) =>
    halvesOf(part).map((half) => ({
      value: `${part.id} ${half}`,
      label: t('ui.desk.plugHalf', {
        part: `${halfId(part, half)} ${tell(nameOfPart(part))}`,
        half: halfName(half),
      }),
    })),
  ),
)
function halfName(half: string): string {
  return t(`ui.desk.half.${half}` as Code)
}
const chosen = ref(options.value[0]?.value ?? '')
const side = ref<FaceSide>('back')
const part = computed(() => findPart(props.model.circuit, chosen.value.split(' ')[0] ?? ''))
const apart = computed(() => part.value !== undefined && props.model.draft.detached.includes(part.value.id))
/** A mating face that is covered is seen by nobody. */
watch(apart, (open) => !open && (side.value = 'back'), { immediate: true })
const rows = computed(() =>
  part.value ? faceOf(part.value, chosen.value.split(' ')[1] ?? '', side.value) : [],
)
/** From the back there are wires and no numbers: a pin goes by where it lies. What is in the hand can be turned round. */
const blind = computed(() => side.value === 'back' && !props.inHand)
const nameOf = ({ name, place }: Cavity) => (blind.value ? place : name)
function faceWord({ terminal, mark }: Cavity): string {
  if (!blind.value || !part.value) return mark
  const colours = coloursAt(props.model.circuit, props.model.wiring, part.value.id, terminal)
  return colours.join(' ') || '–'
}
/** As wide as its longest row of cavities. */
const width = computed(
  () => `${Math.max(300, 52 * Math.max(...rows.value.map(({ length }) => length)) + 26)}px`,
)
const holds = (name: string) => {
  const { red, black } = props.model.draft
  return name === red ? 'R' : name === black ? 'B' : ''
}
</script>

<template>
  <NPopover v-if="options.length" trigger="click" placement="left">
    <template #trigger>
      <NButton size="small" class="justify-self-start">{{ t('ui.desk.pickInThePlug') }}</NButton>
    </template>
    <div
      class="grid grid-cols-1 gap-8px max-w-[88vw]"
      :style="{ width }"
      role="group"
      :aria-label="t('ui.desk.plugFace')"
    >
      <NSelect
        v-model:value="chosen"
        filterable
        size="small"
        :options="options"
        :input-props="{ 'aria-label': t('ui.desk.plug') }"
      />
      <NRadioGroup v-model:value="side" size="small" :aria-label="t('ui.desk.seenFrom')">
        <NRadioButton v-for="s in faceSides" :key="s" :value="s" :disabled="s === 'front' && !apart">{{
          t(s === 'front' ? 'ui.desk.fromTheFront' : 'ui.desk.fromTheBack')
        }}</NRadioButton>
      </NRadioGroup>
      <p v-if="!apart" class="quiet">{{ t('ui.desk.unplugToSeeTheFront') }}</p>
      <div class="grid gap-6px justify-items-center line-2px-ink rounded-6px p-10px overflow-x-auto">
        <div v-for="(row, r) in rows" :key="r" class="row flex gap-6px">
          <template v-for="(cavity, c) in row" :key="c">
            <NButton
              v-if="cavity"
              size="small"
              class="w-46px !px-0"
              :type="holds(nameOf(cavity)) ? 'primary' : 'default'"
              :aria-label="blind ? `${nameOf(cavity)}, ${faceWord(cavity)}` : cavity.name"
              :title="nameOf(cavity)"
              @click="emit('point', nameOf(cavity))"
              >{{ holds(nameOf(cavity)) }} {{ faceWord(cavity) }}</NButton
            >
            <span v-else class="none w-46px" />
          </template>
        </div>
      </div>
      <p v-if="blind" class="quiet">{{ t('ui.desk.fromBehindOnlyColours') }}</p>
      <p class="quiet">{{ t('ui.desk.nextLead', { next }) }}</p>
    </div>
  </NPopover>
</template>
