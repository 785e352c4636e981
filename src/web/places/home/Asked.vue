<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { formatQuantity, t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { askedSchema } from '../../../contract/show'
import { parseQuantity } from '../../../core/quantity'
import { post } from '../../api/client'
import { useLive } from '../../api/live'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'

/** What the wall asks the class: it comes by itself, is answered in one act, and can be answered anew while it is open. */
const { data: asked, wrong: away, again } = useServer(askedSchema, () => '/asked')
const typed = ref('')
const { wrong: refused, act } = useAct()
const wrong = computed(() => refused.value || away.value)
const closed = ref(false)

watch(
  () => asked.value?.id,
  (now, before) => {
    closed.value = before !== undefined && now === undefined
    typed.value = ''
  },
)
useLive('/room/live', { asked: () => void again() }, () => void again())

async function give(value: number | string) {
  const now = asked.value
  if (!now) return
  await act(() => post(`/asked/${now.id}`, { value }, 'PUT'))
  void again()
}
function giveVolts() {
  const read = parseQuantity(typed.value, 'V')
  if (read.ok) void give(read.value)
  else refused.value = t('ui.home.typeVoltsSuchAs12')
}
const body = computed(() => asked.value?.body)
const choices = computed((): { value: number | string; text: string }[] => {
  const now = body.value
  if (now?.type === 'light') return now.glows.map(({ id, name }) => ({ value: id, text: name }))
  if (now?.type === 'piece') return now.pieces.map(({ id, name }) => ({ value: id, text: name }))
  if (now?.type === 'choice')
    return now.choices.map((choice, i) => ({
      value: i,
      text: `${String.fromCharCode(65 + i)}  ${tell(choice)}`,
    }))
  return []
})
const mine = computed(() => {
  const value = asked.value?.mine
  if (value === null || value === undefined) return ''
  return body.value?.type === 'volts'
    ? formatQuantity(Number(value), 'V')
    : (choices.value.find((c) => c.value === value)?.text ?? '')
})
const question = computed(() => {
  const now = body.value
  if (now?.type === 'volts') return t('ui.home.whatDoesReadToBattery', { point: now.point })
  if (now?.type === 'light') return t('ui.common.howBrightIs', { part: now.part })
  if (now?.type === 'piece') return t('ui.common.whichPieceIsAtFault')
  return now ? tell(now.text) : ''
})
</script>

<template>
  <section
    v-if="body"
    class="grid gap-10px py-14px px-16px bg-sheet line-2px-focus"
    :aria-label="t('ui.home.askedOfTheClass')"
    aria-live="polite"
  >
    <p class="quiet">{{ body.circuit }}, {{ body.state }}</p>
    <h2 class="text-19px">{{ question }}</h2>
    <form
      v-if="body.type === 'volts'"
      class="grid grid-cols-[minmax(0,220px)_auto] gap-10px justify-start"
      @submit.prevent="giveVolts"
    >
      <NInput
        v-model:value="typed"
        size="large"
        :input-props="{ 'aria-label': t('ui.home.volts'), inputmode: 'text', autocomplete: 'off' }"
        :placeholder="t('ui.home.suchAs124')"
      />
      <NButton type="primary" size="large" attr-type="submit">{{ t('ui.common.answer') }}</NButton>
    </form>
    <div v-else-if="body.type !== 'piece'" class="grid gap-8px">
      <Toggle
        v-for="choice in choices"
        :key="choice.value"
        size="large"
        :on="asked?.mine === choice.value"
        @click="give(choice.value)"
      >
        {{ choice.text }}
      </Toggle>
    </div>
    <Choice
      v-else
      :label="t('ui.common.piece')"
      :placeholder="t('ui.home.choose')"
      :value="asked?.mine ?? undefined"
      :entries="
        entriesOf(
          choices,
          (choice) => choice.value,
          (choice) => choice.text,
        )
      "
      @update:value="give($event!)"
    />
    <p v-if="mine" role="status">
      {{ t('ui.home.yourAnswerItCanBe', { mine }) }}
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
  <p v-else-if="closed" class="quiet" role="status">{{ t('ui.home.theQuestionIsClosedLook') }}</p>
</template>
