<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { FloorAct, FloorRow } from '../../../contract/floor'
import { actWords } from './actWords'
import Curve from './Curve.vue'
import { needOf, type Need } from './needs'

const props = defineProps<{ row: FloorRow; now: number }>()
const emit = defineEmits<{ act: [act: FloorAct] }>()
const need = computed(() => needOf(props.row, props.now))
const words: Readonly<Record<Need, string>> = {
  unsafe: t('ui.floor.unsafe'),
  stopped: t('ui.floor.stopped'),
  stuck: t('ui.floor.stuck'),
  waiting: t('ui.floor.finishedWaitsForYou'),
  working: t('ui.floor.atWork'),
  new: t('ui.common.notBegun'),
  done: t('ui.floor.givenBack'),
}
const minutes = computed(() =>
  props.row.began ? Math.max(0, Math.floor((props.now - Date.parse(props.row.began)) / 60_000)) : null,
)
const saying = ref<'nudge' | 'stop' | ''>('')
const text = ref('')
function send() {
  if (!saying.value || !text.value.trim()) return
  emit('act', { type: saying.value, text: text.value.trim() })
  saying.value = ''
  text.value = ''
}
</script>

<template>
  <li
    class="station grid gap-5px content-start pt-9px px-12px pb-10px bg-sheet line line-l-5px"
    :data-need="need"
  >
    <header class="flex flex-wrap gap-y-0 gap-x-8px items-baseline">
      <span v-if="row.station" class="bench font-readings">{{ row.station }}</span>
      <RouterLink :to="{ name: 'review', params: { id: row.id } }" class="font-medium text-16px">{{
        row.student.name
      }}</RouterLink>
      <RouterLink
        :to="{ name: 'show-desk', params: { id: row.id } }"
        class="aloud"
        :title="t('ui.floor.onTheWallWithoutA')"
        >{{ t('ui.common.show') }}</RouterLink
      >
      <span class="need ml-auto">{{ words[need] }}</span>
    </header>
    <p class="what">{{ row.circuit }}</p>
    <p v-for="one in row.unsafe.slice(-2)" :key="one.step" class="text-fault font-medium" role="alert">
      {{ tell(one.what) }}
    </p>
    <p v-if="row.stopped" class="text-fault font-medium">{{ row.stopped }}</p>
    <div class="state flex flex-wrap gap-y-2px gap-x-12px items-center">
      <Curve v-if="row.left && row.left.length > 1" :left="row.left" />
      <span
        ><b>{{ row.tests }}</b> {{ t('ui.common.readings')
        }}<template v-if="row.left?.length"
          >, <b>{{ row.left.at(-1) }}</b> {{ t('ui.floor.left') }}</template
        ></span
      >
      <span v-if="minutes !== null">{{ t('ui.common.min', { minutes }) }}</span>
      <span v-if="row.hints">{{ t('ui.floor.hints', { hints: row.hints }) }}</span>
      <span v-if="row.idle > 1">{{ t('ui.floor.toldNothing', { idle: row.idle }) }}</span>
    </div>
    <p v-if="row.last" class="quiet last overflow-hidden text-ellipsis whitespace-nowrap">
      {{ actWords(row.last) }}
    </p>
    <form v-if="saying" class="flex flex-wrap gap-6px" @submit.prevent="send">
      <NInput
        v-model:value="text"
        size="small"
        autofocus
        :input-props="{
          'aria-label': saying === 'stop' ? t('ui.floor.whyItIsStopped') : t('ui.floor.whatToSay'),
        }"
        :placeholder="saying === 'stop' ? t('ui.floor.leadsOffSwitchOffI') : t('ui.floor.whatWouldItReadIf')"
      />
      <NButton size="small" :type="saying === 'stop' ? 'error' : 'primary'" attr-type="submit">{{
        saying === 'stop' ? t('ui.floor.stopTheWork') : t('ui.floor.sayIt')
      }}</NButton>
      <NButton size="small" quaternary @click="saying = ''">{{ t('ui.common.leaveIt') }}</NButton>
    </form>
    <div v-else-if="!row.concluded" class="acts flex flex-wrap gap-6px">
      <NButton size="small" @click="saying = 'nudge'">{{ t('ui.floor.nudge') }}</NButton>
      <NButton size="small" @click="emit('act', { type: 'hints' })">
        {{ t('ui.common.hints') }}
      </NButton>
      <NButton size="small" @click="emit('act', { type: 'extend', minutes: 10 })">
        {{ t('ui.floor.n10Min') }}
      </NButton>
      <NButton v-if="row.stopped === null" size="small" @click="saying = 'stop'">
        {{ t('ui.floor.stop') }}
      </NButton>
      <NButton v-else size="small" @click="emit('act', { type: 'go' })">
        {{ t('ui.floor.letItGoOn') }}
      </NButton>
    </div>
  </li>
</template>

<style scoped>
.station[data-need='working'] {
  border-left-color: var(--accent);
}
.station[data-need='stuck'] {
  border-left-color: var(--doubt);
}
.station[data-need='unsafe'],
.station[data-need='stopped'] {
  border: 2px solid var(--fault);
  border-left-width: 8px;
}
[data-need='unsafe'] .need {
  color: var(--fault);
  font-weight: 500;
}
</style>
