<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { storedCircuitSchema } from '../../../contract'
import { readCircuitText, type Circuit, type Problem } from '../../../core/circuit'
import { messageOf, RequestFailure, tell } from '../../api/client'

const router = useRouter()
const picker = ref<HTMLInputElement | null>(null)
const problems = ref<readonly Problem[]>([])
const failed = ref('')
const ready = ref<Circuit | null>(null)

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  problems.value = []
  ready.value = null
  failed.value = ''
  const read = readCircuitText(await file.text())
  if (read.ok) {
    ready.value = read.value
  } else {
    failed.value = `${file.name} cannot be taken in; nothing was changed.`
    problems.value = read.problems
  }
}

async function bringIn() {
  if (!ready.value) return
  try {
    const stored = await tell(storedCircuitSchema, '/circuits', ready.value)
    await router.push({ name: 'bench', params: { id: stored.id } })
  } catch (error) {
    failed.value = messageOf(error)
    problems.value = error instanceof RequestFailure ? error.problems : []
  }
}
</script>

<template>
  <div class="import">
    <input
      ref="picker"
      type="file"
      accept=".json,application/json"
      class="visually-hidden"
      aria-label="Circuit file"
      tabindex="-1"
      @change="take"
    />
    <NButton size="small" @click="picker?.click()"> Import a circuit … </NButton>
    <div v-if="ready" class="ready" role="status">
      <p>
        “{{ ready.name }}”: {{ ready.parts.length }} parts, {{ ready.paths.length }} path(s),
        {{ ready.states.length }} state(s).
      </p>
      <NButton size="small" type="primary" @click="bringIn"> Take it in </NButton>
      <NButton size="small" @click="ready = null"> Leave it </NButton>
    </div>
    <div v-if="failed" class="wrong" role="alert">
      <p>{{ failed }}</p>
      <ul>
        <li v-for="(problem, i) in problems.slice(0, 8)" :key="i">
          <code>{{ problem.where }}</code>: {{ problem.what }}
        </li>
      </ul>
      <p v-if="problems.length > 8">and {{ problems.length - 8 }} more</p>
    </div>
  </div>
</template>

<style scoped>
.import {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.ready {
  display: flex;
  gap: 8px;
  align-items: center;
  flex-wrap: wrap;
}
ul {
  margin: 4px 0;
  padding-left: 18px;
}
code {
  font-family: var(--face-readings);
  font-size: 12px;
}
</style>
