<script setup lang="ts">
import { NButton, NProgress, NTabPane, NTabs } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { drillsSchema } from '../../../contract/drill-sets'
import { heldListSchema } from '../../../contract/ideas'
import { useServer } from '../../api/useServer'
import Beside from '../../parts/Beside.vue'
import { useSession } from '../../stores/session'
import { t, tell } from '../../words'
import Begin from './Begin.vue'
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
  <div
    class="drills grid grid-cols-1 gap-14px content-start max-w-1240px w-full my-0 mx-auto py-18px px-20px"
  >
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
    <div v-if="item" class="grid gap-12px">
      <Question :item="item" :told="told" :given="given" :busy="busy" @answer="drill.answer" @next="onward" />
      <p v-if="over" role="status">{{ t('ui.drills.sittingOver', { right, of: sitting }) }}</p>
    </div>
    <Begin
      v-else-if="!teaches"
      :drills="drills.data.value!"
      :ideas="ideas.data.value ?? []"
      :busy="busy"
      @begin="begin"
    />
    <NTabs v-else type="line" size="small" default-value="try">
      <NTabPane name="try" :tab="t('ui.drills.tryIt')">
        <Begin :drills="drills.data.value!" :ideas="ideas.data.value ?? []" :busy="busy" @begin="begin" />
      </NTabPane>
      <NTabPane name="set" :tab="t('ui.drills.forClasses')" display-directive="show:lazy">
        <Beside
          ><SetProgress ref="progress" /><template #side
            ><SetForClass :kinds="kinds" @made="progress?.again()" /></template
        ></Beside>
      </NTabPane>
    </NTabs>
  </div>
</template>
