<script setup lang="ts">
import { Redo2, Undo2 } from '@lucide/vue'
import { NButton } from 'naive-ui'
import { computed, defineAsyncComponent, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { useEventListener } from '@vueuse/core'
import type { Circuit, CircuitState } from '../../../core/circuit'
import { schools } from '../../../core/readings'
import Schematic from '../../schematic/Schematic.vue'
import { messageOf } from '../../api/client'
import { useCircuit } from '../../stores/circuit'
import BalanceLine from './BalanceLine.vue'
import DropTable from './DropTable.vue'
import Inspector from './Inspector.vue'
import PathChoice from './PathChoice.vue'
import StateBar from './StateBar.vue'
import { useReadings } from './useReadings'

const Staircase = defineAsyncComponent(() => import('../../charts/Staircase.vue'))

const route = useRoute()
const store = useCircuit()
const missing = ref('')
const chosen = ref<string | null>(null)
const path = ref(0)
const own = shallowRef<CircuitState | null>(null)

await store.load(String(route.params.id)).catch((error: unknown) => (missing.value = messageOf(error)))

const circuit = computed(() => store.circuit as Circuit)
const state = computed<CircuitState>(() => own.value ?? circuit.value.states[0]!)
const { wiring, key, trouble, walk, values, tint, notices } = useReadings(circuit, state, ref([]), path)
const lit = computed(() => store.lit ?? chosen.value)
const light = (part: string | null) => (store.lit = part)

useEventListener('keydown', (event: KeyboardEvent) => {
  if (!(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
  if ((event.target as HTMLElement).tagName === 'INPUT') return
  event.preventDefault()
  void (event.shiftKey ? store.redo() : store.undo())
})
</script>

<template>
  <p v-if="missing" class="wrong">
    {{ missing }}
  </p>
  <div v-else class="bench place" :class="{ wide: circuit.paths.length > 1 }">
    <h1 class="visually-hidden">Bench: {{ circuit.name }}</h1>
    <div class="top">
      <strong>{{ circuit.name }}</strong>
      <StateBar :circuit="circuit" :state="state" named @change="own = $event" />
      <PathChoice :circuit="circuit" :path="path" @choose="path = $event" />
      <span class="gap" />
      <NButton size="small" :disabled="!store.stored?.undo" aria-label="Undo" @click="store.undo()">
        <Undo2 :size="16" />
      </NButton>
      <NButton size="small" :disabled="!store.stored?.redo" aria-label="Redo" @click="store.redo()">
        <Redo2 :size="16" />
      </NButton>
    </div>
    <p v-if="store.failure" class="wrong banner" role="alert">
      {{ store.failure }}
    </p>
    <section class="drawing" aria-label="Drawing">
      <Schematic
        :circuit="circuit"
        :wiring="wiring"
        :values="values"
        :tint="tint"
        :lit="lit"
        :controls="state.controls"
        :detached="state.detached"
        :notices="notices"
        parts-act
        @part="chosen = $event"
        @hover="light"
      />
    </section>
    <p v-if="trouble" class="wrong">
      {{ trouble }}
    </p>
    <template v-if="key">
      <section class="stairs" aria-label="Staircase">
        <Staircase :walk="walk" :healthy="key" :lit="lit" @light="light" @choose="chosen = $event" />
      </section>
      <div class="sum">
        <BalanceLine :state="key" :school="schools[0]!.id" :path="path" />
      </div>
      <div class="scroll drops" tabindex="0" role="region" aria-label="Drops">
        <DropTable :state="key" :path="path" :lit="lit" @light="light" @choose="chosen = $event" />
      </div>
    </template>
    <div class="scroll side" tabindex="0" role="region" aria-label="Values">
      <Inspector
        v-if="chosen"
        :circuit="circuit"
        :part="chosen"
        :state="key"
        @set="(name, value) => store.edit({ type: 'setParameter', part: chosen!, name, value })"
        @name="store.edit({ type: 'namePart', part: chosen!, name: $event })"
      />
      <p v-else class="quiet">
        Choose a part in the drawing, the staircase or the table to see and change its values.
      </p>
    </div>
  </div>
</template>

<style scoped>
.bench {
  grid-template-columns: minmax(360px, 41%) minmax(0, 1fr) 230px;
  grid-template-rows: auto auto minmax(190px, 42%) auto minmax(0, 1fr);
  grid-template-areas: 'top top top' 'banner banner banner' 'draw stairs stairs' 'draw sum sum' 'draw drops side';
  gap: 6px 14px;
  padding: 8px 16px 10px;
}
.wide {
  grid-template-columns: minmax(360px, 50%) minmax(0, 1fr) 200px;
}
.top {
  grid-area: top;
}
.gap {
  flex: 1;
}
.banner {
  grid-area: banner;
}
.drawing {
  grid-area: draw;
}
.stairs {
  grid-area: stairs;
  min-height: 0;
}
.sum {
  grid-area: sum;
}

.drops {
  container-type: inline-size;
  grid-area: drops;
  background: var(--sheet);
}
.side {
  grid-area: side;
  border-left: 1px solid var(--rule);
  padding-left: 12px;
}
</style>
