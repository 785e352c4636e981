<script setup lang="ts">
import { NButton, NEmpty, NInput } from 'naive-ui'
import { ref, toRef } from 'vue'
import { leastPassword, newAccountSchema, userSchema, type User } from '../../../contract/account'
import { studentsPageSchema } from '../../../contract/people'
import { send } from '../../api/client'
import { usePages } from '../../api/usePages'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import FormField from '../../parts/FormField.vue'
import MoreRows from '../../parts/MoreRows.vue'
import ScopeChoice from '../../parts/ScopeChoice.vue'
import { useForm } from '../../parts/useForm'
import { useLeaveGuard } from '../../shell/confirm'
import { useScope } from '../../stores/scope'
import { t } from '../../words'

/** All students of the school, or those of some classes. */
const emit = defineEmits<{ added: [] }>()
const scope = useScope()
void scope.load().catch(() => undefined)
const list = usePages(studentsPageSchema, () => `/students/page?${scope.query}`)
const adding = ref(false)
const form = useForm(newAccountSchema, () => ({ name: '', login: '', password: '' }))
useLeaveGuard(toRef(() => form.changed))
const columns: Column<User>[] = [
  {
    key: 'name',
    title: t('ui.common.name'),
    head: true,
    text: (one) => one.name,
    sort: byText((one) => one.name),
  },
  {
    key: 'login',
    title: t('ui.common.signInName'),
    text: (one) => one.login,
    quiet: true,
    sort: byText((one) => one.login),
  },
]
async function add() {
  const done = await form.submit((account) => send(userSchema, '/students', account))
  if (!done) return
  form.reset()
  adding.value = false
  await list.again()
  emit('added')
}
</script>

<template>
  <div class="grid grid-cols-1 gap-12px content-start">
    <div class="flex flex-wrap gap-10px items-center">
      <ScopeChoice />
      <NButton v-if="!adding" size="small" type="primary" @click="adding = true">{{
        t('ui.classes.addAStudent')
      }}</NButton>
    </div>
    <form
      v-if="adding"
      class="flex flex-wrap gap-10px items-start"
      :aria-label="t('ui.classes.addAStudent')"
      @submit.prevent="add"
    >
      <FormField v-slot="{ field }" :form="form" name="name" :label="t('ui.common.name')"
        ><NInput v-model:value="form.values.name" :input-props="field" placeholder=""
      /></FormField>
      <FormField v-slot="{ field }" :form="form" name="login" :label="t('ui.common.signInName')"
        ><NInput
          v-model:value="form.values.login"
          :input-props="{ ...field, autocapitalize: 'none' }"
          placeholder=""
      /></FormField>
      <FormField
        v-slot="{ field }"
        :form="form"
        name="password"
        :label="t('ui.classes.firstPasswordAtLeastCharacters', { leastPassword })"
        ><NInput
          v-model:value="form.values.password"
          type="password"
          show-password-on="click"
          :input-props="{ ...field, autocomplete: 'new-password' }"
          placeholder=""
      /></FormField>
      <p v-if="form.wrong" class="wrong" role="alert">{{ form.wrong }}</p>
      <div class="flex gap-8px mt-24px">
        <NButton size="small" type="primary" attr-type="submit" :loading="form.busy">{{
          t('ui.common.add')
        }}</NButton>
        <NButton size="small" quaternary @click="adding = false">{{ t('ui.common.cancel') }}</NButton>
      </div>
    </form>
    <p v-if="list.wrong.value" class="wrong" role="alert">{{ list.wrong.value }}</p>
    <NEmpty
      v-if="!list.loading.value && !list.rows.value.length"
      :description="t('ui.classes.noStudentsYet')"
    />
    <DataTable
      v-else
      :label="t('ui.common.students')"
      :columns="columns"
      :rows="list.rows.value"
      :row-key="(one) => one.id"
      :loading="list.loading.value && !list.rows.value.length"
    />
    <MoreRows :shown="list.rows.value.length" :count="list.count.value" @more="list.more" />
  </div>
</template>
