<script setup lang="ts">
import { NAlert, NButton } from 'naive-ui'
import { useIntroduction, type Introduced } from '../stores/introduction'
import { useSession } from '../stores/session'
import { t } from '../words'

/** Offers the introduction to whoever has not seen it yet. */
const { which } = defineProps<{ which: Introduced }>()
const session = useSession()
const { begin, putAway, isNew, open } = useIntroduction(session.user?.id ?? '')
</script>

<template>
  <NAlert v-if="isNew(which) && !open" type="info" :show-icon="false" closable @close="putAway(which)">
    <span class="flex flex-wrap gap-x-12px gap-y-6px items-center">
      {{ which === 'student' ? t('ui.intro.offerStudent') : t('ui.intro.offerInstructor') }}
      <NButton size="small" type="primary" @click="begin(which)">{{ t('ui.intro.start') }}</NButton>
    </span>
  </NAlert>
</template>
