import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { techniqueRules } from '../assessment'
import { checkFault } from '../faults'
import { tell } from '../words'
import { misreadings, standOf, type Shown } from '.'

const written = ({ value, word }: Shown) => (word ? tell(word) : value)

describe('misreadings', () => {
  it('have an example for every rule of technique', () => {
    expect(misreadings.map(({ rule }) => rule).sort()).toEqual(techniqueRules.map(({ key }) => key).sort())
  })

  it.each(misreadings.map((one) => [one.rule, one] as const))(
    '%s: on one circuit the wrong way and the right way read differently',
    (_, one) => {
      const circuit = demoCircuit(one.circuit)
      for (const fault of one.faults) expect(checkFault(circuit, fault)).toBeUndefined()
      expect(circuit.states.map(({ id }) => id)).toContain(one.state)
      const stand = standOf(one, circuit)
      const [wrong, right] = [one.wrong(stand), one.right(stand)]
      for (const { what } of [wrong, right]) expect(tell(what)).not.toMatch(/handbook\.|undefined/)
      expect(written(wrong)).not.toEqual(written(right))
      for (const one of [wrong, right])
        if (!one.word && one.unit === 'V') expect(one.value).toBeTypeOf('number')
    },
  )
})
