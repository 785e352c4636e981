<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { t, tell } from '../words'

/** Wrong ideas with the occasions that they rest on, and where each can be unlearned. */
defineProps<{
  ideas: readonly {
    readonly misbelief: string
    readonly shown: number
    readonly occasions: number
    readonly probability?: number
    readonly drill: string
    readonly rule: string | null
    readonly order?: string | null
  }[]
  /** Attempts can be opened. */
  opens?: boolean
}>()
const title = (key: string) => tell({ code: `learning.misbeliefs.${key}.title` })
const says = (key: string, shown: number, of: number) =>
  tell({ code: `learning.misbeliefs.${key}.says`, params: { shown, of } })
/** Never sure: people are not that regular. */
const percent = (x: number) => Math.min(99, Math.round(100 * x))
</script>

<template>
  <ul class="ideas m-0 p-0 list-none grid gap-10px">
    <li v-for="one in ideas" :key="one.misbelief" class="grid gap-2px">
      <strong>{{ title(one.misbelief) }}</strong>
      <span
        >{{ says(one.misbelief, one.shown, one.occasions)
        }}<template v-if="one.probability !== undefined"
          >: {{ t('ui.drills.likely', { percent: percent(one.probability) }) }}</template
        ></span
      >
      <span class="flex flex-wrap gap-x-12px">
        <RouterLink :to="{ name: 'drills', query: { kind: one.drill } }">{{
          t('ui.drills.drillIt')
        }}</RouterLink>
        <RouterLink v-if="one.rule" :to="{ name: 'handbook', params: { entry: `rule-${one.rule}` } }">{{
          t('ui.drills.seeIt')
        }}</RouterLink>
        <RouterLink v-if="opens && one.order" :to="{ name: 'review', params: { id: one.order } }">{{
          t('ui.drills.openAttempt')
        }}</RouterLink>
      </span>
    </li>
  </ul>
</template>
