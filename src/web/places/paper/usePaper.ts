import { tell } from '../../words'
import { useLocalStorage } from '@vueuse/core'
import { ref } from 'vue'
import { takenSchema, type DeskAction, type Review } from '../../../contract'
import { arrangementOf, predictionSaid, readingSaid, type Said } from '../../../core/attempt'
import { instrumentOf, settingsOf, type Held, type InstrumentKey } from '../../../core/instruments'
import type { FaultKind } from '../../../core/faults'
import { messageOf, send } from '../../api/client'
import { uuid } from '../../parts/uuid'

/** One reading of a worksheet, as it was written. */
export interface PaperRow {
  /** Keys of its two steps: sent twice, they are taken once. */
  keys: readonly [test: string, infer: string]
  state: string
  instrument: InstrumentKey
  at: string
  black: string
  predicted: string
  reading: string
  struck: string
  /** Whoever types has looked again: it is as written. */
  stands: boolean
  taken: boolean
  trouble: string
}

/** A worksheet that is typed in, row by row; what is not sent yet survives a reload. */
export function usePaper(review: Review) {
  const { circuit, frame, id } = review
  const fresh = (): PaperRow => ({
    keys: [uuid(), uuid()],
    state: circuit.states[0]?.id ?? '',
    instrument: frame.bag[0] ?? 'volts',
    at: '',
    black: '',
    predicted: '',
    reading: '',
    struck: '',
    stands: false,
    taken: false,
    trouble: '',
  })
  const rows = useLocalStorage<PaperRow[]>(`brachyon.paper.${id}`, [fresh()])
  const conclusion = useLocalStorage<{ key: string; piece: string; kind: FaultKind | ''; sure: number }>(
    `brachyon.paper-end.${id}`,
    { key: uuid(), piece: '', kind: '', sure: 70 },
  )
  const busy = ref(false)
  const trouble = ref('')
  const add = () => rows.value.push({ ...fresh(), ...copied(rows.value[rows.value.length - 1]) })
  const copied = (row: PaperRow | undefined) =>
    row ? { state: row.state, instrument: row.instrument, black: row.black } : {}

  const post = (key: string, action: DeskAction['action']) =>
    send(takenSchema, `/orders/${id}/steps`, { key, action })

  function testOf(row: PaperRow): Said<DeskAction['action']> {
    const state = circuit.states.find((s) => s.id === row.state)
    const instrument = instrumentOf(row.instrument)
    const prediction = predictionSaid(row.instrument, row.predicted)
    if (!prediction.ok) return prediction
    const reading = readingSaid(row.instrument, row.reading)
    if (!reading.ok) return reading
    const [how = 'leads'] = instrument.holds
    const held: Held =
      how === 'leads'
        ? { type: 'leads', red: row.at, black: row.black }
        : how === 'jaws'
          ? { type: 'jaws', round: row.at.split(/[\s,]+/).filter(Boolean) }
          : how === 'posts'
            ? { type: 'posts' }
            : how === 'hand'
              ? { type: 'hand', red: row.at, black: row.black }
              : { type: how, part: row.at }
    return {
      ok: true,
      value: {
        type: 'test',
        arrangement: state ? arrangementOf(state) : { controls: {}, detached: [] },
        instrument: row.instrument,
        settings: settingsOf(instrument),
        held,
        also: [],
        prediction: prediction.value,
        reading: reading.value,
        source: 'typed',
        ...(row.stands && {
          asked: { about: { code: 'assessment.liveLook' }, first: row.reading, answer: 'stands' as const },
        }),
      },
    }
  }

  /** Sends what is written, in order; stops where a row has to be looked at. */
  async function sendAll(): Promise<boolean> {
    busy.value = true
    trouble.value = ''
    try {
      for (const row of rows.value) {
        if (row.taken || !row.reading.trim()) continue
        row.trouble = ''
        const test = testOf(row)
        if (!test.ok) {
          row.trouble = tell(test.why)
          return false
        }
        const answer = await post(row.keys[0], test.value)
        if ('question' in answer) {
          row.trouble = tell(answer.question)
          // The question is a step of its own: what is sent after another look is a new one.
          row.keys = [uuid(), row.keys[1]]
          return false
        }
        const struck = row.struck.split(/[\s,]+/).filter(Boolean)
        await post(row.keys[1], { type: 'infer', struck, ringed: [], note: '' })
        row.taken = true
      }
      const { key, piece, kind, sure } = conclusion.value
      if (piece && kind) {
        await post(key, { type: 'conclude', piece, kind, sure, note: '' })
        return true
      }
      return false
    } catch (error) {
      trouble.value = messageOf(error)
      return false
    } finally {
      busy.value = false
    }
  }
  return { rows, conclusion, busy, trouble, add, sendAll }
}
