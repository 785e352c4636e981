<script setup lang="ts">
import { slot } from '../../words/slots'
import Sentence from '../../parts/Sentence.vue'
import { NTable } from 'naive-ui'
import { formatQuantity, t, tell } from '../../words'
import { computed } from 'vue'
import { limitSetFor, limitSets } from '../../../core/readings'
import TryIt from './TryIt.vue'
import Where from './Where.vue'
import { loadedPaths } from '../../../core/handbook'
import { closedText, useWorkedCircuit } from './useWorkedCircuit'

/** What the schools allow, side by side, on a circuit and a state of one’s choice: which pass, which fail, by how much. */
const choice = useWorkedCircuit(
  () => ({
    circuit: 'van-washer-pump',
    state: 'wash',
    path: '',
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.05 }],
  }),
  loadedPaths,
)
const { worked, circuit, closed } = choice
const volts = (value: number | undefined) => (value === undefined ? '–' : formatQuantity(value, 'V'))
const usual = computed(() => limitSetFor(circuit.value))
const rows = computed(() => {
  const { balance } = worked.value
  if (!balance) return []
  return limitSets.map((set) => {
    const allowed = set.allows?.(balance)
    const { passes, reason } = set.judge(balance, [
      ...worked.value.pieces('feed'),
      ...worked.value.pieces('return'),
    ])
    const over = allowed && [
      (balance.feedLoss.value ?? 0) - allowed[0],
      (balance.returnLoss.value ?? 0) - allowed[1],
    ]
    const most = over && Math.max(...over)
    return {
      set,
      feed: allowed ? volts(allowed[0]) : t('ui.handbook.byPiece'),
      back: allowed ? volts(allowed[1]) : '',
      passes,
      by:
        most === undefined
          ? ''
          : most > 0
            ? t('ui.handbook.over', { most: volts(most) })
            : t('ui.handbook.toSpare', { most: volts(-most) }),
      reason: tell(reason),
      usual: set === usual.value,
    }
  })
})
</script>

<template>
  <p>
    {{ t('ui.handbook.practitionersDisagreeOnHowMuch') }}
  </p>
  <Where :choice="choice" with-fault />
  <p v-if="closed" class="caution" role="status">{{ closedText() }}</p>
  <template v-else>
    <p v-if="worked.balance" class="now">
      <Sentence
        :text="t('ui.handbook.feedLoses', { feed: slot('feed'), back: slot('back'), source: slot('source') })"
      >
        <template #feed
          ><b class="reading">{{ volts(worked.balance.feedLoss.value) }}</b></template
        >
        <template #back
          ><b class="reading">{{ volts(worked.balance.returnLoss.value) }}</b></template
        >
        <template #source
          ><b class="reading">{{ volts(worked.balance.source) }}</b></template
        >
      </Sentence>
    </p>
    <div class="overflow-x-auto" tabindex="0" role="region" :aria-label="t('ui.handbook.limitsSideBySide')">
      <NTable size="small" :bordered="false">
        <thead>
          <tr>
            <th scope="col">{{ t('ui.common.limits') }}</th>
            <th scope="col" class="num">{{ t('ui.handbook.feed') }}</th>
            <th scope="col" class="num">{{ t('ui.handbook.returnColumn') }}</th>
            <th scope="col">{{ t('ui.handbook.verdict') }}</th>
            <th scope="col" class="num">{{ t('ui.handbook.by') }}</th>
            <th scope="col">{{ t('ui.common.why') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.set.id" :class="{ bad: row.passes === false }">
            <th scope="row">
              {{ tell(row.set.title) }}
              <span v-if="row.usual" class="usual">{{ t('ui.handbook.defaultHere') }}</span>
            </th>
            <td class="num">{{ row.feed }}</td>
            <td class="num">{{ row.back }}</td>
            <td :title="row.reason">
              {{
                row.passes === null
                  ? t('ui.handbook.nothingFlows')
                  : row.passes
                    ? t('ui.handbook.pass')
                    : t('ui.handbook.fail')
              }}
            </td>
            <td class="num">{{ row.by }}</td>
            <td>{{ tell(row.set.why) }}</td>
          </tr>
        </tbody>
      </NTable>
    </div>
    <p class="quiet">
      {{ t('ui.handbook.defaultForThisCircuitIt', { title: tell(usual.title) }) }}
    </p>
    <TryIt :worked="worked" :faults="[]" />
  </template>
</template>

<style scoped>
.n-table th[scope='row'] {
  white-space: normal;
  min-width: 130px;
}
.usual {
  font-size: 12px;
  border: 1px solid currentcolor;
  padding: 0 4px;
  white-space: nowrap;
}
</style>
