<script setup lang="ts">
import { NTable } from 'naive-ui'
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
  <div class="grid grid-cols-1 gap-10px content-start">
    <ul class="caution m-0 pl-26px">
      <li v-for="(c, i) in sheet.cautions" :key="i">{{ tell(c) }}</li>
      <li v-for="w in sheet.warnings" :key="JSON.stringify(w.text)">
        <b>{{ tell(w.text) }}</b>
      </li>
    </ul>
    <div class="two grid grid-cols-2 gap-y-22px gap-x-32px">
      <section>
        <h2>{{ t('ui.common.parts') }}</h2>
        <NTable size="small" :bordered="false">
          <thead>
            <tr>
              <th scope="col" class="num">{{ t('ui.sheet.no') }}</th>
              <th scope="col">{{ t('ui.sheet.part') }}</th>
              <th scope="col">{{ t('ui.common.values') }}</th>
              <th scope="col">{{ t('ui.sheet.shortNames') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in sheet.parts" :key="p.ids[0]">
              <td class="num">{{ p.ids.length }}</td>
              <td>{{ tell(p.title) }}</td>
              <td>{{ tell(p.values) }}</td>
              <td class="reading">{{ p.ids.join(', ') }}</td>
            </tr>
          </tbody>
        </NTable>
      </section>
      <section>
        <h2>{{ t('ui.sheet.wiresToCut') }}</h2>
        <NTable size="small" :bordered="false">
          <thead>
            <tr>
              <th scope="col">{{ t('ui.sheet.wire') }}</th>
              <th scope="col">{{ t('ui.sheet.fromTo') }}</th>
              <th scope="col" class="num">{{ t('ui.sheet.mm') }}</th>
              <th scope="col" class="num">{{ t('ui.sheet.awg') }}</th>
              <th scope="col" class="num">{{ t('ui.sheet.cutAt') }}</th>
              <th scope="col" class="num">{{ t('ui.sheet.runs') }}</th>
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
        </NTable>
      </section>
      <section>
        <h2>{{ t('ui.sheet.connectorsAndPins') }}</h2>
        <NTable size="small" :bordered="false">
          <thead>
            <tr>
              <th scope="col">{{ t('ui.sheet.plug') }}</th>
              <th scope="col">{{ t('ui.common.pin') }}</th>
              <th scope="col">{{ t('ui.sheet.meets') }}</th>
            </tr>
          </thead>
          <tbody v-for="p in sheet.plugs" :key="p.id">
            <tr v-for="(pin, i) in p.pins" :key="pin.name">
              <td>{{ i ? '' : `${p.id} ${tell(p.title)}` }}</td>
              <td class="reading">{{ pin.name }}</td>
              <td class="reading">{{ pin.meets }}</td>
            </tr>
          </tbody>
        </NTable>
      </section>
      <section>
        <h2>{{ t('ui.sheet.fuses') }}</h2>
        <NTable size="small" :bordered="false">
          <thead>
            <tr>
              <th scope="col">{{ t('ui.common.fuse') }}</th>
              <th scope="col">{{ t('ui.sheet.fit') }}</th>
              <th scope="col" class="num">{{ t('ui.sheet.runsAt') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="f in sheet.fuses" :key="f.id">
              <td>{{ f.id }} {{ tell(f.name) }}</td>
              <td>{{ tell(f.fit) }}</td>
              <td class="num">{{ formatQuantity(f.amps, 'A') }}</td>
            </tr>
          </tbody>
        </NTable>
        <h2>{{ t('ui.sheet.getsHot') }}</h2>
        <NTable size="small" :bordered="false">
          <thead>
            <tr>
              <th scope="col">{{ t('ui.sheet.part') }}</th>
              <th scope="col" class="num">{{ t('ui.sheet.sheds') }}</th>
              <th scope="col">{{ t('ui.sheet.in') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="h in sheet.hot" :key="h.part">
              <td>{{ h.part }} {{ tell(h.name) }}</td>
              <td class="num">{{ formatQuantity(h.watts, 'W') }}</td>
              <td>{{ h.state }}</td>
            </tr>
          </tbody>
        </NTable>
        <h2>{{ t('ui.sheet.faultHardware') }}</h2>
        <p v-if="!sheet.hardware.length" class="quiet">{{ t('ui.sheet.noFaultPlanted') }}</p>
        <p v-for="(h, i) in sheet.hardware" :key="i">
          <b>{{ tell(describeFault(circuit, h.fault)) }}</b> {{ tell(h.built) }}
          <template v-if="h.resistor"
            >{{ formatQuantity(h.resistor.pair.total, 'Ω') }}, {{ h.resistor.rating ?? '?' }} W.</template
          >
        </p>
      </section>
    </div>
    <section>
      <h2>
        {{ t('ui.sheet.labelsForTheProbePoints') }}
        <span class="quiet">{{ t('ui.sheet.thePdfHasThemOn') }}</span>
      </h2>
      <p class="labels flex flex-wrap gap-4px">
        <span v-for="l in sheet.labels" :key="l.name" :title="`${l.part} ${tell(l.title)}`.trim()">{{
          l.name
        }}</span>
      </p>
    </section>
    <Commissioning :circuit="circuit" :rows="sheet.commissioning" :meter="meter" />
  </div>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
  align-content: start;
}
@media screen and (max-width: 760px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
.labels span {
  font-family: var(--face-readings);
  border: 1px dashed var(--rule-strong);
  padding: 2px 7px;
}
</style>
