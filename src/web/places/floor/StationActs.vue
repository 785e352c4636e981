<script setup lang="ts">
import { Ellipsis } from '@lucide/vue'
import { NButton, NDropdown, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { FloorAct, FloorRow } from '../../../contract/floor'
import { t } from '../../words'

/** What an instructor can do about one student’s work that goes on. */
const { row } = defineProps<{ row: FloorRow }>()
const emit = defineEmits<{ act: [act: FloorAct] }>()
const router = useRouter()
/** Minutes that one press adds. */
const more = 10
const saying = ref<'nudge' | 'stop' | ''>('')
const text = ref('')
function send() {
  if (!saying.value || !text.value.trim()) return
  emit('act', { type: saying.value, text: text.value.trim() })
  saying.value = ''
  text.value = ''
}
const options = computed(() => [
  { key: 'hints', label: t('ui.floor.allowHints') },
  { key: 'extend', label: t('ui.floor.addMinutes', { minutes: more }) },
  { key: 'wall', label: t('ui.floor.showOnTheWall') },
])
function does(what: string) {
  if (what === 'hints') emit('act', { type: 'hints' })
  else if (what === 'extend') emit('act', { type: 'extend', minutes: more })
  else void router.push({ name: 'show-desk', params: { id: row.id } })
}
</script>

<template>
  <form v-if="saying" class="flex flex-wrap gap-6px" @submit.prevent="send">
    <NInput
      v-model:value="text"
      size="small"
      autofocus
      :input-props="{
        'aria-label': saying === 'stop' ? t('ui.floor.reasonForStopping') : t('ui.floor.message'),
      }"
      :placeholder="saying === 'stop' ? t('ui.floor.leadsOffSwitchOff') : t('ui.floor.whatWouldItReadIf')"
    />
    <NButton size="small" :type="saying === 'stop' ? 'error' : 'primary'" attr-type="submit">{{
      saying === 'stop' ? t('ui.floor.stopTheWork') : t('ui.floor.sendMessage')
    }}</NButton>
    <NButton size="small" quaternary @click="saying = ''">{{ t('ui.common.cancel') }}</NButton>
  </form>
  <div v-else class="acts flex gap-6px">
    <NButton size="small" @click="saying = 'nudge'">{{ t('ui.floor.sendMessageTo') }}</NButton>
    <NButton v-if="row.stopped === null" size="small" @click="saying = 'stop'">
      {{ t('ui.floor.stop') }}
    </NButton>
    <NButton v-else size="small" type="primary" @click="emit('act', { type: 'go' })">
      {{ t('ui.floor.resumeWork') }}
    </NButton>
    <NDropdown trigger="click" :options="options" @select="does">
      <NButton size="small" quaternary :aria-label="t('ui.floor.moreFor', { student: row.student.name })"
        ><Ellipsis :size="16"
      /></NButton>
    </NDropdown>
  </div>
</template>
