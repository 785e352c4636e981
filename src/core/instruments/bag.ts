import type { SolvedBoard } from '../board'
import { formatQuantity } from '../quantity'
import { readAmps, readVoltsInAmpsJack, type AmpsReading } from './ammeter'
import { acClamp, dcClamp, readClamp, type ClampType } from './clamp'
import { connectJumper, connectLoad, testBattery, type Connected } from './connect'
import { readDiode } from './diode-test'
import type { MeterType } from './meter'
import { functionOf } from './registry'
import { readLedProbe, readTestLamp, type LampReading } from './test-lamp'
import { toCount } from './meter'
import { loadedVolts } from './voltmeter'

/** What any instrument of the bag tells, in words and as a number. */
export interface Told {
  readonly text: string
  readonly value?: number | undefined
  readonly notes: readonly string[]
}

/** Where an instrument is put: two leads, the jaws round a measuring place or a conductor, or nowhere in particular. */
export type Held =
  | { readonly type: 'leads'; readonly red: number; readonly black: number }
  | { readonly type: 'jaws'; readonly conductors: Parameters<typeof readClamp>[1] }
  | { readonly type: 'battery' }

export interface Instrument {
  readonly key: string
  readonly title: string
  readonly held: Held['type']
  readonly use: (solved: SolvedBoard, held: Held, meter: MeterType) => Told
}

/** Every instrument there is. A new one is its file and its line here. */
export const bag: readonly Instrument[] = [
  leads('volts', 'Volts DC', (s, r, b, m) => ({ ...meterTold(functionOf('volts').read(s, r, b, m)) })),
  leads('millivolts', 'Millivolts DC', (s, r, b, m) => {
    const volts = loadedVolts(s, r, b, m)
    if (Math.abs(volts) >= 0.6) return { text: 'OL', notes: [] }
    const value = toCount(volts, Math.abs(volts) < 0.06 ? 0.00001 : 0.0001)
    return { text: formatQuantity(value, 'V'), value, notes: [] }
  }),
  leads('ohms', 'Ohms', (s, r, b, m) => meterTold(functionOf('ohms').read(s, r, b, m))),
  leads('ohmsZeroed', 'Ohms, leads zeroed first', (s, r, b, m) =>
    meterTold(functionOf('ohms').read(s, r, b, { ...m, leadOhms: 0 })),
  ),
  leads('continuity', 'Continuity', (s, r, b, m) => meterTold(functionOf('continuity').read(s, r, b, m))),
  leads('diode', 'Diode test', (s, r, b, m) => {
    const { value, text, live } = readDiode(s, r, b, m)
    return { text, value, notes: live ? [liveNote] : [] }
  }),
  leads('amps', 'Amps in series, A jack', (s, r, b, m) => ampsTold(readAmps(s, r, b, m, 'A'))),
  leads('milliamps', 'Milliamps in series, mA jack', (s, r, b, m) => ampsTold(readAmps(s, r, b, m, 'mA'))),
  leads('ampsInVoltsJack', 'Amps dialled, lead in the volts jack', (s, r, b, m) =>
    ampsTold(readAmps(s, r, b, m, 'V')),
  ),
  leads('voltsInAmpsJack', 'Volts dialled, lead left in the A jack', (s, r, b, m) =>
    ampsTold(readVoltsInAmpsJack(s, r, b, m, 'A')),
  ),
  leads('lamp0.25', 'Test lamp, 0.25 A', (s, r, b) => lampTold(readTestLamp(s, r, b, 0.25, systemOf(s)))),
  leads('lamp1', 'Test lamp, 1 A', (s, r, b) => lampTold(readTestLamp(s, r, b, 1, systemOf(s)))),
  leads('lamp2', 'Test lamp, 2 A', (s, r, b) => lampTold(readTestLamp(s, r, b, 2, systemOf(s)))),
  leads('lamp5', 'Load lamp, 5 A, in series for 3 to 5 s', (s, r, b) =>
    lampTold(readTestLamp(s, r, b, 5, systemOf(s))),
  ),
  leads('ledProbe', 'LED probe', (s, r, b) => lampTold(readLedProbe(s, r, b))),
  leads('jumper', 'Fused jumper, 10 A', (s, r, b) => connectedTold(connectJumper(s, r, b, 10))),
  leads('substitute', 'Substitute load, 21 W', (s, r, b) =>
    connectedTold(connectLoad(s, r, b, 21, systemOf(s))),
  ),
  jaws('clamp', 'DC clamp, zeroed', dcClamp, true),
  jaws('clampNotZeroed', 'DC clamp, not zeroed', dcClamp, false),
  jaws('clampAC', 'Clamp for AC only', acClamp, true),
  {
    key: 'battery',
    title: 'Battery load test, half its rating for 15 s',
    held: 'battery',
    use: (solved) => {
      const test = testBattery(solved, solved.board.circuit)
      if (!test) return { text: '–', notes: ['there is no battery that holds this load'] }
      const { amps, volts, least, passes } = test
      return {
        text: formatQuantity(volts, 'V'),
        value: volts,
        notes: [
          `${formatQuantity(amps, 'A')}; a good one holds ${formatQuantity(least, 'V')}: ${passes ? 'passes' : 'fails'}`,
        ],
      }
    },
  },
]

const liveNote = 'live circuit: the number means nothing'

export const instrumentOf = (key: string): Instrument | undefined => bag.find((i) => i.key === key)

function leads(
  key: string,
  title: string,
  read: (solved: SolvedBoard, red: number, black: number, meter: MeterType) => Told,
): Instrument {
  return {
    key,
    title,
    held: 'leads',
    use: (solved, held, meter) =>
      held.type === 'leads'
        ? read(solved, held.red, held.black, meter)
        : { text: '–', notes: ['it needs two leads'] },
  }
}

function jaws(key: string, title: string, type: ClampType, zeroed: boolean): Instrument {
  return {
    key,
    title,
    held: 'jaws',
    use: (solved, held) => {
      if (held.type !== 'jaws')
        return { text: '–', notes: ['it goes round a conductor or a measuring place'] }
      const value = readClamp(solved, held.conductors, type, zeroed)
      return {
        text: formatQuantity(value, 'A'),
        value,
        notes:
          held.conductors.length > 1 ? [`${held.conductors.length} conductors in the jaws: their sum`] : [],
      }
    },
  }
}

const meterTold = (reading: {
  text: string
  value: number | undefined
  live: boolean
  beeps: boolean
  floating: boolean
}): Told => ({
  text: reading.text,
  value: reading.value,
  notes: [
    ...(reading.beeps ? ['beeps'] : []),
    ...(reading.live ? [liveNote] : []),
    ...(reading.floating ? ['nothing but the meter holds this point'] : []),
  ],
})

const ampsTold = (reading: AmpsReading): Told => ({
  text: reading.text,
  value: reading.value,
  notes: [
    ...(reading.blew ? ['the meter’s own fuse blew'] : []),
    ...reading.blownByIt.map((id) => `${id} blew`),
    ...(reading.burden > 0 ? [`burden ${formatQuantity(reading.burden, 'V')}`] : []),
  ],
})

const lampTold = (reading: LampReading): Told => ({
  text: reading.glow,
  value: reading.volts,
  notes: [
    `${formatQuantity(reading.volts, 'V')} across it, ${formatQuantity(reading.amps, 'A')}`,
    ...reading.blownByIt.map((id) => `${id} blew`),
  ],
})

const connectedTold = (connected: Connected): Told => ({
  text: connected.blew ? 'its fuse blew' : formatQuantity(connected.amps, 'A'),
  value: connected.amps,
  notes: [
    ...connected.blownByIt.map((id) => `${id} blew`),
    ...connected.changed.map((n) => `${n.part} now ${n.text}`),
  ],
})

/** Lamps and loads of the bag are those of the vehicle's own system. */
function systemOf({ board }: SolvedBoard): number {
  const blocks = board.circuit.parts.find((p) => p.kind === 'battery')?.parameters.blocks
  return 12 * (typeof blocks === 'number' ? blocks : 1)
}
