<script setup lang="ts">
import { NSelect, type SelectGroupOption, type SelectOption } from 'naive-ui'
import { computed } from 'vue'
import { mostClasses, mostPeople } from '../../contract/scope'
import { useScope } from '../stores/scope'
import { t } from '../words'

/** Whose work is meant: one class, several, or some of their people. Own classes come first; the choice is remembered. */
const { withPeople = false } = defineProps<{
  /** People can be chosen one by one though no class is. */
  withPeople?: boolean
}>()
const store = useScope()
const option = ({ id, name, term, members }: (typeof store.classes)[number]): SelectOption => ({
  value: id,
  label: [name, term].filter(Boolean).join(', ') + ` (${members.length})`,
})
const options = computed((): (SelectOption | SelectGroupOption)[] => {
  const own = store.classes.filter((one) => one.own)
  const others = store.classes.filter((one) => !one.own)
  if (!own.length || !others.length) return store.classes.map(option)
  return [
    { type: 'group', key: 'own', label: t('ui.parts.yourClasses'), children: own.map(option) },
    { type: 'group', key: 'others', label: t('ui.parts.otherClasses'), children: others.map(option) },
  ]
})
const people = computed(() => store.members.map(({ id, name }) => ({ value: id, label: name })))
const chooseClasses = (classes: string[]) =>
  store.choose({ ...store.scope, classes: classes.slice(0, mostClasses) })
const choosePeople = (students: string[]) =>
  store.choose({ ...store.scope, students: students.slice(0, mostPeople) })
</script>

<template>
  <div
    v-if="store.classes.length || withPeople"
    class="flex flex-wrap gap-8px"
    role="group"
    :aria-label="t('ui.parts.whoseWork')"
  >
    <NSelect
      v-if="store.classes.length"
      :value="store.scope.classes"
      :options="options"
      multiple
      filterable
      clearable
      size="small"
      max-tag-count="responsive"
      class="classes"
      :class="store.scope.classes.length ? 'w-250px' : 'w-200px'"
      :placeholder="t('ui.common.everybody')"
      :input-props="{ 'aria-label': t('ui.common.class') }"
      @update:value="chooseClasses"
    />
    <NSelect
      v-if="withPeople || store.scope.classes.length"
      :value="store.scope.students"
      :options="people"
      multiple
      filterable
      clearable
      size="small"
      max-tag-count="responsive"
      class="w-200px"
      :placeholder="t('ui.parts.all', { count: people.length })"
      :input-props="{ 'aria-label': t('ui.parts.onlyThesePeople') }"
      @update:value="choosePeople"
    />
  </div>
</template>
