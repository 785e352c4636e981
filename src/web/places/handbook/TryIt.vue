<script setup lang="ts">
import { NButton } from 'naive-ui'
import { t } from '../../words'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { z } from 'zod'
import type { CircuitState } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import type { WorkedCircuit } from '../../../core/handbook'
import { limitSetFor, smallLosses } from '../../../core/readings'
import { send } from '../../api/client'
import { useAct } from '../../api/useAct'
import BalanceLine from '../../readings/BalanceLine.vue'
import { Losses, Staircase } from '../../readings/charts'
import StateBar from '../../readings/StateBar.vue'
import { useReadings } from '../../readings/useReadings'
import Schematic from '../../schematic/Schematic.vue'
import { useSession } from '../../stores/session'

/** The example’s circuit to play with: switched, measured, with its fault and without. Nothing of it is kept. */
const props = defineProps<{ worked: WorkedCircuit; faults: readonly Fault[] }>()
const session = useSession()
const router = useRouter()
const circuit = computed(() => props.worked.circuit)
const state = shallowRef<CircuitState>(props.worked.state)
watch(
  () => props.worked.state,
  (now) => (state.value = now),
)
const path = computed(() => circuit.value.paths.findIndex(({ id }) => id === props.worked.walk.path.id))
const planted = computed(() => props.worked.faults)
const healthy = useReadings(circuit, state, ref([]), path)
const now = useReadings(circuit, state, planted, path)
const lit = ref<string | null>(null)
const shown = computed(() => (planted.value.length ? now.key.value : null))
const small = computed(() => {
  const balance = (shown.value ?? healthy.key.value)?.balances[path.value]
  return !!balance && smallLosses(balance)
})
const { wrong, act } = useAct()
/** An instructor takes a copy onto the bench, in the state in question. */
const toBench = () =>
  act(async () => {
    const { id } = await send(z.object({ id: z.uuid() }), '/circuits', circuit.value)
    await router.push({ name: 'bench', params: { id }, query: { state: props.worked.state.id } })
  })
</script>

<template>
  <section class="grid grid-cols-1 gap-10px" :aria-label="t('ui.handbook.tryIt')">
    <div class="bar flex flex-wrap gap-y-8px gap-x-16px items-center">
      <StateBar :circuit="circuit" :state="state" named @change="state = $event" />
      <NButton v-if="session.user?.role === 'instructor'" size="small" @click="toBench">
        {{ t('ui.handbook.takeItToTheBench') }}
      </NButton>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="now.trouble.value" class="wrong" role="status">{{ now.trouble.value }}</p>
    <div class="drawing relative h-400px grid">
      <Schematic
        :circuit="circuit"
        :wiring="now.wiring.value"
        :values="now.values.value"
        :tint="now.tint.value"
        :lit="lit"
        :controls="state.controls"
        :detached="state.detached"
        :notices="now.notices.value"
        @hover="lit = $event"
      />
    </div>
    <template v-if="healthy.key.value">
      <BalanceLine :state="shown ?? healthy.key.value" :limits="limitSetFor(circuit)" :path="path" />
      <div class="h-220px grid">
        <Losses
          v-if="small"
          :path="path"
          :healthy="healthy.key.value"
          :faulted="shown"
          :limits="limitSetFor(circuit)"
          :lit="lit"
          @light="lit = $event"
        />
        <Staircase
          v-else
          :walk="now.walk.value"
          :healthy="healthy.key.value"
          :faulted="shown"
          :lit="lit"
          @light="lit = $event"
        />
      </div>
    </template>
  </section>
</template>
