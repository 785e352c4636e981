<script setup lang="ts">
import type { ToHandOut } from './to-hand-out'
import Several from '../../parts/Several.vue'
import { when } from '../../parts/when'
import type { Entries } from '../../parts/choice'
import { t } from '../../words'
import { useLocalStorage } from '@vueuse/core'
import { NButton, NCheckbox, NDatePicker, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { z } from 'zod'
import { metersSchema, userSchema, type User } from '../../../contract'
import type { Frame } from '../../../core/attempt'
import type { Fault } from '../../../core/faults'
import { send } from '../../api/client'
import { useServer } from '../../api/useServer'
import { useAct } from '../../api/useAct'
import { useOneAct } from '../../api/one-act'
import { useScope } from '../../stores/scope'
import { useSession } from '../../stores/session'
import BadSpares from './BadSpares.vue'
import ComplaintFacts from './ComplaintFacts.vue'
import FrameFields from './FrameFields.vue'

const props = defineProps<ToHandOut>()
const emit = defineEmits<{ complaint: [text: string] }>()

const studentList = useServer(z.array(userSchema), () => '/students')
const students = computed((): User[] => studentList.data.value ?? [])
const chosen = ref<string[]>([])
/** From when they have it, in milliseconds; at once where nothing is chosen. */
const opens = ref<number | null>(null)
const { wrong, said: done, act } = useAct()
/** As the last order was framed: a lesson’s orders are alike. */
const frame = useLocalStorage<Partial<Frame>>('brachyon.frame', {})
/** A false alarm, or a cause that is not electrical: an order in which nothing is planted. */
const sound = ref(false)
watch(
  () => props.faults.length,
  (count) => count && (sound.value = false),
)
const facts = ref<Frame['complaint']>([])
const confirmed = ref(true)
/** What is wrong with spares of the box. */
const spares = ref<Fault[]>([])
const meterList = useServer(metersSchema, () => '/meters')
const meters = computed(() => meterList.data.value ?? [])
const meter = ref('')
const scope = useScope()
const session = useSession()
await Promise.all([studentList.ready(), meterList.ready()])
await scope.load().catch(() => undefined)
const near = computed(() => students.value.filter(({ id }) => scope.people?.has(id)))
const others = computed(() => students.value.filter(({ id }) => !scope.people?.has(id)))
/** Those of the classes that were looked at last come first, oneself last. */
const people = computed((): Entries<string> => {
  const entry = ({ id, name }: User) => ({ value: id, label: name })
  const grouped = near.value.length > 0 && others.value.length > 0
  return [
    ...(near.value.length ? [{ group: scope.about, entries: near.value.map(entry) }] : []),
    ...(grouped
      ? [{ group: t('ui.plant.others'), entries: others.value.map(entry) }]
      : others.value.map(entry)),
    ...(session.user ? [{ value: session.user.id, label: t('ui.plant.yourselfToTryItOr') }] : []),
  ]
})
/** Everybody of the classes that were looked at last, by one press. */
const classmates = computed(() => near.value.map(({ id }) => id))
const nameOf = (id: string) => [...students.value, session.user].find((s) => s?.id === id)?.name ?? ''

/** Until somebody writes words of their own, the order has those that were drafted. */
const words = computed(() => props.complaint || props.drafted)

const order = () => ({
  circuit: props.id,
  students: chosen.value,
  ...(opens.value !== null && { opens: new Date(opens.value).toISOString() }),
  complaint: words.value,
  faults: props.faults,
  ...(spares.value.length && { spares: spares.value }),
  ...(sound.value && { sound: true }),
  frame: { ...frame.value, complaint: facts.value },
  ...(frame.value.source === 'meter' && meter.value && { meter: meter.value }),
})
const { busy, once } = useOneAct(order)
const isPast = (day: number) => day < Date.now() - 86_400_000
async function handOut() {
  wrong.value = done.value = ''
  if (!chosen.value.length) {
    wrong.value = t('ui.plant.chooseTheStudentFirst')
    return
  }
  if (!confirmed.value) {
    wrong.value = t('ui.plant.sayWhichFactsFitFirst')
    return
  }
  await act(async () => {
    // The order copies the circuit as the server has it: everything on screen must have arrived.
    await props.settled()
    const { length } = chosen.value
    const made = await once((key) => send(z.object({ id: z.uuid() }), '/orders', { ...order(), key }))
    if (!made) return
    const to = { count: length, name: nameOf(chosen.value[0]!) }
    done.value =
      opens.value === null
        ? t('ui.plant.handedOutTo', to)
        : t('ui.plant.handedOutFrom', { ...to, when: when(new Date(opens.value).toISOString()) })
  })
}
</script>

<template>
  <section class="grid grid-cols-1 gap-8px" :aria-label="t('ui.plant.handItOut')">
    <label class="field"
      >{{ t('ui.plant.complaintInTheDriversWords') }}
      <NInput
        type="textarea"
        :value="words"
        :autosize="{ minRows: 2, maxRows: 4 }"
        :placeholder="t('ui.plant.neverNameTheFaultOnly')"
        @update:value="emit('complaint', $event)"
      />
    </label>
    <NButton
      v-if="drafted && words !== drafted"
      text
      type="primary"
      class="whitespace-normal text-left"
      @click="emit('complaint', '')"
    >
      {{ t('ui.plant.useTheDraft', { drafted }) }}
    </NButton>
    <NCheckbox v-if="!faults.length" v-model:checked="sound" size="small">
      {{ t('ui.plant.nothingIsWrong') }}
    </NCheckbox>
    <ComplaintFacts
      v-if="faults.length || sound"
      v-model="facts"
      v-model:confirmed="confirmed"
      :circuit="circuit"
      :faults="faults"
      :sound="sound"
      :own-words="sound || (complaint !== '' && complaint !== drafted)"
      :active="shown"
    />
    <div class="grid grid-cols-[minmax(0,3fr)_minmax(0,2fr)] gap-8px items-end">
      <Several v-model:value="chosen" :label="t('ui.common.students')" :entries="people" />
      <label class="field"
        >{{ t('ui.plant.opens') }}
        <NDatePicker
          v-model:value="opens"
          type="datetime"
          size="small"
          clearable
          format="d MMM yyyy HH:mm"
          :placeholder="t('ui.plant.atOnce')"
          :is-date-disabled="isPast"
        />
      </label>
    </div>
    <NButton
      v-if="classmates.length > 1 && chosen.length < classmates.length"
      text
      type="primary"
      class="justify-self-start"
      @click="chosen = classmates"
    >
      {{ t('ui.plant.chooseAllOf', { about: scope.about, count: classmates.length }) }}
    </NButton>
    <p v-if="!students.length">
      {{ t('ui.plant.theClassIsEmptyAdd') }} <RouterLink to="/"> {{ t('ui.common.today') }} </RouterLink>.
    </p>
    <BadSpares :circuit="circuit" :spares="spares" @change="spares = $event" />
    <FrameFields v-model:meter="meter" :frame="frame" :meters="meters" @change="frame = $event" />
    <Teleport v-if="shown" defer to="#hand-out-act">
      <NButton type="primary" :disabled="!faults.length && !sound" :loading="busy" @click="handOut">
        {{ t('ui.plant.handOutTheWorkOrder') }}
      </NButton>
    </Teleport>
    <p v-if="wrong" class="wrong" role="alert">
      {{ wrong }}
    </p>
    <p v-if="done" role="status">
      {{ done }} <RouterLink to="/"> {{ t('ui.plant.seeItUnderToday') }} </RouterLink>
    </p>
  </section>
</template>
