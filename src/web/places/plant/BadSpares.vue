<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { handOf, sparesOf } from '../../../core/board'
import type { Circuit } from '../../../core/circuit'
import { describeFault, faultOfKind, faultsOf, type Fault } from '../../../core/faults'
import { findPart } from '../../../core/model'
import { partOfKind } from '../../../core/parts'
import { t, tell } from '../../words'

/** Spares of the box that are bad themselves: whoever swaps before measuring learns nothing from them. */
const props = defineProps<{ circuit: Circuit; spares: readonly Fault[] }>()
const emit = defineEmits<{ change: [spares: Fault[]] }>()

const faults = computed(() =>
  sparesOf(props.circuit).flatMap((id): Fault[] => {
    const definition = partOfKind(findPart(props.circuit, id)!.kind)
    const own = new Set(handOf(definition).segments)
    return definition.segments
      .filter(({ key }) => own.has(key))
      .flatMap((segment) =>
        faultsOf(definition, segment)
          .filter((kind) => faultOfKind(kind).involves === undefined)
          .map((kind): Fault => {
            const { severity } = faultOfKind(kind)
            return { kind, part: id, segment: segment.key, ...(severity && { severity: severity.preset }) }
          }),
      )
  }),
)
const nameOf = ({ part, segment, kind }: Fault) => `${part}.${segment} ${kind}`
const options = computed(() =>
  faults.value.map((fault) => ({ value: nameOf(fault), label: tell(describeFault(props.circuit, fault)) })),
)
function choose(values: string[]) {
  // A spare has one fault: what was chosen last stands.
  const chosen = faults.value.filter((fault) => values.includes(nameOf(fault)))
  const last = values[values.length - 1]
  emit(
    'change',
    chosen.filter(
      (one) => nameOf(one) === last || !chosen.some((o) => o.part === one.part && nameOf(o) === last),
    ),
  )
}
</script>

<template>
  <div v-if="options.length" class="field">
    <span>{{ t('ui.plant.badSpares') }}</span>
    <NSelect
      multiple
      filterable
      size="small"
      :value="spares.map(nameOf)"
      :options="options"
      :placeholder="t('ui.plant.allSparesGood')"
      :input-props="{ 'aria-label': t('ui.plant.badSpares') }"
      @update:value="choose"
    />
  </div>
</template>
