import { dequal } from 'dequal/lite'
import { computed, ref } from 'vue'
import { tell } from '../../../contract/words'
import type { Connection, Prediction } from '../../../core/attempt'
import { devices, instrumentOf, settingsOf, type Device, type InstrumentKey } from '../../../core/instruments'
import { partOfKind } from '../../../core/parts'
import { parseQuantity } from '../../../core/quantity'
import type { DeskModel } from './useDesk'

/** The instrument in the student's hand: which it is, how it is set and held, what is predicted, what it shows. */
export function useInstrument(model: DeskModel) {
  const wrong = ref('')
  const draft = computed(() => model.draft)
  const bag = computed(() => (model.desk?.frame.bag ?? []).map(instrumentOf))
  const instrument = computed(() => instrumentOf(draft.value.instrument))
  const asks = computed(() => instrument.value.asks)
  const kit = computed(() =>
    (Object.keys(devices) as Device[]).filter((device) => bag.value.some((i) => i.device === device)),
  )
  /** What the device in hand can be set to. */
  const functions = computed(() => bag.value.filter((i) => i.device === instrument.value.device))
  const settings = computed(() => settingsOf(instrument.value, draft.value.settings[draft.value.instrument]))
  const hold = computed(() => draft.value.hold[draft.value.instrument] ?? instrument.value.holds[0]!)
  /** What can be taken out so that something stands in its place. */
  const gaps = computed(() =>
    model.circuit.parts.filter(({ kind }) => {
      const { detach, protects } = partOfKind(kind)
      return hold.value === 'spots' ? protects?.blade : detach?.gap
    }),
  )

  function held(): Connection['held'] {
    const { red, black, round, part } = draft.value
    switch (hold.value) {
      case 'leads':
        return { type: 'leads', red, black }
      case 'jaws':
        return {
          type: 'jaws',
          round: round
            .split(/[\s,]+/)
            .filter(Boolean)
            .slice(0, 12),
        }
      case 'posts':
        return { type: 'posts' }
      case 'series':
      case 'inPlaceOf':
      case 'spots':
        return { type: hold.value, part }
    }
  }

  /** What is missing before it can be held so, in words; empty where nothing is. */
  function missing(): string {
    const { red, black, round, part } = draft.value
    switch (hold.value) {
      case 'leads': {
        const bare = [!red.trim() && 'red', !black.trim() && 'black'].filter(Boolean)
        if (!bare.length) return ''
        return `The ${bare.join(' and the ')} lead ${bare.length > 1 ? 'are' : 'is'} on nothing: point in the drawing or type a short name`
      }
      case 'jaws':
        return round.trim()
          ? ''
          : 'The jaws are round nothing: name a wire or a measuring place, such as W3 or H1a'
      case 'series':
      case 'inPlaceOf':
      case 'spots':
        return part ? '' : 'Say at which part'
      case 'posts':
        return ''
    }
  }

  function prediction(): Prediction | undefined {
    const text = draft.value.prediction.trim()
    if (!text) {
      wrong.value =
        asks.value.type === 'beep'
          ? 'Say first whether a good circuit would beep here'
          : 'Predict first: what would a good circuit show here?'
      return undefined
    }
    if (asks.value.type === 'beep') return text === 'beep' ? { type: 'beep' } : { type: 'OL' }
    if (asks.value.type === 'word') return { type: 'word', word: text }
    if (/^o\.?l\.?$/i.test(text)) return { type: 'OL' }
    const read = parseQuantity(text, asks.value.unit)
    if (read.ok) return { type: 'value', value: read.value }
    wrong.value = tell(read.why)
    return undefined
  }

  /** The display holds a reading until what is held, or how it is set, changes. */
  const shown = computed(() => {
    const last = model.steps[model.steps.length - 1]
    const test = model.lastTest
    const still =
      test?.instrument === draft.value.instrument &&
      dequal([test.held, test.also], [held(), draft.value.also])
    return still && (last?.type === 'test' || last?.type === 'infer') ? test.reading : null
  })

  async function measure() {
    wrong.value = missing()
    if (wrong.value) return
    const predicted = prediction()
    if (!predicted) return
    const done = await model.act({
      type: 'test',
      arrangement: model.arrangementNow(),
      instrument: draft.value.instrument,
      settings: settings.value,
      held: held(),
      also: draft.value.also.slice(),
      prediction: predicted,
      source: 'model',
    })
    if (!done) return
    // Points and places come back by their own names.
    const { held: taken, also = [] } = model.lastTest ?? {}
    draft.value.also = [...also]
    if (taken?.type === 'leads') {
      draft.value.red = taken.red
      draft.value.black = taken.black
    }
    draft.value.prediction = ''
  }

  /** It changes the circuit by being there, so that another instrument may read what then happens. */
  const loads = computed(() => {
    const { draws, carries, shorts } = instrument.value.nature(settings.value)
    return Boolean(instrument.value.connect) && (draws > 0 || carries === true || shorts === true)
  })
  /** It stays where it is while another reads: a lamp in the fuse's place, a load between two points. */
  function leave() {
    wrong.value = missing()
    if (wrong.value) return
    const mine = { instrument: draft.value.instrument, settings: settings.value, held: held() }
    draft.value.also = [...draft.value.also.slice(-2), mine]
  }
  function take(at: number) {
    draft.value.also = draft.value.also.filter((_, i) => i !== at)
  }

  function choose(key: InstrumentKey) {
    draft.value.instrument = key
    draft.value.prediction = ''
    wrong.value = ''
  }
  function chooseDevice(device: string) {
    const first = bag.value.find((i) => i.device === device)
    if (first) choose(first.key)
  }
  function set(key: string, value: string) {
    draft.value.settings[draft.value.instrument] = { ...settings.value, [key]: value }
  }
  function holdSo(how: Connection['held']['type']) {
    draft.value.hold[draft.value.instrument] = how
  }

  return {
    wrong,
    draft,
    instrument,
    asks,
    kit,
    functions,
    settings,
    hold,
    gaps,
    shown,
    measure,
    choose,
    chooseDevice,
    set,
    holdSo,
    loads,
    leave,
    take,
  }
}
