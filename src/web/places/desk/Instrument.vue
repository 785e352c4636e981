<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { meterFunctions } from '../../../core/instruments'
import { parseQuantity } from '../../../core/quantity'
import type { Prediction } from '../../../core/assessment'
import type { DeskModel } from './useDesk'

const props = defineProps<{ model: DeskModel; next: 'red' | 'black' }>()
const emit = defineEmits<{ lead: [which: 'red' | 'black'] }>()

const wrong = ref('')
const draft = computed(() => props.model.draft)
const unit = computed(() => (draft.value.function === 'volts' ? 'V' : 'Ω'))
const shown = computed(() => {
  const last = props.model.steps[props.model.steps.length - 1]
  const test = props.model.lastTest
  // The display holds a reading until the leads, the function or the circuit change.
  const still =
    test &&
    test.function === draft.value.function &&
    test.red === draft.value.red &&
    test.black === draft.value.black
  return still && (last?.type === 'test' || last?.type === 'infer') ? test.reading : null
})

function predictionOf(): Prediction | undefined {
  const text = draft.value.prediction.trim()
  if (draft.value.function === 'continuity') {
    if (text === 'beep') return { type: 'beep' }
    if (text === 'OL') return { type: 'OL' }
    wrong.value = 'Say first whether a good circuit would beep here'
    return undefined
  }
  if (!text) {
    wrong.value = 'Predict first: what would a good circuit show here?'
    return undefined
  }
  if (/^o\.?l\.?$/i.test(text)) return { type: 'OL' }
  const read = parseQuantity(text, unit.value)
  if (read.ok) return { type: 'value', value: read.value }
  wrong.value = read.message
  return undefined
}

async function measure() {
  wrong.value = ''
  const { red, black } = draft.value
  const missing = [!red.trim() && 'red', !black.trim() && 'black'].filter(Boolean)
  if (missing.length) {
    wrong.value = `The ${missing.join(' and the ')} lead ${missing.length > 1 ? 'are' : 'is'} on nothing: point in the drawing or type a short name`
    return
  }
  const prediction = predictionOf()
  if (!prediction) return
  const done = await props.model.act({
    type: 'test',
    arrangement: props.model.arrangementNow(),
    function: draft.value.function,
    red,
    black,
    prediction,
  })
  if (!done) return
  draft.value.red = props.model.lastTest?.red ?? red
  draft.value.black = props.model.lastTest?.black ?? black
  draft.value.prediction = ''
}
function choose(key: typeof draft.value.function) {
  draft.value.function = key
  draft.value.prediction = ''
}
</script>

<template>
  <section class="meter" aria-label="Meter">
    <div class="display" role="status" aria-live="polite">
      <span class="reading" data-testid="display">{{ shown ? shown.text : '- - -' }}</span>
      <span v-if="shown?.beeps" class="beep">beeps</span>
      <span v-if="shown?.live" class="live">live circuit: no resistance</span>
    </div>
    <div class="choice" role="group" aria-label="Function">
      <button
        v-for="f in meterFunctions"
        :key="f.key"
        type="button"
        :aria-pressed="draft.function === f.key"
        @click="choose(f.key)"
      >
        {{ f.title }}
      </button>
    </div>
    <div class="leads">
      <label class="field" :class="{ next: next === 'red' }">
        <span><b class="mark red">R</b> red lead</span>
        <NInput
          v-model:value="draft.red"
          :input-props="{ 'aria-label': 'Red lead', autocapitalize: 'none', spellcheck: false }"
          placeholder="point"
          @focus="emit('lead', 'red')"
        />
      </label>
      <label class="field" :class="{ next: next === 'black' }">
        <span><b class="mark black">B</b> black lead</span>
        <NInput
          v-model:value="draft.black"
          :input-props="{ 'aria-label': 'Black lead', autocapitalize: 'none', spellcheck: false }"
          placeholder="point"
          @focus="emit('lead', 'black')"
        />
      </label>
    </div>
    <form @submit.prevent="measure">
      <fieldset v-if="draft.function === 'continuity'">
        <legend>A good circuit would …</legend>
        <label><input v-model="draft.prediction" type="radio" value="beep" /> beep</label>
        <label><input v-model="draft.prediction" type="radio" value="OL" /> stay silent (OL)</label>
      </fieldset>
      <label v-else class="field"
        >A good circuit would show
        <NInput
          v-model:value="draft.prediction"
          :input-props="{ 'aria-label': 'Prediction', inputmode: 'text' }"
          :placeholder="unit === 'V' ? 'such as 12.4 or 80 mV' : 'such as 4k7 or OL'"
        >
          <template #suffix>{{ unit }}</template>
        </NInput>
      </label>
      <NButton type="primary" attr-type="submit" :loading="model.busy" :disabled="model.inferenceDue">
        Measure
      </NButton>
    </form>
    <p v-if="wrong || model.failure" class="wrong" role="alert">
      {{ wrong || model.failure }}
    </p>
    <p v-if="draft.function !== 'volts'" class="caution">
      Disconnect before ohms: battery strap off, the piece unplugged at one end.
    </p>
  </section>
</template>

<style scoped>
.meter {
  display: grid;
  gap: 9px;
}
.display {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  border: 2px solid var(--ink);
  border-radius: 4px;
  background: var(--sheet);
  padding: 4px 14px;
  min-height: 58px;
}
.display .reading {
  font-size: 34px;
  font-weight: 500;
}
.beep {
  font-weight: 600;
  color: var(--good);
}
.choice {
  justify-self: start;
}
.live {
  font-weight: 600;
  color: var(--fault);
}
.leads {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.mark {
  display: inline-block;
  width: 18px;
  height: 18px;
  line-height: 18px;
  text-align: center;
  color: var(--sheet);
  font-size: 12px;
}
.mark.red {
  background: var(--lead-red);
}
.mark.black {
  background: var(--lead-black);
  border-radius: 50%;
}
.next {
  box-shadow: -4px 0 0 var(--focus);
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
