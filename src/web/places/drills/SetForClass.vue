<script setup lang="ts">
import { NButton, NDatePicker, NInput, NInputNumber } from 'naive-ui'
import { computed } from 'vue'
import { z } from 'zod'
import { newDrillSetSchema } from '../../../contract/drills'
import { dayOf } from '../../../contract/days'
import { classListSchema } from '../../../contract/classes'
import { send } from '../../api/client'
import { useServer } from '../../api/useServer'
import Choice from '../../parts/Choice.vue'
import Several from '../../parts/Several.vue'
import FormField from '../../parts/FormField.vue'
import Panel from '../../parts/Panel.vue'
import { useForm } from '../../parts/useForm'
import { t, tell } from '../../words'

/** Sets a class so many questions until a day. */
const { kinds } = defineProps<{ kinds: readonly string[] }>()
const emit = defineEmits<{ made: [] }>()
const classes = useServer(classListSchema, () => '/classes')
const week = 7 * 86_400_000
const form = useForm(newDrillSetSchema, () => ({
  class: null as string | null,
  name: t('ui.common.drills'),
  kinds: [] as string[],
  items: 20 as number | null,
  due: dayOf(new Date(Date.now() + week)),
}))
const classOptions = computed(() =>
  (classes.data.value ?? []).map(({ id, name }) => ({ value: id, label: name })),
)
const kindOptions = computed(() =>
  kinds.map((kind) => ({ value: kind, label: tell({ code: `learning.drills.${kind}.title` }) })),
)
async function make() {
  const done = await form.submit((body) => send(z.object({ id: z.uuid() }), '/drills/sets', body))
  if (!done) return
  form.reset()
  emit('made')
}
</script>

<template>
  <Panel :title="t('ui.drills.setForAClass')">
    <form class="grid gap-6px" @submit.prevent="make">
      <Choice
        v-model:value="form.values.class"
        :label="t('ui.common.class')"
        :entries="classOptions"
        :placeholder="t('ui.drills.chooseAClass')"
      />
      <p v-if="form.errors.class" class="wrong" role="alert">{{ t('ui.drills.chooseAClass') }}</p>
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.common.name')">
        <NInput v-model:value="form.values.name" :input-props="field" />
      </FormField>
      <Several
        v-model:value="form.values.kinds"
        :label="t('ui.drills.kinds')"
        :entries="kindOptions"
        :placeholder="t('ui.drills.chooseKinds')"
      />
      <p v-if="form.errors.kinds" class="wrong" role="alert">{{ form.errors.kinds }}</p>
      <div class="grid grid-cols-2 gap-10px">
        <FormField v-slot="{ field }" :form="form" name="items" :label="t('ui.drills.questions')">
          <NInputNumber
            v-model:value="form.values.items"
            :min="1"
            :max="60"
            :precision="0"
            :show-button="false"
            :input-props="field"
          />
        </FormField>
        <FormField v-slot="{ field }" :form="form" name="due" :label="t('ui.drills.until')">
          <NDatePicker
            v-model:formatted-value="form.values.due"
            type="date"
            value-format="yyyy-MM-dd"
            format="d MMM yyyy"
            :actions="null"
            :input-props="field"
          />
        </FormField>
      </div>
      <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
      <NButton type="primary" attr-type="submit" class="justify-self-start" :loading="form.busy">{{
        t('ui.drills.setIt')
      }}</NButton>
    </form>
  </Panel>
</template>
