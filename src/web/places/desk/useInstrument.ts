import { t, tell } from '../../words'
import { dequal } from 'dequal/lite'
import { computed, ref } from 'vue'
import { meterAnswerSchema } from '../../../contract'
import {
  predictionSaid,
  readingSaid,
  type Connection,
  type Prediction,
  type Said,
} from '../../../core/attempt'
import { terminalName, terminalNamed, walkPaths } from '../../../core/model'
import {
  devices,
  handPins,
  instrumentOf,
  settingsOf,
  type Device,
  type InstrumentKey,
} from '../../../core/instruments'
import { partOfKind } from '../../../core/parts'
import { messageOf, send } from '../../api/client'
import type { DeskModel } from './useDesk'

/** The instrument in the student's hand: which it is, how it is set and held, what is predicted, what it shows. */
export function useInstrument(model: DeskModel) {
  const wrong = ref('')
  const draft = computed(() => model.draft)
  /** Readings of a real board are the student’s to type, or its meter’s to send. */
  const real = computed(() => model.desk?.frame.source !== 'model')
  /** What the connected meter sent last: typed over, it is the student’s own. */
  const fromMeter = ref('')
  const bag = computed(() =>
    (model.desk?.frame.bag ?? [])
      .map(instrumentOf)
      // At a real board one's own eyes look.
      .filter((i) => !(real.value && i.nature(settingsOf(i)).byEye)),
  )
  const instrument = computed(() => instrumentOf(draft.value.instrument))
  const asks = computed(() => instrument.value.asks)
  const kit = computed(() =>
    (Object.keys(devices) as Device[]).filter((device) => bag.value.some((i) => i.device === device)),
  )
  /** What the device in hand can be set to. */
  const functions = computed(() => bag.value.filter((i) => i.device === instrument.value.device))
  const settings = computed(() => settingsOf(instrument.value, draft.value.settings[draft.value.instrument]))
  const hold = computed(() => draft.value.hold[draft.value.instrument] ?? instrument.value.holds[0]!)
  /** Parts at which the instrument in hand can be tried at all. */
  const triedAt = computed(
    () =>
      new Set(
        instrument.value
          .places(model.circuit, model.wiring)
          .flatMap((one) => (one.type === 'at' ? [one.part] : [])),
      ),
  )
  const byEye = computed(() => instrument.value.nature(settings.value).byEye === true)
  /** What can be taken out so that something stands in its place. */
  const gaps = computed(() =>
    model.circuit.parts.filter(({ id, kind }) => {
      const { detach, protects } = partOfKind(kind)
      if (hold.value === 'at') return triedAt.value.has(id)
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
      case 'hand':
        return { type: 'hand', red, black, ...(draft.value.spare && { spare: true }) }
      case 'posts':
        return { type: 'posts' }
      case 'series':
      case 'inPlaceOf':
      case 'spots':
      case 'at':
        return { type: hold.value, part }
    }
  }

  /** What is missing before it can be held so, in words; empty where nothing is. */
  function missing(): string {
    const { red, black, round, part } = draft.value
    switch (hold.value) {
      case 'leads':
      case 'hand': {
        const bare = [!red.trim() && 'red', !black.trim() && 'black'].filter(Boolean)
        if (!bare.length) return ''
        return t(
          bare.length > 1
            ? 'ui.desk.bothLeadsAreOnNothing'
            : bare[0] === 'red'
              ? 'ui.desk.theRedLeadIsOn'
              : 'ui.desk.theBlackLeadIsOn',
        )
      }
      case 'jaws':
        return round.trim() ? '' : t('ui.desk.theJawsAreRoundNothing')
      case 'series':
      case 'inPlaceOf':
      case 'spots':
      case 'at':
        return part ? '' : t('ui.desk.sayAtWhichPart')
      case 'posts':
        return ''
    }
  }

  function prediction(): Prediction | undefined {
    // An eye looks without a prediction.
    if (byEye.value && asks.value.type === 'word')
      return { type: 'word', word: Object.keys(asks.value.words)[0]! }
    const text = draft.value.prediction.trim()
    if (!text) {
      wrong.value =
        asks.value.type === 'beep' ? t('ui.desk.sayFirstWhetherAGood') : t('ui.desk.predictFirstWhatWouldA')
      return undefined
    }
    return said(predictionSaid(draft.value.instrument, text))
  }
  function said<T>(read: Said<T>): T | undefined {
    if (read.ok) return read.value
    wrong.value = tell(read.why)
    return undefined
  }

  /** The display holds a reading until what is held, or how it is set, changes. */
  const shown = computed(() => {
    const last = model.steps[model.steps.length - 1]
    const test = model.lastTest
    // While it is being thought about the reading stands, also on another tablet.
    if (test && model.inferenceDue) return test.reading
    const still =
      test?.instrument === draft.value.instrument &&
      dequal([test.held, test.also, test.arrangement], [held(), draft.value.also, model.arrangementNow()])
    return still && last && ['test', 'infer', 'hint'].includes(last.type) ? test.reading : null
  })

  async function measure() {
    wrong.value = missing()
    if (wrong.value) return
    const predicted = prediction()
    if (!predicted) return
    const maybe = draft.value.suspected?.trim()
    const suspected = maybe ? said(predictionSaid(draft.value.instrument, maybe)) : undefined
    if (maybe && !suspected) return
    if (real.value && !draft.value.typed?.trim()) {
      wrong.value = t('ui.desk.typeWhatYourMeterShows')
      return
    }
    const reading = real.value ? said(readingSaid(draft.value.instrument, draft.value.typed!)) : undefined
    if (real.value && !reading) return
    const { asked } = draft.value
    const done = await model.act({
      type: 'test',
      arrangement: model.arrangementNow(),
      instrument: draft.value.instrument,
      settings: settings.value,
      held: held(),
      also: draft.value.also.slice(),
      prediction: predicted,
      ...(suspected && { suspected }),
      ...(reading && { reading }),
      ...(reading && asked && { asked: { ...asked, answer: 'corrected' as const } }),
      source: real.value ? (fromMeter.value === draft.value.typed ? 'meter' : 'typed') : 'model',
    })
    if (done) taken()
  }
  const sending = ref(false)
  /** What the connected meter shows, into the place where it would be typed; the prediction comes first here too. */
  async function readMeter() {
    wrong.value = missing()
    if (wrong.value || !prediction()) return
    sending.value = true
    try {
      const sent = await send(meterAnswerSchema, `/desk/${model.desk!.id}/meter`, {
        arrangement: model.arrangementNow(),
        instrument: draft.value.instrument,
        settings: settings.value,
        held: held(),
      })
      if ('trouble' in sent) wrong.value = tell(sent.trouble)
      else {
        const { text, signs } = sent.reading
        draft.value.typed = fromMeter.value = [text, ...signs.map(tell)].join(' ')
        await measure()
      }
    } catch (error) {
      wrong.value = messageOf(error)
    } finally {
      sending.value = false
    }
  }
  /** The reading stands, or it is put right: either goes into the record. */
  async function answer(stands: boolean) {
    const { question } = model
    if (question?.action.type !== 'test') return
    const first = draft.value.typed ?? ''
    if (!stands) {
      draft.value.asked = { about: question.about, first }
      draft.value.typed = ''
      model.question = null
      return
    }
    const asked = { about: question.about, first, answer: 'stands' as const }
    if (await model.act({ ...question.action, asked })) taken()
  }
  function taken() {
    // Points and places come back by their own names.
    const { held: at, also = [] } = model.lastTest ?? {}
    draft.value.also = [...also]
    if (at?.type === 'leads') {
      draft.value.red = at.red
      draft.value.black = at.black
    }
    draft.value.prediction = ''
    draft.value.suspected = ''
    draft.value.typed = ''
    draft.value.asked = null
  }

  /** It changes the circuit by being there, so that another instrument may read what then happens. */
  const loads = computed(() => {
    const { draws, carries, shorts, stays } = instrument.value.nature(settings.value)
    return (
      Boolean(instrument.value.connect) &&
      (draws > 0 || carries === true || shorts === true || stays === true)
    )
  })
  /** It stays where it is while another reads: a lamp in the fuse's place, a load between two points. */
  function leave() {
    wrong.value = missing()
    if (wrong.value) return
    const mine = { instrument: draft.value.instrument, settings: settings.value, held: held() }
    draft.value.also = [...draft.value.also.slice(-2), mine]
    // What it shows there, and what it changes, is seen at once.
    if (!real.value) void model.operate()
  }
  function take(at: number) {
    draft.value.also = draft.value.also.filter((_, i) => i !== at)
  }

  /** Carries one lead along its path, a point at a time: up towards the source, down towards the return. */
  function carry(which: 'red' | 'black', by: 1 | -1) {
    if (hold.value === 'hand') return carryInHand(which, by)
    const walks = walkPaths(model.circuit)
    const at = draft.value[which].trim()
    const names = walks.map(({ points }) => [...new Set(points.filter((p) => !p.inside).map((p) => p.name))])
    const along = names.find((list) => list.includes(at)) ?? names[0]
    if (!along?.length) return
    const now = along.indexOf(at)
    const to = now < 0 ? (by > 0 ? 0 : along.length - 1) : Math.min(along.length - 1, Math.max(0, now + by))
    draft.value[which] = along[to]!
  }

  /** The lead that walks: of two, one that stands on a post of the battery is the reference and stays. */
  function walking(next: 'red' | 'black'): 'red' | 'black' {
    const other = next === 'red' ? 'black' : 'red'
    const sources = new Set(
      model.circuit.parts.filter(({ kind }) => partOfKind(kind).role === 'source').map(({ id }) => id),
    )
    const stands = (lead: 'red' | 'black') => sources.has(model.wiring.find(draft.value[lead])?.part ?? '')
    return stands(next) && !stands(other) ? other : next
  }

  /** In the hand a lead goes from one of the part’s ends to the next. */
  function carryInHand(which: 'red' | 'black', by: 1 | -1) {
    const at = draft.value[which].trim()
    const part = terminalNamed(model.circuit, at)?.part ?? model.circuit.parts.find((p) => handPins(p).length)
    if (!part) return
    const names = handPins(part).map((pin) => terminalName(part, pin))
    const now = names.indexOf(at)
    draft.value[which] = names[(now + by + names.length) % names.length]!
  }

  /** Where the instrument is held, as the drawing shows it. */
  const grip = computed(() => {
    const { round, part, also } = draft.value
    const of = (one: Connection['held']) =>
      one.type === 'jaws' ? one.round : 'part' in one ? [one.part] : []
    const mine =
      hold.value === 'jaws'
        ? round.split(/[\s,]+/).filter(Boolean)
        : hold.value === 'leads' || !part
          ? []
          : [part]
    return new Set([...mine, ...also.flatMap((one) => of(one.held))])
  })

  /** In the drawing a part is what jaws go round, or where something is held: not for leads. */
  function holdAt(id: string): boolean {
    if (hold.value === 'jaws') {
      const round = draft.value.round.split(/[\s,]+/).filter(Boolean)
      draft.value.round = (round.includes(id) ? round.filter((r) => r !== id) : [...round, id]).join(' ')
      return true
    }
    if (!gaps.value.some((p) => p.id === id) || !['series', 'inPlaceOf', 'spots', 'at'].includes(hold.value))
      return false
    draft.value.part = id
    return true
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
    real,
    fromMeter,
    answer,
    readMeter,
    sending,
    carry,
    walking,
    holdAt,
    grip,
    wrong,
    draft,
    instrument,
    asks,
    byEye,
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

export type DeskInstrument = ReturnType<typeof useInstrument>
