<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
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
  <form
    class="grid grid-cols-[minmax(0,1fr)_auto] gap-10px items-end"
    :aria-label="t('ui.desk.renewAFuse')"
    @submit.prevent="renew"
  >
    <Choice
      v-model:value="fuse"
      :label="t('ui.common.fuse')"
      :entries="
        entriesOf(
          fuses,
          (f) => f.id,
          (f) => f.text,
        )
      "
    />
    <NButton attr-type="submit" :loading="model.busy" :disabled="!fuse || model.inferenceDue">
      {{ t('ui.desk.fitANewOne') }}
    </NButton>
  </form>
</template>
