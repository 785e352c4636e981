<script setup lang="ts">
import Choice from '../parts/Choice.vue'
import { entriesOf } from '../parts/choice'
import type { Words } from '../../core/document'
import { formatPlain, t, tell } from '../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useKeys } from '../keys/useKeys'
import { parseQuantity, type Unit } from '../../core/quantity'

const props = defineProps<{
  label: string
  unit: Unit
  value: number
  check?: (value: number) => string | undefined
  /** What the trade's table offers. */
  table?: readonly { readonly value: number; readonly text: Words }[]
}>()
const emit = defineEmits<{ set: [value: number] }>()

/** Small ohms are written in milliohms and large ones in megohms, as the trade does; everything else as it is. */
const written = computed(() => {
  const size = Math.abs(props.value)
  if (props.unit === 'Ω' && size !== 0 && size < 0.1) return `${formatPlain(props.value * 1000)} m`
  if (props.unit === 'Ω' && size >= 1e6) return `${formatPlain(props.value / 1e6)} M`
  return formatPlain(props.value)
})
const text = ref(written.value)
const wrong = ref('')
watch(written, (now) => (text.value = now))

function take() {
  if (text.value === written.value) {
    wrong.value = ''
    return
  }
  const read = parseQuantity(text.value, props.unit)
  wrong.value = read.ok ? (props.check?.(read.value) ?? '') : tell(read.why)
  if (read.ok && !wrong.value) emit('set', read.value)
}
/** Round values of a decade, so that a step is always one that somebody would write. */
const rounds = [1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 6, 8]
function step(way: 1 | -1) {
  const size = Math.abs(props.value)
  const offered = props.table?.map((t) => t.value)
  const decade = 10 ** Math.floor(Math.log10(size || 1) + 1e-9)
  const values =
    offered ?? [0.1, 1, 10].flatMap((d) => rounds.map((r) => Number((r * decade * d).toPrecision(3))))
  const next = way > 0 ? values.find((v) => v > size * 1.0001) : values.findLast((v) => v < size * 0.9999)
  if (next !== undefined && !props.check?.(next)) emit('set', next)
}
function giveUp() {
  text.value = written.value
  wrong.value = ''
}
const key = useKeys(
  t('ui.readings.inAFieldOfNumbers'),
  [
    { press: ['ArrowUp'], what: t('ui.readings.theNextLargerUsualValue'), act: () => step(1) },
    { press: ['ArrowDown'], what: t('ui.readings.theNextSmallerUsualValue'), act: () => step(-1) },
    {
      press: ['Escape'],
      what: t('ui.readings.asItWas'),
      act: () => (text.value !== written.value || wrong.value !== '') && (giveUp(), true),
    },
    // The form it stands in may want it too.
    { press: ['Enter'], what: t('ui.readings.takeIt'), act: () => (take(), false) },
  ],
  'own',
)
</script>

<template>
  <div
    class="field quantity grid grid-cols-[minmax(0,1fr)_auto] gap-y-3px gap-x-4px items-end text-13px text-quiet"
  >
    <label class="grid gap-3px">
      <span>{{ label }}</span>
      <NInput
        v-model:value="text"
        size="small"
        :status="wrong ? 'error' : undefined"
        :input-props="{ 'aria-invalid': wrong ? 'true' : 'false' }"
        placeholder=""
        @change="take"
        @keydown="key"
      >
        <template v-if="unit" #suffix>{{ unit }}</template>
      </NInput>
    </label>
    <span class="steps flex gap-2px">
      <NButton size="small" :aria-label="t('ui.readings.less', { label })" tabindex="-1" @click="step(-1)">
        −
      </NButton>
      <NButton size="small" :aria-label="t('ui.readings.more', { label })" tabindex="-1" @click="step(1)">
        +
      </NButton>
      <Choice
        v-if="table"
        :label="t('ui.readings.fromTheTable', { label })"
        labelled="aloud"
        :value="table.some((t) => t.value === value) ? value : undefined"
        :placeholder="t('ui.readings.table')"
        :entries="
          entriesOf(
            table,
            (row) => row.value,
            (row) => tell(row.text),
          )
        "
        @update:value="emit('set', $event!)"
      />
    </span>
    <span v-if="wrong" class="wrong col-span-full" role="alert">{{ wrong }}</span>
  </div>
</template>
