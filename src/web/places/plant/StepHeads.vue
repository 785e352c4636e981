<script setup lang="ts">
import { NButton, NStep, NSteps } from 'naive-ui'
import { t } from '../../words'
import { steps, type PlantStep } from './steps'

/** The three steps of planting; any of them by a press. */
const { done } = defineProps<{ done: readonly PlantStep[] }>()
const step = defineModel<PlantStep>('step', { required: true })
const status = (one: PlantStep) => (one === step.value ? 'process' : done.includes(one) ? 'finish' : 'wait')
</script>

<template>
  <nav :aria-label="t('ui.plant.stepsOfPlanting')">
    <NSteps size="small">
      <NStep v-for="one in steps" :key="one" :status="status(one)">
        <template #title>
          <NButton text :aria-current="one === step ? 'step' : undefined" @click="step = one">{{
            t(`ui.plant.steps.${one}`)
          }}</NButton>
        </template>
      </NStep>
    </NSteps>
  </nav>
</template>
