import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import type { Fault } from '../faults'
import { lampForFuseKeys } from './lamp-for-fuse'

const harness = demoCircuit('sweeper-side-harness')
const chafed: Fault = { kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.05 }

describe('a lamp in the place of the fuse', () => {
  it('shines with the short behind it, and a clamp finds where its current leaves the wire', () => {
    const [key, ...more] = lampForFuseKeys(harness, [chafed])
    expect(more).toEqual([])
    expect(key!.fuse).toBe('F1')
    expect(key!.glow.key).toBe('bright')
    const at = new Map(key!.places.map((place) => [place.part, place]))
    // 24 W behind next to nothing: two amps up to the place, none behind it.
    for (const part of ['W2', 'W3']) {
      expect(at.get(part)!.near, part).toBeGreaterThan(1.7)
      expect(at.get(part)!.far, part).toBeCloseTo(at.get(part)!.near, 2)
    }
    expect(at.get('W4')!.near).toBeGreaterThan(1.7)
    expect(at.get('W4')!.far).toBeLessThan(0.01)
  })

  it('is told of a chafe that touches only while it is moved, too', () => {
    const [key] = lampForFuseKeys(harness, [{ ...chafed, moving: true }])
    expect(key!.glow.key).toBe('bright')
  })

  it('has nothing to say of a fault that touches nothing', () => {
    expect(lampForFuseKeys(harness, [])).toEqual([])
    expect(lampForFuseKeys(harness, [{ kind: 'open', part: 'W4', segment: 'copper' }])).toEqual([])
  })
})
