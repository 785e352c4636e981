import { computed, reactive, ref, shallowRef } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { acknowledgedSchema, deskSchema, type Desk, type DeskAction } from '../../../contract'
import { wireUp, type Circuit } from '../../../core/circuit'
import { partOfKind } from '../../../core/parts'
import type { Step, StepOf } from '../../../core/assessment'
import { ask, messageOf, persist, tell } from '../../api/client'
import { uuid } from '../../parts/uuid'

/** What a student has typed or marked but not sent yet; it survives a reload. */
interface Draft {
  controls: Record<string, string>
  detached: string[]
  wiggled?: string[]
  engine?: 'off' | 'running'
  sinceKeyOff?: number
  function: 'volts' | 'ohms' | 'continuity'
  red: string
  black: string
  prediction: string
  struck: string[]
  ringed: string[]
  note: string
}

/** One student's work order: its steps as the server has them, and what is on the way. */
export function useDesk(id: string) {
  const desk = shallowRef<Desk | null>(null)
  const failure = ref('')
  const waiting = ref(false)
  const busy = ref(false)
  const draft = useLocalStorage<Draft>(`brachyon.desk.${id}`, {
    controls: {},
    detached: [],
    function: 'volts',
    red: '',
    black: '',
    prediction: '',
    struck: [],
    ringed: [],
    note: '',
  })

  const steps = computed<Step[]>(() => desk.value?.steps ?? [])
  const circuit = computed(() => desk.value?.circuit as Circuit)
  const wiring = computed(() => wireUp(circuit.value))
  /** After a reading, an inference is due before the next test. */
  const inferenceDue = computed(() => steps.value[steps.value.length - 1]?.type === 'test')
  const lastTest = computed(() =>
    [...steps.value].reverse().find((s): s is StepOf<'test'> => s.type === 'test'),
  )
  const seen = computed(() => {
    const arrangement = JSON.stringify(arrangementNow())
    const last = [...steps.value]
      .reverse()
      .find(
        (s): s is StepOf<'operate'> => s.type === 'operate' && JSON.stringify(s.arrangement) === arrangement,
      )
    return last?.seen ?? {}
  })

  function arrangementNow() {
    const controls = Object.fromEntries(
      circuit.value.parts.flatMap((part) => {
        const positions = partOfKind(part.kind).positions
        return positions ? [[part.id, draft.value.controls[part.id] ?? positions[0]!]] : []
      }),
    )
    const { detached, wiggled = [], engine = 'off', sinceKeyOff = 0 } = draft.value
    return {
      controls,
      detached: [...detached].sort(),
      ...(wiggled.length ? { wiggled } : {}),
      ...(engine === 'running' ? { engine } : {}),
      ...(sinceKeyOff > 0 ? { sinceKeyOff } : {}),
    }
  }

  async function load() {
    desk.value = await ask(deskSchema, `/desk/${id}`)
  }

  /** Sends one action until the server has taken it; sent twice, it is taken once. */
  async function act(action: DeskAction['action']): Promise<boolean> {
    failure.value = ''
    busy.value = true
    const key = uuid()
    try {
      const taken = await persist(
        () => tell(acknowledgedSchema, `/desk/${id}/steps`, { key, action }),
        (w) => (waiting.value = w),
      )
      const now = desk.value!
      desk.value = {
        ...now,
        steps: [...now.steps, taken.step],
        concluded: now.concluded || taken.step.type === 'conclude',
      }
      return true
    } catch (error) {
      failure.value = messageOf(error)
      return false
    } finally {
      busy.value = false
    }
  }

  return reactive({
    desk,
    failure,
    waiting,
    busy,
    draft,
    steps,
    circuit,
    wiring,
    inferenceDue,
    lastTest,
    seen,
    arrangementNow,
    load,
    act,
  })
}

export type DeskModel = ReturnType<typeof useDesk>
