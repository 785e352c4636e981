<script setup lang="ts">
import { NButton, NResult } from 'naive-ui'
import { useIntervalFn } from '@vueuse/core'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { messageOf, RequestFailure } from '../api/client'
import { t } from '../words'
import type { Problem } from './problem'

/** In place of what cannot be shown: what happened, and what to do. */
const props = defineProps<{ problem: Problem }>()
const router = useRouter()
const status = computed(() =>
  props.problem.error instanceof RequestFailure ? props.problem.error.status : -1,
)
/** Nobody there just now: it is tried again by itself. */
const away = computed(() => props.problem.error instanceof RequestFailure && props.problem.error.isTemporary)
const title = computed(() =>
  away.value
    ? t('ui.shell.theSchoolsServerDoesNot')
    : status.value === 404
      ? t('ui.shell.thisIsNotThereAny')
      : status.value === 403
        ? t('ui.shell.thisPlaceIsNotOpen')
        : t('ui.shell.thisPlaceCannotBeShown'),
)
useIntervalFn(() => {
  if (away.value) props.problem.again()
}, 4000)
</script>

<template>
  <NResult
    :status="away ? 'warning' : status === 404 ? 'info' : 'error'"
    :title="title"
    :description="messageOf(problem.error)"
    role="alert"
    class="py-60px px-20px"
  >
    <template #footer>
      <p v-if="away" class="quiet">{{ t('ui.shell.itIsTriedAgainBy') }}</p>
      <NButton type="primary" @click="problem.again()">{{ t('ui.shell.tryAgain') }}</NButton>
      <NButton v-if="!away" class="ml-10px" @click="router.push('/')">{{ t('ui.shell.goToToday') }}</NButton>
    </template>
  </NResult>
</template>
