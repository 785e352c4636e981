import { tell } from '../../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { admits, Belief, faultAt, placeOnGrid, Predictor, type Fact } from '..'
import type { Arrangement } from '../../attempt'
import { describeFault, faultOfKind, possibleFaults, type Fault } from '../../faults'
import { aftermath, noticeAll, solveBoard } from '../../board'
import { readVolts, workshopMeter } from '../../instruments'
import { distance, farthest } from '../evidence/joint'
import { Attempt, seenOn, voltsSetup } from '../../../../test/attempt'
import { demoCircuit, demoNames } from '../../../../test/demo'
import { drawn } from '../../../../test/random'

const circuit = demoCircuit()
// One predictor for all: it only remembers what it has worked out.
const predictor = new Predictor(circuit)
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const stateOn = { id: 'x', name: 'x', ...on }

const seen = (fault: Fault): Fact => ({ type: 'seen', state: stateOn, seen: seenOn(circuit, [fault], on) })
function volts(fault: Fault, red: string, black = 'B1-'): Fact {
  const { reading } = new Attempt(circuit, [fault], on).measure({ type: 'leads', red, black }, 0)
  const setup = voltsSetup(predictor, stateOn, red, black)
  return { type: 'measured', setup, value: reading.value ?? Infinity, meaningless: false }
}
const believe = (facts: readonly Fact[], of = predictor) =>
  facts.reduce((belief, fact) => belief.with(fact), Belief.of(of))
const aliveOf = (belief: Belief, fault: Fault) =>
  belief.alive.find(
    ({ hypothesis: { fault: f } }) =>
      f?.kind === fault.kind &&
      f.part === fault.part &&
      f.segment === fault.segment &&
      f.other === fault.other,
  )

describe('what is believed', () => {
  it('never gives up the fault that is really there, whatever is measured', { tags: ['sweep'] }, () => {
    const campaign = process.env.BRACHYON_CAMPAIGN !== undefined
    for (const fault of possibleFaults(circuit).filter((_, i) => campaign || i % 6 === 0)) {
      const facts = [
        seen(fault),
        ...['F1b', 'X1b', 'L1a', 'L1b', 'X2b', 'G1c'].map((point) => volts(fault, point)),
        volts(fault, 'X2a', 'X2b'),
      ]
      expect(aliveOf(believe(facts), fault), tell(describeFault(circuit, fault))).toBeDefined()
    }
  })

  it('is kept by the names of faults: in whatever order they are listed then, each finds its own again', () => {
    const fault: Fault = { kind: 'highResistance', part: 'G1', segment: 'foot', severity: 2 }
    const facts = [seen(fault), volts(fault, 'L1b')]
    const belief = believe(facts)
    const kept = JSON.parse(JSON.stringify(belief.kept())) as ReturnType<Belief['kept']>
    const other = new Predictor(circuit)
    const [sound, ...rest] = other.hypotheses
    const hypotheses = [sound!, ...rest.reverse()].map((hypothesis, index) => ({ ...hypothesis, index }))
    const listedOtherwise = Object.assign(other, { hypotheses })
    const again = Belief.restored(listedOtherwise, facts, kept)!
    expect([...again.doubts].sort()).toEqual([...belief.doubts].sort())
    expect(again.striking('G1').map(({ hypothesis }) => hypothesis.name)).toEqual(
      belief.striking('G1').map(({ hypothesis }) => hypothesis.name),
    )
    for (const id of ['W1', 'F1', 'S1']) expect(again.clearedBy(id)).toBe(belief.clearedBy(id))
    // One fault more in the catalogue, and what was kept says nothing of it.
    const more = Object.assign(new Predictor(circuit), {
      hypotheses: [...hypotheses, { ...hypotheses[1]!, index: hypotheses.length, name: 'new W1.copper' }],
    })
    expect(Belief.restored(more, facts, kept)).toBeUndefined()
  })

  it('holds at severities that are not on any grid, and says between what sizes they lie', () => {
    for (const severity of [0.13, 0.9, 1.9, 4.1, 23]) {
      const fault: Fault = { kind: 'highResistance', part: 'G1', segment: 'foot', severity }
      const belief = believe([seen(fault), volts(fault, 'G1n'), volts(fault, 'L1b'), volts(fault, 'L1a')])
      const alive = aliveOf(belief, fault)!
      const [from, to] = belief.sizeOf(alive)!
      expect(from, `${severity}`).toBeLessThanOrEqual(severity)
      expect(to, `${severity}`).toBeGreaterThanOrEqual(severity)
      if (severity < 10) expect(to / from, `${severity}`).toBeLessThan(1.6)
    }
  })

  it('shrinks from everything to one piece as a return fault is walked down, and knows what cleared the rest', () => {
    const fault: Fault = { kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }
    const facts = [seen(fault)]
    expect(believe(facts).doubts.size).toBeGreaterThan(10)
    facts.push(volts(fault, 'L1a'))
    const half = believe(facts)
    for (const piece of ['S1', 'W2', 'X1']) expect(half.doubt(piece), piece).toBeLessThan(0.02)
    facts.push(volts(fault, 'X2a', 'X2b'))
    const end = believe(facts)
    expect(end.doubt('X2')).toBeGreaterThan(0.98)
    expect(end.clearedBy('S1')).toBe(1)
    expect(end.clearedBy('X2')).toBeUndefined()
    expect(end.bits).toBeLessThan(0.1)
  })

  it('keeps a sound circuit possible until something is wrong', () => {
    expect(believe([]).sound).toBeGreaterThan(0)
    expect(believe([seen({ kind: 'burntOut', part: 'L1', segment: 'filament' })]).sound).toBe(0)
  })

  it('asks for one size that explains all readings together, though some size explains each', () => {
    const sized = (severity: number): Fault => ({
      kind: 'highResistance',
      part: 'X2',
      segment: 'pin',
      severity,
    })
    const both = (a: number, b: number) => [volts(sized(a), 'X2a'), volts(sized(b), 'L1b')]
    expect(aliveOf(believe(both(1, 1)), sized(1))).toBeDefined()
    for (const fact of both(0.7, 3)) expect(aliveOf(believe([fact]), sized(1))).toBeDefined()
    expect(aliveOf(believe(both(0.7, 3)), sized(1))).toBeUndefined()
  })

  it('takes one board’s tolerances for all readings: what moves them together counts once', () => {
    const off = (volts: number) => ({ off: volts, own: 1e-4, shifts: [{ by: 0, volts: 0.3 }] })
    expect(distance([off(0.3)])).toBeLessThan(farthest(1))
    expect(distance([off(0.3), off(0.3)])).toBeLessThan(farthest(2))
    expect(distance([off(0.3), off(-0.3)])).toBeGreaterThan(10 * farthest(2))
    // Tolerances of different parts move readings by themselves.
    const other = { off: -0.3, own: 1e-4, shifts: [{ by: 1, volts: 0.3 }] }
    expect(distance([off(0.3), other])).toBeLessThan(farthest(2))
  })

  it('leaves nothing where a reading does not fit the rest', () => {
    const fault: Fault = { kind: 'open', part: 'X1', segment: 'pin' }
    const other: Fault = { kind: 'open', part: 'G1', segment: 'foot' }
    // Seen dark, dead at the lamp as with X1 open, but 12 V on the return as with the ground open.
    const facts = [seen(fault), volts(fault, 'L1a'), volts(fault, 'X1b'), volts(other, 'L1b')]
    expect(believe(facts).alive).toHaveLength(0)
    expect(believe(facts.slice(0, 3)).alive).not.toHaveLength(0)
  })

  it('is told nothing by a reading that means nothing', () => {
    const nonsense: Fact = {
      type: 'measured',
      setup: voltsSetup(predictor, stateOn, 'L1a'),
      value: -1e9,
      meaningless: true,
    }
    expect(believe([nonsense]).alive).toHaveLength(predictor.hypotheses.length)
    expect(believe([{ ...nonsense, meaningless: false }]).alive).toHaveLength(0)
  })

  it('thinks little of a short that would have smoked, and of a fuse that eyes would see', () => {
    const weak: Fault = { kind: 'discharged', part: 'B1', segment: 'cells', severity: 2 }
    const belief = believe([seen(weak), volts(weak, 'B1+')])
    expect(belief.doubt('B1.cells')).toBeGreaterThan(0.9)
    expect(belief.doubt('W1')).toBeLessThan(0.02)
    const dark = believe([seen({ kind: 'blown', part: 'F1', segment: 'link' })])
    const weightOf = (kind: Fault['kind']) =>
      dark.alive.find(({ hypothesis }) => hypothesis.fault?.kind === kind && hypothesis.fault.part === 'F1')
        ?.weight ?? 0
    expect(weightOf('missingFuse')).toBeLessThan(0.2 * weightOf('blown'))
  })
})

/** Every sixth circuit in every run, all of them in a campaign. */
const names = demoNames.filter((_, i) => process.env.BRACHYON_CAMPAIGN !== undefined || i % 6 === 1)

describe('honest readings', () => {
  it.each(names)(
    'on %s never exclude the fault that gave them, at any size and whatever is probed',
    { tags: ['sweep'], timeout: 120_000 },
    (name) => {
      const demo = demoCircuit(name)
      const own = new Predictor(demo)
      const faults = possibleFaults(demo)
      const points = own.wiring.points.filter((p) => !p.inside)
      fc.assert(
        fc.property(
          fc.nat(faults.length - 1),
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.array(fc.tuple(fc.nat(points.length - 1), fc.nat(points.length - 1)), {
            minLength: 1,
            maxLength: 3,
          }),
          fc.nat(demo.states.length - 1),
          (f, share, probes, s) => {
            const usual = faults[f]!
            const grid = faultOfKind(usual.kind).severity?.grid
            const [low, high] = grid ? [grid[0]!, grid[grid.length - 1]!] : [0, 0]
            const fault: Fault =
              grid && low > 0
                ? { ...usual, severity: Number((low * (high / low) ** share).toPrecision(3)) }
                : usual
            const state = demo.states[s]!
            const solved = solveBoard(demo, [fault], state, { blown: aftermath(demo, [fault]) })
            if (!solved.ok) return
            const facts: Fact[] = [
              {
                type: 'seen',
                state,
                seen: Object.fromEntries(noticeAll(solved).map((n) => [n.part, n.key])),
              },
            ]
            for (const [r, b] of probes) {
              const place = { type: 'leads' as const, red: points[r]!.node, black: points[b]!.node }
              const { value } = readVolts(solved, place.red, place.black, workshopMeter)
              const setup = {
                state,
                instrument: 'volts' as const,
                settings: { jack: 'volts', range: 'auto' },
                place,
              }
              facts.push({ type: 'measured', setup, value: value!, meaningless: false })
            }
            expect(aliveOf(believe(facts, own), fault), JSON.stringify([fault, probes, s])).toBeDefined()
          },
        ),
        drawn(4),
      )
    },
  )

  it('are given by every example that is named', { tags: ['sweep'], timeout: 60_000 }, () => {
    for (const fault of possibleFaults(circuit).filter((_, i) => i % 9 === 4)) {
      const facts = [seen(fault), volts(fault, 'L1a'), volts(fault, 'L1b')]
      const belief = believe(facts)
      for (const piece of belief.doubts.keys()) {
        const example = belief.example(piece)
        if (!example) continue
        const hypothesis = predictor.hypotheses.find(
          ({ fault: f }) =>
            f &&
            f.kind === example.kind &&
            f.part === example.part &&
            f.segment === example.segment &&
            f.other === example.other,
        )!
        const x = example.severity === undefined ? 0 : placeOnGrid(hypothesis.grid, example.severity)
        expect(admits(predictor, hypothesis, x, facts), tell(describeFault(circuit, example))).toBe(true)
        expect(faultAt(hypothesis, x)).toMatchObject({ part: example.part })
        expect((seen(example) as Extract<Fact, { type: 'seen' }>).seen).toEqual(
          (facts[0] as Extract<Fact, { type: 'seen' }>).seen,
        )
      }
    }
  })
})
