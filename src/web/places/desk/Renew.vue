<script setup lang="ts">
import { t } from '../../words'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { instrumentOf } from '../../../core/instruments'
import { partOfKind } from '../../../core/parts'
import type { DeskModel } from './useDesk'

/** A fuse that has blown stays so until somebody fits another; which one has is for the student to find. */
const props = defineProps<{ model: DeskModel }>()
const fuse = ref('')
const fuses = computed(() => [
  ...props.model.circuit.parts.flatMap(({ id, kind, name }) =>
    partOfKind(kind).protects?.melts ? [{ id, text: `${id} ${name}` }] : [],
  ),
  ...(props.model.desk?.frame.bag.some((key) => instrumentOf(key).device === 'multimeter')
    ? [
        { id: 'A', text: t('ui.desk.theMetersOwnAJack') },
        { id: 'mA', text: t('ui.desk.theMetersOwnMaJack') },
      ]
    : []),
])
async function renew() {
  if (fuse.value && (await props.model.act({ type: 'renew', fuse: fuse.value }))) fuse.value = ''
}
</script>

<template>
  <form class="renew" :aria-label="t('ui.desk.renewAFuse')" @submit.prevent="renew">
    <label class="field"
      >{{ t('ui.common.fuse') }}
      <select v-model="fuse">
        <option value="" disabled>{{ t('ui.common.choose') }}</option>
        <option v-for="f in fuses" :key="f.id" :value="f.id">{{ f.text }}</option>
      </select>
    </label>
    <NButton attr-type="submit" :loading="model.busy" :disabled="!fuse || model.inferenceDue">
      {{ t('ui.desk.fitANewOne') }}
    </NButton>
  </form>
</template>

<style scoped>
.renew {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: end;
}
</style>
