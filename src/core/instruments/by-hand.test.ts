import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { hasSign, type Arrangement } from '../attempt'
import type { Fault } from '../faults'
import { instrumentOf, settingsOf } from '.'

const arranged = (name: Parameters<typeof demoCircuit>[0], state: string): Arrangement => {
  const found = demoCircuit(name).states.find((s) => s.name === state)!
  return { controls: found.controls, detached: found.detached }
}
const read = (
  circuit: Parameters<typeof demoCircuit>[0],
  faults: readonly Fault[],
  arrangement: Arrangement,
  instrument: 'terminalDrag' | 'benchRelay' | 'scan',
  part: string,
  settings: Record<string, string> = {},
) =>
  new Attempt(demoCircuit(circuit), faults, arrangement).measure({ type: 'at', part }, 0, {
    instrument,
    settings,
  }).reading

describe('terminal drag (common practice, no source)', () => {
  const on = arranged('sweeper-work-lamp', 'Switch closed')
  const slack: Fault = { kind: 'slack', part: 'X1', segment: 'pin' }
  it('finds a slack terminal in a plug that is apart, and says so where it is not', () => {
    const apart = { ...on, detached: ['X1'] }
    expect(read('sweeper-work-lamp', [slack], apart, 'terminalDrag', 'X1').word).toBe('slack')
    expect(read('sweeper-work-lamp', [], apart, 'terminalDrag', 'X1').word).toBe('firm')
    expect(read('sweeper-work-lamp', [slack], { ...on, detached: ['X2'] }, 'terminalDrag', 'X2').word).toBe(
      'firm',
    )
    expect(hasSign(read('sweeper-work-lamp', [slack], on, 'terminalDrag', 'X1'), 'apartFirst')).toBe(true)
  })
})

describe('a relay on nine volts (common practice, no source)', () => {
  const out = { ...arranged('van-cooling-fan', 'fan on'), detached: ['K1'] }
  const on = (fault?: Fault) => read('van-cooling-fan', fault ? [fault] : [], out, 'benchRelay', 'K1').word
  it('clicks where its coil is whole, whatever the socket and the contacts are like', () => {
    expect(on()).toBe('clicks')
    expect(on({ kind: 'open', part: 'K1', segment: 'coil' })).toBe('silent')
    expect(on({ kind: 'open', part: 'K1', segment: 'pin86' })).toBe('clicks')
    expect(on({ kind: 'burnt', part: 'K1', segment: 'make', severity: 20 })).toBe('clicks')
    expect(on({ kind: 'highResistance', part: 'W4', segment: 'copper', severity: 10 })).toBe('clicks')
  })
})

describe('a relay worked by hand in the socket (common practice, no source)', () => {
  const out = { ...arranged('van-cooling-fan', 'fan on'), detached: ['K1'] }
  const press = (faults: readonly Fault[], controls = out.controls) =>
    new Attempt(demoCircuit('van-cooling-fan'), faults, { ...out, controls }).measure(
      { type: 'inPlaceOf', part: 'K1' },
      { word: 'starts' },
      { instrument: 'relayByHand' },
    ).reading
  it('tells the coil’s half from the contacts’ in one move, whatever the switch says', () => {
    expect(press([]).word).toBe('starts')
    expect(press([], {}).word).toBe('starts')
    expect(press([{ kind: 'open', part: 'K1', segment: 'coil' }]).word).toBe('starts')
    expect(press([{ kind: 'open', part: 'W7', segment: 'copper' }]).word).toBe('starts')
    expect(press([{ kind: 'open', part: 'W3', segment: 'copper' }]).word).toBe('nothing')
    expect(hasSign(press([]), 'changed')).toBe(true)
    expect(instrumentOf('relayByHand').cautions(settingsOf(instrumentOf('relayByHand')))).toContain(
      'startsAnyway',
    )
  })
})

describe('scan data', () => {
  it('says what the module believes, not what arrives', () => {
    const on = arranged('sweeper-brush-relay', 'key run, brush on')
    const module = demoCircuit('sweeper-brush-relay').parts.find((p) => p.kind === 'module')!.id
    const row = (key: string, faults: readonly Fault[] = [], arrangement = on) =>
      read('sweeper-brush-relay', faults, arrangement, 'scan', module, { row: key }).word
    expect(row('ign')).toBe('on')
    const driver = ['l1', 'l2', 'h1', 'h2'].find((key) => row(key) === 'on')
    expect(driver).toBeDefined()
    // A coil that is open changes nothing of what is commanded.
    expect(row(driver!, [{ kind: 'open', part: 'K1', segment: 'coil' }])).toBe('on')
    expect(row('ign', [], arranged('sweeper-brush-relay', 'master off'))).toMatch(/off|no answer/)
    expect(row('ign', [], { ...on, detached: [module] })).toBe('no answer')
  })
})

describe('min and max', () => {
  it('catch what a wiggle does, and a buzzing contact', () => {
    const on = arranged('sweeper-work-lamp', 'Switch closed')
    const slack: Fault = { kind: 'slack', part: 'X1', segment: 'pin', severity: 1e6 }
    const work = new Attempt(demoCircuit('sweeper-work-lamp'), [slack], on)
    const settings = settingsOf(instrumentOf('volts'), { record: 'minMax' })
    const moved = work.measure({ type: 'leads', red: 'L1a', black: 'B1-' }, 12, {
      settings,
      arrangement: { ...on, wiggled: ['X1'] },
    })
    const sign = moved.reading.signs.find(({ code }) => code === 'instruments.minMax')
    expect(sign?.params).toMatchObject({
      low: { unit: 'V' },
      high: { unit: 'V' },
    })
    expect(tell(sign!)).toMatch(/(mV|0\s?V).*12\.\d+\sV/)
    const still = work.measure({ type: 'leads', red: 'L1a', black: 'B1-' }, 12, { settings })
    const calm = still.reading.signs.find(({ code }) => code === 'instruments.minMax')!
    expect(calm.params!.low).toEqual(calm.params!.high)
  })
})
