<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { overridesSchema, type Overrides } from '../../../contract'
import { aspectNames, type Aspect, type Mark } from '../../../core/assessment'
import { parseQuantity } from '../../../core/quantity'
import { messageOf, send } from '../../api/client'

const props = defineProps<{ order: string; marks: readonly Mark[]; overrides: Overrides }>()
const emit = defineEmits<{ changed: [Overrides] }>()
const aspect = ref<Aspect>(props.marks.find((m) => m.of > 0)?.aspect ?? 'conclusion')
const points = ref('')
const note = ref('')
const wrong = ref('')
const known = computed(() => props.overrides.find((o) => o.aspect === aspect.value))
const most = computed(() => props.marks.find((m) => m.aspect === aspect.value)?.of ?? 0)
watch(
  known,
  (own) => {
    points.value = own ? String(own.points) : ''
    note.value = own?.note ?? ''
  },
  { immediate: true },
)

async function put(value: number | null) {
  wrong.value = ''
  try {
    const body = { aspect: aspect.value, points: value, note: note.value }
    emit('changed', await send(overridesSchema, `/orders/${props.order}/overrides`, body, 'PUT'))
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
function save() {
  const read = parseQuantity(points.value, '')
  if (!read.ok || read.value < 0 || read.value > most.value) {
    wrong.value = t('ui.review.aMarkLiesBetween0', { most: most.value })
    return
  }
  void put(read.value)
}
</script>

<template>
  <details class="overriding">
    <summary>{{ t('ui.review.putAMarkOfYour') }}</summary>
    <form :aria-label="t('ui.review.aMarkOfYourOwn')" @submit.prevent="save">
      <label class="field"
        >{{ t('ui.review.of') }}
        <select v-model="aspect">
          <option v-for="m in marks.filter((m) => m.of > 0)" :key="m.aspect" :value="m.aspect">
            {{ tell(aspectNames[m.aspect]) }}
          </option>
        </select>
      </label>
      <label class="field"
        >{{ t('ui.review.pointsOf', { most }) }}
        <NInput
          v-model:value="points"
          :input-props="{ 'aria-label': t('ui.common.points'), inputmode: 'decimal' }"
          placeholder=""
        />
      </label>
      <label class="field why"
        >{{ t('ui.common.why') }}
        <NInput
          v-model:value="note"
          :input-props="{ 'aria-label': t('ui.common.why') }"
          :placeholder="t('ui.review.forTheRecord')"
        />
      </label>
      <NButton attr-type="submit" type="primary" size="small">{{ t('ui.review.putIt') }}</NButton>
      <NButton v-if="known" size="small" @click="put(null)">{{ t('ui.common.takeItBack') }}</NButton>
    </form>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <ul v-if="overrides.length">
      <li v-for="o in overrides" :key="o.aspect">
        {{ tell(aspectNames[o.aspect]) }}: {{ o.points }}. {{ o.note }}
      </li>
    </ul>
  </details>
</template>

<style scoped>
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  padding: 8px 0;
}
.why {
  flex: 1;
  min-width: 200px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
summary {
  cursor: pointer;
}
</style>
