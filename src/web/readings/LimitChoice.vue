<script setup lang="ts">
import Choice from '../parts/Choice.vue'
import { entriesOf } from '../parts/choice'
import { t, tell } from '../words'
import { computed } from 'vue'
import type { Circuit } from '../../core/circuit'
import { findLimitSet, limitSetFor, limitSets } from '../../core/readings'

/** Which losses are called too much: what fits the kind of circuit, or another opinion. */
const props = defineProps<{ circuit: Circuit; limits: string }>()
const emit = defineEmits<{ choose: [limits: string] }>()

/** What is kept may name a set that is no more. */
const chosen = computed(() => findLimitSet(props.limits)?.id ?? '')
</script>

<template>
  <Choice
    :label="t('ui.common.limits')"
    labelled="beside"
    :value="chosen"
    :entries="[
      { value: '', label: t('ui.readings.forThisCircuit', { title: tell(limitSetFor(circuit).title) }) },
      ...entriesOf(
        limitSets,
        (s) => s.id,
        (s) => tell(s.title),
      ),
    ]"
    @update:value="emit('choose', $event ?? '')"
  />
</template>
