<script setup lang="ts">
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { partOf, piecesOf } from '../../../core/model'
import { quoted, t, tell } from '../../words'
import { NButton, NCheckbox, NInput, NInputNumber, NTable } from 'naive-ui'
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
  <div v-if="review" class="paper max-w-1200px my-0 mx-auto p-20px grid grid-cols-1 gap-12px">
    <h1>{{ t('ui.paper.fromPaper', { name: review.student.name }) }}</h1>
    <p>{{ review.circuit.name }}: {{ quoted(review.complaint) }}</p>
    <NTable size="small" :bordered="false" :aria-label="t('ui.paper.readingsOfTheWorksheet')">
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
              <Choice
                v-model:value="row.state"
                :label="t('ui.paper.stateOfReading', { x: i + 1 })"
                labelled="aloud"
                :disabled="row.taken"
                :entries="
                  entriesOf(
                    review.circuit.states,
                    (s) => s.id,
                    (s) => s.name,
                  )
                "
              />
            </td>
            <td>
              <Choice
                v-model:value="row.instrument"
                :label="t('ui.paper.instrumentOfReading', { x: i + 1 })"
                labelled="aloud"
                :disabled="row.taken"
                :entries="
                  entriesOf(
                    review.frame.bag,
                    (key) => key,
                    (key) => tell(instrumentOf(key).title),
                  )
                "
              />
            </td>
            <td v-for="field in ['at', 'black', 'predicted', 'reading', 'struck'] as const" :key="field">
              <NInput
                v-model:value="row[field]"
                size="small"
                :disabled="row.taken"
                :class="field"
                placeholder=""
                :input-props="{
                  'aria-label': t('ui.paper.ofReading', {
                    field: field === 'at' ? t('ui.paper.red') : field,
                    x: i + 1,
                  }),
                  autocomplete: 'off',
                  spellcheck: 'false',
                }"
              />
            </td>
            <td>{{ row.taken ? t('ui.paper.taken') : '' }}</td>
          </tr>
          <tr v-if="row.trouble">
            <td></td>
            <td colspan="8" role="alert" class="bg-doubt-soft">
              {{ row.trouble }}
              <NCheckbox v-model:checked="row.stands">{{ t('ui.paper.itIsAsWritten') }}</NCheckbox>
            </td>
          </tr>
        </template>
      </tbody>
    </NTable>
    <div class="row flex gap-12px items-center">
      <NButton size="small" @click="paper.add">{{ t('ui.paper.oneReadingMore') }}</NButton>
    </div>
    <fieldset class="line grid grid-cols-[2fr_2fr_1fr] gap-12px p-10px">
      <legend>{{ t('ui.paper.conclusionOnTheSheet') }}</legend>
      <Choice
        v-model:value="paper.conclusion.value.piece"
        :label="t('ui.common.piece')"
        :entries="[
          { value: '', label: t('ui.paper.noneYet') },
          ...entriesOf(
            pieces,
            (p) => p.id,
            (p) => p.text,
          ),
        ]"
        @update:value="paper.conclusion.value.kind = ''"
      />
      <Choice
        v-model:value="paper.conclusion.value.kind"
        :label="t('ui.common.howItFailed')"
        :disabled="!paper.conclusion.value.piece"
        :entries="
          entriesOf(
            kinds,
            (k) => k,
            (k) => tell(faultOfKind(k).title),
          )
        "
      />
      <label class="field"
        >{{ t('ui.paper.howSure') }}
        <NInputNumber
          v-model:value="paper.conclusion.value.sure"
          size="small"
          :min="0"
          :max="100"
          :precision="0"
        />
      </label>
    </fieldset>
    <p v-if="paper.trouble.value" class="wrong" role="alert">{{ paper.trouble.value }}</p>
    <div class="row flex gap-12px items-center">
      <NButton type="primary" :loading="paper.busy.value" @click="done">{{
        t('ui.common.takeItDown')
      }}</NButton>
      <RouterLink :to="{ name: 'review', params: { id: review.id } }">{{ t('ui.common.review') }}</RouterLink>
    </div>
  </div>
</template>

<style scoped>
.struck {
  min-width: 180px;
}
</style>
