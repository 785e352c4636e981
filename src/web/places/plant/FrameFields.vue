<script setup lang="ts">
import Fold from '../../parts/Fold.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { NCheckbox, NInputNumber } from 'naive-ui'
import { t, tell } from '../../words'
import { computed } from 'vue'
import { usualHints, type Frame } from '../../../core/attempt'
import { procedures } from '../../../core/handbook'
import { devices, instruments, type Device } from '../../../core/instruments'

/** How the order is worked: practice or test, how long, with what, on which kind of board. */
const props = defineProps<{ frame: Partial<Frame>; meters: readonly { id: string; name: string }[] }>()
const emit = defineEmits<{ change: [frame: Partial<Frame>] }>()
const meter = defineModel<string>('meter', { default: '' })
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
const inShort = computed(() => {
  const { mode, faults, source, limit, hints } = props.frame
  return [
    mode === 'practice' ? t('ui.plant.practice') : t('ui.common.test'),
    faults === 2 ? t('ui.plant.upToTwoFaults') : t('ui.plant.oneFault'),
    !source || source === 'model' ? t('ui.plant.virtualBoard') : t('ui.common.realBoard'),
    ...(limit ? [t('ui.plant.min', { limit })] : []),
    ...(hints ? [t('ui.plant.hints')] : []),
  ].join(', ')
})
</script>

<template>
  <Fold class="frame" :title="inShort">
    <div class="grid gap-8px mt-8px">
      <Choice
        :label="t('ui.plant.kind')"
        :value="frame.mode ?? 'test'"
        :entries="[
          { value: 'test' as const, label: t('ui.plant.testNothingIsToldBefore') },
          { value: 'practice' as const, label: t('ui.plant.practiceEachStepIsTold') },
        ]"
        @update:value="set({ mode: $event! })"
      />
      <Choice
        :label="t('ui.plant.faultsThatThereMayBe')"
        :value="frame.faults ?? 1"
        :entries="[
          { value: 1 as const, label: t('ui.plant.one') },
          { value: 2 as const, label: t('ui.plant.upToTwo') },
        ]"
        @update:value="set({ faults: $event! })"
      />
      <Choice
        :label="t('ui.plant.readingsFrom')"
        :value="frame.source ?? 'model'"
        :entries="[
          { value: 'model' as const, label: t('ui.plant.theVirtualBoard') },
          { value: 'typed' as const, label: t('ui.plant.aRealBoardTypedIn') },
          { value: 'meter' as const, label: t('ui.plant.aRealBoardByA') },
        ]"
        @update:value="set({ source: $event! })"
      />
      <Choice
        v-if="frame.source === 'meter'"
        v-model:value="meter"
        :label="t('ui.common.meter')"
        :entries="[
          { value: '', label: t('ui.plant.typedOnly') },
          ...entriesOf(
            meters,
            (m) => m.id,
            (m) => m.name,
          ),
        ]"
      />
      <label class="field"
        >{{ t('ui.plant.minutesNoneAsLongAs') }}
        <NInputNumber
          size="small"
          clearable
          :min="1"
          :max="600"
          :precision="0"
          :value="frame.limit ?? null"
          @update:value="set({ limit: $event })"
        />
      </label>
      <NCheckbox
        :checked="Boolean(frame.hints)"
        @update:checked="set({ hints: $event ? { ...usualHints } : null })"
      >
        {{
          t('ui.plant.hintsForAndPoints', {
            where: usualHints.where,
            side: usualHints.side,
            test: usualHints.test,
          })
        }}
      </NCheckbox>
      <Choice
        :label="t('ui.plant.stepsBesideTheWork')"
        :value="frame.procedure ?? ''"
        :entries="[
          { value: '', label: t('ui.plant.noneTheStudentPlans') },
          ...entriesOf(
            procedures,
            (p) => p.key,
            (p) => tell(p.title),
          ),
        ]"
        @update:value="set({ procedure: $event! })"
      />
      <fieldset class="line rounded-3px flex flex-wrap gap-y-2px gap-x-14px py-6px px-10px">
        <legend>{{ t('ui.plant.inTheBag') }}</legend>
        <NCheckbox
          v-for="one in kit"
          :key="one.device"
          :checked="one.keys.every((k) => bag.includes(k))"
          @update:checked="pack(one.keys, $event)"
        >
          {{ t(one.title) }}
        </NCheckbox>
      </fieldset>
    </div>
  </Fold>
</template>
