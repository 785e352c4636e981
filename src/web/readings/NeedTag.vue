<script setup lang="ts">
import { NTag } from 'naive-ui'
import { t } from '../words'
import type { Need } from './needs'

/** The state of somebody's work as a word on its colour. */
defineProps<{ need: Need }>()
const words: Readonly<Record<Need, string>> = {
  unsafe: t('ui.floor.unsafe'),
  stopped: t('ui.floor.stopped'),
  stuck: t('ui.floor.stuck'),
  waiting: t('ui.floor.toReview'),
  working: t('ui.floor.atWork'),
  new: t('ui.common.notBegun'),
  done: t('ui.floor.released'),
}
const colours = {
  unsafe: 'error',
  stopped: 'error',
  stuck: 'warning',
  waiting: 'info',
  working: 'success',
  new: 'default',
  done: 'default',
} as const satisfies Record<Need, string>
</script>

<template>
  <NTag size="small" :type="colours[need]" class="need" :bordered="need !== 'new'">{{ words[need] }}</NTag>
</template>
