import { computed, reactive, ref, shallowRef } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { dequal } from 'dequal/lite'
import { deskSchema, takenSchema, type Desk, type DeskAction, type Taken } from '../../../contract'
import {
  benchAfter,
  defaultFrame,
  type Arrangement,
  type Connection,
  type Step,
  type StepOf,
} from '../../../core/attempt'
import { wireUp } from '../../../core/model'
import { type Circuit } from '../../../core/circuit'
import type { Message } from '../../../core/document'
import type { InstrumentKey, Settings } from '../../../core/instruments'
import { noticeText, partOfKind } from '../../../core/parts'
import { ask, isSignedOut, messageOf, retryWhileOffline, send } from '../../api/client'
import { unsent } from '../../api/unsent'
import { uuid } from '../../parts/uuid'

/** What a student has typed or marked but not sent yet; it survives a reload. */
interface Draft {
  controls: Record<string, string>
  detached: string[]
  wiggled?: string[]
  /** Like parts that have changed places, and parts in whose place the spare stands. */
  swapped?: [string, string][]
  spares?: string[]
  engine?: 'off' | 'running'
  sinceKeyOff?: number
  instrument: InstrumentKey
  /** By instrument. */
  settings: Partial<Record<InstrumentKey, Settings>>
  /** How each instrument is held. */
  hold: Partial<Record<InstrumentKey, Connection['held']['type']>>
  red: string
  black: string
  /** What jaws go round, or what part something stands in place of. */
  round: string
  part: string
  /** What else is connected, and stays so while another instrument reads. */
  also: Connection[]
  /** Not the part that was taken out is in the hand, but the spare of the box. */
  spare?: boolean
  prediction: string
  /** What it would show if the piece that is suspected were at fault. */
  suspected?: string
  /** What the display of a real meter shows. */
  typed?: string
  /** A reading that was asked about and is being put right: what was asked, and what had been typed. */
  asked?: { about: Message; first: string } | null
  struck: string[]
  ringed: string[]
  /** Marks as they were, the last ones last: each change can be taken back. */
  before?: { struck: string[]; ringed: string[] }[]
  note: string
}

/** One student's work order: its steps as the server has them, and what is on the way. */
export function useDesk(id: string) {
  const desk = shallowRef<Desk | null>(null)
  const failure = ref('')
  const waiting = ref(false)
  const busy = ref(false)
  /** What the server asks about a typed reading before it takes it down. */
  const question = shallowRef<{ about: Message; action: DeskAction['action'] } | null>(null)
  const loadedAt = ref(0)
  const draft = useLocalStorage<Draft>(
    `brachyon.desk-2.${id}`,
    {
      controls: {},
      detached: [],
      instrument: 'volts',
      settings: {},
      hold: {},
      red: '',
      black: '',
      round: '',
      part: '',
      also: [],
      prediction: '',
      suspected: '',
      typed: '',
      asked: null,
      before: [],
      struck: [],
      ringed: [],
      note: '',
    },
    { mergeDefaults: true },
  )

  const steps = computed<Step[]>(() => desk.value?.steps ?? [])
  const circuit = computed(() => desk.value?.circuit as Circuit)
  const wiring = computed(() => wireUp(circuit.value))
  /** After a reading, an inference is due before the next test. */
  const inferenceDue = computed(
    () =>
      steps.value[steps.value.length - 1]?.type === 'test' && !steps.value.some((s) => s.type === 'repair'),
  )
  const concluded = computed(() => steps.value.some((s) => s.type === 'conclude'))
  /** Minutes that the work would have taken at a vehicle: they follow from what was done, not from what was planted. */
  const minutes = computed(() => {
    const { frame } = desk.value!
    const order = { circuit: circuit.value, planted: [], frame: { ...defaultFrame(), ...frame } }
    return Math.round(benchAfter(order, steps.value).minutes)
  })
  const lastTest = computed(() =>
    [...steps.value].reverse().find((s): s is StepOf<'test'> => s.type === 'test'),
  )
  const seen = computed(() => {
    const arrangement = JSON.stringify(arrangementNow())
    // What was seen before a repair or a new fuse says nothing of the circuit as it is now.
    const since = steps.value.slice(
      steps.value.findLastIndex(({ type }) => type === 'repair' || type === 'renew') + 1,
    )
    const last = since.findLast(
      (s): s is StepOf<'operate'> =>
        s.type === 'operate' &&
        JSON.stringify(s.arrangement) === arrangement &&
        dequal(s.also ?? [], draft.value.also),
    )
    const kinds = new Map(circuit.value.parts.map((p) => [p.id, p.kind]))
    return Object.fromEntries(
      Object.entries(last?.seen ?? {}).map(([part, key]) => [
        part,
        { key, text: noticeText(kinds.get(part) ?? '', key) },
      ]),
    )
  })

  /** What each thing that is left connected showed when the board was operated so. */
  const glows = computed(() => {
    const arrangement = JSON.stringify(arrangementNow())
    const last = steps.value.findLast(
      (s): s is StepOf<'operate'> =>
        s.type === 'operate' &&
        JSON.stringify(s.arrangement) === arrangement &&
        dequal(s.also ?? [], draft.value.also),
    )
    return last?.shows ?? []
  })

  /** The board was repaired, or something on it renewed, and nobody has operated it since. */
  const unseen = computed(() => {
    const changed = steps.value.findLastIndex(({ type }) => type === 'repair' || type === 'renew')
    return changed >= 0 && !steps.value.slice(changed + 1).some(({ type }) => type === 'operate')
  })

  /** Operates the circuit as it is set, with what is left connected. */
  async function operate(says?: StepOf<'operate'>['says'], told?: Record<string, string>): Promise<boolean> {
    const done = await act({
      type: 'operate',
      arrangement: arrangementNow(),
      ...(draft.value.also.length && { also: draft.value.also.slice() }),
      ...(says && { says }),
      ...(told && { seen: told }),
    })
    const last = steps.value[steps.value.length - 1]
    // Points and places come back by their own names.
    if (done && last?.type === 'operate' && last.also) draft.value.also = [...last.also]
    return done
  }

  function arrangementNow(): Arrangement {
    const controls = Object.fromEntries(
      circuit.value.parts.flatMap((part) => {
        const positions = partOfKind(part.kind).positions
        return positions ? [[part.id, draft.value.controls[part.id] ?? positions[0]!]] : []
      }),
    )
    const { detached, wiggled = [], swapped = [], spares = [], engine = 'off', sinceKeyOff = 0 } = draft.value
    return {
      controls,
      detached: [...detached].sort(),
      ...(wiggled.length ? { wiggled } : {}),
      ...(swapped.length ? { swapped } : {}),
      ...(spares.length ? { spares } : {}),
      ...(engine === 'running' ? { engine } : {}),
      ...(sinceKeyOff > 0 ? { sinceKeyOff } : {}),
    }
  }

  /** What was sent and not acknowledged: it is sent again, under the same key, before anything else. */
  const outbox = unsent<DeskAction>(`desk.${id}`)

  async function load() {
    const left = outbox.read()
    if (left)
      try {
        await sendUntilTaken(left)
      } catch (error) {
        failure.value = messageOf(error)
      }
    desk.value = await ask(deskSchema, `/desk/${id}`)
    loadedAt.value = performance.now()
    const { bag } = desk.value.frame
    if (!bag.includes(draft.value.instrument)) draft.value.instrument = bag[0]!
    takeUp()
  }

  /** On another tablet, or after its memory was cleared, the work goes on as the server has it. */
  function takeUp() {
    const { struck, ringed, red, black, controls, before = [] } = draft.value
    if (struck.length || ringed.length || before.length) return
    const marked = steps.value.findLast((s): s is StepOf<'infer'> => s.type === 'infer')
    draft.value.struck = [...(marked?.struck ?? [])]
    draft.value.ringed = [...(marked?.ringed ?? [])]
    const arranged = steps.value.findLast((s) => s.type === 'test' || s.type === 'operate')
    if (arranged && 'arrangement' in arranged && Object.keys(controls).length === 0) {
      draft.value.controls = { ...arranged.arrangement.controls }
      draft.value.detached = [...arranged.arrangement.detached]
      draft.value.wiggled = [...(arranged.arrangement.wiggled ?? [])]
      draft.value.swapped = [...(arranged.arrangement.swapped ?? [])]
      draft.value.spares = [...(arranged.arrangement.spares ?? [])]
      draft.value.engine = arranged.arrangement.engine ?? 'off'
      draft.value.sinceKeyOff = arranged.arrangement.sinceKeyOff ?? 0
    }
    const held = lastTest.value?.held
    if (held?.type === 'leads' && !red && !black) {
      draft.value.red = held.red
      draft.value.black = held.black
    }
  }

  /** Kept until the server has taken or refused it: over a lost connection, a reload and an ended session. */
  async function sendUntilTaken(step: DeskAction): Promise<Taken> {
    outbox.write(step)
    try {
      const taken = await retryWhileOffline(
        () => send(takenSchema, `/desk/${id}/steps`, step),
        (w) => (waiting.value = w),
      )
      outbox.write(undefined)
      return taken
    } catch (error) {
      if (!isSignedOut(error)) outbox.write(undefined)
      throw error
    }
  }

  /** Sends one action until the server has taken it; sent twice, it is taken once. */
  async function act(action: DeskAction['action']): Promise<boolean> {
    failure.value = ''
    busy.value = true
    try {
      const taken = await sendUntilTaken({ key: uuid(), action })
      const now = desk.value!
      desk.value = { ...now, steps: [...now.steps, taken.step] }
      question.value = 'question' in taken ? { about: taken.question, action } : null
      return !question.value
    } catch (error) {
      failure.value = messageOf(error)
      return false
    } finally {
      busy.value = false
    }
  }

  /** Nothing can be added afterwards. */
  async function finish(): Promise<void> {
    failure.value = ''
    try {
      desk.value = await send(deskSchema, `/desk/${id}/finish`)
    } catch (error) {
      failure.value = messageOf(error)
    }
  }

  /** The instructor has given more time, or allowed hints. */
  function hear({ left, hints }: { left: number | null; hints: Desk['frame']['hints'] }) {
    if (!desk.value) return
    desk.value = { ...desk.value, left, frame: { ...desk.value.frame, hints } }
    loadedAt.value = performance.now()
  }

  return reactive({
    hear,
    desk,
    failure,
    waiting,
    busy,
    question,
    loadedAt,
    draft,
    steps,
    circuit,
    wiring,
    inferenceDue,
    concluded,
    minutes,
    finish,
    lastTest,
    seen,
    glows,
    arrangementNow,
    unseen,
    operate,
    load,
    act,
  })
}

export type DeskModel = ReturnType<typeof useDesk>
