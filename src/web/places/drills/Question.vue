<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { DrillAnswer, DrillItem, DrillTold } from '../../../contract/drills'
import { wireUp } from '../../../core/model'
import { parseQuantity, type Unit } from '../../../core/quantity'
import { useKeys } from '../../keys/useKeys'
import Segments from '../../parts/Segments.vue'
import Schematic from '../../schematic/Schematic.vue'
import { t, tell } from '../../words'

/** One question with its drawing, its answers, and what was told of the one that was given. */
const { item, told, given, busy } = defineProps<{
  item: DrillItem
  told: DrillTold | null
  given: DrillAnswer | null
  busy: boolean
}>()
const emit = defineEmits<{ answer: [answer: DrillAnswer]; next: [] }>()
const wiring = computed(() => wireUp(item.circuit))
const state = computed(() => item.circuit.states.find(({ id }) => id === item.state))
const options = computed(() => (item.answer.type === 'choice' ? item.answer.options : []))
const directions = (['higher', 'same', 'lower'] as const).map((value) => ({
  value,
  label: t(`ui.drills.${value}`),
}))

const direction = ref<'higher' | 'same' | 'lower' | null>(null)
const text = ref('')
const problem = ref('')
const field = useTemplateRef('field')
const drawing = useTemplateRef('drawing')
/** The red lead comes into view, wherever it stands. */
const look = () => {
  const part = /^[A-Z]{1,3}[0-9]{1,3}/.exec(item.leads?.[0] ?? '')?.[0]
  if (part) drawing.value?.showPart(part)
}
watch(
  () => item.id,
  () => {
    direction.value = null
    text.value = problem.value = ''
    void nextTick(() => {
      look()
      if (item.answer.type === 'value') field.value?.focus()
    })
  },
  { immediate: true },
)
function submit() {
  if (item.answer.type !== 'value' || told) return
  const read = parseQuantity(text.value, item.answer.unit as Unit)
  if (!read.ok) problem.value = tell(read.why)
  else if (item.answer.direction && !direction.value) problem.value = t('ui.drills.directionFirst')
  else {
    problem.value = ''
    emit('answer', {
      type: 'value',
      value: read.value,
      ...(direction.value && { direction: direction.value }),
    })
  }
}
const choose = (option: number) => {
  if (!told && !busy && option < options.value.length) emit('answer', { type: 'choice', option })
}
const chosen = computed(() => (given?.type === 'choice' ? given.option : -1))
const colour = (i: number) =>
  !told ? 'default' : i === told.option ? 'success' : i === chosen.value ? 'error' : 'default'
useKeys(t('ui.common.drills'), [
  {
    press: ['1', '2', '3', '4'],
    what: t('ui.drills.chooseAnAnswer'),
    act: ({ key }) => choose(Number(key) - 1),
  },
  { press: ['Enter'], what: t('ui.drills.next'), act: () => (told ? emit('next') : false) },
])
const onward = useTemplateRef('onward')
watch(
  () => told,
  (now) => now && void nextTick(() => (onward.value?.$el as HTMLElement | undefined)?.focus()),
)
const verdict = computed(() =>
  told ? t(told.right ? 'ui.drills.right' : told.share > 0 ? 'ui.drills.partly' : 'ui.drills.wrong') : '',
)
</script>

<template>
  <section class="question grid grid-cols-1 gap-16px items-start" :aria-label="t('ui.drills.question')">
    <div class="drawing bg-sheet line">
      <Schematic
        ref="drawing"
        :circuit="item.circuit"
        :wiring="wiring"
        :controls="state?.controls"
        :detached="item.detached"
        :red="item.leads?.[0] ?? ''"
        :black="item.leads?.[1] ?? ''"
      />
    </div>
    <div class="grid gap-12px content-start">
      <p v-for="(line, i) in item.given" :key="i">{{ tell(line) }}</p>
      <h2 class="text-18px">{{ tell(item.asks) }}</h2>
      <ol v-if="item.answer.type === 'choice'" class="m-0 p-0 list-none grid gap-8px">
        <li v-for="(option, i) in options" :key="i">
          <NButton
            block
            size="large"
            class="!whitespace-normal !h-auto !min-h-44px !py-8px !justify-start !text-left"
            :type="colour(i)"
            :disabled="told !== null && i !== told.option && i !== chosen"
            :aria-pressed="i === chosen"
            @click="choose(i)"
          >
            <span class="mr-10px" aria-hidden="true">{{ i + 1 }}</span>{{ tell(option) }}
          </NButton>
        </li>
      </ol>
      <form v-else class="flex flex-wrap gap-10px items-end" @submit.prevent="submit">
        <Segments
          v-if="item.answer.direction"
          v-model:value="direction"
          size="large"
          :label="t('ui.drills.besideAGoodCircuit')"
          :entries="directions"
        />
        <label class="field !w-180px"
          >{{ t('ui.drills.value', { unit: item.answer.unit }) }}
          <NInput
            ref="field"
            v-model:value="text"
            size="large"
            :disabled="told !== null"
            :placeholder="t('ui.drills.example')"
            :input-props="{ inputmode: 'decimal', autocomplete: 'off' }"
          />
        </label>
        <NButton v-if="!told" type="primary" size="large" attr-type="submit" :loading="busy">{{
          t('ui.drills.answer')
        }}</NButton>
      </form>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <div v-if="told" class="told grid gap-6px p-12px line" :data-right="told.right" role="status">
        <strong class="text-16px">{{ verdict }}</strong>
        <p v-if="!told.right && item.answer.type === 'value'">
          {{ t('ui.drills.itIs', { key: tell(told.key) }) }}
        </p>
        <p v-if="told.but && !told.right">{{ tell(told.but) }}</p>
        <p>{{ tell(told.why) }}</p>
        <NButton
          ref="onward"
          type="primary"
          size="large"
          class="justify-self-start"
          :loading="busy"
          @click="emit('next')"
          >{{ t('ui.drills.next') }}</NButton
        >
      </div>
    </div>
  </section>
</template>

<style scoped>
.question {
  grid-template-columns: minmax(0, 1.2fr) minmax(360px, 1fr);
}
.drawing {
  height: calc(100vh - 150px);
  min-height: 300px;
  min-width: 0;
}
@media (max-width: 860px) {
  .question {
    grid-template-columns: minmax(0, 1fr);
  }
  .drawing {
    height: 36vh;
    min-height: 220px;
  }
}
.told {
  border-left: 4px solid var(--fault);
}
.told[data-right='true'] {
  border-left-color: var(--focus);
}
</style>
