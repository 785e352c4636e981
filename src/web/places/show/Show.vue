<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { storedCircuitSchema } from '../../../contract'
import { openingState, wireUp } from '../../../core/circuit'
import { noticeText } from '../../../core/parts'
import { formatQuantity } from '../../../core/quantity'
import { stateKey } from '../../../core/readings'
import { ask } from '../../api/client'
import Steps, { type Stop } from './Steps.vue'

/**
 * For the projector, read from ten metres: one key goes from the state to the question, from the question to the reading,
 * and on to the next point. What is planted is not named until it is asked for.
 */
const stored = await ask(storedCircuitSchema, `/circuits/${String(useRoute().params.id)}`)
const { circuit, plant } = stored
const faults = plant?.faults ?? []
const wiring = wireUp(circuit)
const state = ref(circuit.states.find((s) => s.id === plant?.state)?.id ?? openingState(circuit).id)
const path = ref(
  Math.max(
    0,
    circuit.paths.findIndex(({ steps }) => steps.some(({ part }) => part === faults[0]?.part)),
  ),
)
/** Twice the number of points asked, and one more where the last is still a question. */
const at = ref(0)
const showHealthy = ref(true)
const showFaulted = ref(true)

const of = (planted: typeof faults) => {
  const found = circuit.states.find((s) => s.id === state.value)!
  const key = stateKey(circuit, planted, found, { wiring })
  return key.ok ? key : null
}
const healthy = computed(() => of([]))
const faulted = computed(() => of(faults))
const stops = computed((): Stop[] => {
  const walk = healthy.value?.walks[path.value] ?? []
  const names = [...new Set(walk.flatMap(({ from, to }) => [from, to]))]
  const valueOf = (key: typeof healthy.value, name: string) =>
    key?.points.find((p) => p.name === name && !p.inside)?.value
  return names
    .filter((name) => healthy.value?.points.some((p) => p.name === name && !p.inside))
    .map((name) => ({ name, healthy: valueOf(healthy.value, name), faulted: valueOf(faulted.value, name) }))
})
const asked = computed(() => Math.ceil(at.value / 2))
const revealed = computed(() => Math.floor(at.value / 2))
const now = computed(() => stops.value[asked.value - 1])
const open = computed(() => asked.value > revealed.value)
const most = computed(() => 2 * stops.value.length)
const reads = (v: number | undefined) => (v === undefined ? 'floating' : formatQuantity(v, 'V'))
const seen = computed(() =>
  (faulted.value?.notices ?? []).map(({ part, key }) => {
    const own = circuit.parts.find((p) => p.id === part)!
    return `${own.name || part}: ${noticeText(own.kind, key)}`
  }),
)
const go = (by: number) => (at.value = Math.min(most.value, Math.max(0, at.value + by)))
const keys = [
  ['Space', 'Ask, show, on'],
  ['←', 'Back'],
  ['H F', 'Healthy, faulted'],
] as const
useEventListener('keydown', (event: KeyboardEvent) => {
  const { tagName } = event.target as HTMLElement
  if (
    ['INPUT', 'SELECT', 'TEXTAREA', 'BUTTON'].includes(tagName) ||
    (tagName === 'A' && event.key === 'Enter')
  )
    return
  if (event.ctrlKey || event.metaKey || event.altKey) return
  const key = event.key.toLowerCase()
  if (key === ' ' || key === 'arrowright' || key === 'enter' || key === 'pagedown') go(1)
  else if (key === 'arrowleft' || key === 'pageup') go(-1)
  else if (key === 'h') showHealthy.value = !showHealthy.value
  else if (key === 'f') showFaulted.value = !showFaulted.value
  else return
  event.preventDefault()
})
</script>

<template>
  <div class="show">
    <div class="top">
      <h1>{{ circuit.name }}</h1>
      <label
        ><span class="visually-hidden">State</span>
        <select v-model="state">
          <option v-for="s in circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
        </select></label
      >
      <label v-if="circuit.paths.length > 1"
        ><span class="visually-hidden">Path</span>
        <select v-model.number="path" @change="at = 0">
          <option v-for="(p, i) in circuit.paths" :key="p.id" :value="i">{{ p.name || p.id }}</option>
        </select></label
      >
    </div>
    <p class="complaint">
      <template v-if="plant?.complaint">“{{ plant.complaint }}”</template>
      <template v-else>{{ seen.join(' · ') }}</template>
    </p>
    <div class="middle" aria-live="polite">
      <p v-if="!now" class="ask">{{ seen.join(' · ') || 'Nothing to see in this state.' }}</p>
      <template v-else>
        <p class="ask">
          What does <b class="point">{{ now.name }}</b> read{{ open ? '?' : ':' }}
        </p>
        <p class="reading value" :class="{ hidden: open }">
          <span v-if="showFaulted" class="bad">{{ open ? '—' : reads(now.faulted) }}</span>
          <span v-if="showHealthy && !open" class="good">healthy {{ reads(now.healthy) }}</span>
        </p>
      </template>
    </div>
    <Steps :stops="stops" :shown="revealed" :healthy="showHealthy" :faulted="showFaulted" />
    <div class="acts">
      <button type="button" :disabled="at === 0" @click="go(-1)">Back</button>
      <button type="button" class="on" :disabled="at >= most" @click="go(1)">
        {{ open ? 'Show it' : at === 0 ? 'Ask' : 'Next point' }}
      </button>
      <button type="button" :aria-pressed="showHealthy" @click="showHealthy = !showHealthy">Healthy</button>
      <button type="button" :aria-pressed="showFaulted" @click="showFaulted = !showFaulted">Faulted</button>
      <span class="keys">{{ keys.map(([key, does]) => `${key}: ${does}`).join('   ') }}</span>
      <RouterLink :to="{ name: 'plant', params: { id: stored.id } }">Leave</RouterLink>
    </div>
  </div>
</template>

<style scoped>
.show {
  display: grid;
  grid-template-rows: auto auto auto minmax(0, 1fr) auto;
  gap: 10px;
  height: 100%;
  padding: 18px 32px;
  font-size: 26px;
}
.top,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
}
h1 {
  font-size: 34px;
}
select,
button {
  padding: 4px 14px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 4px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 26px;
}
button[aria-pressed='true'],
.on {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--paper);
}
button:disabled {
  opacity: 0.5;
}
.complaint {
  font-size: 30px;
}
.ask {
  font-size: 40px;
}
.point {
  font: 500 48px var(--face-readings);
}
.value {
  display: flex;
  gap: 50px;
  align-items: baseline;
  font-size: 92px;
  line-height: 1.1;
}
.bad {
  color: var(--fault);
}
.good {
  color: var(--accent);
  font-size: 40px;
}
.middle {
  min-height: 170px;
}
.keys {
  flex: 1;
  color: var(--quiet);
  font-size: 24px;
  white-space: pre;
}
</style>
