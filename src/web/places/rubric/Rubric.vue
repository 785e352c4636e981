<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { t, tell } from '../../words'
import { useDebounceFn } from '@vueuse/core'
import { NButton, NInputNumber, NTable } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import {
  orderListSchema,
  orderStates,
  rubricListSchema,
  triedRubricSchema,
  type TriedRubric,
} from '../../../contract'
import { aspectNames, aspects, rubricSchema, type Rubric } from '../../../core/assessment'
import { useRoute } from 'vue-router'
import { send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import { useLeaveGuard } from '../../shell/confirm'
import { when } from '../../parts/when'
import MarkBars from '../../readings/MarkBars.vue'
import { useScope } from '../../stores/scope'

const list = useServer(rubricListSchema, () => '/rubrics')
const versions = computed(() => list.data.value?.versions ?? [])
const scope = useScope()
const draft = ref<Rubric | null>(null)
/** From a review one comes with its attempt. */
const asked = useRoute().query.attempt
const sample = ref(typeof asked === 'string' ? asked : '')
const tried = ref<TriedRubric | null>(null)
const before = ref<TriedRubric | null>(null)
const { wrong, said: done, act } = useAct()

const current = computed(() => versions.value[0]?.rubric)
const changed = computed(() => JSON.stringify(draft.value) !== JSON.stringify(current.value))
useLeaveGuard(changed)
const sum = computed(() => aspects.reduce((all, a) => all + (draft.value?.weights[a] ?? 0), 0))

const copyOf = (rubric: Rubric): Rubric => JSON.parse(JSON.stringify(rubric)) as Rubric

async function load() {
  await list.again()
  draft.value = copyOf(versions.value[0]!.rubric)
}
await list.ready()
draft.value = copyOf(versions.value[0]!.rubric)
// The newest of each state in the scope that was looked at last: enough to try a rubric on.
await scope.load()
const lists = orderStates.map((state) =>
  useServer(orderListSchema, () => `/orders?state=${state}&${scope.query}`),
)
await Promise.all(lists.map(({ ready }) => ready()))
const orders = computed(() =>
  lists
    .flatMap(({ data }) => data.value?.rows ?? [])
    .filter((o) => o.tests > 0)
    .sort((a, b) => b.created.localeCompare(a.created)),
)

const mark = (rubric: Rubric) =>
  send(triedRubricSchema, '/rubrics/try', { rubric, ...(sample.value && { order: sample.value }) })

const tryIt = useDebounceFn(async () => {
  const read = rubricSchema.safeParse(draft.value)
  // Each field says what is wrong with it.
  if (!read.success) return
  const kept = done.value
  await act(async () => void (tried.value = await mark(read.data)), kept)
}, 300)
watch(draft, () => void tryIt(), { deep: true, immediate: true })
watch(
  [sample, current],
  async () => {
    before.value = current.value ? await mark(current.value).catch(() => null) : null
    void tryIt()
  },
  { immediate: true },
)

const keep = () =>
  act(async () => {
    const kept = await send(rubricSchema, '/rubrics', { rubric: draft.value, after: current.value!.version })
    await load()
    done.value = t('ui.rubric.keptAsVersionItMarks', {
      version: kept.version,
    })
  })

/** Shares are written in per cent, as the trade speaks of them. */
interface Percent {
  readonly label: string
  readonly of: (rubric: Rubric) => number
  readonly set: (rubric: Rubric, share: number) => void
}
const threshold = (key: keyof Rubric['thresholds'], label: string): Percent => ({
  label,
  of: ({ thresholds }) => thresholds[key],
  set: ({ thresholds }, share) => (thresholds[key] = share),
})
const own = (key: 'slip' | 'graveCap' | 'swapCap', label: string): Percent => ({
  label,
  of: (rubric) => rubric[key],
  set: (rubric, share) => (rubric[key] = share),
})
const percents: readonly Percent[] = [
  threshold('follows', t('ui.rubric.strikingOutFollowsWhileNo')),
  threshold('early', t('ui.rubric.upToThisMuchIt')),
  threshold('proven', t('ui.rubric.aConclusionIsProvenWhen')),
  own('slip', t('ui.rubric.aSlipLeavesOfIts')),
  own('graveCap', t('ui.rubric.aGraveErrorOfSafety')),
  own('swapCap', t('ui.rubric.partsInTurnLeave')),
]
/** An empty field is no number: it says so. */
const statusOf = (value: number) => (Number.isFinite(value) ? undefined : 'error')
const hundredth = (share: number) => Math.round(share * 1000) / 10
</script>

<template>
  <div
    class="rubric grid grid-cols-[minmax(400px,500px)_minmax(0,1fr)] gap-y-12px gap-x-40px max-w-1240px my-0 mx-auto p-20px items-start"
  >
    <h1 class="col-span-full m-0">{{ t('ui.rubric.howAttemptsAreMarked') }}</h1>
    <p class="about col-span-full m-0">
      {{ t('ui.rubric.whatIsHandedOutKeeps') }}
    </p>
    <form
      v-if="draft"
      class="grid gap-12px content-start"
      :aria-label="t('ui.rubric.rubric')"
      @submit.prevent="keep"
    >
      <NTable size="small" :bordered="false">
        <thead>
          <tr>
            <th scope="col">{{ t('ui.rubric.aspect') }}</th>
            <th scope="col" class="num">{{ t('ui.common.points') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="aspect in aspects" :key="aspect">
            <td>
              <label :for="`weight-${aspect}`">{{ tell(aspectNames[aspect]) }}</label>
            </td>
            <td class="num">
              <NInputNumber
                class="!w-96px ml-auto"
                size="small"
                :show-button="false"
                :min="0"
                :max="1000"
                :value="draft.weights[aspect]"
                :status="statusOf(draft.weights[aspect])"
                :input-props="{ id: `weight-${aspect}` }"
                @update:value="draft.weights[aspect] = $event ?? Number.NaN"
              />
              <span v-if="statusOf(draft.weights[aspect])" class="text-12px text-fault" role="alert">{{
                t('ui.rubric.points')
              }}</span>
            </td>
          </tr>
          <tr>
            <td>{{ t('ui.rubric.inAll') }}</td>
            <td class="num">
              <b>{{ sum }}</b>
            </td>
          </tr>
        </tbody>
      </NTable>
      <div class="grid gap-8px">
        <label
          v-for="p in percents"
          :key="p.label"
          class="grid grid-cols-[minmax(0,1fr)_auto] gap-12px items-center"
          ><span>{{ p.label }}</span>
          <span class="unit whitespace-nowrap"
            ><NInputNumber
              class="!w-96px"
              size="small"
              :show-button="false"
              :min="0"
              :max="100"
              :value="hundredth(p.of(draft))"
              :status="statusOf(p.of(draft))"
              @update:value="p.set(draft, ($event ?? Number.NaN) / 100)"
              ><template #suffix>%</template></NInputNumber
            ></span
          >
          <span
            v-if="statusOf(p.of(draft))"
            class="col-span-full text-right text-12px text-fault"
            role="alert"
            >{{ t('ui.rubric.share') }}</span
          >
        </label>
      </div>
      <div class="acts flex gap-10px">
        <NButton
          type="primary"
          attr-type="submit"
          :disabled="!changed || !rubricSchema.safeParse(draft).success"
        >
          {{ t('ui.rubric.keepAsVersion', { x: (current?.version ?? 0) + 1 }) }}
        </NButton>
        <NButton :disabled="!changed" @click="draft = copyOf(current!)">{{
          t('ui.rubric.undoTheChanges')
        }}</NButton>
      </div>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <p v-if="done" role="status">{{ done }}</p>
    </form>
    <section class="grid gap-12px content-start" :aria-label="t('ui.rubric.effectOnAnAttempt')">
      <h2 class="m-0">{{ t('ui.rubric.onThisAttempt') }}</h2>
      <Choice
        v-model:value="sample"
        :label="t('ui.rubric.attempt')"
        :entries="[
          { value: '', label: t('ui.rubric.sampleWorkLampGoodWork') },
          ...entriesOf(
            orders,
            (o) => o.id,
            (o) => `${o.student}: ${o.complaint}`,
          ),
        ]"
      />
      <template v-if="tried">
        <h3 class="m-0">{{ changed ? t('ui.rubric.withTheseChanges') : t('ui.rubric.asItStands') }}</h3>
        <MarkBars :judged="tried" />
      </template>
      <p v-else-if="!wrong" class="quiet" role="status">{{ t('ui.common.calculating') }}</p>
      <template v-if="before && changed">
        <h3 class="m-0">{{ t('ui.rubric.before') }}</h3>
        <MarkBars :judged="before" />
      </template>
      <h2 class="m-0">{{ t('ui.common.versions') }}</h2>
      <ul class="list-none m-0 p-0 grid gap-6px">
        <li v-for="v in versions" :key="v.rubric.version">
          {{
            t('ui.rubric.version', {
              version: v.rubric.version,
              ships: v.by ? `${v.by}, ${when(v.at!)}` : t('ui.rubric.asItShips'),
            })
          }}
          <NButton size="tiny" @click="draft = { ...copyOf(v.rubric), version: current!.version }">
            {{ t('ui.rubric.startFromIt') }}
          </NButton>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
@media (max-width: 900px) {
  .rubric {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
