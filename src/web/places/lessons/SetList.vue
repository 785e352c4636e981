<script setup lang="ts">
import { NAlert, NSpin } from 'naive-ui'
import { useTimeoutFn } from '@vueuse/core'
import { computed, watch } from 'vue'
import { setDifficultiesSchema, type LessonRow } from '../../../contract'
import { alikeSets, alikeWithin, apartBy } from '../../../core/learning/difficulty/variants'
import { useServer } from '../../api/useServer'
import HowHard from '../../readings/HowHard.vue'
import { t } from '../../words'

/** The sets of a lesson with how hard each is, and whether one student has it harder than another. */
const props = defineProps<{ lesson: LessonRow }>()
const found = useServer(setDifficultiesSchema, () => `/lessons/${props.lesson.id}/difficulty`)
const sets = computed(() => found.data.value?.sets ?? null)
// It is worked out while this is open.
const again = useTimeoutFn(() => void found.again(), 1500, { immediate: false })
watch(
  () => [found.data.value, found.loading.value],
  () => {
    if (found.data.value && !sets.value && !found.loading.value) again.start()
  },
  { immediate: true },
)
const numbers = computed(() => (sets.value ?? []).map((one) => one?.difficulty ?? null))
const apart = computed(() => apartBy(numbers.value))
const alike = computed(() => alikeSets(numbers.value).map((i) => props.lesson.sets[i]!))
</script>

<template>
  <div class="grid grid-cols-1 gap-12px">
    <p v-if="found.wrong.value" class="wrong" role="alert">{{ found.wrong.value }}</p>
    <NAlert v-if="apart > alikeWithin" type="warning">
      {{ t('ui.lessons.setsApart', { apart: apart.toFixed(1) }) }}
      <template v-if="alike.length > 1">{{ t('ui.lessons.setsAlike', { sets: alike.join(', ') }) }}</template>
    </NAlert>
    <p v-if="!sets" class="quiet flex gap-8px items-center" role="status">
      <NSpin size="small" />{{ t('ui.lessons.workingOutDifficulty') }}
    </p>
    <ol class="m-0 pl-22px grid gap-12px">
      <li v-for="(name, i) in lesson.sets" :key="i">
        <strong>{{ name }}</strong>
        <HowHard v-if="sets?.[i]" :difficulty="sets[i]!" />
        <p v-else-if="sets" class="quiet">{{ t('ui.lessons.difficultyUnknown') }}</p>
      </li>
    </ol>
  </div>
</template>
