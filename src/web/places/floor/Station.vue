<script setup lang="ts">
import { speakerWith, t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { FloorAct, FloorRow } from '../../../contract/floor'
import { ruleTexts } from '../../../core/assessment/rules/registry'
import { actWords } from './actWords'
import Curve from './Curve.vue'
import { needOf, type Need } from './needs'

const props = defineProps<{ row: FloorRow; now: number }>()
const emit = defineEmits<{ act: [act: FloorAct] }>()
const need = computed(() => needOf(props.row, props.now))
const say = speakerWith(ruleTexts)
const words: Readonly<Record<Need, string>> = {
  unsafe: 'unsafe',
  stopped: 'stopped',
  stuck: 'stuck',
  waiting: t('finished: waits for you'),
  working: t('at work'),
  new: t('not begun'),
  done: t('given back'),
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
  <li class="station" :data-need="need">
    <header>
      <span v-if="row.station" class="bench">{{ row.station }}</span>
      <RouterLink :to="{ name: 'review', params: { id: row.id } }" class="who">{{
        row.student.name
      }}</RouterLink>
      <RouterLink
        :to="{ name: 'show-desk', params: { id: row.id } }"
        class="aloud"
        :title="t('On the wall, without a name')"
        >{{ t('Show') }}</RouterLink
      >
      <span class="need">{{ t(words[need]) }}</span>
    </header>
    <p class="what">{{ row.circuit }}</p>
    <p v-for="one in row.unsafe.slice(-2)" :key="one.step" class="danger" role="alert">
      {{ say(one.what) }}
    </p>
    <p v-if="row.stopped" class="danger">{{ row.stopped }}</p>
    <div class="state">
      <Curve v-if="row.left && row.left.length > 1" :left="row.left" />
      <span
        ><b>{{ row.tests }}</b> {{ t('readings')
        }}<template v-if="row.left?.length"
          >, <b>{{ row.left.at(-1) }}</b> {{ t('left') }}</template
        ></span
      >
      <span v-if="minutes !== null">{{ t('{minutes} min', { minutes }) }}</span>
      <span v-if="row.hints">{{ t('{hints} hints', { hints: row.hints }) }}</span>
      <span v-if="row.idle > 1">{{ t('{idle} told nothing', { idle: row.idle }) }}</span>
    </div>
    <p v-if="row.last" class="quiet last">{{ actWords(row.last) }}</p>
    <form v-if="saying" @submit.prevent="send">
      <NInput
        v-model:value="text"
        size="small"
        autofocus
        :input-props="{ 'aria-label': saying === 'stop' ? t('Why it is stopped') : t('What to say') }"
        :placeholder="
          saying === 'stop' ? t('Leads off, switch off. I am on my way.') : t('What would it read if …?')
        "
      />
      <NButton size="small" :type="saying === 'stop' ? 'error' : 'primary'" attr-type="submit">{{
        saying === 'stop' ? t('Stop the work') : t('Say it')
      }}</NButton>
      <NButton size="small" quaternary @click="saying = ''">{{ t('Leave it') }}</NButton>
    </form>
    <div v-else-if="!row.concluded" class="acts">
      <button type="button" class="small" @click="saying = 'nudge'">{{ t('Nudge …') }}</button>
      <button type="button" class="small" @click="emit('act', { type: 'hints' })">{{ t('Hints') }}</button>
      <button type="button" class="small" @click="emit('act', { type: 'extend', minutes: 10 })">
        {{ t('+10 min') }}
      </button>
      <button v-if="row.stopped === null" type="button" class="small" @click="saying = 'stop'">
        {{ t('Stop …') }}
      </button>
      <button v-else type="button" class="small" @click="emit('act', { type: 'go' })">
        {{ t('Let it go on') }}
      </button>
    </div>
  </li>
</template>

<style scoped>
.station {
  display: grid;
  gap: 5px;
  align-content: start;
  padding: 9px 12px 10px;
  background: var(--sheet);
  border: 1px solid var(--rule);
  border-left: 5px solid var(--rule);
}
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
header {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
.bench {
  font-family: var(--face-readings);
}
.who {
  font-weight: 500;
  font-size: 16px;
}
.need {
  margin-left: auto;
}
[data-need='unsafe'] .need,
.danger {
  color: var(--fault);
  font-weight: 500;
}
.state {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  align-items: center;
}
.last {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.acts,
form {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
