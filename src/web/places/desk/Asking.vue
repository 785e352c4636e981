<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { brightnessText } from '../../../core/parts'
import { useKeys } from '../../keys/useKeys'
import type { DeskModel } from './useDesk'
import type { DeskInstrument } from './useInstrument'

/** What a good circuit would show, before the reading; and on a real board what it does show. */
const props = defineProps<{ model: DeskModel; next: 'red' | 'black'; held: DeskInstrument }>()
const { draft, asks, hold, measure, real, answer, readMeter, sending, carry } = props.held
/** The commonest act of all costs one key: a lead one point on, the prediction’s place ready. */
const other = { red: 'black', black: 'red' } as const
const carryBy = (by: 1 | -1, which: (next: 'red' | 'black') => 'red' | 'black') => () =>
  hold.value === 'leads' && (carry(which(props.next), by), true)
const carried = useKeys(
  t('At the prediction'),
  [
    {
      press: ['ArrowUp'],
      what: t('the lead whose turn it is, one point up the path'),
      act: carryBy(-1, (n) => n),
    },
    { press: ['ArrowDown'], what: t('the same, one point down'), act: carryBy(1, (n) => n) },
    {
      press: ['Shift ArrowUp', 'Shift ArrowDown'],
      what: t('the other lead'),
      act: (event) => carryBy(event.key === 'ArrowUp' ? -1 : 1, (n) => other[n])(),
    },
  ],
  'own',
)
</script>

<template>
  <form class="asking" @submit.prevent="measure" @keydown="carried">
    <fieldset v-if="asks.type !== 'value'">
      <legend>{{ t('A good circuit would …') }}</legend>
      <template v-if="asks.type === 'beep'">
        <label><input v-model="draft.prediction" type="radio" value="beep" /> {{ t('beep') }}</label>
        <label
          ><input v-model="draft.prediction" type="radio" value="OL" /> {{ t('stay silent (OL)') }}</label
        >
      </template>
      <label v-for="word in asks.type === 'word' ? asks.words : []" :key="word"
        ><input v-model="draft.prediction" type="radio" :value="word" /> {{ t(brightnessText(word)) }}</label
      >
    </fieldset>
    <label v-else class="field"
      >{{ t('A good circuit would show') }}
      <NInput
        v-model:value="draft.prediction"
        :input-props="{ 'aria-label': t('Prediction'), inputmode: 'text' }"
        :placeholder="asks.unit === 'Ω' ? t('such as 4k7 or OL') : t('such as 12.4 or 80 m')"
      >
        <template #suffix>{{ asks.unit }}</template>
      </NInput>
    </label>
    <label v-if="asks.type === 'value' && model.draft.ringed.length" class="field"
      >{{ t('If {x} is at fault (if you like)', { x: model.draft.ringed[0] }) }}
      <NInput
        v-model:value="draft.suspected"
        :input-props="{ 'aria-label': t('Prediction with the suspect at fault') }"
        :placeholder="asks.unit === 'Ω' ? t('such as OL') : t('such as 0.3')"
      />
    </label>
    <template v-if="real">
      <fieldset v-if="asks.type === 'word'">
        <legend>{{ t('It is …') }}</legend>
        <label v-for="word in asks.words" :key="word"
          ><input v-model="draft.typed" type="radio" name="shown" :value="word" />
          {{ t(brightnessText(word)) }}</label
        >
      </fieldset>
      <label v-else class="field"
        >{{ t('Your meter shows') }}
        <NInput
          v-model:value="draft.typed"
          :input-props="{ 'aria-label': t('Your meter shows'), inputmode: 'text', autocomplete: 'off' }"
          :placeholder="t('such as 12.34, 80m, OL')"
        />
      </label>
      <NButton
        v-if="model.desk?.frame.source === 'meter' && asks.type !== 'word'"
        :loading="sending"
        @click="readMeter"
      >
        {{ t('Read the meter') }}
      </NButton>
    </template>
    <NButton type="primary" attr-type="submit" :loading="model.busy">
      {{ real ? t('Take it down') : t('Measure') }}
    </NButton>
  </form>
  <div
    v-if="model.question"
    class="question"
    role="alertdialog"
    :aria-label="t('A question about this reading')"
  >
    <p>{{ tell(model.question.about) }}</p>
    <NButton size="small" @click="answer(false)">{{ t('I put it right') }}</NButton>
    <NButton size="small" :loading="model.busy" @click="answer(true)">{{ t('It stands') }}</NButton>
  </div>
</template>

<style scoped>
.question {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  border-left: 4px solid var(--doubt);
  background: var(--accent-soft);
  padding: 8px 10px;
}
.question p {
  flex-basis: 100%;
}
form {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 10px;
  align-items: end;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
legend {
  font-size: 13px;
  color: var(--quiet);
}
</style>
