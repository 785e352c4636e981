import { settable, type Circuit } from '../../circuit'
import type { Fault } from '../../faults'
import type { Message } from '../../document'
import { workshopMeter } from '../../instruments'
import { formatQuantity, type Unit } from '../../quantity'
import { isolatedRows, stateKey } from '../../readings'
import type { Question, QuizSource } from './question'
import { misbeliefs } from './misbeliefs'

export type { Choice, Question } from './question'

/**
 * Questions about a circuit as it stands, each of which parts a wrong misbelief from a right one: the wrong answers are what
 * that misbelief gives here. Two answers that look alike make no question. The same circuit and faults give the same questions.
 */
export function quizOf(circuit: Circuit, faults: readonly Fault[]): Question[] {
  const isolated = isolatedRows(circuit, [], workshopMeter, new Set())
  return circuit.states.filter(settable).flatMap((state) => {
    const [healthy, faulted] = [[], faults].map((planted) => stateKey(circuit, planted, state))
    if (!healthy?.ok || !faulted?.ok) return []
    const source: QuizSource = { circuit, healthy, faulted, isolated }
    return misbeliefs.flatMap(({ key, ask }) =>
      ask(source).flatMap((question, nth): Question[] => {
        const shown = question.choices.map(({ text }) => lookOf(text))
        return new Set(shown).size === shown.length
          ? [{ ...question, key: `${key}.${state.id}.${nth}`, state: state.id }]
          : []
      }),
    )
  })
}

/** What tells two answers apart where they are read: their words, and their values as they are written. */
const lookOf = ({ code, params = {} }: Message): string =>
  Object.values(params).reduce<string>(
    (look, value) =>
      typeof value === 'object' && 'unit' in value
        ? look + formatQuantity(value.value, value.unit as Unit)
        : look,
    Object.keys(params).length ? '' : code,
  )

/** Places of the answers as they are shown: the right one is anywhere, and always at the same place of the same question. */
export function orderOfChoices({ key, choices }: Pick<Question, 'key' | 'choices'>): number[] {
  let seed = [...key].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7)
  const order = choices.map((_, i) => i)
  for (let i = order.length - 1; i > 0; i--) {
    seed = (seed * 48271 + 11) % 2147483647
    const j = seed % (i + 1)
    ;[order[i], order[j]] = [order[j]!, order[i]!]
  }
  return order
}
