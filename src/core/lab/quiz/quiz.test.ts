import { describe, expect, it } from 'vitest'
import { possibleFaults, type Fault } from '../../faults'
import { stateKey } from '../../readings'
import { tell } from '../../words'
import { demoCircuit, demoNames, stateOf } from '../../../../test/demo'
import { orderOfChoices, quizOf, type Question } from '.'

const only = (questions: readonly Question[], misbelief: string, state?: string) =>
  questions.filter(({ key, state: s }) => key.startsWith(`${misbelief}.`) && (!state || s === state))
const right = ({ choices }: Question) => tell(choices.find((c) => !c.misbelief)!.text)

describe('a quiz', () => {
  const lamp = demoCircuit('sweeper-work-lamp')

  it('asks behind an open return what source volts there say', () => {
    const open: Fault = { kind: 'open', part: 'X2', segment: 'pin' }
    const [question] = only(quizOf(lamp, [open]), 'sourceIsGood', 'on')
    expect(tell(question!.text)).toMatch(
      /L1 work lamp does not work. At L1g, behind it, the meter shows 12\.6/,
    )
    expect(right(question!)).toMatch(/open between here and battery −/)
  })

  it('asks of an idle wire what its zero says, and only where it is idle', () => {
    const open: Fault = { kind: 'open', part: 'X2', segment: 'pin' }
    const [question] = only(quizOf(lamp, [open]), 'zeroIsPerfect', 'on')
    expect(tell(question!.text)).toMatch(/W\d.* \(from \S+ to \S+\) the meter shows 0/)
    expect(right(question!)).toMatch(/no current flows/)
    expect(only(quizOf(lamp, []), 'zeroIsPerfect')).toEqual([])
  })

  it('lets the sum close on what the return really loses', () => {
    const bad: Fault = { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.5 }
    const [question] = only(quizOf(lamp, [bad]), 'sumCloses', 'on')
    const key = stateKey(lamp, [bad], stateOf(lamp, 'on'))
    if (!key.ok) throw new Error(tell(key.why))
    const { source, feedLoss, loadDrop, returnLoss } = key.balances[0]!
    expect(returnLoss.value).toBeCloseTo(source - feedLoss.value! - loadDrop.value!, 4)
    expect(Number.parseFloat(right(question!))).toBeCloseTo(returnLoss.value!, 1)
  })

  it('knows a filament by its ohms at work: a 55 W lamp draws four to five amps, whatever it measures cold', () => {
    const [question] = only(quizOf(lamp, []), 'coldOhms', 'on')
    const shown = Number.parseFloat(right(question!))
    expect(shown).toBeGreaterThan(4)
    expect(shown).toBeLessThan(5.2)
    // A tenth of its hot ohms, and its socket and the leads with it (common practice, no source).
    expect(tell(question!.why)).toMatch(/about ([6-9]|1\d) times/)
  })

  it.each(demoNames)(
    'of %s has four answers that look different, one of them right, wherever it stands',
    { tags: ['sweep'] },
    (name) => {
      const circuit = demoCircuit(name)
      const faults = possibleFaults(circuit)
      for (const fault of [undefined, ...faults.filter((_, i) => i % 29 === 3)])
        for (const question of quizOf(circuit, fault ? [fault] : [])) {
          expect(new Set(question.choices.map(({ text }) => tell(text))).size, question.key).toBe(4)
          expect(question.choices.filter(({ misbelief }) => !misbelief)).toHaveLength(1)
          expect(orderOfChoices(question).toSorted()).toEqual([0, 1, 2, 3])
          expect(tell(question.text) + tell(question.why)).not.toMatch(/\{|quiz\./)
        }
    },
  )

  it('puts the right answer everywhere over many questions', { tags: ['sweep'] }, () => {
    const places = [0, 0, 0, 0]
    for (const name of demoNames)
      for (const fault of possibleFaults(demoCircuit(name)).filter((_, i) => i % 41 === 7))
        for (const q of quizOf(demoCircuit(name), [fault]))
          places[orderOfChoices(q).findIndex((i) => !q.choices[i]!.misbelief)]!++
    const all = places.reduce((a, b) => a + b)
    for (const n of places) expect(n / all).toBeGreaterThan(0.1)
  })
})
