<script setup lang="ts">
import Panel from '../../parts/Panel.vue'
import { useLocalStorage } from '@vueuse/core'
import { NTag } from 'naive-ui'
import { computed, onBeforeUnmount } from 'vue'
import { RouterLink } from 'vue-router'
import { commonMistakesSchema } from '../../../contract/ledger'
import { useServer } from '../../api/useServer'
import { useSession } from '../../stores/session'
import { dayWords } from '../../parts/when'
import { t } from '../../words'
import { chapters, entries } from './entries'
import { news } from './news'

/** What the Handbook has, what is new in it, and what the last reviews suggest to read. */
const session = useSession()
const mistakes = useServer(commonMistakesSchema, () => '/mistakes')
const titled = (key: string) => entries.find((one) => one.key === key)
const suggested = computed(() =>
  (mistakes.data.value ?? []).flatMap(({ rule, times }) => {
    const entry = titled(`rule-${rule}`)
    return entry ? [{ entry, times }] : []
  }),
)
const added = news.map(({ since, keys }) => ({ since, entries: keys.flatMap((key) => titled(key) ?? []) }))
/** The day of the newest entry that was here when this page was left last. */
const seen = useLocalStorage(`brachyon.handbook.seen.${session.user?.id ?? ''}`, '')
const before = seen.value
onBeforeUnmount(() => (seen.value = news[0]!.since))
/** Titles that are shown of each chapter. */
const most = 4
const parts = chapters.map(({ types, title, about }) => {
  const own = entries.filter(({ type }) => (types as readonly string[]).includes(type))
  return { title, about, count: own.length, first: own.slice(0, most), more: own[most] }
})
</script>

<template>
  <div class="grid grid-cols-1 gap-18px">
    <p class="text-16px max-w-720px">{{ t('ui.handbook.whatItIs') }}</p>
    <Panel v-if="suggested.length" :title="t('ui.handbook.suggested')">
      <p class="quiet mb-8px">
        {{
          session.user?.role === 'student'
            ? t('ui.handbook.fromYourReviews')
            : t('ui.handbook.fromTheSchoolsReviews')
        }}
      </p>
      <ul class="m-0 p-0 list-none grid gap-4px">
        <li v-for="{ entry, times } in suggested" :key="entry.key" class="flex gap-10px items-baseline">
          <RouterLink :to="{ name: 'handbook', params: { entry: entry.key } }">{{ entry.title }}</RouterLink>
          <NTag size="small" type="warning">{{ t('ui.handbook.times', { times }) }}</NTag>
        </li>
      </ul>
    </Panel>
    <Panel :title="t('ui.handbook.whatIsNew')">
      <ul class="m-0 p-0 list-none grid gap-4px">
        <li
          v-for="{ since, entries: those } in added"
          :key="since"
          class="flex flex-wrap gap-x-10px items-baseline"
        >
          <span class="quiet min-w-140px">{{ dayWords(since) }}</span>
          <NTag v-if="since > before" size="small" type="success">{{ t('ui.handbook.new') }}</NTag>
          <RouterLink
            v-for="one in those"
            :key="one.key"
            :to="{ name: 'handbook', params: { entry: one.key } }"
            >{{ one.title }}</RouterLink
          >
        </li>
      </ul>
    </Panel>
    <div class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] gap-14px">
      <Panel v-for="part in parts" :key="part.title" :title="part.title">
        <template #extra
          ><span class="quiet">{{ t('ui.handbook.entryCount', { count: part.count }) }}</span></template
        >
        <p class="quiet mb-6px">{{ part.about }}</p>
        <ul class="m-0 p-0 list-none grid gap-3px">
          <li v-for="one in part.first" :key="one.key">
            <RouterLink :to="{ name: 'handbook', params: { entry: one.key } }">{{ one.title }}</RouterLink>
          </li>
        </ul>
      </Panel>
    </div>
    <p class="quiet">{{ t('ui.handbook.theVehicleMakersDataLocal') }}</p>
  </div>
</template>
