<script setup lang="ts">
import Search from '../../parts/Search.vue'
import { NAlert, NButton, NTable } from 'naive-ui'
import { useKeys } from '../../keys/useKeys'
import { t, tell } from '../../words'
import { computed, nextTick, ref, watch } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import Reckon from './Reckon.vue'
import Front from './Front.vue'
import HowJudged from './HowJudged.vue'
import Limits from './Limits.vue'
import Misread from './Misread.vue'
import Symbols from './Symbols.vue'
import Walk from './Walk.vue'
import { ownExamSchema } from '../../../contract/exams'
import { useServer } from '../../api/useServer'
import { useSession } from '../../stores/session'
import { chapters, entries, found, type Entry } from './entries'

/** What people look up, reckoned: found by / from anywhere in it, for instructors and students alike. */
const route = useRoute()
const router = useRouter()
const session = useSession()
const typed = ref('')
const field = ref<HTMLInputElement | null>(null)
const exam = useServer(ownExamSchema, () => (session.user?.role === 'student' ? '/exams/mine' : undefined))
/** During an examination less is open, or nothing. */
const allowed = computed(() => exam.data.value?.handbook ?? 'open')
const inPart: readonly Entry['type'][] = ['limits', 'calculator', 'table', 'symbols', 'caution']
const isOpen = ({ type }: Entry) =>
  allowed.value === 'open' || (allowed.value === 'part' && inPart.includes(type))
const list = computed(() => found(typed.value).filter(isOpen))
const entry = computed(() => entries.find((one) => one.key === route.params.entry && isOpen(one)))
const groups = computed(() =>
  chapters
    .map(({ types, title }) => ({
      title,
      entries: list.value.filter((e) => (types as readonly string[]).includes(e.type)),
    }))
    .filter((group) => group.entries.length),
)
function first() {
  const [hit] = list.value
  if (hit) void router.replace({ name: 'handbook', params: { entry: hit.key } })
}
useKeys(t('ui.common.handbook'), [
  {
    press: ['/'],
    what: t('ui.handbook.lookSomethingUp'),
    act: () => void nextTick(() => field.value?.focus()),
  },
])
/** Whoever comes by a link sees in the list where they are. */
const nav = ref<HTMLElement | null>(null)
watch(
  () => route.params.entry,
  () =>
    void nextTick(() =>
      nav.value?.querySelector('.router-link-active')?.scrollIntoView({ block: 'nearest' }),
    ),
  { immediate: true, flush: 'post' },
)
const titleOf = (key: string) => entries.find((e) => e.key === key)?.title ?? key
const print = () => window.print()
</script>

<template>
  <div class="handbook grid grid-cols-[270px_minmax(0,1fr)] h-full min-h-0">
    <aside>
      <h1>
        <RouterLink class="text-ink no-underline" :to="{ name: 'handbook' }">{{
          t('ui.common.handbook')
        }}</RouterLink>
      </h1>
      <Search
        ref="field"
        v-model="typed"
        :label="t('ui.handbook.lookUp')"
        :placeholder="t('ui.handbook.lookUpKey')"
        @keydown.enter="first"
      />
      <p v-if="!list.length" role="status">{{ t('ui.handbook.nothingOfThatIsIn') }}</p>
      <nav ref="nav" class="overflow-auto min-h-0" :aria-label="t('ui.handbook.entries')">
        <section v-for="group in groups" :key="group.title">
          <h2 class="mt-10px text-13px text-quiet">{{ group.title }}</h2>
          <ul>
            <li v-for="one in group.entries" :key="one.key">
              <RouterLink
                class="block py-3px px-6px text-ink no-underline"
                :to="{ name: 'handbook', params: { entry: one.key } }"
                replace
                >{{ one.title }}</RouterLink
              >
            </li>
          </ul>
        </section>
      </nav>
    </aside>
    <article v-if="entry" :aria-label="entry.title">
      <header class="flex gap-16px items-center">
        <h2 class="flex-1 text-22px">{{ entry.title }}</h2>
        <NButton size="small" @click="print">{{ t('ui.common.print') }}</NButton>
      </header>
      <Reckon v-if="entry.type === 'calculator'" :key="entry.key" :calculator="entry.calculator" />
      <template v-else-if="entry.type === 'table'">
        <div class="scroll" tabindex="0" role="region" :aria-label="entry.title">
          <NTable size="small" :bordered="false">
            <thead>
              <tr>
                <th v-for="head in entry.table.head" :key="tell(head)" scope="col">{{ tell(head) }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(row, i) in entry.table.rows" :key="i">
                <td v-for="(cell, c) in row" :key="c">{{ tell(cell) }}</td>
              </tr>
            </tbody>
          </NTable>
        </div>
        <p class="quiet">{{ t('ui.handbook.source', { source: tell(entry.table.source) }) }}</p>
      </template>
      <Walk v-else-if="entry.type === 'procedure'" :key="entry.key" :procedure="entry.procedure" />
      <Limits v-else-if="entry.type === 'limits'" />
      <HowJudged v-else-if="entry.type === 'judging'" :paragraphs="entry.paragraphs" :ideas="entry.ideas" />
      <Symbols v-else-if="entry.type === 'symbols'" />
      <Misread
        v-else-if="entry.type === 'misreading'"
        :key="entry.key"
        :say="entry.say"
        :instead="entry.instead"
        :rule="entry.rule"
      />
      <template v-else-if="entry.type === 'caution'">
        <p class="caution text-17px">{{ entry.text }}</p>
        <p v-if="entry.instruments.length">
          <b>{{ t('ui.handbook.atTheDeskBeside') }}</b>
          {{ entry.instruments.map((title) => tell(title)).join(' · ') }}
        </p>
        <p v-if="entry.procedures.length">
          <b>{{ t('ui.handbook.atTheHeadOf') }}</b>
          <template v-for="(key, i) in entry.procedures" :key="key"
            >{{ i ? ' · ' : ' '
            }}<RouterLink :to="{ name: 'handbook', params: { entry: key } }">{{
              titleOf(key)
            }}</RouterLink></template
          >
        </p>
      </template>
      <p class="quiet care">
        {{ t('ui.handbook.theVehicleMakersDataLocal') }}
      </p>
    </article>
    <article v-else class="!max-w-1000px" :aria-label="t('ui.handbook.overview')">
      <NAlert v-if="allowed !== 'open'" type="warning" :show-icon="false">{{
        allowed === 'closed' ? t('ui.exams.examinationRunning') : t('ui.exams.examinationPart')
      }}</NAlert>
      <Front v-else />
    </article>
  </div>
</template>

<style scoped>
aside {
  display: grid;
  grid-template-rows: auto auto 1fr;
  gap: 8px;
  min-height: 0;
  padding: 16px;
  border-right: 1px solid var(--rule);
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li a:hover {
  text-decoration: underline;
}
li a.router-link-active {
  background: var(--ink);
  color: var(--paper);
}
article {
  display: grid;
  /* What scrolls sideways keeps its height. */
  grid-auto-rows: max-content;
  gap: 14px;
  align-content: start;
  overflow: auto;
  max-width: 900px;
  padding: 18px 28px;
}
@media (width <= 700px) {
  .handbook {
    grid-template-columns: 1fr;
    height: auto;
  }
}
@media print {
  aside,
  header button {
    display: none;
  }
  .handbook,
  article {
    display: block;
    height: auto;
    max-width: none;
    overflow: visible;
    padding: 0;
  }
  article :deep(> * + *) {
    margin-top: 12px !important;
  }
}
</style>
