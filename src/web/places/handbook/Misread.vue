<script setup lang="ts">
import Toggle from '../../parts/Toggle.vue'
import { t, tell } from '../../words'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { describeFault } from '../../../core/faults'
import { ruleWords, type TechniqueRule } from '../../../core/assessment'
import { procedures, shownOf, workedCircuitOf } from '../../../core/handbook'
import TryIt from './TryIt.vue'
import { writeShown } from './shown'
import { demoCircuits } from './circuits'

/** A rule of technique on one circuit: the wrong reading, and the right one. */
const props = defineProps<{ say: string; instead: string; rule: TechniqueRule }>()
const example = computed(() => props.rule.example)
const faults = computed(() => example.value.faults ?? [])
const worked = computed(() => workedCircuitOf(example.value, demoCircuits.get(example.value.circuit)!))
const trying = ref(false)
const both = computed(() =>
  [example.value.wrong, example.value.right].map((reading) => shownOf(worked.value, reading)),
)
const linked = computed(() => procedures.filter(({ key }) => props.rule.procedures.includes(key)))
</script>

<template>
  <p>{{ say }}</p>
  <p>
    <b>{{ t('ui.handbook.instead') }}</b> {{ instead }}
  </p>
  <section class="example grid gap-8px py-12px px-14px bg-sheet line" :aria-label="t('ui.handbook.example')">
    <p class="quiet">
      {{
        faults.length
          ? t('ui.handbook.planted', {
              circuit: worked.circuit.name,
              state: worked.state.name,
              faults: faults.map((f) => tell(describeFault(worked.circuit, f))).join(' · '),
            })
          : `${worked.circuit.name}, ${worked.state.name}`
      }}
    </p>
    <dl class="grid grid-cols-[repeat(auto-fit,minmax(240px,1fr))] gap-y-12px gap-x-30px m-0">
      <div v-for="(shown, i) in both" :key="i" :class="i ? 'right' : 'wrong-way'">
        <dt class="font-medium">
          {{ i ? t('ui.handbook.theRightReading') : t('ui.handbook.theWrongReading') }}
        </dt>
        <dd class="reading m-0 text-30px">{{ writeShown(shown) }}</dd>
        <dd class="quiet m-0">{{ tell(shown.what) }}</dd>
      </div>
    </dl>
    <p>{{ tell(ruleWords(rule.key, 'shows')) }}</p>
  </section>
  <Toggle class="justify-self-start" :on="trying" @click="trying = !trying">
    {{ t('ui.handbook.tryIt') }}
  </Toggle>
  <TryIt v-if="trying" :worked="worked" :faults="faults" />
  <p v-if="linked.length">
    {{ t('ui.handbook.doneProperlyIn') }}
    <template v-for="(one, i) in linked" :key="one.key"
      >{{ i ? ' · ' : ''
      }}<RouterLink :to="{ name: 'handbook', params: { entry: one.key } }">{{
        tell(one.title)
      }}</RouterLink></template
    >
  </p>
</template>

<style scoped>
.wrong-way dt {
  color: var(--fault);
}
.right dt {
  color: var(--good);
}
</style>
