<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { faultOfKind } from '../../../core/faults'
import { partOfKind, type FaultKind } from '../../../core/parts'
import type { DeskModel } from './useDesk'

const props = defineProps<{ model: DeskModel }>()
const part = ref('')
const kind = ref<FaultKind | ''>('')
const sure = ref(70)
const wrong = ref('')
const kinds = computed<FaultKind[]>(() => {
  const found = props.model.circuit.parts.find((p) => p.id === part.value)
  return found ? [...new Set(partOfKind(found.kind).segments.flatMap((s) => s.faults))] : []
})

async function conclude() {
  wrong.value = ''
  if (!part.value || !kind.value) {
    wrong.value = 'Name the part and how it failed'
    return
  }
  await props.model.act({ type: 'conclude', part: part.value, kind: kind.value, sure: sure.value, note: '' })
}
</script>

<template>
  <form class="conclude" aria-label="Conclusion" @submit.prevent="conclude">
    <label class="field"
      >Part
      <select v-model="part" @change="kind = ''">
        <option value="" disabled>Choose</option>
        <option v-for="p in model.circuit.parts" :key="p.id" :value="p.id">{{ p.id }} {{ p.name }}</option>
      </select>
    </label>
    <label class="field"
      >How it failed
      <select v-model="kind" :disabled="!part">
        <option value="" disabled>Choose</option>
        <option v-for="k in kinds" :key="k" :value="k">{{ faultOfKind(k).title }}</option>
      </select>
    </label>
    <label class="field"
      >How sure: {{ sure }} %
      <input v-model.number="sure" type="range" min="0" max="100" step="5" />
    </label>
    <NButton attr-type="submit" :loading="model.busy" :disabled="model.inferenceDue"> Conclude </NButton>
    <p v-if="wrong" class="wrong" role="alert">
      {{ wrong }}
    </p>
  </form>
</template>

<style scoped>
.conclude {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 10px;
  align-items: end;
}
.wrong {
  grid-column: 1 / -1;
}
</style>
