import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { ruleWords, techniqueRules } from '../assessment'
import { checkFault } from '../faults'
import { tell } from '../words'
import { shownOf, workedCircuitOf, type Shown } from '.'

const written = ({ value, word }: Shown) => (word ? tell(word) : value)

describe('examples of rules', () => {
  it.each(techniqueRules.map((rule) => [rule.key, rule.example] as const))(
    '%s: on one circuit the wrong way and the right way read differently',
    (key, example) => {
      const circuit = demoCircuit(example.circuit)
      for (const fault of example.faults ?? []) expect(checkFault(circuit, fault)).toBeUndefined()
      expect(circuit.states.map(({ id }) => id)).toContain(example.state)
      expect(tell(ruleWords(key, 'shows')).length).toBeGreaterThan(20)
      const worked = workedCircuitOf(example, circuit)
      const [wrong, right] = [shownOf(worked, example.wrong), shownOf(worked, example.right)]
      for (const { what } of [wrong, right]) expect(tell(what)).not.toMatch(/handbook\.|undefined/)
      expect(written(wrong)).not.toEqual(written(right))
      for (const one of [wrong, right])
        if (!one.word && one.unit === 'V') expect(one.value).toBeTypeOf('number')
    },
  )
})
