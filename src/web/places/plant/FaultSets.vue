<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { faultSetsSchema, type FaultSets, type Plant } from '../../../contract'
import type { Circuit } from '../../../core/circuit'
import { checkFault, describeFault } from '../../../core/faults'
import { ask, messageOf, post } from '../../api/client'

const props = defineProps<{ circuit: Circuit; id: string; plant: Plant }>()
const emit = defineEmits<{ take: [plant: Plant] }>()
const sets = ref<FaultSets>([])
const name = ref('')
const wrong = ref('')
const address = `/circuits/${props.id}/fault-sets`

async function attempt(work: () => Promise<unknown>) {
  wrong.value = ''
  try {
    await work()
    sets.value = await ask(faultSetsSchema, address)
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
void attempt(() => Promise.resolve())
const keep = () =>
  attempt(async () => {
    await post(address, { name: name.value, plant: props.plant })
    name.value = ''
  })
const fits = (plant: Plant) => plant.faults.every((f) => checkFault(props.circuit, f) === undefined)
</script>

<template>
  <section class="sets" :aria-label="t('ui.plant.faultSets')">
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <form @submit.prevent="keep">
      <NInput
        v-model:value="name"
        size="small"
        :input-props="{ 'aria-label': t('ui.plant.nameOfTheSet') }"
        :placeholder="t('ui.plant.lesson3Bench2')"
      />
      <NButton
        size="small"
        type="primary"
        attr-type="submit"
        :disabled="!name.trim() || !plant.faults.length"
        >{{ t('ui.plant.keepWhatIsPlanted') }}</NButton
      >
    </form>
    <p v-if="!sets.length" class="quiet">
      {{ t('ui.plant.noSetKeptYetA') }}
    </p>
    <ul>
      <li v-for="set in sets" :key="set.id">
        <div>
          <b>{{ set.name }}</b>
          <p class="quiet">{{ set.plant.faults.map((f) => tell(describeFault(circuit, f))).join(' · ') }}</p>
        </div>
        <NButton size="tiny" :disabled="!fits(set.plant)" @click="emit('take', set.plant)">{{
          t('ui.plant.plantIt')
        }}</NButton>
        <NButton
          size="tiny"
          quaternary
          :aria-label="t('ui.plant.takeTheSetAway', { name: set.name })"
          @click="attempt(() => post(`${address}/${set.id}`, undefined, 'DELETE'))"
          >✕</NButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.sets {
  display: grid;
  gap: 8px;
  font-size: 13px;
  align-content: start;
  max-width: 620px;
}
form {
  display: flex;
  gap: 6px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 1fr auto auto;
  gap: 6px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  padding: 4px 0;
}
</style>
