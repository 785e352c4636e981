<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { madeSchema, templateListSchema } from '../../../contract/lists'
import { post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import Segments from '../../parts/Segments.vue'
import Dialog from '../../shell/Dialog.vue'
import { t } from '../../words'

/** A circuit from a template near to it, or from an empty bench. */
const show = defineModel<boolean>('show', { required: true })
const router = useRouter()
const templates = useServer(templateListSchema, () => (show.value ? '/templates' : undefined))
const { busy, wrong, act } = useAct()
const name = ref('')
const template = ref('')
const volts = ref<12 | 24>(12)
watch(show, (now) => now && (wrong.value = ''))

const make = () =>
  act(async () => {
    const called = name.value.trim()
    const stored = template.value
      ? await send(madeSchema, `/templates/${template.value}`)
      : await send(
          madeSchema,
          '/circuits',
          // The engine is fetched when it is first needed: nobody waits for it to see a list.
          (await import('../../../core/editing')).emptyCircuit(
            called || t('ui.home.newCircuitTitle'),
            volts.value,
          ),
        )
    if (template.value && called)
      await post(`/circuits/${stored.id}/edits`, {
        revision: stored.revision,
        edit: { type: 'rename', name: called },
      })
    await router.push({ name: 'bench', params: { id: stored.id } })
  })
</script>

<template>
  <Dialog v-model:show="show" :title="t('ui.home.newCircuitTitle')">
    <form
      class="grid gap-12px justify-items-stretch"
      :aria-label="t('ui.home.newCircuitTitle')"
      @submit.prevent="make"
    >
      <Choice
        v-model:value="template"
        :label="t('ui.home.startFrom')"
        size="medium"
        :entries="[
          { value: '', label: t('ui.home.anEmptyBench') },
          ...entriesOf(
            templates.data.value ?? [],
            (one) => one.file,
            (one) => `${one.name} (${one.vehicle})`,
          ),
        ]"
      />
      <label class="field"
        >{{ t('ui.common.name') }}
        <NInput v-model:value="name" :placeholder="t('ui.home.coolingFanOfMyVan')" autofocus
      /></label>
      <Segments
        v-if="!template"
        v-model:value="volts"
        :label="t('ui.home.system')"
        :entries="[
          { value: 12, label: '12 V' },
          { value: 24, label: '24 V' },
        ]"
      />
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <div>
        <NButton type="primary" attr-type="submit" :loading="busy">{{ t('ui.home.openOnTheBench') }}</NButton>
      </div>
    </form>
  </Dialog>
</template>

<style scoped>
.segments {
  justify-self: start;
}
</style>
