import { describe, expect, it } from 'vitest'
import { indistinguishable, glowAcross, groupsOf, revealing, signatures, signatureOf, testSetOf } from '..'
import { solveBoard } from '../../board'
import { systemOf } from '../../circuit'
import { wireUp } from '../../model'
import { readTestLamp } from '../../instruments'
import { possibleFaults, type Fault } from '../../faults'
import { tell } from '../../words'
import { demoCircuit, demoNames } from '../../../../test/demo'

const lamp = demoCircuit()
const testSet = testSetOf(lamp)
const shows = (fault: Fault) => revealing(testSet, signatureOf(lamp, [fault])).map((i) => testSet.tests[i]!)

describe('what can see a fault', () => {
  it('a corroded joint passes continuity and every state without load, and fails under load', () => {
    const seen = shows({ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 })
    expect(seen.length).toBeGreaterThan(3)
    // On the bench half an ohm more may be seen by who looks closely; a beep says nothing.
    expect(seen.every((t) => t.state === 'on' || t.sort === 'ohms')).toBe(true)
    expect(seen.some((t) => t.sort === 'continuity')).toBe(false)
    expect(seen.some((t) => t.sort === 'drop' && t.place === 'X2')).toBe(true)
  })

  it('an open wire shows on the ohmmeter and in volts, and in what the lamp does', () => {
    const kinds = new Set(shows({ kind: 'open', part: 'W4', segment: 'copper' }).map((t) => t.sort))
    for (const kind of ['continuity', 'ohms', 'volts', 'drop', 'notice', 'lamp'] as const)
      expect(kinds).toContain(kind)
  })

  it('a fuse and a clamp feel the amps that a fault takes away, and a healthy board keeps them', () => {
    const kinds = shows({ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 3 })
    const clamps = kinds.filter((t) => t.sort === 'clamp')
    expect(clamps.map((t) => tell(t.what))).toContain('clamp round the feed of L1')
    expect(kinds.some((t) => t.sort === 'fuse' && t.place === 'F1' && t.state === 'on')).toBe(true)
    // Too little for a clamp: the same joint at twenty milliohms.
    const slight = shows({ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.02 })
    expect(slight.some((t) => t.sort === 'clamp')).toBe(false)
    expect(slight.some((t) => t.sort === 'drop' && t.place === 'G1')).toBe(true)
  })

  it('a loom has its measuring places among the tests', () => {
    const places = testSetOf(demoCircuit('sweeper-side-harness')).tests.filter((t) => t.sort === 'clamp')
    expect(places.some((t) => / at /.test(tell(t.what)))).toBe(true)
  })

  it('no test sees a fault that is not there', () => {
    expect(revealing(testSet, signatureOf(lamp, []))).toEqual([])
  })

  it('tells two faults of one piece apart only by their size', () => {
    const high = (severity: number) =>
      signatureOf(lamp, [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity }])
    expect(indistinguishable(testSet, high(1), high(1.0001))).toBe(true)
    expect(indistinguishable(testSet, high(1), high(5))).toBe(false)
    expect(indistinguishable(testSet, high(1), signatureOf(lamp, []))).toBe(false)
  })

  it.each(['van-cooling-fan', 'sweeper-module-powers', 'van-rear-lamps'])(
    'a lamp that needs no board of its own glows on %s as one that has',
    (name) => {
      const circuit = demoCircuit(name)
      const wiring = wireUp(circuit)
      const rated = systemOf(circuit).nominal
      const points = wiring.points.filter(({ inside }) => !inside)
      for (const [i, fault] of possibleFaults(circuit).entries()) {
        if (i % 5) continue
        const solved = solveBoard(circuit, [fault], circuit.states[i % circuit.states.length]!)
        if (!solved.ok) continue
        for (const { node, name: point } of points.filter((_, p) => (p + i) % 4 === 0)) {
          const own = readTestLamp(solved, node, 0, 0.25, rated).glow
          expect(glowAcross(solved, node, 0, rated), `${point}, ${fault.kind} ${fault.part}`).toBe(own)
        }
      }
    },
  )

  it.each(demoNames)('every fault of %s is seen by as many tests as there are', (name) => {
    const circuit = demoCircuit(name)
    const all = testSetOf(circuit)
    expect(
      groupsOf(all)
        .flatMap((g) => g.tests)
        .sort((a, b) => a - b),
    ).toEqual([...all.tests.keys()])
    let n = 0
    for (const { seen, done, of } of signatures(circuit)) {
      expect(seen.signature).toHaveLength(all.tests.length)
      expect(done).toBeLessThanOrEqual(of)
      if (++n >= 12) break
    }
    expect(n).toBe(Math.min(12, possibleFaults(circuit).length + 99))
  })

  it(
    'several who share the work see together what one sees alone, word for word',
    { tags: ['sweep'] },
    () => {
      const circuit = demoCircuit('sweeper-heated-step')
      const told = (list: Iterable<{ seen: { fault: object; signature: Float64Array } }>) =>
        new Map([...list].map(({ seen }) => [JSON.stringify(seen.fault), [...seen.signature].join()]))
      const alone = told(signatures(circuit))
      const [a, b] = [0, 1].map((nth) => told(signatures(circuit, { nth, of: 2 })))
      expect(a!.size + b!.size).toBe(alone.size)
      expect(new Map([...a!, ...b!])).toEqual(alone)
    },
  )
})
