<script setup lang="ts">
import { computed } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { describeFault, type Fault } from '../../../core/faults'
import { formatPlain, formatQuantity } from '../../../core/quantity'
import { hardwareFor, type Combination } from '../../../core/workshop'

const props = defineProps<{ circuit: Circuit; faults: readonly Fault[] }>()
const made = computed(() =>
  props.faults.map((fault) => ({
    title: describeFault(props.circuit, fault),
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
    ? 'for good'
    : seconds >= 60
      ? `${formatPlain(seconds / 60, 2)} min at a time`
      : `${formatPlain(seconds, 2)} s at a time`
</script>

<template>
  <section class="hardware" aria-label="Hardware">
    <p v-if="!made.length" class="quiet">Plant a fault to see what it is built from.</p>
    <article v-for="(m, i) in made" :key="i">
      <h3>{{ m.title }}</h3>
      <p>{{ m.built }}</p>
      <p v-if="m.strands">
        Cut <b>{{ m.strands.cut }} of its {{ m.strands.of }} strands</b> where they do not show.
      </p>
      <table v-if="m.resistor" class="data">
        <tbody>
          <tr>
            <th scope="row">One resistor, E12</th>
            <td class="reading">{{ joined(m.resistor.single) }}</td>
          </tr>
          <tr>
            <th scope="row">Nearest, one or two of E24</th>
            <td class="reading">{{ joined(m.resistor.pair) }}</td>
          </tr>
          <tr>
            <th scope="row">Sheds at most</th>
            <td>
              <span class="reading">{{ formatQuantity(m.resistor.watts, 'W') }}</span> in “{{
                m.resistor.hottest
              }}”
            </td>
          </tr>
          <tr>
            <th scope="row">Buy</th>
            <td>
              <b v-if="m.resistor.rating"
                >{{ formatPlain(m.resistor.rating) }} W
                {{ m.resistor.pair.how === 'single' ? '' : 'each, ' }}or more: half its watts at most</b
              ><b v-else
                >none that is sold: make the fault smaller, or use a length of resistance wire in free air</b
              >
            </td>
          </tr>
          <template v-if="m.resistor.heat">
            <tr>
              <th scope="row">Gets about</th>
              <td class="reading">{{ formatPlain(m.resistor.heat.surface, 2) }} °C</td>
            </tr>
            <tr>
              <th scope="row">May stay on</th>
              <td>{{ stay(m.resistor.heat.stay) }}</td>
            </tr>
          </template>
        </tbody>
      </table>
      <p v-if="m.fuse">
        The branch runs at <span class="reading">{{ formatQuantity(m.fuse.amps, 'A') }}</span>: fuse it with
        <b>{{ formatPlain(m.fuse.rating) }} A</b
        ><template v-if="!m.fuse.fits"> — too much for its thinnest wire</template
        ><template v-if="m.fuse.stands">; {{ formatPlain(m.fuse.stands) }} A stands in it now</template>.
      </p>
      <p v-if="m.caution" class="caution">{{ m.caution }}</p>
      <p v-if="m.resistor?.heat?.burns" class="caution">
        It burns skin and melts insulation: mount it in free air on metal, cover it, and mark it hot.
      </p>
    </article>
    <p v-if="made.length" class="quiet">
      Heat and staying time are common practice for wirewound resistors in free air; the maker’s data come
      first.
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
