<script setup lang="ts">
import { formatQuantity, t, tell } from '../../words'
import { computed } from 'vue'
import { limitSetFor, limitSets } from '../../../core/readings'
import TryIt from './TryIt.vue'
import Where from './Where.vue'
import { loadedPaths } from '../../../core/handbook'
import { closedText, useStand } from './useStand'

/** What the schools allow, side by side, on a circuit and a state of one’s choice: which pass, which fail, by how much. */
const choice = useStand(
  () => ({
    circuit: 'van-washer-pump',
    state: 'wash',
    path: '',
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.05 }],
  }),
  loadedPaths,
)
const { stand, circuit, closed } = choice
const volts = (value: number | undefined) => (value === undefined ? '–' : formatQuantity(value, 'V'))
const usual = computed(() => limitSetFor(circuit.value))
const rows = computed(() => {
  const { balance } = stand.value
  if (!balance) return []
  return limitSets.map((set) => {
    const allowed = set.allows?.(balance)
    const { passes, reason } = set.judge(balance, [
      ...stand.value.pieces('feed'),
      ...stand.value.pieces('return'),
    ])
    const over = allowed && [
      (balance.feedLoss.value ?? 0) - allowed[0],
      (balance.returnLoss.value ?? 0) - allowed[1],
    ]
    const most = over && Math.max(...over)
    return {
      set,
      feed: allowed ? volts(allowed[0]) : t('by piece'),
      back: allowed ? volts(allowed[1]) : '',
      passes,
      by:
        most === undefined
          ? ''
          : most > 0
            ? t('{most} over', { most: volts(most) })
            : t('{most} to spare', { most: volts(-most) }),
      reason: tell(reason),
      usual: set === usual.value,
    }
  })
})
</script>

<template>
  <p>
    {{
      t(
        'Practitioners disagree on how much may be lost. All their limits stand here beside each other, judged on the same readings; the one that fits the kind of circuit is the default, and you may choose another wherever limits count.',
      )
    }}
  </p>
  <Where :choice="choice" with-fault />
  <p v-if="closed" class="caution" role="status">{{ closedText() }}</p>
  <template v-else>
    <p v-if="stand.balance" class="now">
      {{ t('Feed loses') }} <b class="reading">{{ volts(stand.balance.feedLoss.value) }}</b>{{
        t(', return')
      }}
      <b class="reading">{{ volts(stand.balance.returnLoss.value) }}</b>{{ t(', of') }}
      <b class="reading">{{ volts(stand.balance.source) }}</b>.
    </p>
    <div class="wide" tabindex="0" role="region" :aria-label="t('Limits side by side')">
      <table class="data">
        <thead>
          <tr>
            <th scope="col">{{ t('Limits') }}</th>
            <th scope="col" class="num">{{ t('Feed') }}</th>
            <th scope="col" class="num">{{ t('Return') }}</th>
            <th scope="col">{{ t('Verdict') }}</th>
            <th scope="col" class="num">{{ t('By') }}</th>
            <th scope="col">{{ t('Why') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.set.id" :class="{ bad: row.passes === false }">
            <th scope="row">
              {{ t(row.set.title) }} <span v-if="row.usual" class="usual">{{ t('default here') }}</span>
            </th>
            <td class="num">{{ row.feed }}</td>
            <td class="num">{{ row.back }}</td>
            <td :title="row.reason">
              {{ row.passes === null ? t('nothing flows') : row.passes ? t('pass') : t('fail') }}
            </td>
            <td class="num">{{ row.by }}</td>
            <td>{{ t(row.set.why) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="quiet">
      {{
        t(
          'Default for this circuit: {title}. It goes by the kind of circuit: light, motor or pump, heavy, electronic. All limits: common practice, no source.',
          { title: usual.title },
        )
      }}
    </p>
    <TryIt :stand="stand" :faults="[]" />
  </template>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
table.data th[scope='row'] {
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
