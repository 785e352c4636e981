<script setup lang="ts">
import Committed from '../../parts/Committed.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { findPart } from '../../../core/model'
import { formatPlain, formatQuantity, t, tell } from '../../words'
import type { ZodType } from 'zod'
import { problemsOf } from '../../../core/document'
import { NInput, NInputNumber } from 'naive-ui'
import { computed, defineAsyncComponent, ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import {
  modulePins,
  mostPins,
  partOfKind,
  parts,
  pinsOf,
  type FieldMeta,
  type Pins,
} from '../../../core/parts'
import type { StateKey } from '../../../core/readings'
import { ampacity, heatOf } from '../../../core/workshop'
import QuantityField from '../../readings/QuantityField.vue'

/** Their titles come with the whole Handbook. */
const SeeAlso = defineAsyncComponent({ loader: () => import('./SeeAlso.vue'), suspensible: false })

const props = defineProps<{ circuit: Circuit; part: string; state: StateKey | null }>()
const emit = defineEmits<{
  set: [name: string, value: number | string]
  name: [name: string]
  rename: [id: string]
  replace: [kind: string]
  pins: [pins: Pins]
}>()
const others = computed(() =>
  parts.filter(
    (p) => p.kind !== found.value?.kind && (p.role === 'source') === (definition.value?.role === 'source'),
  ),
)
const wrongId = ref('')
function takeId(text: string) {
  const id = text.trim().toUpperCase()
  if (id === props.part) return
  wrongId.value = !/^[A-Z]{1,3}[0-9]{1,3}$/.test(id)
    ? t('ui.bench.oneToThreeLettersAnd')
    : props.circuit.parts.some((p) => p.id === id)
      ? t('ui.bench.isTaken', { id })
      : ''
  if (!wrongId.value) emit('rename', id)
}

const found = computed(() => findPart(props.circuit, props.part))
const definition = computed(() => found.value && partOfKind(found.value.kind))

const fields = computed(() =>
  Object.entries(definition.value?.parameters.shape ?? {}).flatMap(([key, schema]) => {
    const meta = (schema as { meta: () => FieldMeta | undefined }).meta()
    const value = found.value?.parameters[key]
    const check = (v: number) => {
      const { error } = (schema as ZodType).safeParse(v)
      return error && tell(problemsOf(error)[0]!)
    }
    return meta && typeof value === 'number' ? [{ key, ...meta, value, check }] : []
  }),
)

/** Values that are words: one out of a few, or a line that the part reads. */
const words = computed(() =>
  Object.entries(definition.value?.parameters.shape ?? {}).flatMap(([key, schema]) => {
    const meta = (schema as { meta: () => FieldMeta | undefined }).meta()
    const value = found.value?.parameters[key]
    return meta && typeof value === 'string' ? [{ key, ...meta, value }] : []
  }),
)

const pins = computed(() => found.value && pinsOf(found.value.kind))
/** How often a count was typed: what is refused goes back to what it was. */
function takePins(key: string, count: number | null) {
  if (pins.value && count !== null) emit('pins', { ...pins.value, [key]: count })
}

/** What the part is doing now: its drops from end to end, its amps and watts. */
const doing = computed(() => {
  const rows = props.state?.drops.filter((d) => d.part === props.part) ?? []
  if (!rows.length || rows.some((r) => r.value === undefined)) return null
  // What several paths run through does several things at once: its heat is their sum.
  if (
    rows.some((r) => Math.abs(r.amps) > 1e-9 && Math.abs(r.amps - rows[0]!.amps) > 1e-6 * Math.abs(r.amps))
  ) {
    const heat = rows.reduce((sum, r) => sum + Math.abs(r.value! * r.amps), 0)
    return { volts: '', amps: '', watts: formatQuantity(heat, 'W') }
  }
  const volts = rows.reduce((sum, r) => sum + r.value!, 0)
  const amps = rows[0]!.amps
  return {
    volts: formatQuantity(volts, 'V'),
    amps: formatQuantity(amps, 'A'),
    watts: formatQuantity(Math.abs(volts * amps), 'W'),
  }
})

/** How hot that makes it: watts on each metre of a wire, or the share of what a resistor is made for. */
const heat = computed(() => {
  const rows = props.state?.drops.filter((d) => d.part === props.part) ?? []
  const watts = rows.reduce((sum, r) => sum + Math.abs((r.value ?? 0) * r.amps), 0)
  const { cable, ratedWatts } = definition.value ?? {}
  const valueOf = (name: string) => Number(found.value?.parameters[name])
  if (cable?.byTheMetre)
    return t('ui.bench.onEachMetreGoodFor', {
      watts: formatQuantity(watts / valueOf(cable.length), 'W'),
      x: formatPlain(ampacity(valueOf(cable.section)), 2),
    })
  if (ratedWatts)
    return t('ui.bench.ofItsWattsAboutDegrees', {
      x: formatPlain((100 * watts) / valueOf(ratedWatts), 2),
      x2: formatPlain(heatOf(watts, valueOf(ratedWatts), props.circuit.temperature).surface, 2),
    })
  return ''
})
</script>

<template>
  <section
    v-if="found && definition"
    class="grid gap-8px content-start"
    :aria-label="t('ui.bench.valuesOf', { part })"
  >
    <h2>
      {{ part }} <span class="quiet">{{ tell(definition.title) }}</span>
    </h2>
    <p v-if="doing" class="reading text-15px">
      {{ [doing.volts, doing.amps, doing.watts].filter(Boolean).join(' · ') }}
    </p>
    <div class="grid grid-cols-[62px_minmax(0,1fr)] gap-6px">
      <label class="field id"
        >{{ t('ui.bench.short') }}
        <Committed :value="part" :label="t('ui.bench.short')" :wrong="!!wrongId" @change="takeId" />
      </label>
      <Choice
        :label="t('ui.bench.replaceBy')"
        :value="undefined"
        placeholder="…"
        :entries="
          entriesOf(
            others,
            (p) => p.kind,
            (p) => tell(p.title),
          )
        "
        @update:value="emit('replace', $event!)"
      />
    </div>
    <p v-if="wrongId" class="wrong" role="alert">{{ wrongId }}</p>
    <p v-if="heat" class="quiet">{{ heat }}</p>
    <SeeAlso :keys="definition.seeAlso" />
    <label class="field"
      >{{ t('ui.common.name') }}
      <NInput
        :key="part + found.name"
        :default-value="found.name"
        size="small"
        placeholder=""
        @change="emit('name', $event)"
      />
    </label>
    <fieldset v-if="pins" class="pins grid grid-cols-[1fr_1fr] gap-y-4px gap-x-10px line">
      <legend>{{ t('ui.bench.pins') }}</legend>
      <label
        v-for="({ name, least }, key) in modulePins"
        :key="key"
        class="flex justify-between items-center gap-4px"
      >
        {{ tell(name) }}
        <NInputNumber
          size="small"
          :min="least"
          :max="mostPins"
          :precision="0"
          :value="pins[key]"
          @update:value="takePins(key, $event)"
        />
      </label>
    </fieldset>
    <template v-for="field in words" :key="part + field.key">
      <Choice
        v-if="field.options"
        :label="tell(field.label)"
        :value="field.value"
        :entries="
          entriesOf(
            field.options,
            (option) => option,
            (option) => tell(field.names![option]!),
          )
        "
        @update:value="emit('set', field.key, $event!)"
      />
      <label v-else class="field"
        >{{ tell(field.label) }}
        <NInput
          :key="part + field.key + field.value"
          :default-value="field.value"
          size="small"
          :placeholder="t('ui.bench.never')"
          @change="emit('set', field.key, $event)"
        />
      </label>
    </template>
    <QuantityField
      v-for="field in fields"
      :key="part + field.key"
      :label="tell(field.label)"
      :unit="field.unit"
      :value="field.value"
      :check="field.check"
      :table="field.table"
      @set="emit('set', field.key, $event)"
    />
  </section>
</template>
