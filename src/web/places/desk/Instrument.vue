<script setup lang="ts">
import { t, tell } from '../../words'
import { X } from '@lucide/vue'
import { NButton, NCheckbox, NInput } from 'naive-ui'
import { RouterLink } from 'vue-router'
import { computed } from 'vue'
import { terminalName } from '../../../core/model'
import { devices, handPins, holds } from '../../../core/instruments'
import { describeHeld, describeInstrument, describeReading } from '../../readings/stepWords'
import { shownOf } from '../../../core/attempt'
import { nameOfPart } from '../../../core/parts'
import PlugFace from './PlugFace.vue'
import Asking from './Asking.vue'
import type { DeskModel } from './useDesk'
import type { DeskInstrument } from './useInstrument'

const props = defineProps<{ model: DeskModel; next: 'red' | 'black'; held: DeskInstrument }>()
const emit = defineEmits<{ lead: [which: 'red' | 'black']; point: [name: string]; turn: [by: 1 | -1] }>()
const {
  wrong,
  draft,
  instrument,
  kit,
  functions,
  settings,
  hold,
  gaps,
  shown,
  choose,
  chooseDevice,
  set,
  holdSo,
  loads,
  leave,
  take,
} = props.held
const chosen = (event: Event) => (event.target as HTMLSelectElement).value
/** From the red lead to the black one, from there to the prediction. */
const goOn = (lead: 'red' | 'black') =>
  document
    .querySelector<HTMLElement>(lead === 'red' ? '.leads .field:nth-child(2) input' : '.asking input')
    ?.focus()
/** Two ends of something that comes out. */
const handExample = computed(() => {
  const part = props.model.circuit.parts.find((one) => handPins(one).length > 1)
  const [pin] = part ? handPins(part) : []
  return part && pin ? terminalName(part, pin) : ''
})
const loud = (code: string) => code === 'instruments.beeps'
</script>

<template>
  <section class="meter" :aria-label="t('ui.common.meter')">
    <div class="display" role="status" aria-live="polite">
      <span class="reading" data-testid="display">{{ shown ? tell(shownOf(shown)) : '- - -' }}</span>
      <span class="signs">
        <span
          v-for="sign in shown?.signs ?? []"
          :key="sign.code"
          :class="loud(sign.code) ? 'beep' : 'live'"
          >{{ tell(sign) }}</span
        >
      </span>
    </div>
    <slot />
    <template v-if="!model.inferenceDue">
      <label v-if="kit.length > 1" class="field"
        >{{ t('ui.common.instrument') }}
        <select :value="instrument.device" @change="chooseDevice(chosen($event))">
          <option v-for="device in kit" :key="device" :value="device">{{ t(devices[device]) }}</option>
        </select>
      </label>
      <div v-if="functions.length > 1" class="choice" role="group" :aria-label="t('ui.desk.function')">
        <button
          v-for="f in functions"
          :key="f.key"
          type="button"
          :aria-pressed="draft.instrument === f.key"
          :title="tell(f.about)"
          @click="choose(f.key)"
        >
          {{ tell(f.title) }}
        </button>
      </div>
      <div v-if="instrument.settings.length || instrument.holds.length > 1" class="settings">
        <label v-for="setting in instrument.settings" :key="setting.key" class="field"
          >{{ tell(setting.label) }}
          <select :value="settings[setting.key]" @change="set(setting.key, chosen($event))">
            <option v-for="o in setting.options" :key="o.key" :value="o.key">{{ tell(o.label) }}</option>
          </select>
        </label>
        <label v-if="instrument.holds.length > 1" class="field"
          >{{ t('ui.desk.held') }}
          <select :value="hold" @change="holdSo(chosen($event) as typeof hold)">
            <option v-for="how in instrument.holds" :key="how" :value="how">{{ tell(holds[how]) }}</option>
          </select>
        </label>
      </div>
      <div v-if="hold === 'leads' || hold === 'hand'" class="leads">
        <label
          v-for="lead in ['red', 'black'] as const"
          :key="lead"
          class="field"
          :class="{ next: next === lead }"
        >
          <span
            ><b class="mark" :class="lead">{{ lead === 'red' ? 'R' : 'B' }}</b>
            {{ t('ui.desk.lead', { lead }) }}</span
          >
          <NInput
            v-model:value="draft[lead]"
            :input-props="{
              'aria-label': lead === 'red' ? t('ui.common.redLead') : t('ui.common.blackLead'),
              autocapitalize: 'none',
              spellcheck: false,
            }"
            :placeholder="hold === 'hand' ? handExample : t('ui.desk.point')"
            @focus="emit('lead', lead)"
            @keydown.enter.prevent="goOn(lead)"
          />
        </label>
      </div>
      <PlugFace
        v-if="hold === 'leads' || hold === 'hand'"
        :model="model"
        :next="next"
        @point="emit('point', $event)"
      />
      <NCheckbox
        v-if="hold === 'hand'"
        :checked="draft.spare === true"
        @update:checked="draft.spare = $event"
        >{{ t('ui.desk.theSpare') }}</NCheckbox
      >
      <label v-if="hold === 'jaws'" class="field"
        >{{ t('ui.desk.jawsRound') }}
        <NInput
          v-model:value="draft.round"
          :input-props="{ 'aria-label': t('ui.desk.jawsRound'), spellcheck: false }"
          :placeholder="t('ui.desk.wireOrMeasuringPlaceSuch')"
        />
      </label>
      <label v-if="!['leads', 'hand', 'jaws', 'posts'].includes(hold)" class="field"
        >{{ t('ui.desk.at') }}
        <select v-model="draft.part">
          <option value="" disabled>{{ t('ui.desk.chooseAPart') }}</option>
          <option v-for="p in gaps" :key="p.id" :value="p.id">{{ p.id }} {{ tell(nameOfPart(p)) }}</option>
        </select>
      </label>
      <div v-if="loads || draft.also.length" class="also">
        <NButton v-if="loads" size="small" @click="leave"> {{ t('ui.desk.leaveItConnected') }} </NButton>
        <button
          v-for="(one, i) in draft.also"
          :key="i"
          type="button"
          class="chip"
          :aria-label="t('ui.desk.takeAway', { one: describeInstrument(one), held: describeHeld(one.held) })"
          @click="take(i)"
        >
          {{ describeInstrument(one) }} {{ describeHeld(one.held) }}
          <b v-if="model.glows[i]" class="reading">{{ describeReading(model.glows[i]!) }}</b> <X :size="13" />
        </button>
      </div>
      <Asking :model="model" :next="next" :held="held" @turn="emit('turn', $event)" />
      <p v-if="hold === 'leads'" class="quiet keys">
        {{ t('ui.desk.inThePredictionCarryThe', { next: held.walking(next) }) }}
      </p>
      <p v-if="wrong || model.failure" class="wrong" role="alert">
        {{ wrong || model.failure }}
      </p>
    </template>
    <p v-for="caution in instrument.cautions(settings)" :key="caution" class="caution">
      {{ tell({ code: `cautions.${caution}` }) }}
      <RouterLink :to="{ name: 'handbook', params: { entry: `caution-${caution}` } }" target="_blank">{{
        t('ui.common.handbook')
      }}</RouterLink>
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
  gap: 10px;
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
.signs {
  display: grid;
  justify-items: end;
  text-align: right;
  font-size: 13px;
}
.beep {
  font-weight: 500;
  color: var(--good);
}
.live {
  font-weight: 500;
  color: var(--fault);
}
.choice {
  justify-self: start;
  flex-wrap: wrap;
}
.settings,
.leads {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}
.also {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
}
.chip {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  min-height: 28px;
  padding: 2px 9px;
  border: 1px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--accent-soft);
  color: var(--ink);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
.keys {
  font-size: 12px;
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
</style>
