<script setup lang="ts">
import { t, tell } from '../../words'
import { computed, ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { partOfKind } from '../../../core/parts'

const props = defineProps<{ circuit: Circuit }>()
const emit = defineEmits<{ found: [part: string] }>()
const text = ref('')
const known = computed(() =>
  props.circuit.parts.map((p) => ({
    id: p.id,
    title: `${p.id} ${p.name || tell(partOfKind(p.kind).title)}`,
  })),
)
function find() {
  const low = text.value.trim().toLowerCase()
  if (!low) return
  const hit =
    known.value.find((k) => k.id.toLowerCase() === low || k.title.toLowerCase() === low) ??
    known.value.find((k) => k.title.toLowerCase().includes(low))
  if (!hit) return
  emit('found', hit.id)
  text.value = ''
}
</script>

<template>
  <input
    v-model="text"
    class="plain find"
    list="parts-here"
    :aria-label="t('ui.bench.findPartTitle')"
    :placeholder="t('ui.bench.findPartTitle')"
    @change="find"
    @keydown.enter="find"
  />
  <datalist id="parts-here">
    <option v-for="k in known" :key="k.id" :value="k.title" />
  </datalist>
</template>

<style scoped>
.find {
  width: 120px;
}
</style>
