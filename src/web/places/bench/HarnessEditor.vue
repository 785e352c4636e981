<script setup lang="ts">
import Committed from '../../parts/Committed.vue'
import { NButton, NCheckbox, NCheckboxGroup } from 'naive-ui'
import { say } from '../../../core/document'
import { t } from '../../words'
import { computed, ref } from 'vue'
import { addPlace, namePlace, removePlace, setConductor } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'
import { partOfKind } from '../../../core/parts'
import { useCircuit } from '../../stores/circuit'

const props = defineProps<{ circuit: Circuit }>()
const store = useCircuit()
const wires = computed(() =>
  props.circuit.parts.filter((p) => partOfKind(p.kind).role === 'conductor').map((p) => p.id),
)
const picked = ref<string[]>([])

function add(bundle?: string) {
  const built = store.build(say('ui.bench.measuringPlace'), (c) =>
    addPlace(c, picked.value.length ? picked.value : wires.value.slice(0, 1), bundle),
  )
  if (built?.ok) picked.value = []
}
function toggle(place: string, wire: string, on: boolean) {
  store.build(say('ui.bench.harness'), (c) => setConductor(c, place, wire, on ? {} : null))
}
</script>

<template>
  <section
    class="harness grid grid-cols-1 gap-6px line-t pt-8px text-12.5px"
    :aria-label="t('ui.bench.harness')"
  >
    <h3>{{ t('ui.bench.harnessPlacesForAClamp') }}</h3>
    <div v-for="bundle in circuit.bundles" :key="bundle.id">
      <div v-for="place in bundle.places" :key="place.id" class="grid gap-3px line-b pb-4px">
        <label class="field"
          >{{ place.id }}
          <Committed
            :value="place.name"
            :label="t('ui.bench.nameOfPlace', { id: place.id })"
            @change="(name) => store.build(say('ui.bench.placeNamed'), (c) => namePlace(c, place.id, name))"
          />
        </label>
        <span class="flex flex-wrap gap-y-2px gap-x-8px">
          <NCheckbox
            v-for="wire in wires"
            :key="wire"
            :checked="place.conductors.some((c) => c.part === wire)"
            @update:checked="toggle(place.id, wire, $event)"
            >{{ wire }}</NCheckbox
          >
        </span>
        <NButton
          size="tiny"
          :aria-label="t('ui.bench.takePlaceAway', { id: place.id })"
          @click="store.build(say('ui.bench.placeTakenAway'), (c) => removePlace(c, place.id))"
        >
          ✕
        </NButton>
      </div>
      <NButton size="tiny" @click="add(bundle.id)">
        {{ t('ui.bench.anotherPlaceAlong', { id: bundle.name || bundle.id }) }}
      </NButton>
    </div>
    <p class="quiet">{{ t('ui.bench.wiresThatANewPlace') }}</p>
    <NCheckboxGroup v-model:value="picked" class="flex flex-wrap gap-y-2px gap-x-8px">
      <NCheckbox v-for="wire in wires" :key="wire" :value="wire" :label="wire" />
    </NCheckboxGroup>
    <NButton size="tiny" :disabled="!picked.length" @click="add()">
      {{ t('ui.bench.newBundleWithThese') }}
    </NButton>
  </section>
</template>
