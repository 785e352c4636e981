<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { NCheckbox } from 'naive-ui'
import { t } from '../../words'
import type { StandChoice } from './useWorkedCircuit'

/** On which circuit, along which path, in which state: and whether the example’s fault is in it. */
const props = defineProps<{ choice: StandChoice; withFault?: boolean }>()
const { name, circuit, path, fitting, stateId, state, faulted, isExample, demos, own, choose } = props.choice
</script>

<template>
  <form
    class="where flex flex-wrap gap-y-8px gap-x-16px items-end"
    :aria-label="t('ui.handbook.circuitOfTheExample')"
    @submit.prevent
  >
    <Choice
      :label="t('ui.common.circuit')"
      :value="name"
      :entries="[
        {
          group: t('ui.handbook.ofTheBook'),
          entries: entriesOf(
            demos,
            (one) => one.id,
            (one) => one.name,
          ),
        },
        ...(own.length
          ? [
              {
                group: t('ui.handbook.yours'),
                entries: entriesOf(
                  own,
                  (one) => one.id,
                  (one) => one.name,
                ),
              },
            ]
          : []),
      ]"
      @update:value="choose($event!)"
    />
    <Choice
      v-if="fitting.length > 1"
      :label="t('ui.common.path')"
      :value="path || fitting[0]"
      :entries="
        entriesOf(
          fitting,
          (id) => id,
          (id) => circuit.paths.find((p) => p.id === id)?.name || id,
        )
      "
      @update:value="path = $event!"
    />
    <Choice
      :label="t('ui.common.state')"
      :value="state.id"
      :entries="
        entriesOf(
          circuit.states,
          (s) => s.id,
          (s) => s.name,
        )
      "
      @update:value="stateId = $event!"
    />
    <NCheckbox v-if="withFault && isExample" v-model:checked="faulted" class="tick">{{
      t('ui.handbook.withAFaultPlanted')
    }}</NCheckbox>
  </form>
</template>
