<script setup lang="ts">
import Committed from '../../parts/Committed.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { formatQuantity, t, tell } from '../../words'
import { NButton, NTable } from 'naive-ui'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { storedCircuitSchema } from '../../../contract'
import { partOfKind } from '../../../core/parts'
import { measuredScatter, type Circuit, firstSource } from '../../../core/circuit'
import type { MeterType } from '../../../core/instruments'
import { parseQuantity } from '../../../core/quantity'
import { fitBoard, type BuildSheet, type Fitted, type Measured } from '../../../core/workshop'
import { send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useCircuit } from '../../stores/circuit'

const props = defineProps<{ circuit: Circuit; rows: BuildSheet['commissioning']; meter: MeterType }>()
const router = useRouter()
const store = useCircuit()
const state = ref(props.rows[0]?.state ?? '')
/** What was measured, as it was typed, by state and point: kept on this machine until the board is fitted. */
const typed = useLocalStorage<Record<string, string>>(`brachyon.measured.${store.stored!.id}`, {})
const fitted = shallowRef<Extract<Fitted, { ok: true }> | null>(null)
const { wrong, act } = useAct()

const shown = computed(() => props.rows.filter((r) => r.state === state.value))
const black = computed(() => {
  const source = firstSource(props.circuit.parts)!
  return source.id + partOfKind(source.kind).terminals.find((t) => t.key === 'neg')!.suffix
})
const keyOf = (row: { state: string; point: string }) => `${row.state}|${row.point}`
const read = (row: { state: string; point: string }) => {
  const text = typed.value[keyOf(row)]?.trim()
  return text ? parseQuantity(text, 'V') : undefined
}
const readings = computed<Measured[]>(() =>
  props.rows.flatMap((row) => {
    const value = read(row)
    return value?.ok ? [{ state: row.state, red: row.point, black: black.value, volts: value.value }] : []
  }),
)
const off = (row: BuildSheet['commissioning'][number]) => {
  const value = read(row)
  return value?.ok ? Math.abs(value.value - row.value) > row.band : false
}

function fit() {
  wrong.value = ''
  fitted.value = null
  const result = fitBoard(props.circuit, readings.value, props.meter)
  if (result.ok) fitted.value = result
  else wrong.value = tell(result.why)
}
/** Keeps the fitted model as a circuit of its own: the baseline of this one board. */
async function keep() {
  const now = fitted.value
  if (!now) return
  await act(async () => {
    const stored = await send(storedCircuitSchema, '/circuits', {
      ...now.circuit,
      scatter: measuredScatter,
      name: t('ui.sheet.boardAsMeasured', { name: props.circuit.name }).slice(0, 120),
      note: t('ui.sheet.fittedToReadingsOfThe', {
        note: props.circuit.note,
        count: readings.value.length,
      }).trim(),
    })
    typed.value = {}
    await router.push({ name: 'bench', params: { id: stored.id } })
  })
}
const v = (value: number) => formatQuantity(value, 'V')
const set = (row: { state: string; point: string }, text: string) =>
  (typed.value = { ...typed.value, [keyOf(row)]: text })
</script>

<template>
  <section class="grid grid-cols-1 gap-10px justify-items-start" :aria-label="t('ui.sheet.commissioning')">
    <h2>
      {{ t('ui.sheet.commissioning') }}
      <span class="quiet">{{ t('ui.sheet.measureTheHealthyBoardBlack') }}</span>
    </h2>
    <div class="flex gap-14px items-center">
      <Choice
        v-model:value="state"
        :label="t('ui.common.state')"
        labelled="beside"
        :entries="
          entriesOf(
            circuit.states,
            (s) => s.id,
            (s) => s.name,
          )
        "
      />
      <NButton size="small" type="primary" :disabled="!readings.length" @click="fit">{{
        t('ui.sheet.fitTheModelToReadings', { count: readings.length })
      }}</NButton>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <NTable size="small" :bordered="false" class="max-w-640px">
      <thead>
        <tr>
          <th scope="col">{{ t('ui.sheet.point') }}</th>
          <th scope="col" class="num">{{ t('ui.common.expected') }}</th>
          <th scope="col" class="num">{{ t('ui.sheet.band') }}</th>
          <th scope="col">{{ t('ui.sheet.measured') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in shown" :key="keyOf(row)" :class="{ bad: off(row) }">
          <td class="reading" :title="tell(row.title)">{{ row.point }}</td>
          <td class="num">{{ v(row.value) }}</td>
          <td class="num quiet">± {{ v(row.band) }}</td>
          <td>
            <Committed
              :value="typed[keyOf(row)] ?? ''"
              :label="t('ui.sheet.measuredAt', { point: row.point })"
              :wrong="read(row)?.ok === false"
              numeric
              @change="set(row, $event)"
            />
            <span v-if="read(row)?.ok === false" class="quiet"> {{ t('ui.sheet.writeItLike1234') }}</span>
            <span v-else-if="off(row)"> {{ t('ui.sheet.outsideItsBand') }}</span>
          </td>
        </tr>
      </tbody>
    </NTable>
    <div v-if="fitted" class="grid gap-10px justify-items-start" role="status">
      <p>
        {{ t('ui.sheet.offBy') }} <b class="reading">{{ v(fitted.rms[0]) }}</b>
        {{ t('ui.sheet.onAverageAsDrawnBy') }} <b class="reading">{{ v(fitted.rms[1]) }}</b>
        {{ t('ui.sheet.asFitted') }}
      </p>
      <h3>{{ t('ui.sheet.whatChanged') }}</h3>
      <p v-if="!fitted.changes.length">{{ t('ui.sheet.nothingTheBoardIsAs') }}</p>
      <NTable v-else size="small" :bordered="false" class="max-w-640px">
        <thead>
          <tr>
            <th scope="col">{{ t('ui.sheet.value') }}</th>
            <th scope="col" class="num">{{ t('ui.sheet.drawn') }}</th>
            <th scope="col" class="num">{{ t('ui.sheet.fitted') }}</th>
            <th scope="col">{{ t('ui.sheet.isThatSound') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="c in fitted.changes.slice(0, 14)" :key="c.part + c.name" :class="{ bad: c.spreads > 3 }">
            <td>{{ c.part }} {{ tell(c.label) }}</td>
            <td class="num">{{ formatQuantity(c.from, c.unit) }}</td>
            <td class="num">{{ formatQuantity(c.to, c.unit) }}</td>
            <td>
              {{
                c.spreads > 3
                  ? t('ui.sheet.noSoundOneStraysSo')
                  : c.spreads > 1.5
                    ? t('ui.sheet.atTheEdge')
                    : t('ui.sheet.usual')
              }}
            </td>
          </tr>
        </tbody>
      </NTable>
      <p v-if="fitted.residuals.some((r) => r.unexplained)" class="caution">
        {{
          t('ui.sheet.cannotBeExplainedMeasureAgain', {
            join: fitted.residuals
              .filter((r) => r.unexplained)
              .map((r) =>
                t('ui.sheet.readsFitted', {
                  red: r.red,
                  volts: v(r.volts),
                  after: v(r.volts - r.after),
                }),
              )
              .join(' · '),
          })
        }}
      </p>
      <NButton size="small" type="primary" @click="keep">{{ t('ui.sheet.keepItAsThisBoards') }}</NButton>
    </div>
  </section>
</template>
