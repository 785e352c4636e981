import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { answerKey, limitSetFor, limitSets, stateKey, type Balance, type DropRow } from '.'
import { walkPath, walkPaths, wireUp } from '../model'
import { applyEdit } from '../editing'
import { dutyOf, type Circuit } from '../circuit'
import { warningsOf } from '../workshop'
import { demoCircuit, demoNames, stateOf } from '../../../test/demo'

const walkOf = (circuit: Circuit, path: number) => walkPath(circuit, circuit.paths[path]!)

describe('the walk along a path', () => {
  it.each(demoNames)('on %s runs from battery + to battery − for every path, without a gap', (name) => {
    const circuit = demoCircuit(name)
    circuit.paths.forEach((_, i) => {
      const { points, strides, load } = walkOf(circuit, i)
      // From the battery or what else gives current, or from inside a part of many pieces; and so to the other end.
      expect(points[0]?.name).toMatch(/^(BS?1\+|GA1\.B.|(N1|K1|SK1)\..*|RP1s)$/)
      expect(points[points.length - 1]?.name).toMatch(/^(BS?1[−+]|N\d\..*)$/)
      expect(points).toHaveLength(strides.length + 1)
      strides.forEach((stride, k) => {
        expect(stride.from).toBe(points[k])
        expect(stride.to).toBe(points[k + 1])
      })
      // Feed, then the load, then return, and never back; a step on the way is on neither side.
      const order = strides.flatMap(({ side, part }) =>
        side === 'load' && part !== load ? [] : [['feed', 'load', 'return'].indexOf(side)],
      )
      expect(order).toEqual([...order].sort((a, b) => a - b))
    })
  })

  it('leads a branch along the path that it leaves, and home along the one that it rejoins', () => {
    const { strides, load } = walkOf(demoCircuit('gritter-spinner-lights'), 1)
    const parts = [...new Set(strides.map((s) => s.part))]
    expect(parts).toEqual(
      ['B1', 'W1', 'F1', 'W2', 'S2', 'W5', 'X2', 'L2', 'W6', 'G1', 'CH1', 'ST1', 'B1'].filter(
        (id, i, all) => all.indexOf(id) === i,
      ),
    )
    expect(load).toBe('L2')
  })

  it('takes a socket’s contacts for feed and return, and the whole LED lamp for the load', () => {
    const side = (name: string, path: number, part: string) =>
      walkOf(demoCircuit(name), path)
        .strides.filter((s) => s.part === part)
        .map((s) => s.side)
    expect(side('sweeper-work-lamp', 0, 'L1')).toEqual(['feed', 'load', 'return'])
    expect(side('van-washer-pump', 1, 'D1')).toEqual(['load', 'load'])
  })
})

describe('the answer key of two paths', () => {
  const circuit = demoCircuit('gritter-spinner-lights')
  const keyIn = (state: string) => {
    const key = stateKey(circuit, [], stateOf(circuit, state))
    if (!key.ok) throw new Error(tell(key.why))
    return key
  }

  it('lists a shared piece once, and on both walks with the same reading', () => {
    const key = keyIn('both')
    const rows = key.drops.filter((d) => d.part === 'W2')
    expect(rows).toHaveLength(1)
    for (const walk of key.walks) expect(walk.find((d) => d.part === 'W2')?.value).toBe(rows[0]!.value)
  })

  it('carries in the shared pieces what the branches carry together', () => {
    const key = keyIn('both')
    const amps = (part: string) => Math.abs(key.drops.find((d) => d.part === part)!.amps)
    expect(amps('W2')).toBeCloseTo(amps('W3') + amps('W5'), 6)
    expect(amps('ST1')).toBeCloseTo(amps('W2'), 6)
  })

  it('lifts both loads on one bad ground, and says so on both balances', () => {
    const key = stateKey(
      circuit,
      [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 2 }],
      stateOf(circuit, 'both'),
    )
    if (!key.ok) throw new Error(tell(key.why))
    for (const balance of key.balances) expect(balance.returnLoss.value).toBeGreaterThan(4)
  })
})

describe('limit sets at their edges', () => {
  const expected = (value: number) => ({ value, band: 0 })
  const balance = (feed: number, back: number, source = 12.6): Balance => ({
    path: 'p',
    load: 'L1',
    source,
    supply: source,
    feedLoss: expected(feed),
    loadDrop: expected(source - feed - back),
    returnLoss: expected(back),
    remainder: 0,
    amps: 4,
  })
  const drop = (value: number, side: DropRow['side']): DropRow => ({
    part: 'X1',
    segment: 'pin',
    name: 'parts.pinContact',
    from: 'X1a',
    to: 'X1b',
    side,
    amps: 4,
    ...expected(value),
  })
  const verdict = (id: string, b: Balance, drops: DropRow[] = []) =>
    limitSetFor(demoCircuit(), id).judge(b, drops)

  it.each<[string, number, number, number, boolean]>([
    ['feed-0.3-return-0.2', 0.29, 0.19, 12.6, true],
    ['feed-0.3-return-0.2', 0.31, 0.1, 12.6, false],
    ['feed-0.3-return-0.2', 0.1, 0.21, 12.6, false],
    ['flat-0.3', 0.29, 0.29, 12.6, true],
    ['flat-0.3', 0.1, 0.31, 12.6, false],
    ['three-percent', 0.37, 0.37, 12.6, true],
    ['three-percent', 0.39, 0.1, 12.6, false],
    ['three-percent', 0.39, 0.1, 25.2, true],
    ['pump', 0.49, 0.49, 12.6, true],
    ['pump', 0.51, 0.1, 12.6, false],
  ])('%s: feed %d V, return %d V of %d V', (id, feed, back, source, passes) => {
    const judged = verdict(id, balance(feed, back, source))
    expect(judged.passes).toBe(passes)
    expect(tell(judged.reason)).toMatch(/loses \d/)
  })

  it('0.2 V per piece looks at the pieces, not at the load', () => {
    expect(
      verdict('wire-0.2', balance(0.5, 0.5), [drop(0.19, 'feed'), drop(12, 'load'), drop(0.1, 'return')])
        .passes,
    ).toBe(true)
    const failed = verdict('wire-0.2', balance(0.5, 0.5), [drop(0.1, 'feed'), drop(0.21, 'return')])
    expect(failed.passes).toBe(false)
    expect(tell(failed.reason)).toContain('X1a to X1b')
  })

  it('each say in one line why one would choose them', () => {
    for (const school of limitSets) expect(tell(school.why)).toMatch(/^[^\n]{20,120}\.$/)
  })
})

describe('a healthy circuit', () => {
  it.each(demoNames)('%s passes the limits of its kind in every state, and carries no warning', (name) => {
    const circuit = demoCircuit(name)
    const set = limitSetFor(circuit)
    const wiring = wireUp(circuit)
    const walks = walkPaths(circuit)
    for (const state of answerKey(circuit, []).states) {
      if (!state.ok) throw new Error(tell(state.why))
      state.balances.forEach((balance, i) => {
        const { passes, reason } = set.judge(balance, state.walks[i]!)
        expect(passes, `${state.state.name}, ${balance.path}: ${tell(reason)}`).not.toBe(false)
      })
      expect(warningsOf({ circuit, wiring, walks, key: state }).map((w) => tell(w.text))).toEqual([])
    }
  })

  it('may be said to be of another kind, which changes what it may lose, and can be undone', () => {
    const lamp = demoCircuit()
    const edited = applyEdit(lamp, { type: 'setDuty', duty: 'heavy' })
    if (!edited.ok) throw new Error(tell(edited.problem))
    expect(limitSetFor(lamp).id).toBe('feed-0.3-return-0.2')
    expect(limitSetFor(edited.circuit).id).toBe('light-heavy')
    const back = applyEdit(edited.circuit, edited.inverse)
    expect(back).toMatchObject({ ok: true, circuit: lamp })
    // Where it is not said, the heaviest that is built in.
    const kinds = ['van-starting', 'van-washer-pump', 'gritter-salt-sensor', 'sweeper-work-lamp']
    expect(kinds.map((name) => dutyOf(demoCircuit(name)))).toEqual(['heavy', 'motor', 'electronic', 'light'])
  })

  it('loses nothing in a step resistor, nor in the exciter that a charge lamp feeds', () => {
    const blower = stateKey(demoCircuit('van-cab-blower'), [], stateOf(demoCircuit('van-cab-blower'), 'low'))
    if (!blower.ok) throw new Error(tell(blower.why))
    const [first] = blower.balances
    expect(first).toMatchObject({ load: 'M1' })
    expect(first!.feedLoss.value).toBeLessThan(0.4)
    expect(first!.remainder).toBeCloseTo(0, 6)
    expect(first!.feedLoss.value! + first!.loadDrop.value! + first!.returnLoss.value!).toBeCloseTo(
      first!.source,
      2,
    )
  })
})
