<script setup lang="ts">
import { t } from '../../words'
import { computed } from 'vue'
import type { Option } from './useShow'

/** What may be chosen, and once it is shown how many chose it: never who. */
const props = defineProps<{
  options: readonly Option[]
  values: readonly (number | string)[]
  shown: boolean
  /** Too many to list: those that were chosen, and the right one. */
  some?: boolean
}>()
const letter = (n: number) => String.fromCharCode(65 + n)
const rows = computed(() => {
  const all = props.options.map((option) => ({
    ...option,
    count: props.values.filter((v) => v === option.key).length,
  }))
  if (!props.some) return all
  if (!props.shown) return []
  return all
    .filter(({ count, right }) => count > 0 || right)
    .sort((a, b) => b.count - a.count)
    .slice(0, 7)
})
const most = computed(() => Math.max(1, ...rows.value.map(({ count }) => count)))
</script>

<template>
  <ol class="answers" :aria-label="t('ui.show.answers')">
    <li
      v-for="(row, n) in rows"
      :key="row.key"
      class="grid grid-cols-[52px_minmax(0,3fr)_minmax(0,1fr)_60px] gap-14px items-center py-0.1em px-14px line-1.5px"
      :class="{ right: shown && row.right }"
    >
      <span v-if="!some" class="letter" aria-hidden="true">{{ letter(n) }}</span>
      <span class="text"
        >{{ row.text }}<span v-if="shown && row.right" class="mark"> {{ t('ui.show.right') }}</span>
        <small v-else-if="shown && row.misbelief && row.count" class="text-quiet text-26px">
          ({{ row.misbelief }})</small
        ></span
      >
      <template v-if="shown && values.length">
        <span class="bar h-22px bg-focus" :style="{ width: `${(100 * row.count) / most}%` }" />
        <b>{{ row.count }}</b>
      </template>
    </li>
  </ol>
</template>

<style scoped>
.answers {
  display: grid;
  gap: clamp(5px, 1vh, 12px);
  align-content: start;
  margin: 0;
  padding: 0;
  list-style: none;
  overflow: hidden;
  font-size: clamp(24px, 3.1vh, 34px);
}
.right {
  border: 3px solid var(--accent);
}
.mark {
  color: var(--accent);
  font-weight: 600;
}
.letter {
  font: 600 34px var(--face-readings);
}
</style>
