import { createServer, type Server, type Socket } from 'node:net'
import { afterEach, describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import type { ReadMeter } from '../../contract'
import { tell } from '../../contract/words'
import { solveBoard } from '../../core/board'
import { wireUp } from '../../core/model'
import type { Fault } from '../../core/faults'
import { serveStandIn } from '../../meter/serve'
import { StandIn } from '../../meter/stand-in'
import { mayBeMeter } from './addresses'
import { askName, readMeter } from './read-meter'

const circuit = demoCircuit('sweeper-work-lamp')
const planted: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1.5 }
const host = '127.0.0.1'
const closed = { controls: { S1: 'closed' }, detached: [] }
const volts = (red: string, black: string, more: Partial<ReadMeter> = {}): ReadMeter => ({
  arrangement: closed,
  instrument: 'volts',
  settings: {},
  held: { type: 'leads', red, black },
  ...more,
})

const open: Server[] = []
const portOf = (server: Server) => {
  open.push(server)
  const address = server.address()
  return typeof address === 'object' && address ? address.port : 0
}
/** A peer that does whatever is wanted with each line that comes. */
const peer = (
  onLine: (line: string, socket: Socket) => void,
  onConnect: (socket: Socket) => void = () => {},
) =>
  new Promise<number>((resolve) => {
    const server = createServer((socket) => {
      socket.on('error', () => socket.destroy())
      onConnect(socket)
      socket.on('data', (data) => {
        for (const line of data.toString().split('\n').filter(Boolean)) onLine(line, socket)
      })
    })
    server.listen(0, host, () => resolve(portOf(server)))
  })
afterEach(() => {
  for (const server of open.splice(0)) server.close()
})

describe('the stand-in meter over a socket', () => {
  it('shows what the simulated board shows, within its parts’ tolerance and the last digits', async () => {
    const port = portOf(await serveStandIn({ circuit, planted: [planted], seed: 7 }, 0))
    const solved = solveBoard(
      circuit,
      [planted],
      circuit.states.find((s) => s.name === 'Switch closed')!,
    )
    if (!solved.ok) throw new Error(tell(solved.why))
    const wiring = wireUp(circuit)
    for (const [red, black] of [
      ['L1a', 'L1b'],
      ['X1a', 'X1b'],
      ['B1+', 'B1-'],
    ] as const) {
      const read = await readMeter({ host, port }, volts(red, black))
      if (!('reading' in read)) throw new Error(tell(read.trouble))
      const volt = (name: string) => solved.point.voltage[wiring.find(name)!.node]!
      const ideal = volt(red) - volt(black)
      expect(read.reading.value).not.toBe(ideal)
      expect(Math.abs(read.reading.value! - ideal)).toBeLessThan(0.05 * Math.abs(ideal) + 0.3)
    }
  })

  it('is the same board each time, and another one for another seed', () => {
    const read = (seed: number) => {
      const meter = new StandIn({ circuit, planted: [], seed })
      meter.answer('SIMulate:STATe {"controls":{"S1":"closed"},"detached":[]}')
      meter.answer('SIM:HOLD {"type":"leads","red":"L1a","black":"L1b"}')
      return Number(meter.answer('MEAS:VOLT:DC?'))
    }
    expect(read(1)).toBe(read(1))
    expect(Math.abs(read(1) - read(2))).toBeGreaterThan(0.001)
    expect(read(1)).toBeGreaterThan(11)
  })

  it('sends an overload for an open, and takes continuity for what it is', async () => {
    const port = portOf(await serveStandIn({ circuit, planted: [{ ...planted, kind: 'open' }], seed: 1 }, 0))
    const dead = { controls: { S1: 'open' }, detached: ['ST1'] }
    const ohms = await readMeter(
      { host, port },
      volts('X1a', 'X1b', { instrument: 'ohms', arrangement: dead }),
    )
    expect(ohms).toMatchObject({ reading: { text: 'OL' } })
    const beep = await readMeter(
      { host, port },
      volts('W4a', 'W4b', {
        instrument: 'continuity',
        arrangement: dead,
        held: { type: 'leads', red: 'X1b', black: 'L1a' },
      }),
    )
    expect(beep).toMatchObject({ reading: { signs: [{ code: 'instruments.beeps' }] } })
  })

  it('keeps its errors until they are asked for, and knows short forms, long forms and none else', () => {
    const meter = new StandIn({ circuit, planted: [], seed: 1 })
    expect(meter.answer('*IDN?')).toMatch(/^Brachyon,Stand-in/)
    expect(meter.answer('CONFigure:RESistance')).toBeUndefined()
    expect(meter.answer('conf?')).toBe('"RES"')
    expect(meter.answer('CONF:TEMP')).toBeUndefined()
    expect(meter.answer('READ?')).toBeUndefined()
    expect(meter.answer('SYST:ERR?')).toContain('-113')
    expect(meter.answer('SYSTem:ERRor?')).toContain('leads are on nothing')
    expect(meter.answer('SYST:ERR?')).toBe('0,"No error"')
    meter.answer('SIM:HOLD {"type":"leads"')
    expect(meter.answer('SYST:ERR?')).toContain('-102')
    meter.answer('SIM:STAT {"controls":{"S1":"sideways"},"detached":[]}')
    expect(meter.answer('SYST:ERR?')).toContain('-224')
  })
})

describe('whatever goes wrong at the other end is said, and nothing hangs', () => {
  const words = async (port: number, patience = 250) => {
    const read = await readMeter({ host, port }, volts('L1a', 'B1-'), patience)
    return 'trouble' in read ? tell(read.trouble) : 'a reading'
  }
  const meterLike = (answers: Partial<Record<string, string>>) =>
    peer((line, socket) => {
      const usual: Record<string, string> = {
        '*IDN?': 'Workshop,Meter 1,0,1',
        'CONFigure?': '"VOLT:DC"',
        'READ?': '+1.23400000E+01',
        'SYSTem:ERRor?': '0,"No error"',
      }
      const answer = answers[line] ?? usual[line]
      if (answer !== undefined) socket.write(`${answer}\r\n`)
    })

  it('nothing there, silent, slow', async () => {
    const port = await meterLike({})
    open.splice(0).forEach((server) => server.close())
    expect(await words(port)).toContain('Nothing answers')
    expect(await words(await peer(() => {}))).toContain('does not answer in time')
    const slow = await peer((_, socket) => void setTimeout(() => socket.writable && socket.write('1\n'), 600))
    expect(await words(slow)).toContain('does not answer in time')
  })

  it('closed at once, closed by half, closed in the middle of a line', async () => {
    expect(
      await words(
        await peer(
          () => {},
          (socket) => socket.destroy(),
        ),
      ),
    ).toMatch(/ended the connection|reached/)
    expect(await words(await peer((_, socket) => socket.end()))).toContain('ended the connection')
    expect(await words(await peer((_, socket) => socket.end('+1.2')))).toContain('ended the connection')
  })

  it('garbage, a flood, an empty line', async () => {
    expect(await words(await meterLike({ 'READ?': 'banana' }))).toContain('“banana”, which is not a number')
    expect(await words(await meterLike({ 'READ?': '' }))).toContain('not a number')
    expect(await words(await peer((_, socket) => socket.write('x'.repeat(10_000))))).toContain(
      'sends more than',
    )
  })

  it('an error of its own, a function that it does not take', async () => {
    expect(await words(await meterLike({ 'SYSTem:ERRor?': '-221,"Settings conflict"' }))).toContain(
      'The meter says: Settings conflict',
    )
    expect(await words(await meterLike({ 'CONFigure?': '"RES"' }))).toContain('stands at "RES"')
  })

  it('an overload is OL, and a usual answer a reading', async () => {
    const read = await readMeter({ host, port: await meterLike({ 'READ?': '9.9E37' }) }, volts('L1a', 'B1-'))
    expect(read).toMatchObject({ reading: { text: 'OL' } })
    expect(await words(await meterLike({}))).toBe('a reading')
    expect(await askName({ host, port: await meterLike({}) })).toEqual({ name: 'Workshop,Meter 1,0,1' })
  })
})

it('only an address of the workshop’s own network is asked, by its number; this machine only where that is allowed', () => {
  const [open, closed] = [{ onLoopback: true }, { onLoopback: false }]
  for (const near of ['10.1.2.3', '172.20.0.5', '192.168.4.4', 'fd00::1'])
    for (const places of [open, closed]) expect(mayBeMeter(near, places), near).toBe(true)
  for (const own of ['127.0.0.1', '127.8.8.8', '::1', '::ffff:127.0.0.1'])
    expect([mayBeMeter(own, open), mayBeMeter(own, closed)], own).toEqual([true, false])
  for (const far of [
    '8.8.8.8',
    '172.32.0.1',
    '192.169.0.1',
    '169.254.169.254',
    'fe80::1',
    '0.0.0.0',
    'localhost',
    'meter.example',
    '2001:db8::1',
    '',
  ])
    for (const places of [open, closed]) expect(mayBeMeter(far, places), far).toBe(false)
})

it.each(['SSH-2.0-OpenSSH_9.2', '220 mail ready', '', '{"secret":"x"}', 'a,b', 'a,b,c,d,e'])(
  'of what answers and is no meter nothing is shown, and nothing more is asked: %j',
  async (banner) => {
    const lines: string[] = []
    const port = await peer((line, socket) => {
      lines.push(line)
      socket.write(`${banner}\n`)
    })
    const answers = [
      await askName({ host, port }, 400),
      await readMeter({ host, port }, volts('L1a', 'B1-'), 400),
    ]
    for (const answer of answers) {
      if (!('trouble' in answer)) throw new Error('it was taken for a meter')
      expect(tell(answer.trouble)).toContain('is not a meter')
      if (banner) expect(JSON.stringify(answer)).not.toContain(banner)
    }
    expect(new Set(lines)).toEqual(new Set(['*IDN?']))
  },
)
