<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import type { Drills } from '../../../contract/drill-sets'
import Panel from '../../parts/Panel.vue'
import { t, tell } from '../../words'

/** What somebody can do, skill by skill, with how sure that is; never beside anybody else. */
defineProps<{ levels: Drills['levels'] }>()
const emit = defineEmits<{ drill: [kind: string] }>()
const percent = (x: number) => Math.round(100 * x)
/** Half-width of the level in points of a hundred, out of logits. */
const give = ({ level, spread }: Drills['levels'][number]) =>
  Math.max(1, percent(spread * level * (1 - level)))
const titleOf = (kind: string) => tell({ code: `learning.drills.${kind}.title` })
</script>

<template>
  <Panel :title="t('ui.drills.yourSkills')">
    <ul class="m-0 p-0 list-none grid gap-8px">
      <li
        v-for="one in levels"
        :key="one.kind"
        class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-8px items-center"
      >
        <NButton
          text
          type="primary"
          class="!justify-start !whitespace-normal !text-left !h-auto"
          @click="emit('drill', one.kind)"
          >{{ titleOf(one.kind) }}</NButton
        >
        <span class="quiet text-13px">{{
          one.answers
            ? t('ui.drills.level', { level: percent(one.level), give: give(one) })
            : t('ui.drills.notYet')
        }}</span>
        <NProgress
          class="col-span-2"
          type="line"
          :height="6"
          :percentage="one.answers ? percent(one.level) : 0"
          :show-indicator="false"
          :aria-label="titleOf(one.kind)"
        />
      </li>
    </ul>
    <p class="quiet mt-8px">{{ t('ui.drills.howToRead') }}</p>
  </Panel>
</template>
