<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { formatPlain, formatQuantity, t, tell, within } from '../../words'
import { computed, ref } from 'vue'
import { presetsOf, sensitivityOf, type Calculator, type Result } from '../../../core/handbook'
import QuantityField from '../../readings/QuantityField.vue'

/** One calculator: values as they are typed, what follows, and what it hangs on. */
const props = defineProps<{ calculator: Calculator }>()
const given = ref<Record<string, number>>(presetsOf(props.calculator))
const results = computed(() => props.calculator.results(given.value))
const write = ({ value, unit }: Pick<Result, 'value' | 'unit'>) =>
  Number.isFinite(value) ? (unit ? formatQuantity(value, unit) : formatPlain(value, 4)) : '–'
const moves = computed(() =>
  sensitivityOf(props.calculator, given.value)
    .slice(0, 3)
    .map(({ input, to, result }) => {
      const { label, unit } = props.calculator.inputs[input]!
      return {
        input,
        text: `${tell(label)} ${write({ value: to, unit })}`,
        result: write({ value: result, unit: results.value[0]!.unit }),
      }
    }),
)
const checkOf = (key: string) => (value: number) => {
  const { least, most, unit } = props.calculator.inputs[key]!
  return value < least || value > most
    ? t('ui.handbook.fromTo', {
        unit: write({ value: least, unit }),
        unit2: write({ value: most, unit }),
      })
    : undefined
}
</script>

<template>
  <p>{{ tell(calculator.about) }}</p>
  <div class="grid grid-cols-[minmax(200px,280px)_minmax(0,1fr)] gap-y-10px gap-x-40px">
    <form class="grid gap-8px content-start" @submit.prevent>
      <template v-for="(input, key) in calculator.inputs" :key="key">
        <Choice
          v-if="input.options"
          :label="tell(input.label)"
          :value="given[key]"
          :entries="
            entriesOf(
              input.options,
              (o) => o.value,
              (o) => tell(o.text),
            )
          "
          @update:value="given = { ...given, [key]: $event! }"
        />
        <QuantityField
          v-else
          :label="tell(input.label)"
          :unit="input.unit"
          :value="given[key]!"
          :check="checkOf(key)"
          @set="given = { ...given, [key]: $event }"
        />
      </template>
    </form>
    <dl class="grid gap-12px content-start m-0" aria-live="polite" :aria-label="t('ui.handbook.results')">
      <div v-for="(result, i) in results" :key="i" :class="{ first: i === 0 }">
        <dt class="text-quiet">{{ tell(result.label) }}</dt>
        <dd class="m-0 text-19px">
          <span class="reading">{{ write(result) }}</span>
          <span v-if="result.note" class="quiet text-14px"> {{ tell(result.note) }}</span>
        </dd>
      </div>
    </dl>
  </div>
  <p v-if="moves.length" class="quiet">
    {{ t('ui.handbook.withATenthMore') }}
    <span v-for="move in moves" :key="move.input" class="move mr-18px whitespace-nowrap"
      >{{ move.text }} → {{ within(results[0]!.label) }} {{ move.result }}</span
    >
  </p>
  <p class="formula flex flex-wrap gap-y-4px gap-x-18px items-baseline">
    <span class="reading">{{ tell(calculator.formula) }}</span>
    <span v-if="calculator.by.length" class="quiet">
      {{ t('ui.handbook.reckonedByWhatTheCircuits') }}
      <code class="font-readings" lang="en">{{ calculator.by.join(', ') }}</code></span
    >
  </p>
  <p class="quiet">
    {{
      t('ui.handbook.assumesSource', { assumes: tell(calculator.assumes), source: tell(calculator.source) })
    }}
  </p>
</template>

<style scoped>
.first dd {
  font-size: 34px;
}
</style>
