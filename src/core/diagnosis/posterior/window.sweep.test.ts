import { describe, expect, it } from 'vitest'
import { Belief, candidatesOf, Predictor, type Fact } from '..'
import { arrangementOf, stateOf } from '../../attempt'
import { noticeAll } from '../../board'
import { settable } from '../../circuit'
import { demoCircuit, demoNames } from '../../../../test/demo'

const campaign = process.env.BRACHYON_CAMPAIGN
const every = campaign ? 3 : 11
const names = campaign
  ? demoNames
  : (['bench-drop-board', 'gritter-spinner', 'van-cab-blower', 'van-key-off-drain'] as const)

/** Drawn anew in a campaign. */
function randomFrom(seed: number): () => number {
  let state = seed
  return () => (state = (state * 48271) % 2147483647) / 2147483647
}

describe('what a fault of any size shows itself never clears it', () => {
  it.each(names)('on %s', (name) => {
    const random = randomFrom(Number(campaign ?? 4711) % 2147483647 || 1)
    const circuit = demoCircuit(name)
    const [judge, truth] = [new Predictor(circuit), new Predictor(circuit)]
    const tests = candidatesOf(judge, ['volts', 'clamp', 'fuseVolts', 'testLamp', 'ohms'])
    const states = circuit.states.filter(settable).map((state) => stateOf(arrangementOf(state)))
    const lost: string[] = []
    let asked = 0
    for (const hypothesis of judge.hypotheses) {
      if (hypothesis.grid.length < 2 || hypothesis.index % every) continue
      const own = truth.hypotheses[hypothesis.index]!
      for (let draw = 0; draw < 6; draw++) {
        const x = random() * (hypothesis.grid.length - 1)
        let belief = Belief.of(judge, [hypothesis])
        const state = states[Math.floor(random() * states.length)]!
        const { solved } = truth.sweep(own, truth.situation(state)).at(x)
        const facts: Fact[] = solved
          ? [
              {
                type: 'seen',
                state,
                seen: Object.fromEntries(noticeAll(solved).map(({ part, key }) => [part, key])),
              },
            ]
          : []
        for (let k = 0; k < 3; k++) {
          const { setup } = tests[Math.floor(random() * tests.length)]!
          const found = truth.interval(truth.sweep(own, truth.situation(setup.state)).at(x), setup)
          if (!found) continue
          const value =
            found.low === Infinity
              ? Infinity
              : found.high === Infinity
                ? found.low
                : (found.low + found.high) / 2
          if (!Number.isNaN(value)) facts.push({ type: 'measured', setup, value, meaningless: false })
        }
        for (const fact of facts) {
          asked++
          belief = belief.with(fact)
          if (belief.alive.length) continue
          lost.push(`${hypothesis.name} at ${x.toFixed(3)}: ${JSON.stringify(fact).slice(0, 200)}`)
          break
        }
      }
    }
    expect(asked).toBeGreaterThan(100)
    expect(lost).toEqual([])
  })
})
