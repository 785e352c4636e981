<script setup lang="ts">
import { formatPlain, formatQuantity, t, tell } from '../../words'
import { computed } from 'vue'
import type { Circuit } from '../../../core/circuit'
import { describeFault, type Fault } from '../../../core/faults'
import type { MeterType } from '../../../core/instruments'
import { buildSheet } from '../../../core/workshop'
import Commissioning from './Commissioning.vue'

const props = defineProps<{ circuit: Circuit; faults: readonly Fault[]; meter: MeterType }>()
const sheet = computed(() => buildSheet(props.circuit, props.faults))
</script>

<template>
  <div class="build">
    <ul class="caution">
      <li v-for="c in sheet.cautions" :key="c">{{ t(c) }}</li>
      <li v-for="w in sheet.warnings" :key="JSON.stringify(w.text)">
        <b>{{ tell(w.text) }}</b>
      </li>
    </ul>
    <div class="two">
      <section>
        <h2>{{ t('Parts') }}</h2>
        <table class="data">
          <thead>
            <tr>
              <th scope="col" class="num">{{ t('No.') }}</th>
              <th scope="col">{{ t('Part') }}</th>
              <th scope="col">{{ t('Values') }}</th>
              <th scope="col">{{ t('Short names') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in sheet.parts" :key="p.ids[0]">
              <td class="num">{{ p.ids.length }}</td>
              <td>{{ t(p.title) }}</td>
              <td>{{ t(p.values) }}</td>
              <td class="reading">{{ p.ids.join(', ') }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>{{ t('Wires to cut') }}</h2>
        <table class="data">
          <thead>
            <tr>
              <th scope="col">{{ t('Wire') }}</th>
              <th scope="col">{{ t('From – to') }}</th>
              <th scope="col" class="num">{{ t('mm²') }}</th>
              <th scope="col" class="num">{{ t('AWG') }}</th>
              <th scope="col" class="num">{{ t('Cut at') }}</th>
              <th scope="col" class="num">{{ t('Runs') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="w in sheet.wires" :key="w.id" :class="{ bad: w.amps > w.carries }">
              <td :title="w.name">{{ w.id }}</td>
              <td class="reading">{{ w.from }} – {{ w.to }}</td>
              <td class="num">{{ formatPlain(w.section) }}</td>
              <td class="num">{{ w.gauge }}</td>
              <td class="num">{{ formatQuantity(w.cut, 'm') }}</td>
              <td class="num">{{ formatQuantity(w.amps, 'A') }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>{{ t('Connectors and pins') }}</h2>
        <table class="data">
          <thead>
            <tr>
              <th scope="col">{{ t('Plug') }}</th>
              <th scope="col">{{ t('Pin') }}</th>
              <th scope="col">{{ t('Meets') }}</th>
            </tr>
          </thead>
          <tbody v-for="p in sheet.plugs" :key="p.id">
            <tr v-for="(pin, i) in p.pins" :key="pin.name">
              <td>{{ i ? '' : `${p.id} ${t(p.title)}` }}</td>
              <td class="reading">{{ pin.name }}</td>
              <td class="reading">{{ pin.meets }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <section>
        <h2>{{ t('Fuses') }}</h2>
        <table class="data">
          <thead>
            <tr>
              <th scope="col">{{ t('Fuse') }}</th>
              <th scope="col">{{ t('Fit') }}</th>
              <th scope="col" class="num">{{ t('Runs at') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="f in sheet.fuses" :key="f.id">
              <td>{{ f.id }} {{ t(f.name) }}</td>
              <td>{{ t(f.fit) }}</td>
              <td class="num">{{ formatQuantity(f.amps, 'A') }}</td>
            </tr>
          </tbody>
        </table>
        <h2>{{ t('Gets hot') }}</h2>
        <table class="data">
          <thead>
            <tr>
              <th scope="col">{{ t('Part') }}</th>
              <th scope="col" class="num">{{ t('Sheds') }}</th>
              <th scope="col">{{ t('In') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="h in sheet.hot" :key="h.part">
              <td>{{ h.part }} {{ t(h.name) }}</td>
              <td class="num">{{ formatQuantity(h.watts, 'W') }}</td>
              <td>{{ h.state }}</td>
            </tr>
          </tbody>
        </table>
        <h2>{{ t('Fault hardware') }}</h2>
        <p v-if="!sheet.hardware.length" class="quiet">{{ t('No fault planted.') }}</p>
        <p v-for="(h, i) in sheet.hardware" :key="i">
          <b>{{ t(describeFault(circuit, h.fault)) }}</b> {{ t(h.built) }}
          <template v-if="h.resistor"
            >{{ formatQuantity(h.resistor.pair.total, 'Ω') }}, {{ h.resistor.rating ?? '?' }} W.</template
          >
        </p>
      </section>
    </div>
    <section>
      <h2>
        {{ t('Labels for the probe points') }}
        <span class="quiet">{{ t('the PDF has them on a page to cut out') }}</span>
      </h2>
      <p class="labels">
        <span v-for="l in sheet.labels" :key="l.name" :title="`${l.part} ${t(l.title)}`.trim()">{{
          l.name
        }}</span>
      </p>
    </section>
    <Commissioning :circuit="circuit" :rows="sheet.commissioning" :meter="meter" />
  </div>
</template>

<style scoped>
.build,
section {
  display: grid;
  gap: 10px;
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 22px 32px;
}
@media screen and (max-width: 760px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
ul.caution {
  margin: 0;
  padding-left: 26px;
}
.labels {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.labels span {
  font-family: var(--face-readings);
  border: 1px dashed var(--rule-strong);
  padding: 2px 7px;
}
</style>
