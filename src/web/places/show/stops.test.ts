import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../../test/demo'
import { stateKey, type StateKey } from '../../../core/readings'
import { stopsOf } from './stops'

const circuit = demoCircuit('sweeper-work-lamp')
const on = circuit.states.find(({ controls }) => Object.values(controls).includes('closed'))!
const keyWith = (faults: Parameters<typeof stateKey>[1]): StateKey => {
  const key = stateKey(circuit, faults, on)
  if (!key.ok) throw new Error('not solved')
  return key
}
const healthy = keyWith([])
const faulted = keyWith([{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }])

describe('the points of a path on the wall', () => {
  it('have their volts, and what each side has lost up to them', () => {
    const [plus, feed, load, minus] = stopsOf(['B1+', 'L1a', 'L1b', 'B1−'], 0, healthy, faulted)
    const balance = healthy.balances[0]!
    expect(plus!.lost.healthy).toBe(0)
    expect(minus!.lost.healthy).toBe(0)
    // Up to the load the feed has lost what the source has more than the lamp’s own terminal.
    expect(feed!.lost.healthy! + feed!.healthy!).toBeCloseTo(balance.source, 6)
    expect(load!.lost.healthy).toBeCloseTo(load!.healthy!, 6)
    // The fault is in the return: it shows there, and not in the feed.
    expect(load!.lost.faulted!).toBeGreaterThan(load!.lost.healthy! + 1)
    expect(feed!.lost.faulted!).toBeLessThan(feed!.lost.healthy!)
  })

  it('say nothing of what the path has not', () => {
    const [strange] = stopsOf(['Z9'], 0, healthy, null)
    expect(strange).toEqual({
      name: 'Z9',
      healthy: undefined,
      faulted: undefined,
      lost: { healthy: undefined, faulted: undefined },
    })
  })
})
