import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { complaintWords } from '../attempt'
import { faultOfKind, possibleFaults, type Fault } from '../faults'
import { limitSetFor, stateKey } from '../readings'
import { tell } from '../words'
import { sizedAtPlace, sizeMarks, symptomOf } from '.'

const joint = (part: string, severity: number, segment = 'pin'): Fault => ({
  kind: 'highResistance',
  part,
  segment,
  severity,
})

describe('a fault in its place', () => {
  const lamp = demoCircuit()

  it('shows, or does not, and says in which states', () => {
    expect(symptomOf(lamp, [joint('X2', 2)]).states).toContain('on')
    expect(symptomOf(lamp, [joint('X2', 2)]).states).not.toContain('off')
    expect(symptomOf(lamp, [joint('X2', 0.01)])).toEqual({ states: [], complaint: [] })
  })

  it('keeps its usual size where that shows, and gets the least that shows where it does not', () => {
    const usual = joint('X2', 1)
    expect(sizedAtPlace(lamp, usual)).toEqual({ fault: usual, by: 'symptom' })
    // A coil of ninety ohms does not notice an ohm.
    const fan = demoCircuit('van-cooling-fan')
    const coil: Fault = { kind: 'highResistance', part: 'W6', segment: 'copper', severity: 1 }
    expect(symptomOf(fan, [coil]).states).toEqual([])
    const sized = sizedAtPlace(fan, coil)
    expect(sized.by).toBe('symptom')
    expect(symptomOf(fan, [sized.fault]).states.length).toBeGreaterThan(0)
    expect(symptomOf(fan, [{ ...coil, severity: 0.6 * sized.fault.severity! }]).states).toEqual([])
  })

  it('that shows at no size is sized by the limit that it breaks, or is said to be none', () => {
    for (const name of ['sweeper-work-lamp', 'van-washer-pump']) {
      const circuit = demoCircuit(name)
      const set = limitSetFor(circuit)
      for (const fault of possibleFaults(circuit).filter((_, i) => i % 5 === 0)) {
        const { fault: sized, by } = sizedAtPlace(circuit, fault)
        const range = faultOfKind(fault.kind).severity
        if (range) {
          expect(sized.severity).toBeGreaterThanOrEqual(range.least)
          expect(sized.severity).toBeLessThanOrEqual(range.most)
        }
        const shows = symptomOf(circuit, [sized]).states.length > 0
        expect(shows, `${fault.kind} ${fault.part}`).toBe(by === 'symptom')
        if (by !== 'limit') continue
        const over = circuit.states.some((state) => {
          const key = stateKey(circuit, [sized], state)
          return key.ok && key.balances.some((b, i) => set.judge(b, key.walks[i]!).passes === false)
        })
        expect(over, `${fault.kind} ${fault.part}`).toBe(true)
      }
    }
  })
})

describe('a complaint in a driver’s words', () => {
  it('says what was switched on and what the loads then did', () => {
    const fan = demoCircuit('van-cooling-fan')
    const open: Fault = { kind: 'open', part: 'W3', segment: 'copper' }
    const words = tell(complaintWords(fan, symptomOf(fan, [open]).complaint)!)
    expect(words).toBe('When the fan switch is closed, the cooling fan does not turn.')
  })

  it.each(demoNames)('of %s names no piece by its short name, nor how anything failed', (name) => {
    const circuit = demoCircuit(name)
    for (const fault of possibleFaults(circuit).filter((_, i) => i % 23 === 3)) {
      const words = complaintWords(circuit, symptomOf(circuit, [fault], true).complaint)
      if (!words) continue
      const text = tell(words)
      expect(text).toMatch(/^(When the |With everything |Now and then, |Left standing, the )/)
      for (const { id } of circuit.parts) expect(text).not.toMatch(new RegExp(`\\b${id}\\b`))
      expect(text.toLowerCase()).not.toMatch(/resistance|corroded|short to|strands/)
    }
  })
})

describe('the marks along a size', () => {
  it('divide the sizes that show, break a limit or blow a fuse from those that do not', () => {
    const lamp = demoCircuit()
    const cases: Fault[] = [
      joint('X2', 1),
      { kind: 'shortToGround', part: 'X1', segment: 'pin', severity: 1 },
      joint('W2', 1, 'copper'),
    ]
    const set = limitSetFor(lamp)
    const holds = {
      shows: (f: Fault) => symptomOf(lamp, [f]).states.length > 0,
      breaks: (f: Fault) =>
        lamp.states.some((state) => {
          const key = stateKey(lamp, [f], state)
          return key.ok && key.balances.some((b, i) => set.judge(b, key.walks[i]!).passes === false)
        }),
      blows: (f: Fault) =>
        lamp.states.some((state) => {
          const key = stateKey(lamp, [f], state)
          return key.ok && key.blown.length > 0
        }),
    }
    for (const fault of cases) {
      const marks = sizeMarks(lamp, fault)
      expect(
        marks.map((m) => m.effect),
        fault.kind,
      ).toContain('shows')
      for (const { effect, severity, towards } of marks) {
        const [within, without] = towards === 'more' ? [1.05, 0.95] : [0.95, 1.05]
        const at = (share: number) => holds[effect]({ ...fault, severity: severity * share })
        expect(at(within), `${fault.kind} ${effect} ${severity}`).toBe(true)
        expect(at(without), `${fault.kind} ${effect} ${severity}`).toBe(false)
      }
    }
    // A short blows the fuse below some ohms; a joint in the feed never does.
    expect(sizeMarks(lamp, cases[1]!).some((m) => m.effect === 'blows' && m.towards === 'less')).toBe(true)
    expect(sizeMarks(lamp, cases[0]!).some((m) => m.effect === 'blows')).toBe(false)
    expect(sizeMarks(lamp, { kind: 'open', part: 'X1', segment: 'pin' })).toEqual([])
  })
})
