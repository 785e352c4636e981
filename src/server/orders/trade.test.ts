import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { passwords, startSchool, type School } from '../../../test/school'
import { acknowledgedSchema, circuitListSchema } from '../../contract'
import type { Arrangement, Connection } from '../../core/attempt'
import type { Fault } from '../../core/faults'
import { instrumentOf, settingsOf, type Held, type InstrumentKey } from '../../core/instruments'

/** What the trade believes of its instruments, asked at the Desk’s own door (common practice, no source). */
describe('what the trade believes', () => {
  let school: School
  let orla: TestAgent
  let tam: TestAgent
  let tamId: string
  let idris: TestAgent
  let idrisId: string
  let circuits: { id: string; name: string }[]

  beforeAll(async () => {
    school = await startSchool()
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
    circuits = circuitListSchema.parse((await orla.get('/api/circuits')).body)
    const list = (await orla.get('/api/students')).body as { id: string; login: string }[]
    tamId = list.find((s) => s.login === 'tam')!.id
    idris = await school.signedIn('idris', passwords.idris)
    idrisId = list.find((s) => s.login === 'idris')!.id
  }, 60_000)
  afterAll(() => school.close())

  /** A bench with one fault; answers a way to measure on it. */
  async function bench(name: RegExp, fault: Fault, usual: Arrangement, spares?: Fault[]) {
    // Each student takes so many steps a minute: spares are another's.
    const [student, agent] = spares ? [idrisId, idris] : [tamId, tam]
    const { body } = await orla
      .post('/api/orders')
      .send({
        circuit: circuits.find((c) => name.test(c.name))!.id,
        students: [student],
        complaint: 'It does not do what it did.',
        faults: [fault],
        ...(spares?.length && { spares }),
      })
      .expect(201)
    const { id } = body as { id: string }
    return async (
      instrument: InstrumentKey,
      held: Held,
      {
        arrangement = usual,
        settings = {},
        also = [],
      }: {
        arrangement?: Arrangement
        settings?: Record<string, string>
        also?: readonly Connection[]
      } = {},
    ) => {
      const { asks } = instrumentOf(instrument)
      const action = {
        type: 'test',
        arrangement,
        instrument,
        settings: settingsOf(instrumentOf(instrument), settings),
        held,
        also,
        prediction:
          asks.type === 'beep'
            ? { type: 'beep' }
            : asks.type === 'word'
              ? { type: 'word', word: Object.keys(asks.words)[0] }
              : { type: 'value', value: 0 },
      }
      const answer = await agent.post(`/api/desk/${id}/steps`).send({ key: randomUUID(), action }).expect(200)
      const { step } = acknowledgedSchema.parse(answer.body)
      if (step.type !== 'test') throw new Error('no test')
      return { ...step.reading, codes: step.reading.signs.map(({ code }) => code) }
    }
  }
  const leads = (red: string, black: string): Held => ({ type: 'leads', red, black })
  const round = (...names: string[]): Held => ({ type: 'jaws', round: names })
  const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
  const off: Arrangement = { controls: { S1: 'open' }, detached: [] }

  it('of a bad joint: its loss is there only under load, and unplugging the lamp hides it', async () => {
    const read = await bench(
      /^Work lamp, street/,
      { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 2 },
      on,
    )
    const joint = leads('X1a', 'X1b')
    expect((await read('volts', joint)).value).toBeGreaterThan(4)
    const unplugged = await read('volts', joint, { arrangement: { ...on, detached: ['L1'] } })
    expect(Math.abs(unplugged.value!)).toBeLessThan(0.005)
    // Both ends read the source, and that says nothing.
    const both = await read('volts', leads('X1b', 'B1-'), { arrangement: { ...on, detached: ['L1'] } })
    expect(both.value).toBeGreaterThan(12.4)
    // Zero on a drop test: nothing flows.
    expect(Math.abs((await read('volts', joint, { arrangement: off })).value!)).toBeLessThan(0.001)
  })

  it('of a meter: it subtracts, and source volts between its leads are an open', async () => {
    const read = await bench(/^Work lamp, street/, { kind: 'open', part: 'W5', segment: 'copper' }, on)
    const [there, back] = [await read('volts', leads('L1a', 'B1-')), await read('volts', leads('B1-', 'L1a'))]
    expect(back.value).toBeCloseTo(-there.value!, 6)
    expect(back.text).toMatch(/^−/)
    const across = await read('volts', leads('L1b', 'X2a'))
    expect(across.value).toBeGreaterThan(12.4)
    // OL is out of limit; a beep says little.
    const dead: Arrangement = { ...off, detached: ['ST1'] }
    expect((await read('ohms', leads('L1b', 'X2a'), { arrangement: dead })).text).toBe('OL')
    expect((await read('continuity', leads('X1a', 'X1b'), { arrangement: dead })).codes).toContain(
      'instruments.beeps',
    )
    // Ohms on a live circuit are a number that means nothing.
    expect((await read('ohms', leads('L1a', 'B1-'))).codes).toContain('instruments.live')
  })

  it('of a lamp: cold ohms predict a current that never flows, and what flows is the same all along the path', async () => {
    const read = await bench(
      /^Work lamp, street/,
      { kind: 'highResistance', part: 'G1', segment: 'foot', severity: 0.02 },
      on,
    )
    const cold = await read('ohms', leads('L1f', 'L1g'), { arrangement: { ...off, detached: ['ST1', 'L1'] } })
    if (cold.value !== undefined) expect(12.6 / cold.value).toBeGreaterThan(15)
    const amps = []
    for (const wire of ['W1', 'W2', 'W4', 'W6']) amps.push((await read('clamp', round(wire))).value!)
    // 55 W on 12 V: 4.6 A.
    for (const one of amps) expect(one).toBeGreaterThan(4.2)
    expect(Math.max(...amps) - Math.min(...amps)).toBeLessThan(0.05)
    expect((await read('clampAC', round('W4'))).value).toBeCloseTo(0, 6)
    const series = await read('amps', { type: 'series', part: 'F1' })
    expect(Math.abs(series.value! - amps[1]!)).toBeLessThan(0.2)
  })

  it('of a few strands: they beep, show the source at both ends, and carry the lamp all the same', async () => {
    const read = await bench(/^Work lamp, street/, { kind: 'strandsLost', part: 'W4', segment: 'copper' }, on)
    const dead: Arrangement = { ...off, detached: ['ST1'] }
    expect((await read('continuity', leads('X1b', 'L1a'), { arrangement: dead })).codes).toContain(
      'instruments.beeps',
    )
    const open = await read('volts', leads('L1a', 'B1-'), { arrangement: { ...on, detached: ['L1'] } })
    expect(open.value).toBeGreaterThan(12.5)
    const loaded = await read('volts', leads('X1b', 'L1a'))
    expect(loaded.value).toBeGreaterThan(0.02)
  })

  it('of an ordinary test lamp: it lights through a joint that could never crank the engine', async () => {
    const crank: Arrangement = { controls: { SK1: 'off', SN1: 'park' }, detached: [] }
    const read = await bench(
      /^Starting/,
      { kind: 'highResistance', part: 'G9', segment: 'foot', severity: 0.05 },
      crank,
    )
    expect((await read('testLamp', leads('G9c', 'B1-'))).word).toBe('bright')
    const cranking = await read('volts', leads('G9n', 'G9c'), {
      arrangement: { ...crank, controls: { SK1: 'crank', SN1: 'park' } },
    })
    expect(cranking.value).toBeGreaterThan(4)
  })

  it('of a clamp: a bundle adds the other wires’ currents, and against the arrow they turn their sign', async () => {
    const all: Arrangement = { controls: { S1: 'closed', S2: 'closed', S3: 'closed' }, detached: [] }
    const read = await bench(
      /^Side harness/,
      { kind: 'highResistance', part: 'G2', segment: 'eyelet', severity: 0.5 },
      all,
    )
    const one = (await read('clamp', round('W3'))).value!
    const sum = (await read('clamp', round('H1a'))).value!
    expect(sum).toBeGreaterThan(one + 0.3)
    const turned = await read('clamp', { type: 'jaws', round: ['W3'], against: true })
    expect(turned.value).toBeCloseTo(-one, 1)
    const alone = await read('clamp', round('H1a'), {
      arrangement: { ...all, controls: { ...all.controls, S2: 'open', S3: 'open' } },
    })
    expect(alone.value).toBeCloseTo(one, 1)
  })

  it('of a relay: it clicks, its coil has its volts, and what its contacts lose is read across them', async () => {
    const read = await bench(
      /^Cooling fan by relay/,
      { kind: 'burnt', part: 'K1', segment: 'make', severity: 5 },
      on,
    )
    expect((await read('volts', leads('K1.86', 'K1.85'))).value).toBeGreaterThan(12)
    expect((await read('volts', leads('K1.30', 'B1-'))).value).toBeGreaterThan(12)
    expect((await read('volts', leads('K1.30', 'K1.87'))).value).toBeGreaterThan(5)
    const out = { ...on, detached: ['K1'] }
    expect((await read('benchRelay', { type: 'at', part: 'K1' }, { arrangement: out })).word).toBe('clicks')
    // Its way round the contacts, fused: the load runs.
    const past = await read(
      'jumper',
      { type: 'inPlaceOf', part: 'K1' },
      { arrangement: out, settings: { fuse: '30' } },
    )
    expect(past.word).toBe('holds')
  })

  it('of a spare: it is as good as its instructor says, and is measured before it is trusted', async () => {
    const open: Fault = { kind: 'open', part: 'K1', segment: 'coil' }
    const inHand = (spare: boolean): Held => ({ type: 'hand', red: 'K1.86', black: 'K1.85', spare })
    const volts = async (spares: Fault[]) => {
      const read = await bench(/^Cooling fan by relay/, open, on, spares)
      const fitted = { arrangement: { ...on, spares: ['K1'] } }
      return {
        ohms: (await read('ohms', inHand(true))).value!,
        fan: (await read('volts', leads('M1a', 'B1-'), fitted)).value!,
      }
    }
    const good = await volts([])
    expect(good.ohms).toBeLessThan(100)
    expect(good.fan).toBeGreaterThan(11)
    const bad = await volts([open])
    expect(bad.ohms).toBeGreaterThan(600)
    expect(bad.fan).toBeLessThan(0.1)
    const refused = await orla.post('/api/orders').send({
      circuit: circuits.find((c) => c.name.startsWith('Cooling fan by relay'))!.id,
      students: [tamId],
      complaint: 'It does not do what it did.',
      faults: [open],
      spares: [{ kind: 'open', part: 'K1', segment: 'pin86' }],
    })
    expect(refused.status).toBe(422)
  })

  it('of an ammeter across the source: its fuse goes, and the jack reads nothing after', async () => {
    const read = await bench(/^Work lamp, street/, { kind: 'open', part: 'W5', segment: 'copper' }, on)
    const wrong = { settings: { jack: 'amps' } }
    expect((await read('volts', leads('B1+', 'B1-'), wrong)).codes).toContain('instruments.meterFuse')
    expect((await read('amps', { type: 'series', part: 'F1' })).codes).toContain('instruments.meterFuseGone')
  })

  it('of a battery and what charges it: rest, running, and a bypass that proves the feed', async () => {
    const read = await bench(
      /^Charging/,
      { kind: 'highResistance', part: 'FL1', segment: 'link', severity: 1 },
      { controls: { SK1: 'run' }, detached: [], engine: 'running' },
    )
    const rest = await read('volts', leads('B1+', 'B1-'), { arrangement: { controls: {}, detached: [] } })
    expect(rest.value).toBeGreaterThan(12.2)
    expect(rest.value).toBeLessThan(12.8)
    const source = await read('volts', leads('GA1.B+', 'GA1.B−'))
    const battery = await read('volts', leads('B1+', 'B1-'))
    const feed = await read('volts', leads('GA1.B+', 'B1+'))
    const back = await read('volts', leads('B1-', 'GA1.B−'))
    expect(source.value).toBeGreaterThan(13.5)
    expect(feed.value).toBeGreaterThan(1)
    expect(Math.abs(back.value!)).toBeLessThan(0.05)
    // What is lost and what arrives make the source.
    expect(feed.value! + battery.value! + back.value!).toBeCloseTo(source.value!, 1)
    // 1 Ω: the amps are the volts lost.
    const amps = await read('clamp', round('W1'))
    expect(Math.abs(amps.value!)).toBeGreaterThan(0.9 * feed.value!)
    const past = await read('jumper', leads('GA1.B+', 'B1p'), { settings: { fuse: '30' } })
    expect(past.word).toBe('holds')
  })

  it('of a fuse: its millivolts tell its amps, and none where nothing flows', async () => {
    const read = await bench(
      /^Heated step/,
      { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 0.2 },
      on,
    )
    // A 25 A fuse that feeds a heater of 10.5 Ω shows about 3 mV, and nothing when it is off.
    const fed = await read('fuseVolts', { type: 'spots', part: 'F1' })
    expect(fed.text).toMatch(/mV$/)
    expect(Math.abs(fed.value! - 0.003)).toBeLessThan(0.001)
    const idle = await read('fuseVolts', { type: 'spots', part: 'F1' }, { arrangement: off })
    expect(Math.abs(idle.value!)).toBeLessThan(0.0005)
    const ohms = await read('ohms', leads('X1b', 'E1b'), { arrangement: { ...off, detached: ['ST1'] } })
    expect(ohms.value).toBeGreaterThan(10)
    expect(ohms.value).toBeLessThan(11.2)
  })

  it('of a relay on the bench and its socket: ninety ohms, OL at rest, and the four readings', async () => {
    const read = await bench(
      /^Cooling fan by relay/,
      { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 0.3 },
      on,
    )
    const out = { ...on, detached: ['K1'] }
    const coil = await read('ohms', leads('K1.86', 'K1.85'), {
      arrangement: { ...off, detached: ['F1', 'F2'] },
    })
    expect(coil.value).toBeGreaterThan(70)
    expect(coil.value).toBeLessThan(100)
    expect(
      (await read('ohms', leads('K1.30', 'K1.87'), { arrangement: { ...off, detached: ['F1', 'F2'] } })).text,
    ).toBe('OL')
    for (const pin of ['K1.30', 'K1.86'])
      expect((await read('volts', leads(pin, 'B1-'), { arrangement: out })).value, pin).toBeGreaterThan(12)
    const load = await read('ohms', leads('K1.87', 'B1-'), { arrangement: out })
    expect(load.value).toBeGreaterThan(0)
    expect(load.value).toBeLessThan(3)
    const control = leads('K1.85', 'B1-')
    expect((await read('ohms', control, { arrangement: { ...off, detached: ['K1'] } })).text).toBe('OL')
    expect((await read('ohms', control, { arrangement: out })).value).toBeLessThan(1)
  })

  it('of grounds by ohmmeter: a few tenths are good, an ohm and a half is not, and leads add their own', async () => {
    const read = await bench(
      /^Work lamp, street/,
      { kind: 'highResistance', part: 'G1', segment: 'foot', severity: 1.5 },
      on,
    )
    const dead = { arrangement: { ...off, detached: ['F1'] } }
    const good = await read('ohms', leads('G1c', 'B1-'), dead)
    expect(good.value).toBeLessThan(0.3)
    const poor = await read('ohms', leads('G1n', 'B1-'), dead)
    expect(poor.value).toBeGreaterThan(1.4)
    expect(poor.value).toBeLessThan(1.9)
    const leadsOn = await read('ohms', leads('G1n', 'B1-'), { ...dead, settings: { relative: 'off' } })
    expect(leadsOn.value).toBeGreaterThanOrEqual(poor.value!)
  })

  it('of a short: the lamp for the fuse carries its amps up to there, and none go on', async () => {
    const read = await bench(
      /^Work lamp, street/,
      { kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.02 },
      on,
    )
    const lamp = {
      instrument: 'testLamp',
      settings: settingsOf(instrumentOf('testLamp'), { size: '2' }),
      held: { type: 'inPlaceOf', part: 'F1' },
    } as const
    const pulled = { ...on, detached: ['F1'] }
    const before = await read('clamp', round('W2'), { arrangement: pulled, also: [lamp] })
    const behind = await read('clamp', round('W6'), { arrangement: pulled, also: [lamp] })
    expect(before.value).toBeGreaterThan(1.6)
    expect(before.value).toBeLessThan(2.1)
    expect(Math.abs(behind.value!)).toBeLessThan(0.2)
  })

  it('of a weak load: it draws little, so a bad joint seems good until a known load stands in its place', async () => {
    const read = await bench(/^Work lamp, street/, { kind: 'burntOut', part: 'L1', segment: 'filament' }, on)
    // Full volts at a load that does nothing: the load itself has failed, and the ohmmeter says OL.
    expect((await read('volts', leads('L1f', 'L1g'))).value).toBeGreaterThan(12)
    expect((await read('volts', leads('L1b', 'B1-'))).value).toBeLessThan(0.01)
    const bulb = await read('ohms', leads('L1f', 'L1g'), { arrangement: { ...off, detached: ['F1'] } })
    expect(bulb.text).toBe('OL')
    const known = {
      instrument: 'substitute',
      settings: settingsOf(instrumentOf('substitute'), {}),
      held: { type: 'inPlaceOf', part: 'L1' },
    } as const
    const without = { ...on, detached: ['L1'] }
    const loaded = await read('clamp', round('W4'), { arrangement: without, also: [known] })
    expect(loaded.value).toBeGreaterThan(1)
    expect(
      (await read('volts', leads('L1b', 'B1-'), { arrangement: without, also: [known] })).value,
    ).toBeLessThan(0.3)
  })
})
