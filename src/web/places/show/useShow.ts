import { findPart, partOf, piecesOf } from '../../../core/model'
import { tell } from '../../words'
import { computed, ref, shallowRef, watch } from 'vue'
import { openingState, settable, type Circuit } from '../../../core/circuit'
import { pieceWords } from '../../readings/pieceWords'
import { piecesStruck, type Fault } from '../../../core/faults'
import { orderOfChoices, quizOf, type Ask, type Question } from '../../../core/lab'
import { brightnessScale, noticeText, partOfKind } from '../../../core/parts'
import { stateKey, type StateKey } from '../../../core/readings'
import type { QuestionBody } from '../../../contract'

export interface Shown {
  readonly circuit: Circuit
  readonly faults: readonly Fault[]
  readonly complaint: string
  readonly state?: string | undefined
  readonly script?: readonly Ask[] | undefined
}

/** One answer to choose, as it stands on the wall. */
export interface Option {
  readonly key: string | number
  readonly text: string
  readonly right: boolean
  readonly misbelief?: string
}

/**
 * A demonstration: what is asked, one after the other, and how far it has come. Twice the number of things asked is where
 * the last of them was shown, one less where it is still a question.
 */
export function useShow(shown: Shown) {
  const { circuit, faults } = shown
  const at = ref(0)
  const kept = new Map<string, StateKey | null>()
  function keyOf(id: string, planted: readonly Fault[]): StateKey | null {
    const name = `${id} ${planted.length}`
    let found = kept.get(name)
    if (found === undefined) {
      const of = circuit.states.find((s) => s.id === id)
      const key = of && stateKey(circuit, planted, of)
      kept.set(name, (found = key?.ok ? key : null))
    }
    return found
  }
  const path = ref(
    Math.max(
      0,
      circuit.paths.findIndex(({ steps }) => steps.some(({ part }) => part === faults[0]?.part)),
    ),
  )
  const state = ref(
    circuit.states.find((s) => s.id === shown.state)?.id ??
      circuit.states.find((s) => settable(s) && differs(s.id))?.id ??
      running()?.id ??
      openingState(circuit).id,
  )
  const scripted = ref((shown.script?.length ?? 0) > 0)
  const asks = shallowRef<readonly Ask[]>(scripted.value ? shown.script! : usual())

  /** Whether anything else is to be seen in a state than there should be. */
  function differs(id: string): boolean {
    const notices = (planted: readonly Fault[]) =>
      JSON.stringify(keyOf(id, planted)?.notices.map(({ part, key }) => [part, key]))
    return faults.length > 0 && notices([]) !== notices(faults)
  }
  /** The state in which the most flows along the path: a demonstration begins with its load at work. */
  function running() {
    const amps = (id: string) => Math.abs(keyOf(id, [])?.balances[path.value]?.amps ?? 0)
    return circuit.states.filter(settable).toSorted((a, b) => amps(b.id) - amps(a.id))[0]
  }
  /** Every point along the path, from battery plus to battery minus. */
  function usual(): Ask[] {
    const key = keyOf(state.value, [])
    const way = circuit.paths[path.value]
    const outside = new Set(key?.points.filter(({ inside }) => !inside).map(({ name }) => name))
    const names = [...new Set((key?.walks[path.value] ?? []).flatMap(({ from, to }) => [from, to]))]
    return names
      .filter((name) => outside.has(name))
      .map((point) => ({ type: 'volts', state: state.value, path: way?.id ?? '', point }))
  }
  watch([state, path], () => {
    at.value = 0
    if (!scripted.value) asks.value = usual()
  })

  const asked = computed(() => Math.ceil(at.value / 2))
  const open = computed(() => at.value % 2 === 1)
  const now = computed((): Ask | undefined => asks.value[asked.value - 1])
  const most = computed(() => 2 * asks.value.length)
  const go = (by: number) => (at.value = Math.min(most.value, Math.max(0, at.value + by)))

  /** The state that the wall shows: that of what is asked. */
  const shownState = computed(() => now.value?.state ?? state.value)
  const stateName = (id: string) => circuit.states.find((s) => s.id === id)?.name ?? id
  const healthy = computed(() => keyOf(shownState.value, []))
  const faulted = computed(() => keyOf(shownState.value, faults))
  const called = (id: string) => {
    const part = findPart(circuit, id)
    return part?.name ? `${id} ${part.name}` : id
  }
  const seen = computed(() =>
    (faulted.value?.notices ?? []).map(({ part, key }) => {
      const own = partOf(circuit, part)
      return `${own.name || part}: ${tell(noticeText(own.kind, key))}`
    }),
  )
  let quiz: readonly Question[] | undefined
  /** Worked out when somebody wants it: every state is solved for it. */
  const questions = (): readonly Question[] => (quiz ??= quizOf(circuit, faults))
  const question = computed(() => {
    const ask = now.value
    return ask?.type === 'quiz' ? questions().find(({ key }) => key === ask.key) : undefined
  })
  const lightOf = (key: StateKey | null, part: string) => key?.notices.find((n) => n.part === part)?.key
  const planted = computed(() => piecesStruck(circuit, faults))

  /** What is to choose from, with what is right; none where volts are asked for. */
  const options = computed((): Option[] => {
    const ask = now.value
    if (ask?.type === 'quiz' && question.value) {
      const { choices } = question.value
      return orderOfChoices(question.value).map((i, n) => ({
        key: n,
        text: tell(choices[i]!.text),
        right: !choices[i]!.misbelief,
        ...(choices[i]!.misbelief && { misbelief: tell(choices[i]!.misbelief!) }),
      }))
    }
    if (ask?.type === 'light') {
      const kind = findPart(circuit, ask.part)?.kind
      const right = lightOf(faulted.value, ask.part)
      return brightnessScale.map((key) => ({
        key,
        text: kind ? tell(noticeText(kind, key)) : key,
        right: key === right,
      }))
    }
    if (ask?.type === 'piece')
      return piecesOf(circuit).map((piece) => ({
        key: piece.id,
        text: pieceWords(circuit, piece),
        right: planted.value.includes(piece.id),
      }))
    return []
  })

  /** What students’ screens show of what is asked; it says nothing of what is planted, and nothing of what is right. */
  function bodyOf(ask: Ask): QuestionBody | undefined {
    const where = { circuit: circuit.name, state: stateName(ask.state) }
    switch (ask.type) {
      case 'volts':
        return { type: 'volts', ...where, point: ask.point }
      case 'light':
        return {
          type: 'light',
          ...where,
          part: called(ask.part),
          glows: options.value.map(({ key, text }) => ({ id: String(key), name: text })),
        }
      case 'piece':
        return {
          type: 'piece',
          ...where,
          pieces: piecesOf(circuit).map((piece) => ({
            id: piece.id,
            name: pieceWords(circuit, piece).slice(0, 160),
          })),
        }
      case 'quiz': {
        const found = questions().find(({ key }) => key === ask.key)
        return (
          found && {
            type: 'choice',
            ...where,
            text: found.text,
            choices: orderOfChoices(found).map((i) => found.choices[i]!.text),
          }
        )
      }
    }
  }

  function setAsks(next: readonly Ask[]): void {
    scripted.value = true
    asks.value = next
    at.value = Math.min(at.value, 2 * next.length)
  }
  function unscript(): void {
    scripted.value = false
    asks.value = usual()
    at.value = 0
  }
  /** Lamps that can be asked about. */
  const lamps = circuit.parts.filter((p) => partOfKind(p.kind).symbol === 'lamp').map(({ id }) => id)

  const pathId = () => circuit.paths[path.value]?.id ?? ''

  return {
    pathId,
    at,
    state,
    path,
    scripted,
    asks,
    asked,
    open,
    now,
    most,
    go,
    shownState,
    stateName,
    healthy,
    faulted,
    called,
    seen,
    questions,
    question,
    options,
    planted,
    bodyOf,
    setAsks,
    unscript,
    lamps,
  }
}
export type Showing = ReturnType<typeof useShow>
