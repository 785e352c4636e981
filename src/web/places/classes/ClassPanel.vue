<script setup lang="ts">
import { NButton, NSelect, NSwitch } from 'naive-ui'
import { computed } from 'vue'
import type { ClassList, User } from '../../../contract'
import DataTable from '../../parts/DataTable.vue'
import { byText, type Column } from '../../parts/columns'
import { t } from '../../words'

/** One class: who is in it, who teaches it. */
const { one, people } = defineProps<{ one: ClassList[number]; people: readonly User[] }>()
const emit = defineEmits<{ join: [student: string]; leave: [student: string]; teach: [teaches: boolean] }>()
const others = computed(() => {
  const there = new Set(one.members.map(({ id }) => id))
  return people
    .filter(({ id }) => !there.has(id))
    .map(({ id, name, login }) => ({ value: id, label: `${name} (${login})` }))
})
type Member = ClassList[number]['members'][number]
const columns: Column<Member>[] = [
  { key: 'name', title: t('ui.common.name'), head: true, text: (m) => m.name, sort: byText((m) => m.name) },
  {
    key: 'login',
    title: t('ui.common.signInName'),
    text: (m) => m.login,
    quiet: true,
    sort: byText((m) => m.login),
  },
  { key: 'acts', title: t('ui.common.actions'), untitled: true, width: 110 },
]
</script>

<template>
  <section class="grid grid-cols-1 gap-14px content-start" :aria-label="one.name">
    <label class="flex gap-10px items-center">
      <NSwitch
        size="small"
        :value="one.own"
        :aria-label="t('ui.classes.youTeach', { name: one.name })"
        @update:value="emit('teach', $event)"
      />
      <span>{{ t('ui.classes.youTeachItItComes') }}</span>
    </label>
    <NSelect
      v-if="others.length"
      :value="null"
      :options="others"
      filterable
      size="small"
      class="max-w-340px"
      :placeholder="t('ui.classes.addAStudent')"
      :input-props="{ 'aria-label': t('ui.classes.addAStudentTo', { name: one.name }) }"
      @update:value="(student: string) => emit('join', student)"
    />
    <DataTable :label="one.name" :columns="columns" :rows="one.members" :row-key="(m) => m.id">
      <template #cell-acts="{ row }">
        <NButton
          text
          type="primary"
          :aria-label="t('ui.classes.removeFrom', { name: row.name, class: one.name })"
          @click="emit('leave', row.id)"
          >{{ t('ui.common.remove') }}</NButton
        >
      </template>
    </DataTable>
  </section>
</template>
