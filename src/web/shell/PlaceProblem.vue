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
    ? t('The school’s server does not answer')
    : status.value === 404
      ? t('This is not there any more')
      : status.value === 403
        ? t('This place is not open to you')
        : t('This place cannot be shown'),
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
    class="problem"
  >
    <template #footer>
      <p v-if="away" class="quiet">{{ t('It is tried again by itself. Nothing that you did is lost.') }}</p>
      <NButton type="primary" @click="problem.again()">{{ t('Try again') }}</NButton>
      <NButton v-if="!away" class="second" @click="router.push('/')">{{ t('Go to Today') }}</NButton>
    </template>
  </NResult>
</template>

<style scoped>
.problem {
  padding: 60px 20px;
}
.second {
  margin-left: 10px;
}
</style>
