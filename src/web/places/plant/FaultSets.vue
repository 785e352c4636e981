<script setup lang="ts">
import { t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { faultSetsSchema, type Plant } from '../../../contract/circuits'
import type { Circuit } from '../../../core/circuit'
import { checkFault, describeFault } from '../../../core/faults'
import { post } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'

const props = defineProps<{ circuit: Circuit; id: string; plant: Plant }>()
const emit = defineEmits<{ take: [plant: Plant] }>()
const name = ref('')
const { wrong, act } = useAct()
const address = `/circuits/${props.id}/fault-sets`
const { data: sets, wrong: unread, again } = useServer(faultSetsSchema, () => address)

const attempt = (work: () => Promise<unknown>) =>
  act(async () => {
    await work()
    await again()
  })
const keep = () =>
  attempt(async () => {
    await post(address, { name: name.value, plant: props.plant })
    name.value = ''
  })
const fits = (plant: Plant) => plant.faults.every((f) => checkFault(props.circuit, f) === undefined)
</script>

<template>
  <section
    class="sets grid gap-8px text-13px content-start max-w-620px"
    :aria-label="t('ui.plant.faultSets')"
  >
    <p v-if="wrong || unread" class="wrong" role="alert">{{ wrong || unread }}</p>
    <form class="flex gap-6px" @submit.prevent="keep">
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
    <p v-if="sets && !sets.length" class="quiet">
      {{ t('ui.plant.noSetKeptYetA') }}
    </p>
    <ul class="m-0 p-0 list-none">
      <li
        v-for="set in sets"
        :key="set.id"
        class="grid grid-cols-[1fr_auto_auto] gap-6px items-center line-b py-4px px-0"
      >
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
