<script setup lang="ts">
import { slot } from '../../words/slots'
import Sentence from '../../parts/Sentence.vue'
import { NTable } from 'naive-ui'
import { formatPlain, formatQuantity, t, tell } from '../../words'
import { computed } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { describeFault, type Fault } from '../../../core/faults'
import { hardwareFor, type Combination } from '../../../core/workshop'

const props = defineProps<{ circuit: Circuit; faults: readonly Fault[] }>()
const made = computed(() =>
  props.faults.map((fault) => ({
    title: tell(describeFault(props.circuit, fault)),
    ...hardwareFor(props.circuit, fault),
  })),
)
const ohms = (v: number) => formatQuantity(v, 'Ω')
const joined = ({ how, ohms: list, total }: Combination) =>
  how === 'single'
    ? ohms(list[0]!)
    : `${list.map(ohms).join(how === 'series' ? ' + ' : ' ∥ ')} = ${ohms(total)}`
const stay = (seconds: number) =>
  seconds === Infinity
    ? t('ui.plant.forGood')
    : seconds >= 60
      ? t('ui.plant.minAtATime', { x: formatPlain(seconds / 60, 2) })
      : t('ui.plant.sAtATime', { x: formatPlain(seconds, 2) })
</script>

<template>
  <section class="grid grid-cols-1 gap-8px text-13px content-start" :aria-label="t('ui.plant.hardware')">
    <p v-if="!made.length" class="quiet">{{ t('ui.plant.plantAFaultToSee') }}</p>
    <article v-for="(m, i) in made" :key="i" class="grid gap-8px text-13px content-start">
      <h3>{{ m.title }}</h3>
      <p>{{ tell(m.built) }}</p>
      <p v-if="m.strands">
        {{ t('ui.plant.cut') }}
        <b>{{ t('ui.plant.ofItsStrands', { cut: m.strands.cut, of: m.strands.of }) }}</b>
        {{ t('ui.plant.whereTheyDoNotShow') }}
      </p>
      <NTable v-if="m.resistor" class="max-w-520px" size="small" :bordered="false">
        <tbody>
          <tr>
            <th scope="row">{{ t('ui.plant.oneResistorE12') }}</th>
            <td class="reading">{{ joined(m.resistor.single) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ t('ui.plant.nearestOneOrTwoOf') }}</th>
            <td class="reading">{{ joined(m.resistor.pair) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ t('ui.plant.shedsAtMost') }}</th>
            <td>
              <span class="reading">{{ formatQuantity(m.resistor.watts, 'W') }}</span>
              {{ t('ui.plant.in', { hottest: m.resistor.hottest }) }}
            </td>
          </tr>
          <tr>
            <th scope="row">{{ t('ui.plant.buy') }}</th>
            <td>
              <b v-if="m.resistor.rating">{{
                t('ui.plant.wOrMoreHalfIts', {
                  rating: formatPlain(m.resistor.rating),
                  many: m.resistor.pair.how === 'single' ? 'one' : 'each',
                })
              }}</b><b v-else>{{ t('ui.plant.noneThatIsSoldMake') }}</b>
            </td>
          </tr>
          <template v-if="m.resistor.heat">
            <tr>
              <th scope="row">{{ t('ui.plant.getsAbout') }}</th>
              <td class="reading">{{ formatPlain(m.resistor.heat.surface, 2) }} °C</td>
            </tr>
            <tr>
              <th scope="row">{{ t('ui.plant.mayStayOn') }}</th>
              <td>{{ stay(m.resistor.heat.stay) }}</td>
            </tr>
          </template>
        </tbody>
      </NTable>
      <p v-if="m.fuse">
        <Sentence :text="t('ui.plant.theBranchRunsAt', { amps: slot('amps'), rating: slot('rating') })">
          <template #amps
            ><span class="reading">{{ formatQuantity(m.fuse.amps, 'A') }}</span></template
          >
          <template #rating
            ><b>{{ formatPlain(m.fuse.rating) }} A</b></template
          >
        </Sentence>
        <template v-if="!m.fuse.fits"> {{ t('ui.plant.tooMuchForItsThinnest') }}</template>
        <template v-if="m.fuse.stands">
          {{ t('ui.plant.aStandsInItNow', { stands: formatPlain(m.fuse.stands) }) }}</template
        >
      </p>
      <p v-if="m.caution" class="caution">{{ tell(m.caution) }}</p>
      <p v-if="m.resistor?.heat?.burns" class="caution">
        {{ t('ui.plant.itBurnsSkinAndMelts') }}
      </p>
    </article>
    <p v-if="made.length" class="quiet">
      {{ t('ui.plant.heatAndStayingTimeAre') }}
    </p>
  </section>
</template>
