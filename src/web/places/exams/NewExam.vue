<script setup lang="ts">
import { NAlert, NButton, NDatePicker, NInput, NInputNumber } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { lessonListSchema } from '../../../contract/lessons'
import { examMadeSchema } from '../../../contract/exams'
import type { HandbookMode } from '../../../core/attempt/modes'
import { alikeSets, alikeWithin, apartBy } from '../../../core/learning/difficulty/variants'
import { send } from '../../api/client'
import { useOneAct } from '../../api/one-act'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import Choice from '../../parts/Choice.vue'
import Panel from '../../parts/Panel.vue'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import Segments from '../../parts/Segments.vue'
import Several from '../../parts/Several.vue'
import { useScope } from '../../stores/scope'
import { t } from '../../words'

/** Sets an examination: what, who, when, where, and what may be looked up. */
const props = defineProps<{ lesson: string | null }>()
const emit = defineEmits<{ made: [] }>()
const lessons = useServer(lessonListSchema, () => '/lessons')
const scope = useScope()
void Promise.all([scope.load(), scope.loadPeople()]).catch(() => undefined)
const { wrong, said, act } = useAct()
const hour = 3_600_000
const soon = () => Math.ceil(Date.now() / hour) * hour
const lesson = ref<string | null>(props.lesson)
const name = ref('')
const opens = ref<number | null>(soon() + hour)
const closes = ref<number | null>(soon() + 3 * hour)
// Whoever moves the beginning moves the end with it.
watch(opens, (to, from) => {
  if (to !== null && from !== null && closes.value !== null) closes.value += to - from
})
const minutes = ref<number | null>(60)
const room = ref('')
const handbook = ref<HandbookMode>('closed')
const more = ref<string[]>([])
const percent = ref<number | null>(25)
const chosen = computed(() => (lessons.data.value ?? []).find(({ id }) => id === lesson.value))
watch(chosen, (now) => {
  if (now && !name.value) name.value = now.name
})
const people = computed(() => scope.everyone.filter(({ id }) => !scope.people || scope.people.has(id)))
const lessonOptions = computed(() =>
  (lessons.data.value ?? []).map(({ id, name: label }) => ({ value: id, label })),
)
const handbookEntries = (['open', 'part', 'closed'] as const).map((value) => ({
  value,
  label: t(`ui.exams.handbook.${value}`),
}))
/** Which of its sets are handed out, said before. */
const variants = computed(() => {
  const one = chosen.value
  if (!one) return ''
  const known = one.difficulties ?? []
  const alike = alikeSets(known)
  if (alike.length > 1) return t('ui.exams.variantsAlike', { count: alike.length })
  const apart = apartBy(known)
  return apart > alikeWithin
    ? t('ui.lessons.setsApart', { apart: apart.toFixed(1) })
    : t('ui.exams.variants', { count: one.sets.length })
})
const body = () => ({
  lesson: lesson.value,
  name: name.value,
  students: people.value.map(({ id }) => id),
  opens: new Date(opens.value ?? 0).toISOString(),
  closes: new Date(closes.value ?? 0).toISOString(),
  minutes: minutes.value,
  room: room.value,
  handbook: handbook.value,
  more: { students: more.value, percent: percent.value ?? 0 },
})
const { busy, once } = useOneAct(body)
async function set() {
  wrong.value = ''
  if (!lesson.value) {
    wrong.value = t('ui.exams.chooseLesson')
    return
  }
  await act(async () => {
    const made = await once((key) => send(examMadeSchema, '/exams', { ...body(), key }))
    if (!made) return
    said.value =
      made.apart > alikeWithin ? t('ui.exams.setApart', { apart: made.apart.toFixed(1) }) : t('ui.exams.set')
    emit('made')
  })
}
</script>

<template>
  <Panel :title="t('ui.exams.setAnExamination')">
    <form class="grid grid-cols-[minmax(0,1fr)] gap-10px" @submit.prevent="set">
      <Choice
        v-model:value="lesson"
        :label="t('ui.common.lesson')"
        :entries="lessonOptions"
        :placeholder="t('ui.exams.chooseLesson')"
      />
      <p v-if="variants" class="quiet">{{ variants }}</p>
      <label class="field"
        >{{ t('ui.common.name') }}<NInput v-model:value="name" size="small" placeholder=""
      /></label>
      <div class="field">{{ t('ui.days.whoComes') }}<ScopeChoice with-people /></div>
      <div class="grid grid-cols-2 gap-10px">
        <label class="field"
          >{{ t('ui.exams.opens')
          }}<NDatePicker v-model:value="opens" type="datetime" size="small" format="d MMM HH:mm"
        /></label>
        <label class="field"
          >{{ t('ui.exams.closes')
          }}<NDatePicker v-model:value="closes" type="datetime" size="small" format="d MMM HH:mm"
        /></label>
      </div>
      <div class="grid grid-cols-2 gap-10px">
        <label class="field"
          >{{ t('ui.exams.minutes')
          }}<NInputNumber
            v-model:value="minutes"
            size="small"
            :min="5"
            :max="480"
            :precision="0"
            :show-button="false"
        /></label>
        <label class="field"
          >{{ t('ui.exams.room') }}<NInput v-model:value="room" size="small" placeholder=""
        /></label>
      </div>
      <div class="field">
        {{ t('ui.common.handbook') }}
        <Segments v-model:value="handbook" :label="t('ui.common.handbook')" :entries="handbookEntries" />
      </div>
      <div class="grid grid-cols-[minmax(0,1fr)_90px] gap-10px items-end">
        <Several
          v-model:value="more"
          :label="t('ui.exams.moreTime')"
          :entries="people.map(({ id, name: label }) => ({ value: id, label }))"
          :placeholder="t('ui.exams.nobody')"
        />
        <label class="field"
          >{{ t('ui.exams.percent')
          }}<NInputNumber
            v-model:value="percent"
            size="small"
            :min="0"
            :max="200"
            :precision="0"
            :show-button="false"
        /></label>
      </div>
      <NAlert v-if="wrong" type="error" role="alert">{{ wrong }}</NAlert>
      <p v-if="said" role="status">{{ said }}</p>
      <NButton type="primary" attr-type="submit" :disabled="!people.length" :loading="busy">{{
        t('ui.exams.setFor', { count: people.length })
      }}</NButton>
    </form>
  </Panel>
</template>
