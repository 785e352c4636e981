<script setup lang="ts">
import { t, tell } from '../../words'
import { computed } from 'vue'
import { usualHints, type Frame } from '../../../core/attempt'
import { procedures } from '../../../core/handbook'
import { devices, instruments, type Device } from '../../../core/instruments'

/** How the order is worked: practice or test, how long, with what, on which kind of board. */
const props = defineProps<{ frame: Partial<Frame>; meters: readonly { id: string; name: string }[] }>()
const emit = defineEmits<{ change: [frame: Partial<Frame>] }>()
const meter = defineModel<string>('meter', { default: '' })
const chosen = (event: Event) => (event.target as HTMLSelectElement).value
const checked = (event: Event) => (event.target as HTMLInputElement).checked
const set = (part: Partial<Frame>) => emit('change', { ...props.frame, ...part })
const bag = computed(() => props.frame.bag ?? instruments.map(({ key }) => key))
const kit = computed(() =>
  (Object.keys(devices) as Device[]).map((device) => ({
    device,
    title: devices[device],
    keys: instruments.filter((i) => i.device === device).map(({ key }) => key),
  })),
)
function pack(keys: readonly (typeof bag.value)[number][], within: boolean) {
  const rest = bag.value.filter((key) => !keys.includes(key))
  set({ bag: within ? [...rest, ...keys] : rest })
}
function limit(event: Event) {
  const minutes = Number((event.target as HTMLInputElement).value)
  set({ limit: minutes >= 1 ? Math.min(600, minutes) : null })
}
</script>

<template>
  <details class="frame">
    <summary>
      {{ frame.mode === 'practice' ? t('ui.plant.practice') : t('ui.common.test') }},
      {{ frame.faults === 2 ? t('ui.plant.upToTwoFaults') : t('ui.plant.oneFault') }},
      {{ !frame.source || frame.source === 'model' ? t('ui.plant.virtualBoard') : t('ui.common.realBoard')
      }}{{ frame.limit ? t('ui.plant.min', { limit: frame.limit }) : ''
      }}{{ frame.hints ? t('ui.plant.hints') : '' }}
    </summary>
    <div class="fields">
      <label class="field"
        >{{ t('ui.plant.kind') }}
        <select :value="frame.mode ?? 'test'" @change="set({ mode: chosen($event) as Frame['mode'] })">
          <option value="test">{{ t('ui.plant.testNothingIsToldBefore') }}</option>
          <option value="practice">{{ t('ui.plant.practiceEachStepIsTold') }}</option>
        </select>
      </label>
      <label class="field"
        >{{ t('ui.plant.faultsThatThereMayBe') }}
        <select :value="frame.faults ?? 1" @change="set({ faults: chosen($event) === '2' ? 2 : 1 })">
          <option :value="1">{{ t('ui.plant.one') }}</option>
          <option :value="2">{{ t('ui.plant.upToTwo') }}</option>
        </select>
      </label>
      <label class="field"
        >{{ t('ui.plant.readingsFrom') }}
        <select :value="frame.source ?? 'model'" @change="set({ source: chosen($event) as Frame['source'] })">
          <option value="model">{{ t('ui.plant.theVirtualBoard') }}</option>
          <option value="typed">{{ t('ui.plant.aRealBoardTypedIn') }}</option>
          <option value="meter">{{ t('ui.plant.aRealBoardByA') }}</option>
        </select>
      </label>
      <label v-if="frame.source === 'meter'" class="field"
        >{{ t('ui.common.meter') }}
        <select v-model="meter">
          <option value="">{{ t('ui.plant.typedOnly') }}</option>
          <option v-for="m in meters" :key="m.id" :value="m.id">{{ m.name }}</option>
        </select>
      </label>
      <label class="field"
        >{{ t('ui.plant.minutesNoneAsLongAs') }}
        <input class="plain" type="number" min="1" max="600" :value="frame.limit ?? ''" @change="limit" />
      </label>
      <label class="tick"
        ><input
          type="checkbox"
          :checked="Boolean(frame.hints)"
          @change="set({ hints: checked($event) ? { ...usualHints } : null })"
        />
        {{
          t('ui.plant.hintsForAndPoints', {
            where: usualHints.where,
            side: usualHints.side,
            test: usualHints.test,
          })
        }}
      </label>
      <label class="field"
        >{{ t('ui.plant.stepsBesideTheWork') }}
        <select :value="frame.procedure ?? ''" @change="set({ procedure: chosen($event) })">
          <option value="">{{ t('ui.plant.noneTheStudentPlans') }}</option>
          <option v-for="p in procedures" :key="p.key" :value="p.key">{{ tell(p.title) }}</option>
        </select>
      </label>
      <fieldset>
        <legend>{{ t('ui.plant.inTheBag') }}</legend>
        <label v-for="one in kit" :key="one.device" class="tick"
          ><input
            type="checkbox"
            :checked="one.keys.every((k) => bag.includes(k))"
            @change="pack(one.keys, checked($event))"
          />
          {{ t(one.title) }}
        </label>
      </fieldset>
    </div>
  </details>
</template>

<style scoped>
.fields {
  display: grid;
  gap: 8px;
  margin-top: 8px;
}
fieldset {
  border: 1px solid var(--rule);
  border-radius: 3px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  padding: 6px 10px;
}
summary {
  cursor: pointer;
}
.tick {
  display: flex;
  gap: 7px;
  align-items: center;
  min-height: 26px;
}
</style>
