<script setup lang="ts">
import { slot } from '../../words/slots'
import Sentence from '../../parts/Sentence.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { formatPlain, formatQuantity, t, tell } from '../../words'
import { computed, onScopeDispose, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { wireUp } from '../../../core/model'
import { type Circuit, type CircuitState } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'
import { partOfKind } from '../../../core/parts'
import { paletteOf, useScheme } from '../../theme/scheme'
import { axis, base, line, words } from '../../charts/chart'
import Chart from '../../charts/Chart.vue'
import type { CourseAsk, CourseSays } from '../../workers/course'
import { startWorker } from '../../workers/start'

const props = defineProps<{ circuit: Circuit; faults: readonly Fault[]; state: CircuitState }>()

const scheme = useScheme()
/** What it was in before: the state that differs from this one in the fewest controls. */
const before = ref('')
const seconds = ref(0.5)
const what = ref('')
const says = shallowRef<CourseSays | null>(null)
const busy = ref(false)

const others = computed(() => props.circuit.states.filter((s) => s.id !== props.state.id))
const pieces = computed(() =>
  props.circuit.parts.flatMap((part) => {
    const { segments, role, loads, title, protects } = partOfKind(part.kind)
    // What has a course of its own, loads that have none, and what guards them.
    const own = segments.filter(
      (s) => s.inTime || protects?.segment === s.key || (role === 'load' && loads?.includes(s.key)),
    )
    return own.map((s) => ({
      value: `${part.id}.${s.key}`,
      guards: protects !== undefined,
      text: t('ui.plant.ampsOf', { id: part.id, title: part.name || tell(title) }),
    }))
  }),
)
const points = computed(() => wireUp(props.circuit).points.filter((p) => !p.inside && p.node !== 0))
const apart = (a: CircuitState, b: CircuitState) =>
  Object.keys({ ...a.controls, ...b.controls }).filter((id) => a.controls[id] !== b.controls[id]).length +
  a.detached.length +
  b.detached.length
watch(
  () => props.state.id,
  () =>
    (before.value =
      [...others.value].sort((a, b) => apart(a, props.state) - apart(b, props.state))[0]?.id ?? ''),
  { immediate: true },
)
watch(pieces, (list) => (what.value ||= list.find((p) => !p.guards)?.value ?? list[0]?.value ?? ''), {
  immediate: true,
})

let worker: Worker | null = null
const stop = () => worker?.terminate()
onScopeDispose(stop)
watch(
  () => [props.circuit, props.faults, props.state, before.value, seconds.value, what.value] as const,
  () => {
    const from = props.circuit.states.find((s) => s.id === before.value)
    if (!from || !what.value) return
    stop()
    busy.value = true
    worker = startWorker('course')
    worker.onmessage = ({ data }: MessageEvent<CourseSays>) => {
      says.value = data
      busy.value = false
    }
    const [part, segment] = what.value.split('.') as [string, string | undefined]
    const isPoint = what.value.startsWith('@')
    const ask: CourseAsk = {
      circuit: props.circuit,
      faults: props.faults,
      from,
      to: props.state,
      until: seconds.value,
      what: isPoint ? { point: what.value.slice(1) } : { part, segment: segment ?? '' },
    }
    worker.postMessage(JSON.parse(JSON.stringify(ask)))
  },
  { immediate: true },
)

/** Times as the trade says them: milliseconds under a second. */
const after = (seconds: number): string =>
  seconds < 1 ? t('ui.plant.ms', { x: formatPlain(seconds * 1000, 3) }) : formatQuantity(seconds, 's')
const unit = computed(() => (what.value.startsWith('@') ? ('V' as const) : ('A' as const)))
const option = computed(() => {
  const p = paletteOf(scheme.value)
  const found = says.value?.ok ? says.value : null
  const trace = (key: 'healthy' | 'faulted', color: string, width: number) =>
    line(found?.[key]?.samples ?? [], color, width, { id: key })
  return {
    ...base(p),
    grid: { left: 56, right: 16, top: 14, bottom: 34 },
    xAxis: axis(p, {
      min: 0,
      max: seconds.value,
      axisLabel: { ...words(p), formatter: (v: number) => formatQuantity(v, 's') },
      splitLine: { show: false },
    }),
    yAxis: axis(p, {
      scale: unit.value === 'V',
      axisLabel: { ...words(p), formatter: `{value} ${unit.value}` },
    }),
    series: [trace('healthy', p.accent, 1.6), trace('faulted', p.fault, 3)],
  }
})
/** What both traces are at the moment under the pointer. */
const chart = useTemplateRef('chart')
const moment = ref<number | null>(null)
const look = (spot: readonly [number, number]) => (moment.value = chart.value?.valueAt(0, spot)?.[0] ?? null)
const readout = computed(() => {
  if (moment.value === null || !says.value?.ok) return ''
  const { healthy, faulted } = says.value
  const now = moment.value
  const at = (samples: Samples) => formatQuantity(samples.findLast(([s]) => s <= now)?.[1] ?? 0, unit.value)
  return [after(now), at(healthy.samples), ...(faulted ? [at(faulted.samples)] : [])].join(' · ')
})
type Samples = readonly (readonly [number, number])[]
const peak = (samples: Samples) => samples.reduce((m, [, v]) => (Math.abs(v) > Math.abs(m) ? v : m), 0)
const told = computed(() => {
  if (!says.value?.ok) return []
  const { healthy, faulted } = says.value
  return [
    { name: t('ui.common.healthy'), trace: healthy },
    ...(faulted ? [{ name: t('ui.common.faulted'), trace: faulted }] : []),
  ].map(({ name, trace }) => ({
    name,
    peak: formatQuantity(peak(trace.samples), unit.value),
    end: formatQuantity(trace.samples.at(-1)?.[1] ?? 0, unit.value),
    list: trace.happenings
      .slice(0, 6)
      .map((h) => t('ui.plant.at', { part: h.part, what: tell(h.what), time: after(h.time) }))
      .join(' · '),
  }))
})
</script>

<template>
  <section class="grid grid-cols-1 gap-8px text-13px content-start" :aria-label="t('ui.plant.inTime')">
    <div class="row flex flex-wrap gap-y-6px gap-x-10px items-center">
      <Choice
        v-model:value="before"
        :label="t('ui.plant.after')"
        labelled="beside"
        :entries="
          entriesOf(
            others,
            (s) => s.id,
            (s) => s.name,
          )
        "
      />
      <span>{{ t('ui.plant.comes', { name: state.name }) }}</span>
      <Choice
        v-model:value="what"
        :label="t('ui.plant.whatIsFollowed')"
        labelled="aloud"
        :entries="[
          ...entriesOf(
            pieces,
            (p) => p.value,
            (p) => p.text,
          ),
          ...entriesOf(
            points,
            (p) => `@${p.name}`,
            (p) => t('ui.plant.voltsAt', { name: p.name }),
          ),
        ]"
      />
      <Choice
        v-model:value="seconds"
        :label="t('ui.plant.for')"
        labelled="beside"
        :entries="entriesOf([0.02, 0.1, 0.5, 2, 10], (s) => s, after)"
      />
      <span v-if="busy" class="quiet" role="status">{{ t('ui.common.calculating') }}</span>
    </div>
    <p v-if="says && !says.ok" class="wrong" role="alert">{{ tell(says.why) }}</p>
    <Chart
      ref="chart"
      class="h-300px"
      :option="option"
      :label="t('ui.plant.theCourseInTimePeak')"
      @move="look"
      @leave="moment = null"
    />
    <output v-if="readout" class="reading" aria-live="off">{{ readout }}</output>
    <p v-for="one in told" :key="one.name">
      <Sentence :text="t('ui.plant.peak', { name: slot('name'), peak: slot('peak'), end: slot('end') })">
        <template #name
          ><b>{{ one.name }}</b></template
        >
        <template #peak
          ><span class="reading">{{ one.peak }}</span></template
        >
        <template #end
          ><span class="reading">{{ one.end }}</span></template
        > </Sentence
      ><template v-if="one.list"> · {{ one.list }}</template>
    </p>
    <p v-if="!others.length" class="quiet">{{ t('ui.plant.aSecondStateIsNeeded') }}</p>
  </section>
</template>
