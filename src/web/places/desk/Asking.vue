<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput, NRadio, NRadioGroup } from 'naive-ui'
import { useKeys } from '../../keys/useKeys'
import type { DeskModel } from './useDesk'
import type { DeskInstrument } from './useInstrument'

/** What a good circuit would show, before the reading; and on a real board what it does show. */
const props = defineProps<{ model: DeskModel; next: 'red' | 'black'; held: DeskInstrument }>()
const emit = defineEmits<{ turn: [by: 1 | -1] }>()
const { draft, asks, byEye, hold, measure, real, answer, readMeter, sending, carry, walking } = props.held
/** The commonest act of all costs one key: a lead one point on, the prediction’s place ready. */
const other = { red: 'black', black: 'red' } as const
const carryBy = (by: 1 | -1, which: (next: 'red' | 'black') => 'red' | 'black') => () =>
  (hold.value === 'leads' || hold.value === 'hand') && (carry(which(props.next), by), true)
const carried = useKeys(
  t('ui.desk.atThePrediction'),
  [
    {
      press: ['ArrowUp'],
      what: t('ui.desk.theLeadWhoseTurnIt'),
      act: carryBy(-1, walking),
    },
    { press: ['ArrowDown'], what: t('ui.desk.theSameOnePointDown'), act: carryBy(1, walking) },
    {
      press: ['Shift ArrowUp', 'Shift ArrowDown'],
      what: t('ui.desk.theOtherLead'),
      act: (event) => carryBy(event.key === 'ArrowUp' ? -1 : 1, (n) => other[walking(n)])(),
    },
    {
      press: ['PageUp', 'PageDown'],
      what: t('ui.desk.turnTheKey'),
      act: (event) => (emit('turn', event.key === 'PageUp' ? -1 : 1), true),
    },
  ],
  'own',
)
</script>

<template>
  <form
    class="asking grid grid-cols-[1fr_auto] gap-10px items-end"
    @submit.prevent="measure"
    @keydown="carried"
  >
    <NRadioGroup
      v-if="asks.type !== 'value' && !byEye"
      v-model:value="draft.prediction"
      class="words flex flex-wrap gap-y-4px gap-x-14px text-13px"
      :aria-label="t('ui.desk.aGoodCircuitWould')"
    >
      <span class="quiet" aria-hidden="true">{{ t('ui.desk.aGoodCircuitWould') }}</span>
      <template v-if="asks.type === 'beep'">
        <NRadio value="beep">{{ t('ui.desk.beep') }}</NRadio>
        <NRadio value="OL">{{ t('ui.desk.staySilentOl') }}</NRadio>
      </template>
      <NRadio
        v-for="(title, word) in asks.type === 'word' ? asks.words : {}"
        :key="word"
        :value="String(word)"
        >{{ tell(title) }}</NRadio
      >
    </NRadioGroup>
    <label v-else-if="asks.type === 'value'" class="field"
      >{{ t('ui.common.aGoodCircuitWouldShow') }}
      <NInput
        v-model:value="draft.prediction"
        :input-props="{ 'aria-label': t('ui.desk.prediction'), inputmode: 'text' }"
        :placeholder="asks.unit === 'Ω' ? t('ui.desk.suchAs4k7OrOl') : t('ui.desk.suchAs124Or')"
      >
        <template #suffix>{{ asks.unit }}</template>
      </NInput>
    </label>
    <label v-if="asks.type === 'value' && model.draft.ringed.length" class="field"
      >{{ t('ui.desk.ifIsAtFaultIf', { x: model.draft.ringed[0] }) }}
      <NInput
        v-model:value="draft.suspected"
        :input-props="{ 'aria-label': t('ui.desk.predictionWithTheSuspectAt') }"
        :placeholder="asks.unit === 'Ω' ? t('ui.desk.suchAsOl') : t('ui.desk.suchAs03')"
      />
    </label>
    <template v-if="real">
      <NRadioGroup
        v-if="asks.type === 'word'"
        v-model:value="draft.typed"
        class="words flex flex-wrap gap-y-4px gap-x-14px text-13px"
        :aria-label="t('ui.desk.itIs')"
      >
        <span class="quiet" aria-hidden="true">{{ t('ui.desk.itIs') }}</span>
        <NRadio v-for="(title, word) in asks.words" :key="word" :value="String(word)">{{
          tell(title)
        }}</NRadio>
      </NRadioGroup>
      <label v-else class="field"
        >{{ t('ui.desk.yourMeterShows') }}
        <NInput
          v-model:value="draft.typed"
          :input-props="{ 'aria-label': t('ui.desk.yourMeterShows'), inputmode: 'text', autocomplete: 'off' }"
          :placeholder="t('ui.desk.suchAs123480m')"
        />
      </label>
      <NButton
        v-if="model.desk?.frame.source === 'meter' && asks.type !== 'word'"
        :loading="sending"
        @click="readMeter"
      >
        {{ t('ui.desk.readTheMeter') }}
      </NButton>
    </template>
    <NButton type="primary" attr-type="submit" :loading="model.busy">
      {{ real ? t('ui.common.takeItDown') : byEye ? t('ui.desk.look') : t('ui.desk.measure') }}
    </NButton>
  </form>
  <div
    v-if="model.question"
    class="question flex flex-wrap gap-8px line-l-4px-doubt bg-accent-soft py-8px px-10px"
    role="alertdialog"
    :aria-label="t('ui.desk.aQuestionAboutThisReading')"
  >
    <p class="basis-full">{{ tell(model.question.about) }}</p>
    <NButton size="small" @click="answer(false)">{{ t('ui.desk.iPutItRight') }}</NButton>
    <NButton size="small" :loading="model.busy" @click="answer(true)">{{ t('ui.desk.itStands') }}</NButton>
  </div>
</template>
