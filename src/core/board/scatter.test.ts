import { describe, expect, it } from 'vitest'
import { applyEdit } from '../editing'
import { measuredScatter, type Circuit } from '../circuit'
import { stateKey } from '../readings'
import { tell } from '../words'
import { demoCircuit } from '../../../test/demo'

describe('how far boards lie apart', () => {
  const circuit = demoCircuit('sweeper-work-lamp')
  const bandOfPost = (of: Circuit) => {
    const key = stateKey(
      of,
      [],
      of.states.find((s) => s.id === 'off')!,
    )
    if (!key.ok) throw new Error(tell(key.why))
    return key.points.find((p) => p.name === 'B1+')!.band
  }

  // The meter's own 0.08 V are in it.
  it('is as a school has it unless it is said: rested batteries from 12.4 to 12.8 V (common practice, no source)', () => {
    expect(bandOfPost(circuit)).toBeGreaterThan(0.27)
    expect(bandOfPost(circuit)).toBeLessThan(0.3)
  })

  it('is narrower on a board that was measured, and can be set and undone', () => {
    const edited = applyEdit(circuit, { type: 'setScatter', scatter: measuredScatter })
    if (!edited.ok) throw new Error('refused')
    expect(bandOfPost(edited.circuit)).toBeLessThan(0.2)
    const back = applyEdit(edited.circuit, edited.inverse)
    expect(back.ok && back.circuit).toEqual(circuit)
  })
})
