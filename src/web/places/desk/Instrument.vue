<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { X } from '@lucide/vue'
import { NButton, NCheckbox, NInput } from 'naive-ui'
import { RouterLink } from 'vue-router'
import { computed } from 'vue'
import { terminalName } from '../../../core/model'
import { handPins, holds } from '../../../core/instruments'
import { describeHeld, describeInstrument, describeReading } from '../../readings/stepWords'
import { shownOf } from '../../../core/attempt'
import { nameOfPart } from '../../../core/parts'
import PlugFace from './PlugFace.vue'
import Asking from './Asking.vue'
import Bag from './Bag.vue'
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
/** From the red lead to the black one, from there to the prediction. */
const goOn = (lead: 'red' | 'black') =>
  document.querySelector<HTMLElement>(lead === 'red' ? '[data-lead=black]' : '.asking input')?.focus()
/** Two ends of something that comes out. */
const handExample = computed(() => {
  const part = props.model.circuit.parts.find((one) => handPins(one).length > 1)
  const [pin] = part ? handPins(part) : []
  return part && pin ? terminalName(part, pin) : ''
})
const loud = (code: string) => code === 'instruments.beeps'
</script>

<template>
  <section class="meter grid grid-cols-1 gap-9px" :aria-label="t('ui.common.meter')">
    <div class="face grid grid-cols-[minmax(180px,1fr)] gap-8px">
      <div
        class="flex items-baseline justify-between gap-10px line-2px-ink rounded-4px bg-sheet py-4px px-14px min-h-58px"
        role="status"
        aria-live="polite"
      >
        <span class="reading text-34px font-medium" data-testid="display">{{
          shown ? tell(shownOf(shown)) : '- - -'
        }}</span>
        <span class="grid justify-items-end text-right text-13px">
          <span
            v-for="sign in shown?.signs ?? []"
            :key="sign.code"
            :class="loud(sign.code) ? 'beep' : 'live'"
            >{{ tell(sign) }}</span
          >
        </span>
      </div>
      <slot name="told" />
    </div>
    <slot />
    <template v-if="!model.inferenceDue">
      <Bag v-if="kit.length > 1" :kit="kit" :device="instrument.device" @update:device="chooseDevice" />
      <div
        v-if="functions.length > 1"
        class="flex flex-wrap gap-4px"
        role="group"
        :aria-label="t('ui.desk.function')"
      >
        <Toggle
          v-for="f in functions"
          :key="f.key"
          :on="draft.instrument === f.key"
          :title="tell(f.about)"
          @click="choose(f.key)"
        >
          {{ tell(f.title) }}
        </Toggle>
      </div>
      <div
        v-if="instrument.settings.length || instrument.holds.length > 1"
        class="grid grid-cols-[repeat(auto-fit,minmax(112px,1fr))] gap-10px"
      >
        <Choice
          v-for="setting in instrument.settings"
          :key="setting.key"
          :label="tell(setting.label)"
          :value="settings[setting.key]"
          :entries="
            entriesOf(
              setting.options,
              (o) => o.key,
              (o) => tell(o.label),
            )
          "
          @update:value="set(setting.key, $event!)"
        />
        <Choice
          v-if="instrument.holds.length > 1"
          :label="t('ui.desk.held')"
          :value="hold"
          :entries="
            entriesOf(
              instrument.holds,
              (how) => how,
              (how) => tell(holds[how]),
            )
          "
          @update:value="holdSo($event!)"
        />
      </div>
      <div v-if="hold === 'leads' || hold === 'hand'" class="leads grid grid-cols-[1fr_1fr] gap-10px">
        <label
          v-for="lead in ['red', 'black'] as const"
          :key="lead"
          class="field"
          :class="{ next: next === lead }"
        >
          <span
            ><b
              class="mark inline-block w-18px h-18px leading-18px text-center text-sheet text-12px"
              :class="lead"
              >{{ lead === 'red' ? 'R' : 'B' }}</b
            >
            {{ t('ui.desk.lead', { lead }) }}</span
          >
          <NInput
            v-model:value="draft[lead]"
            :input-props="{
              'aria-label': lead === 'red' ? t('ui.common.redLead') : t('ui.common.blackLead'),
              ...({ 'data-lead': lead } as object),
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
        :in-hand="hold === 'hand'"
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
      <Choice
        v-if="!['leads', 'hand', 'jaws', 'posts'].includes(hold)"
        v-model:value="draft.part"
        :label="t('ui.desk.at')"
        :placeholder="t('ui.desk.chooseAPart')"
        :entries="
          entriesOf(
            gaps,
            (p) => p.id,
            (p) => `${p.id} ${tell(nameOfPart(p))}`,
          )
        "
      />
      <div v-if="loads || draft.also.length" class="flex flex-wrap gap-y-6px gap-x-8px items-center">
        <NButton v-if="loads" size="small" @click="leave"> {{ t('ui.desk.leaveItConnected') }} </NButton>
        <NButton
          v-for="(one, i) in draft.also"
          :key="i"
          size="tiny"
          round
          class="chip"
          :aria-label="t('ui.desk.takeAway', { one: describeInstrument(one), held: describeHeld(one.held) })"
          @click="take(i)"
        >
          {{ describeInstrument(one) }} {{ describeHeld(one.held) }}
          <b v-if="model.glows[i]" class="reading">{{ describeReading(model.glows[i]!) }}</b> <X :size="13" />
        </NButton>
      </div>
      <p v-if="wrong || model.failure" class="wrong" role="alert">
        {{ wrong || model.failure }}
      </p>
      <Asking :model="model" :next="next" :held="held" @turn="emit('turn', $event)" />
      <p v-if="hold === 'leads'" class="quiet keys text-12px">
        {{ t('ui.desk.inThePredictionCarryThe', { next: held.walking(next) }) }}
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
.beep {
  font-weight: 500;
  color: var(--good);
}
.live {
  font-weight: 500;
  color: var(--fault);
}
/* What was just said stands beside the display. */
.face:has(.told > *) {
  grid-template-columns: minmax(150px, 0.8fr) minmax(150px, 1fr);
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
