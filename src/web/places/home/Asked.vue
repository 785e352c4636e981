<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { formatQuantity, t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { askedSchema, type Asked } from '../../../contract/show'
import { parseQuantity } from '../../../core/quantity'
import { ask, post } from '../../api/client'
import { useLive } from '../../api/live'
import { useAct } from '../../api/useAct'

/** What the wall asks the class: it comes by itself, is answered in one act, and can be answered anew while it is open. */
const asked = ref<Asked>(null)
const typed = ref('')
const { wrong, act, failed } = useAct()
const closed = ref(false)

async function look() {
  try {
    const before = asked.value?.id
    const next = await ask(askedSchema, '/asked')
    closed.value = before !== undefined && next === null
    if (next?.id !== before) typed.value = ''
    asked.value = next
  } catch (error) {
    failed(error)
  }
}
useLive('/room/live', { asked: () => void look() }, () => void look())

async function give(value: number | string) {
  const now = asked.value
  if (!now) return
  const taken = await act(async () => {
    await post(`/asked/${now.id}`, { value }, 'PUT')
    if (asked.value?.id === now.id) asked.value = { ...now, mine: value }
  })
  if (!taken) void look()
}
function giveVolts() {
  const read = parseQuantity(typed.value, 'V')
  if (read.ok) void give(read.value)
  else wrong.value = t('ui.home.typeVoltsSuchAs12')
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
