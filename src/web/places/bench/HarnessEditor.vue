<script setup lang="ts">
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
const text = (event: Event) => (event.target as HTMLInputElement).value

function add(bundle?: string) {
  const built = store.build(t('Measuring place'), (c) =>
    addPlace(c, picked.value.length ? picked.value : wires.value.slice(0, 1), bundle),
  )
  if (built?.ok) picked.value = []
}
function toggle(place: string, wire: string, on: boolean) {
  store.build(t('Harness'), (c) => setConductor(c, place, wire, on ? {} : null))
}
</script>

<template>
  <section class="harness" :aria-label="t('Harness')">
    <h3>{{ t('Harness: places for a clamp') }}</h3>
    <div v-for="bundle in circuit.bundles" :key="bundle.id">
      <div v-for="place in bundle.places" :key="place.id" class="place-row">
        <label class="field"
          >{{ place.id }}
          <input
            class="plain"
            :value="place.name"
            :aria-label="t('Name of place {id}', { id: place.id })"
            @change="store.build('Place named', (c) => namePlace(c, place.id, text($event)))"
          />
        </label>
        <span class="wires">
          <label v-for="wire in wires" :key="wire">
            <input
              type="checkbox"
              :checked="place.conductors.some((c) => c.part === wire)"
              @change="toggle(place.id, wire, ($event.target as HTMLInputElement).checked)"
            />{{ wire }}
          </label>
        </span>
        <button
          type="button"
          :aria-label="t('Take place {id} away', { id: place.id })"
          @click="store.build('Place taken away', (c) => removePlace(c, place.id))"
        >
          ✕
        </button>
      </div>
      <button type="button" @click="add(bundle.id)">
        {{ t('Another place along {id}', { id: bundle.name || bundle.id }) }}
      </button>
    </div>
    <p class="quiet">{{ t('Wires that a new place holds:') }}</p>
    <span class="wires">
      <label v-for="wire in wires" :key="wire"
        ><input v-model="picked" type="checkbox" :value="wire" />{{ wire }}</label
      >
    </span>
    <button type="button" :disabled="!picked.length" @click="add()">{{ t('New bundle with these') }}</button>
  </section>
</template>

<style scoped>
.harness {
  display: grid;
  gap: 6px;
  border-top: 1px solid var(--rule);
  padding-top: 8px;
  font-size: 12.5px;
}
.wires {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 8px;
}
.place-row {
  display: grid;
  gap: 3px;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 4px;
}
button {
  font: inherit;
  justify-self: start;
  min-height: 26px;
}
</style>
