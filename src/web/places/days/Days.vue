<script setup lang="ts">
import { useAct } from '../../api/useAct'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import { t } from '../../words'
import { watchDebounced } from '@vueuse/core'
import { NButton, NDatePicker, NInput, NInputNumber, NSelect } from 'naive-ui'
import { computed, ref, toRef } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { z } from 'zod'
import {
  dayBodySchema,
  dayListSchema,
  dayOf,
  lessonListSchema,
  mostStands,
  newDaySchema,
  type DayRow,
} from '../../../contract'
import { ask, send } from '../../api/client'
import FormField from '../../parts/FormField.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'
import MoreRows from '../../parts/MoreRows.vue'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { dayWords } from '../../parts/when'
import { useScope } from '../../stores/scope'

const { wrong, failed } = useAct()

/** Days in the workshop: what is planned, what runs, what was. */
const router = useRouter()
const days = ref<DayRow[]>([])
const count = ref(0)
const after = ref<string | null>(null)
const form = useForm(
  newDaySchema.pick({ name: true, day: true }).extend({ rounds: dayBodySchema.shape.rounds }),
  () => ({ name: t('ui.common.labDay'), day: dayOf(new Date()), rounds: 3 as number | null }),
)
useLeaveGuard(toRef(() => form.changed))
const scope = useScope()
const find = ref('')
async function read(from: string | null) {
  const query = new URLSearchParams({ find: find.value.trim(), ...(from !== null && { after: from }) })
  await ask(dayListSchema, `/days?${query.toString()}`).then((page) => {
    days.value = from === null ? page.rows : [...days.value, ...page.rows]
    count.value = page.count
    after.value = page.after
  }, failed)
}
watchDebounced(find, () => read(null), { debounce: 200 })
await Promise.all([read(null), scope.load().catch(failed), scope.loadPeople().catch(failed)])

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
  t('ui.days.peopleBenches', {
    people: people.value.length,
    benches: groups.value.length,
  }),
)

/** A bench for each student, the lessons in turn: a plan to change, not an empty page. */
const make = () =>
  form.submit(async ({ name, day, rounds }) => {
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
      day,
      class: scope.scope.classes.length === 1 ? scope.scope.classes[0] : null,
      body: {
        start: '08:00',
        minutes: 45,
        rounds,
        stands,
        groups: groups.value,
        seats: [],
        out: [],
      },
    })
    form.reset()
    await router.push({ name: 'day', params: { id } })
  })
const columns: Column<DayRow>[] = [
  {
    key: 'day',
    title: t('ui.days.day'),
    text: (one) => dayWords(one.day),
    width: 170,
    sort: byText((one) => one.day),
  },
  { key: 'name', title: t('ui.common.name'), sort: byText((one) => one.name) },
  {
    key: 'stations',
    title: t('ui.days.stations'),
    text: (one) => String(one.stations),
    number: true,
    width: 110,
  },
  {
    key: 'rounds',
    title: t('ui.days.roundsHandedOut'),
    text: (one) => t('ui.days.roundsOut', { out: one.out, rounds: one.rounds }),
    number: true,
    width: 190,
  },
]
</script>

<template>
  <div class="days grid gap-16px content-start max-w-900px my-0 mx-auto py-18px px-20px">
    <h1>{{ t('ui.common.labDays') }}</h1>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <form
      class="flex flex-wrap gap-12px items-end"
      :aria-label="t('ui.days.newLabDay')"
      @submit.prevent="make"
    >
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.common.name')">
        <NInput
          v-model:value="form.values.name"
          :input-props="field"
          :placeholder="t('ui.days.thursdayGroup')"
        />
      </FormField>
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
      <div class="field">{{ t('ui.days.whoComes') }} <ScopeChoice with-people /></div>
      <label class="field"
        >{{ t('ui.common.atTheBenches') }}
        <NSelect
          v-model:value="together"
          class="w-220px"
          size="small"
          filterable
          :options="togetherOptions"
          :input-props="{ 'aria-label': t('ui.common.atTheBenches') }"
      /></label>
      <NButton type="primary" attr-type="submit" :disabled="tooMany" :loading="form.busy">{{
        t('ui.days.planIt')
      }}</NButton>
      <p v-if="form.wrong" class="wrong basis-full" role="alert">{{ form.wrong }}</p>
      <p class="basis-full m-0" role="status">
        {{ sums }}
        <span v-if="tooMany" class="wrong">{{
          t('ui.days.aLabDayHasBenches', {
            most: mostStands,
          })
        }}</span>
      </p>
    </form>
    <NInput
      v-if="count > 20 || find"
      v-model:value="find"
      class="find max-w-280px"
      size="small"
      clearable
      :placeholder="t('ui.days.findALabDayBy')"
      :input-props="{ 'aria-label': t('ui.days.findALabDayBy') }"
    />
    <p v-if="!days.length && find">{{ t('ui.days.noLabDayHasA') }}</p>
    <p v-else-if="!days.length">
      {{ t('ui.days.nonePlannedYetADay') }}
    </p>
    <DataTable
      v-else
      :label="t('ui.common.labDays')"
      :columns="columns"
      :rows="days"
      :row-key="(one) => one.id"
    >
      <template #cell-name="{ row }"
        ><RouterLink :to="{ name: 'day', params: { id: row.id } }">{{ row.name }}</RouterLink></template
      >
    </DataTable>
    <MoreRows :shown="days.length" :count="count" @more="read(after)" />
  </div>
</template>
