<script setup lang="ts">
import Panel from '../../parts/Panel.vue'
import { NButton, NDatePicker, NInput, NInputNumber, NSelect } from 'naive-ui'
import { computed, ref, toRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { z } from 'zod'
import { dayBodySchema, lessonListSchema, mostStands, newDaySchema } from '../../../contract'
import { ask, send } from '../../api/client'
import FormField from '../../parts/FormField.vue'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'
import { useScope } from '../../stores/scope'
import { t } from '../../words'

/** Makes a lab day: a bench for each student or group, the lessons in turn. A plan to change, not an empty page. */
const { day } = defineProps<{
  /** The day that was pressed in the calendar, as YYYY-MM-DD. */
  day: string
}>()
const router = useRouter()
const form = useForm(
  newDaySchema.pick({ name: true, day: true }).extend({ rounds: dayBodySchema.shape.rounds }),
  // A day that is only pressed in the calendar is nothing that could be lost.
  () => ({ name: t('ui.common.labDay'), day, rounds: 2 as number | null }),
)
useLeaveGuard(toRef(() => form.changed))
watch(
  () => day,
  (chosen) => (form.values.day = chosen),
)
const scope = useScope()
/** Who comes, how many stand at one bench, and whether there are benches enough: said before anything is made. */
const people = computed(() => scope.members.filter(({ id }) => !scope.people || scope.people.has(id)))
const together = ref(1)
const togetherOptions = [
  { value: 1, label: t('ui.days.eachAtABenchOf') },
  { value: 2, label: t('ui.days.pairsNote') },
  { value: 3, label: t('ui.days.inThrees') },
  { value: 4, label: t('ui.days.inFours') },
]
const groups = computed(() =>
  Array.from({ length: Math.ceil(people.value.length / together.value) }, (_, i) =>
    people.value.slice(i * together.value, (i + 1) * together.value).map(({ id }) => id),
  ),
)
const tooMany = computed(() => groups.value.length > mostStands)
const sums = computed(() =>
  t('ui.days.peopleBenches', { people: people.value.length, benches: groups.value.length }),
)
const make = () =>
  form.submit(async ({ name, day: date, rounds }) => {
    const lessons = await ask(lessonListSchema, '/lessons')
    const sets = lessons.flatMap(({ id, sets: own }) => own.map((_, set) => ({ lesson: id, set })))
    // One of each lesson first, so that neighbours differ.
    sets.sort((a, b) => a.set - b.set)
    const benches = Math.max(rounds, groups.value.length)
    const stands = Array.from({ length: benches }, (_, i) => ({
      name: t('ui.days.bench', { x: i + 1 }),
      lesson: sets[i % Math.max(1, sets.length)]?.lesson ?? null,
      set: sets[i % Math.max(1, sets.length)]?.set ?? 0,
      real: false,
      checked: [],
    }))
    const { id } = await send(z.object({ id: z.uuid() }), '/days', {
      name,
      day: date,
      class: scope.scope.classes.length === 1 ? scope.scope.classes[0] : null,
      body: { start: '08:00', minutes: 45, rounds, stands, groups: groups.value, seats: [], out: [] },
    })
    form.reset()
    await router.push({ name: 'day', params: { id } })
  })
</script>

<template>
  <Panel :title="t('ui.days.newLabDay')">
    <form class="grid gap-10px" :aria-label="t('ui.days.newLabDay')" @submit.prevent="make">
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.common.name')">
        <NInput
          v-model:value="form.values.name"
          :input-props="field"
          :placeholder="t('ui.days.thursdayGroup')"
        />
      </FormField>
      <div class="grid grid-cols-[1fr_90px] gap-10px">
        <FormField v-slot="{ field }" :form="form" name="day" :label="t('ui.days.day')">
          <NDatePicker
            v-model:formatted-value="form.values.day"
            type="date"
            value-format="yyyy-MM-dd"
            format="d MMM yyyy"
            :actions="null"
            :input-props="field"
          />
        </FormField>
        <FormField v-slot="{ field }" :form="form" name="rounds" :label="t('ui.days.roundsTitle')">
          <NInputNumber
            v-model:value="form.values.rounds"
            :min="1"
            :max="12"
            :precision="0"
            :show-button="false"
            :input-props="field"
          />
        </FormField>
      </div>
      <div class="field">{{ t('ui.days.whoComes') }} <ScopeChoice with-people /></div>
      <label class="field"
        >{{ t('ui.days.groups') }}
        <NSelect
          v-model:value="together"
          size="small"
          :options="togetherOptions"
          :input-props="{ 'aria-label': t('ui.days.groups') }"
      /></label>
      <p role="status">
        {{ sums }}
        <span v-if="tooMany" class="wrong">{{ t('ui.days.aLabDayHasBenches', { most: mostStands }) }}</span>
      </p>
      <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
      <NButton type="primary" attr-type="submit" :disabled="tooMany" :loading="form.busy">{{
        t('ui.days.createLabDay')
      }}</NButton>
    </form>
  </Panel>
</template>
