<script setup lang="ts">
import Committed from '../../parts/Committed.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t } from '../../words'
import { NButton, NCheckbox } from 'naive-ui'
import { VueDraggable } from 'vue-draggable-plus'
import type { DayBody, LessonRow } from '../../../contract'
import { checks } from '../../../contract/days'

type StandNow = DayBody['stands'][number]
/** The benches in the order in which they stand, and what is planted at each. */
const props = defineProps<{ stands: readonly StandNow[]; lessons: readonly LessonRow[] }>()
const emit = defineEmits<{ change: [stands: StandNow[]] }>()
const words: Readonly<Record<(typeof checks)[number], string>> = {
  planted: 'planted',
  commissioned: t('ui.days.readingsProveItAndNothing'),
  run: 'worked',
  restored: 'restored',
  healthy: t('ui.days.provenHealthy'),
}
const set = (i: number, part: Partial<StandNow>) =>
  emit(
    'change',
    props.stands.map((s, k) => (k === i ? { ...s, ...part } : s)),
  )
function choose(i: number, value: string) {
  const [lesson, n] = value.split(' ')
  set(i, { lesson: lesson || null, set: Number(n ?? 0), checked: [] })
}
function tick(i: number, check: (typeof checks)[number]) {
  const { checked } = props.stands[i]!
  set(i, { checked: checked.includes(check) ? checked.filter((c) => c !== check) : [...checked, check] })
}
const add = () =>
  emit('change', [
    ...props.stands,
    {
      name: t('ui.days.bench', { x: props.stands.length + 1 }),
      lesson: null,
      set: 0,
      real: false,
      checked: [],
    },
  ])
</script>

<template>
  <section :aria-label="t('ui.days.stations')">
    <VueDraggable
      :model-value="[...stands]"
      tag="ol"
      handle=".grip"
      class="grid gap-6px mt-0 mx-0 mb-10px p-0 list-none"
      @update:model-value="emit('change', $event)"
    >
      <li
        v-for="(stand, i) in stands"
        :key="`${i} ${stand.name}`"
        class="grid grid-cols-[16px_120px_minmax(0,1fr)_auto_auto] gap-y-4px gap-x-8px items-center"
      >
        <span class="cursor-grab text-quiet" aria-hidden="true">⠿</span>
        <Committed
          :value="stand.name"
          :label="t('ui.days.nameOfStation', { x: i + 1 })"
          :most="60"
          @change="set(i, { name: $event.trim() || stand.name })"
        />
        <Choice
          class="planted"
          :label="t('ui.days.whatIsPlantedAt', { name: stand.name })"
          labelled="aloud"
          :value="stand.lesson ? `${stand.lesson} ${stand.set}` : ''"
          :entries="[
            { value: '', label: t('ui.days.nothingYet') },
            ...lessons.map((lesson) => ({
              group: lesson.name,
              entries: entriesOf(
                lesson.sets,
                (_, n) => `${lesson.id} ${n}`,
                (name) => `${name} – ${lesson.name}`,
              ),
            })),
          ]"
          @update:value="choose(i, $event!)"
        />
        <NCheckbox
          class="whitespace-nowrap"
          :checked="stand.real"
          @update:checked="set(i, { real: $event })"
          >{{ t('ui.common.realBoard') }}</NCheckbox
        >
        <NButton
          size="small"
          :aria-label="t('ui.days.takeOut', { name: stand.name })"
          @click="
            emit(
              'change',
              stands.filter((_, k) => k !== i),
            )
          "
        >
          ✕
        </NButton>
        <div v-if="stand.real" class="checks">
          <NCheckbox
            v-for="check in checks"
            :key="check"
            :checked="stand.checked.includes(check)"
            @update:checked="tick(i, check)"
            >{{ words[check] }}</NCheckbox
          >
        </div>
      </li>
    </VueDraggable>
    <NButton size="small" @click="add">{{ t('ui.days.oneMoreStation') }}</NButton>
  </section>
</template>

<style scoped>
/* The fault by its whole name. */
.planted,
.planted :deep(.n-select) {
  width: min(100%, 640px) !important;
}
.checks {
  grid-column: 2 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
</style>
