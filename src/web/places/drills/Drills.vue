<script setup lang="ts">
import { NButton, NProgress, NTabPane, NTabs } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { drillsSchema, heldListSchema } from '../../../contract/drills'
import { useServer } from '../../api/useServer'
import { dayWords } from '../../parts/when'
import Panel from '../../parts/Panel.vue'
import Ideas from '../../readings/Ideas.vue'
import { useSession } from '../../stores/session'
import { t, tell } from '../../words'
import Levels from './Levels.vue'
import Question from './Question.vue'
import SetForClass from './SetForClass.vue'
import SetProgress from './SetProgress.vue'
import { sitting, useDrill } from './useDrill'

/** Ten minutes alone: questions out of the engine, told at once, and what they say of each skill. */
const route = useRoute()
const router = useRouter()
const session = useSession()
const teaches = session.user?.role === 'instructor'
const drills = useServer(drillsSchema, () => '/drills')
const ideas = useServer(heldListSchema, () => (teaches ? undefined : '/ideas/mine'))
await drills.ready()
const queryOf = (key: string) => (typeof route.query[key] === 'string' ? route.query[key] : undefined)
const kind = computed(() => queryOf('kind'))
const set = computed(() => queryOf('set'))
const drill = useDrill(() => ({
  ...(kind.value && { kind: kind.value }),
  ...(set.value && { set: set.value }),
}))
const { item, told, given, shares, right, over, wrong, busy } = drill
const kinds = computed(() => (drills.data.value?.levels ?? []).map((one) => one.kind))
const sets = computed(() => drills.data.value?.sets ?? [])
const about = computed(() =>
  kind.value
    ? tell({ code: `learning.drills.${kind.value}.title` })
    : (sets.value.find(({ id }) => id === set.value)?.name ?? t('ui.drills.whatTeachesMost')),
)
async function begin(query: Record<string, string> = {}) {
  drill.leave()
  await router.replace({ name: 'drills', query })
  await drill.next()
}
async function onward() {
  if (over.value) shares.value = []
  await drill.next()
}
async function end() {
  drill.leave()
  await router.replace({ name: 'drills' })
  await Promise.all([drills.again(), teaches ? undefined : ideas.again()])
}
// What was answered shows at once beside the question.
watch(told, (now) => now && void drills.again())
if (kind.value || set.value) await drill.next()
const progress = ref<InstanceType<typeof SetProgress> | null>(null)
</script>

<template>
  <div class="drills grid gap-14px content-start max-w-1240px w-full my-0 mx-auto py-18px px-20px">
    <div class="flex flex-wrap gap-x-16px gap-y-6px items-center">
      <h1>{{ t('ui.common.drills') }}</h1>
      <template v-if="item">
        <span>{{ about }}</span>
        <NProgress
          class="!w-160px"
          type="line"
          :percentage="Math.round((100 * shares.length) / sitting)"
          :show-indicator="false"
          :aria-label="t('ui.drills.sitting')"
        />
        <span class="quiet">{{ t('ui.drills.soFar', { done: shares.length, of: sitting, right }) }}</span>
        <NButton size="small" class="ml-auto" @click="end">{{ t('ui.drills.end') }}</NButton>
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div v-if="item" class="grid gap-16px items-start running">
      <div class="grid gap-12px">
        <Question
          :item="item"
          :told="told"
          :given="given"
          :busy="busy"
          @answer="drill.answer"
          @next="onward"
        />
        <p v-if="over" role="status">
          {{ t('ui.drills.sittingOver', { right, of: sitting }) }}
        </p>
      </div>
      <Levels :levels="drills.data.value?.levels ?? []" @drill="begin({ kind: $event })" />
    </div>
    <NTabs v-else type="line" size="small" :default-value="'try'">
      <NTabPane name="try" :tab="teaches ? t('ui.drills.tryIt') : t('ui.drills.practise')">
        <div class="grid gap-16px items-start begin">
          <div class="grid gap-14px">
            <Panel :title="t('ui.drills.tenQuestions')">
              <div class="grid gap-10px">
                <p>{{ t('ui.drills.howItWorks') }}</p>
                <NButton
                  type="primary"
                  size="large"
                  class="justify-self-start"
                  :loading="busy"
                  @click="begin()"
                  >{{ t('ui.drills.start') }}</NButton
                >
                <p v-if="drills.data.value?.today" class="quiet">
                  {{ t('ui.drills.today', { count: drills.data.value.today }) }}
                </p>
              </div>
            </Panel>
            <Panel v-if="sets.length" :title="t('ui.drills.setForYou')">
              <ul class="m-0 p-0 list-none grid gap-8px">
                <li v-for="one in sets" :key="one.id" class="flex flex-wrap gap-10px items-center">
                  <strong>{{ one.name }}</strong>
                  <span>{{
                    t('ui.drills.setUntil', { done: one.done, of: one.items, due: dayWords(one.due) })
                  }}</span>
                  <NButton
                    size="small"
                    :type="one.done < one.items ? 'primary' : 'default'"
                    @click="begin({ set: one.id })"
                    >{{ one.done < one.items ? t('ui.drills.goOn') : t('ui.drills.again') }}</NButton
                  >
                </li>
              </ul>
            </Panel>
            <Panel v-if="ideas.data.value?.length" :title="t('ui.drills.yourIdeas')">
              <Ideas :ideas="ideas.data.value" />
              <p class="quiet mt-8px">{{ t('ui.drills.ideasNote') }}</p>
            </Panel>
          </div>
          <Levels :levels="drills.data.value?.levels ?? []" @drill="begin({ kind: $event })" />
        </div>
      </NTabPane>
      <NTabPane v-if="teaches" name="set" :tab="t('ui.drills.forClasses')" display-directive="show:lazy">
        <div class="grid gap-16px items-start begin">
          <SetProgress ref="progress" />
          <SetForClass :kinds="kinds" @made="progress?.again()" />
        </div>
      </NTabPane>
    </NTabs>
  </div>
</template>

<style scoped>
.running,
.begin {
  grid-template-columns: minmax(0, 1fr) minmax(260px, 340px);
}
@media (max-width: 860px) {
  .running,
  .begin {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
