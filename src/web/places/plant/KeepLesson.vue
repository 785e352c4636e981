<script setup lang="ts">
import type { ToHandOut } from './to-hand-out'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { useLocalStorage } from '@vueuse/core'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { lessonListSchema, storedLessonSchema } from '../../../contract'
import type { Frame } from '../../../core/attempt'
import { describeFault } from '../../../core/faults'
import { send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import ComplaintFacts from './ComplaintFacts.vue'

/** What stands here as a lesson: circuit, fault, complaint, frame; or as one more set for one about this circuit. */
const props = defineProps<ToHandOut>()
const frame = useLocalStorage<Partial<Frame>>('brachyon.frame', {})
const name = ref('')
const into = ref('')
const { wrong, said: done, act } = useAct()
const open = ref(false)
const { data: lessons } = useServer(lessonListSchema, () => (open.value ? '/lessons' : undefined))
const facts = ref<Frame['complaint']>([])
const confirmed = ref(true)
/** Words that somebody wrote go with facts that somebody chose. */
const ownWords = computed(() => props.complaint !== '' && props.complaint !== props.drafted)
const same = computed(() => (lessons.value ?? []).filter((l) => l.circuit === props.circuit.name))
const setName = computed(() =>
  props.faults
    .map((fault) => tell(describeFault(props.circuit, fault)))
    .join('; ')
    .slice(0, 80),
)
async function keep() {
  wrong.value = done.value = ''
  if (!confirmed.value) {
    wrong.value = t('ui.plant.sayWhichFactsFitFirst')
    return
  }
  await act(async () => {
    await props.settled()
    const stored = await send(storedLessonSchema, '/lessons/kept', {
      lesson: { name: name.value.trim() || props.circuit.name, folder: '', note: '', frame: frame.value },
      circuit: props.id,
      set: {
        name: setName.value,
        faults: props.faults,
        complaint: props.complaint,
        ...(ownWords.value && facts.value.length && { facts: facts.value }),
      },
      ...(into.value && { into: into.value }),
    })
    done.value = t('ui.plant.hasOfFaults', {
      name: stored.lesson.name,
      sets:
        stored.lesson.sets.length === 1
          ? t('ui.plant.oneSet')
          : t('ui.plant.sets', { count: stored.lesson.sets.length }),
    })
    open.value = false
  })
}
</script>

<template>
  <section class="grid grid-cols-1 gap-8px justify-items-start" :aria-label="t('ui.plant.keepItAsALesson')">
    <NButton v-if="!open" size="small" :disabled="!faults.length" @click="open = true">{{
      t('ui.plant.keepAsALesson')
    }}</NButton>
    <form v-else class="grid gap-8px justify-items-stretch" @submit.prevent="keep">
      <Choice
        v-if="same.length"
        v-model:value="into"
        :label="t('ui.plant.as')"
        :entries="[
          { value: '', label: t('ui.plant.aLessonOfItsOwn') },
          ...entriesOf(
            same,
            (l) => l.id,
            (l) => t('ui.plant.oneMoreSetOf', { name: l.name }),
          ),
        ]"
      />
      <label v-if="!into" class="field"
        >{{ t('ui.plant.nameOfTheLesson') }}
        <NInput v-model:value="name" size="small" :placeholder="circuit.name" autofocus
      /></label>
      <ComplaintFacts
        v-model="facts"
        v-model:confirmed="confirmed"
        :circuit="circuit"
        :faults="faults"
        :sound="false"
        :own-words="ownWords"
        :active="shown"
      />
      <NButton size="small" type="primary" attr-type="submit">{{ t('ui.common.keepIt') }}</NButton>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="done" role="status">
      {{ done }} <RouterLink :to="{ name: 'lessons' }">{{ t('ui.plant.seeItUnderLessons') }}</RouterLink>
    </p>
  </section>
</template>
