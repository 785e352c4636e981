<script setup lang="ts">
import { NTable } from 'naive-ui'
import Toggle from '../../parts/Toggle.vue'
import { verbatim } from '../../../core/document'
import { t, tell } from '../../words'
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { describeFault } from '../../../core/faults'
import {
  endOf,
  outcomeOf,
  findProcedure,
  walkThrough,
  type Procedure,
  type ProcedureStep,
} from '../../../core/handbook'
import TryIt from './TryIt.vue'
import { writeShown } from './shown'
import Where from './Where.vue'
import { closedText, useWorkedCircuit } from './useWorkedCircuit'

/** A procedure, step by step: what to do, what the engine expects here, what each outcome means and where it leads. */
const props = defineProps<{ procedure: Procedure }>()
const choice = useWorkedCircuit(
  () => props.procedure.example,
  (circuit) => props.procedure.paths(circuit),
)
const { worked, circuit, fitting, faults, faulted, closed } = choice

const walked = computed(() =>
  fitting.value.length && !closed.value ? walkThrough(props.procedure, worked.value) : [],
)
const end = computed(() => endOf(walked.value, worked.value))
const rows = computed(() =>
  props.procedure.steps.map((step) => {
    const got = closed.value ? [] : (step.reads?.(worked.value) ?? [])
    const sound = closed.value ? [] : (step.reads?.(worked.value.sound) ?? [])
    const on = walked.value.some((w) => w.step === step)
    return {
      step,
      on,
      outcome: closed.value ? -1 : outcomeOf(step, got, worked.value),
      readings: got.map((shown, i) => ({
        what: tell(shown.what),
        text: writeShown(shown),
        good: faults.value.length && sound[i] ? writeShown(sound[i]) : '',
      })),
    }
  }),
)
const numberOf = (key: string) => props.procedure.steps.findIndex((s) => s.key === key) + 1
const titleOf = (key: string) => findProcedure(key)?.title ?? verbatim(key)
const anchor = (step: ProcedureStep) => `step-${step.key}`
const trying = ref(false)
watch(
  () => props.procedure,
  () => (trying.value = false),
)
</script>

<template>
  <p>{{ tell(procedure.about) }}</p>
  <p>
    <b>{{ t('ui.handbook.when') }}</b> {{ tell(procedure.when) }}
  </p>
  <p v-for="key in procedure.cautions" :key="key" class="caution pl-10px line-l-3px-doubt">
    {{ tell({ code: `cautions.${key}` }) }}
  </p>
  <div class="flex flex-wrap gap-y-8px gap-x-16px items-end">
    <Where :choice="choice" with-fault />
    <Toggle v-if="!closed" :on="trying" @click="trying = !trying">
      {{ trying ? t('ui.handbook.backToTheSteps') : t('ui.handbook.tryIt') }}
    </Toggle>
  </div>
  <p v-if="faulted && faults.length" class="planted text-fault">
    {{ t('ui.common.planted', { join: faults.map((f) => tell(describeFault(circuit, f))).join(' · ') }) }}
  </p>
  <p v-if="closed" class="caution pl-10px line-l-3px-doubt" role="status">{{ closedText() }}</p>
  <TryIt v-if="trying && !closed" :worked="worked" :faults="procedure.example.faults" />
  <template v-else>
    <ol class="steps m-0 p-0 list-none grid gap-18px">
      <li
        v-for="(row, n) in rows"
        :id="anchor(row.step)"
        :key="row.step.key"
        class="grid gap-8px pl-14px line-l-3px"
        :class="{ on: row.on }"
      >
        <h3 class="font-normal leading-[1.4]">
          <span class="n font-readings font-medium mr-6px">{{ n + 1 }}</span> {{ tell(row.step.do) }}
        </h3>
        <NTable v-if="row.readings.length" size="small" :bordered="false">
          <thead>
            <tr>
              <th scope="col">{{ t('ui.handbook.reading') }}</th>
              <th v-if="faults.length" scope="col" class="num">{{ t('ui.handbook.sound') }}</th>
              <th scope="col" class="num">
                {{ faults.length ? t('ui.handbook.here') : t('ui.common.expected') }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(reading, i) in row.readings" :key="i">
              <td>{{ reading.what }}</td>
              <td v-if="faults.length" class="num">{{ reading.good }}</td>
              <td class="num">{{ reading.text }}</td>
            </tr>
          </tbody>
        </NTable>
        <ul class="outcomes m-0 p-0 list-none grid gap-4px">
          <li
            v-for="(outcome, o) in row.step.outcomes"
            :key="o"
            class="py-3px px-8px"
            :class="{ so: row.on && o === row.outcome }"
          >
            <b>{{ tell(outcome.when) }}.</b> {{ tell(outcome.means) }}
            <a v-if="'step' in outcome.next" :href="`#step-${outcome.next.step}`">{{
              t('ui.handbook.step', { step: numberOf(outcome.next.step) })
            }}</a>
            <RouterLink
              v-else-if="outcome.next.then"
              :to="{ name: 'handbook', params: { entry: outcome.next.then } }"
              >{{ tell(titleOf(outcome.next.then)) }}</RouterLink
            >
            <span v-if="row.on && o === row.outcome" class="here">{{ t('ui.common.here') }}</span>
          </li>
        </ul>
      </li>
    </ol>
    <p v-if="!closed" class="end font-medium" role="status">
      <template v-if="end.end === 'sound'">{{ t('ui.handbook.onThisCircuitTheWalk') }}</template>
      <template v-else-if="end.parts.length">{{
        t('ui.handbook.onThisCircuitTheWalkEnds', { join: [...new Set(end.parts)].join(', ') })
      }}</template>
      <template v-else>{{ t('ui.handbook.onThisCircuitTheWalkGoes') }}</template>
    </p>
  </template>
  <p class="quiet">{{ t('ui.handbook.source', { source: tell(procedure.source) }) }}</p>
</template>

<style scoped>
.steps > li.on {
  border-color: var(--accent);
}
.outcomes li.so {
  background: var(--accent-soft);
}
.here {
  margin-left: 8px;
  font-size: 12px;
  border: 1px solid currentcolor;
  padding: 0 5px;
}
.n-table {
  max-width: 620px;
}
</style>
