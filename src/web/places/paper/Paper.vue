<script setup lang="ts">
import { partOf, piecesOf } from '../../../core/model'
import { quoted, t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { reviewSchema, type Review } from '../../../contract'
import { pieceWords } from '../../readings/pieceWords'
import { faultOfKind, faultsOf } from '../../../core/faults'
import { instrumentOf } from '../../../core/instruments'
import { partOfKind } from '../../../core/parts'
import { ask, post } from '../../api/client'
import { usePaper } from './usePaper'

/** A worksheet that was filled in by hand, typed in one table; unusual numbers are asked about. */
const route = useRoute()
const router = useRouter()
const review = ref<Review | null>(null)
review.value = await ask(reviewSchema, `/orders/${String(route.params.id)}/review`)
const paper = usePaper(review.value)
const pieces = computed(() =>
  piecesOf(review.value!.circuit).map((one) => ({
    id: one.id,
    text: pieceWords(review.value!.circuit, one),
  })),
)
const kinds = computed(() => {
  const { circuit } = review.value!
  const found = piecesOf(circuit).find(({ id }) => id === paper?.conclusion.value.piece)
  if (!found) return []
  const definition = partOfKind(partOf(circuit, found.part).kind)
  return [
    ...new Set(
      definition.segments
        .filter((s) => found.unit.segments.includes(s.key))
        .flatMap((s) => faultsOf(definition, s)),
    ),
  ]
})
async function done() {
  if (!(await paper!.sendAll())) return
  await post(`/orders/${review.value!.id}/finish`)
  await router.push({ name: 'review', params: { id: review.value!.id } })
}
</script>

<template>
  <div v-if="review" class="paper">
    <h1>{{ t('ui.paper.fromPaper', { name: review.student.name }) }}</h1>
    <p>{{ review.circuit.name }}: {{ quoted(review.complaint) }}</p>
    <table class="data" :aria-label="t('ui.paper.readingsOfTheWorksheet')">
      <thead>
        <tr>
          <th scope="col"></th>
          <th scope="col">{{ t('ui.common.state') }}</th>
          <th scope="col">{{ t('ui.common.instrument') }}</th>
          <th scope="col">{{ t('ui.common.redOrAt') }}</th>
          <th scope="col">{{ t('ui.common.black') }}</th>
          <th scope="col">{{ t('ui.paper.predicted') }}</th>
          <th scope="col">{{ t('ui.common.read') }}</th>
          <th scope="col">{{ t('ui.common.struckOutSoFar') }}</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        <template v-for="(row, i) in paper.rows.value" :key="row.keys[0]">
          <tr>
            <th scope="row">{{ i + 1 }}</th>
            <td>
              <select
                v-model="row.state"
                :disabled="row.taken"
                :aria-label="t('ui.paper.stateOfReading', { x: i + 1 })"
              >
                <option v-for="s in review.circuit.states" :key="s.id" :value="s.id">{{ s.name }}</option>
              </select>
            </td>
            <td>
              <select
                v-model="row.instrument"
                :disabled="row.taken"
                :aria-label="t('ui.paper.instrumentOfReading', { x: i + 1 })"
              >
                <option v-for="key in review.frame.bag" :key="key" :value="key">
                  {{ tell(instrumentOf(key).title) }}
                </option>
              </select>
            </td>
            <td v-for="field in ['at', 'black', 'predicted', 'reading', 'struck'] as const" :key="field">
              <input
                v-model="row[field]"
                :disabled="row.taken"
                :class="['plain', field]"
                :aria-label="
                  t('ui.paper.ofReading', { field: field === 'at' ? t('ui.paper.red') : field, x: i + 1 })
                "
                autocomplete="off"
                spellcheck="false"
              />
            </td>
            <td>{{ row.taken ? t('ui.paper.taken') : '' }}</td>
          </tr>
          <tr v-if="row.trouble">
            <td></td>
            <td colspan="8" role="alert" class="asked">
              {{ row.trouble }}
              <label><input v-model="row.stands" type="checkbox" /> {{ t('ui.paper.itIsAsWritten') }}</label>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <div class="row">
      <NButton size="small" @click="paper.add">{{ t('ui.paper.oneReadingMore') }}</NButton>
    </div>
    <fieldset>
      <legend>{{ t('ui.paper.conclusionOnTheSheet') }}</legend>
      <label class="field"
        >{{ t('ui.common.piece') }}
        <select v-model="paper.conclusion.value.piece" @change="paper.conclusion.value.kind = ''">
          <option value="">{{ t('ui.paper.noneYet') }}</option>
          <option v-for="p in pieces" :key="p.id" :value="p.id">{{ p.text }}</option>
        </select>
      </label>
      <label class="field"
        >{{ t('ui.common.howItFailed') }}
        <select v-model="paper.conclusion.value.kind" :disabled="!paper.conclusion.value.piece">
          <option value="">{{ t('ui.common.choose') }}</option>
          <option v-for="k in kinds" :key="k" :value="k">{{ tell(faultOfKind(k).title) }}</option>
        </select>
      </label>
      <label class="field"
        >{{ t('ui.paper.howSure') }}
        <input v-model.number="paper.conclusion.value.sure" class="plain" type="number" min="0" max="100" />
      </label>
    </fieldset>
    <p v-if="paper.trouble.value" class="wrong" role="alert">{{ paper.trouble.value }}</p>
    <div class="row">
      <NButton type="primary" :loading="paper.busy.value" @click="done">{{
        t('ui.common.takeItDown')
      }}</NButton>
      <RouterLink :to="{ name: 'review', params: { id: review.id } }">{{ t('ui.common.review') }}</RouterLink>
    </div>
  </div>
</template>

<style scoped>
.paper {
  max-width: 1200px;
  margin: 0 auto;
  padding: 20px;
  display: grid;
  gap: 12px;
}
input:not([type='checkbox']),
select {
  width: 100%;
  min-width: 64px;
}
.struck {
  min-width: 180px;
}
fieldset {
  border: 1px solid var(--rule);
  display: grid;
  grid-template-columns: 2fr 2fr 1fr;
  gap: 12px;
  padding: 10px;
}
.asked {
  background: var(--doubt-soft);
}
.row {
  display: flex;
  gap: 12px;
  align-items: center;
}
</style>
