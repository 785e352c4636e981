<script setup lang="ts">
import { NButton, NTable } from 'naive-ui'
import { computed, ref } from 'vue'
import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { formatQuantity } from '../../../core/quantity'
import { lampForFuseAmps, lampForFuseKeys } from '../../../core/readings'
import Dialog from '../../shell/Dialog.vue'
import { t, tell } from '../../words'

/** With the fault in: what the lamp does in the fuse’s place, and what a clamp reads along the harness. */
const props = defineProps<{ circuit: Circuit; faults: readonly Fault[] }>()
const keys = computed(() => lampForFuseKeys(props.circuit, props.faults))
const show = ref(false)
const amps = (value: number) => formatQuantity(value, 'A')
</script>

<template>
  <NButton v-if="keys.length" size="small" @click="show = true"
    >{{ t('ui.sheet.lampForFuseTitle') }} …</NButton
  >
  <Dialog v-model:show="show" :title="t('ui.sheet.lampForFuseTitle')" :width="680">
    <article v-for="key in keys" :key="key.fuse" class="lamp max-w-620px">
      <h2>
        {{ t('ui.sheet.lampForFuse', { fuse: key.fuse }) }}
        <span class="quiet">{{
          t('ui.sheet.lampForFuseHow', {
            amps: formatQuantity(lampForFuseAmps, 'A'),
            state: key.state.name,
            glow: tell(key.glow.text),
            volts: formatQuantity(key.volts, 'V'),
          })
        }}</span>
      </h2>
      <NTable size="small" :bordered="false" class="amps">
        <thead>
          <tr>
            <th scope="col">{{ t('ui.sheet.clampRound') }}</th>
            <th scope="col">{{ t('ui.sheet.nearTheSource') }}</th>
            <th scope="col">{{ t('ui.sheet.nearTheLoad') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="place in key.places" :key="place.part">
            <th scope="row">{{ place.part }}</th>
            <td class="reading">{{ amps(place.near) }}</td>
            <td class="reading">{{ amps(place.far) }}</td>
          </tr>
        </tbody>
      </NTable>
    </article>
  </Dialog>
</template>

<style scoped>
.amps :is(th, td) {
  background: none;
}
.amps :is(th, td):not(:first-child) {
  text-align: right;
}
</style>
