<script setup lang="ts">
import { formatPlain, formatQuantity, t } from '../../words'
import { computed } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { describeFault, type Fault } from '../../../core/faults'
import { hardwareFor, type Combination } from '../../../core/workshop'

const props = defineProps<{ circuit: Circuit; faults: readonly Fault[] }>()
const made = computed(() =>
  props.faults.map((fault) => ({
    title: t(describeFault(props.circuit, fault)),
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
    ? t('for good')
    : seconds >= 60
      ? t('{x} min at a time', { x: formatPlain(seconds / 60, 2) })
      : t('{x} s at a time', { x: formatPlain(seconds, 2) })
</script>

<template>
  <section class="hardware" :aria-label="t('Hardware')">
    <p v-if="!made.length" class="quiet">{{ t('Plant a fault to see what it is built from.') }}</p>
    <article v-for="(m, i) in made" :key="i">
      <h3>{{ t(m.title) }}</h3>
      <p>{{ t(m.built) }}</p>
      <p v-if="m.strands">
        {{ t('Cut') }} <b>{{ t('{cut} of its {of} strands', { cut: m.strands.cut, of: m.strands.of }) }}</b>
        {{ t('where they do not show.') }}
      </p>
      <table v-if="m.resistor" class="data">
        <tbody>
          <tr>
            <th scope="row">{{ t('One resistor, E12') }}</th>
            <td class="reading">{{ joined(m.resistor.single) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ t('Nearest, one or two of E24') }}</th>
            <td class="reading">{{ joined(m.resistor.pair) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ t('Sheds at most') }}</th>
            <td>
              <span class="reading">{{ formatQuantity(m.resistor.watts, 'W') }}</span>
              {{ t('in “{hottest}”', { hottest: m.resistor.hottest }) }}
            </td>
          </tr>
          <tr>
            <th scope="row">{{ t('Buy') }}</th>
            <td>
              <b v-if="m.resistor.rating">{{
                t('{rating} W {each}or more: half its watts at most', {
                  rating: formatPlain(m.resistor.rating),
                  each: m.resistor.pair.how === 'single' ? '' : t('each, '),
                })
              }}</b><b v-else>{{
                t('none that is sold: make the fault smaller, or use a length of resistance wire in free air')
              }}</b>
            </td>
          </tr>
          <template v-if="m.resistor.heat">
            <tr>
              <th scope="row">{{ t('Gets about') }}</th>
              <td class="reading">{{ formatPlain(m.resistor.heat.surface, 2) }} °C</td>
            </tr>
            <tr>
              <th scope="row">{{ t('May stay on') }}</th>
              <td>{{ stay(m.resistor.heat.stay) }}</td>
            </tr>
          </template>
        </tbody>
      </table>
      <p v-if="m.fuse">
        {{ t('The branch runs at') }} <span class="reading">{{ formatQuantity(m.fuse.amps, 'A') }}</span>{{
          t(': fuse it with')
        }}
        <b>{{ formatPlain(m.fuse.rating) }} A</b
        ><template v-if="!m.fuse.fits"> {{ t('— too much for its thinnest wire') }}</template
        ><template v-if="m.fuse.stands">{{
          t('; {stands} A stands in it now', { stands: formatPlain(m.fuse.stands) })
        }}</template
        >.
      </p>
      <p v-if="m.caution" class="caution">{{ t(m.caution) }}</p>
      <p v-if="m.resistor?.heat?.burns" class="caution">
        {{
          t('It burns skin and melts insulation: mount it in free air on metal, cover it, and mark it hot.')
        }}
      </p>
    </article>
    <p v-if="made.length" class="quiet">
      {{
        t(
          'Heat and staying time are common practice for wirewound resistors in free air; the maker’s data come first.',
        )
      }}
    </p>
  </section>
</template>

<style scoped>
.hardware,
article {
  display: grid;
  gap: 8px;
  font-size: 13px;
  align-content: start;
}
table {
  max-width: 520px;
}
</style>
