import { z } from 'zod'
import {
  choice,
  definePart,
  passive,
  quantity,
  text,
  type Segment,
  type StrikeUnit,
  type Sense,
  type Surroundings,
  type Terminal,
} from './definition'
import { limitedSourceLaw } from './limited-source'
import { readCondition, type Facts } from './logic'
import { formatQuantity } from '../quantity'

const inputs = ['i1', 'i2', 'i3', 'i4'] as const
const lows = ['l1', 'l2'] as const
const highs = ['h1', 'h2'] as const
const signals = ['s1', 's2'] as const
const outputs = [...lows, ...highs] as const

/** What a condition may name: the inputs, `ign` for the ignition supply, and the signals' volts. */
const names: ReadonlyMap<string, 'switched' | 'volts'> = new Map([
  ...[...inputs, 'ign'].map((name) => [name, 'switched'] as const),
  ...signals.map((name) => [name, 'volts'] as const),
])
const condition = (label: string) =>
  text(label, '', (value) => {
    const read = readCondition(value, names)
    return read.ok ? undefined : read.why
  })

const pin: readonly string[] = [...passive, 'missingPin']
const contact = 0.004
/** Ohms of a switched-on driver (common practice, no source). */
const driverOhms = 0.04
/** Volts under its least at which it browns out once it runs. */
const hysteresis = 0.6

const terminals: readonly Terminal[] = [
  { key: 'p30', suffix: '.30', name: 'battery supply pin' },
  { key: 'p15', suffix: '.15', name: 'ignition supply pin' },
  { key: 'vb', suffix: '.vb', name: 'battery rail', inside: true },
  { key: 'vi', suffix: '.vi', name: 'ignition rail', inside: true },
  { key: 'gi', suffix: '.gi', name: 'inner ground', inside: true },
  ...inputs.map((key, n) => ({
    key,
    suffix: `.i${n + 1}`,
    name: `input ${n + 1}`,
    sensitive: true as const,
  })),
  ...lows.map((key, n) => ({ key, suffix: `.l${n + 1}`, name: `low-side output ${n + 1}` })),
  ...highs.map((key, n) => ({ key, suffix: `.h${n + 1}`, name: `high-side output ${n + 1}` })),
  { key: 'v5', suffix: '.5v', name: '5 V supply for sensors', sensitive: true },
  { key: 'r5', suffix: '.ref', name: 'low reference for sensors', sensitive: true },
  ...signals.map((key, n) => ({
    key,
    suffix: `.s${n + 1}`,
    name: `signal ${n + 1}`,
    sensitive: true as const,
  })),
  { key: 'g1', suffix: '.g1', name: 'ground pin 1' },
  { key: 'g2', suffix: '.g2', name: 'ground pin 2' },
]

const segments: readonly Segment[] = [
  { key: 'pin30', name: 'battery supply pin', between: ['p30', 'vb'], faults: pin },
  { key: 'pin15', name: 'ignition supply pin', between: ['p15', 'vi'], faults: pin },
  { key: 'pinG1', name: 'ground pin 1', between: ['gi', 'g1'], faults: pin },
  { key: 'pinG2', name: 'ground pin 2', between: ['gi', 'g2'], faults: pin },
  { key: 'supply', name: 'electronics', between: ['vb', 'gi'], faults: ['notSleeping'] },
  { key: 'ignition', name: 'ignition circuits', between: ['vi', 'gi'], faults: [] },
  ...inputs.map((key, n): Segment => ({
    key: `in${n + 1}`,
    name: `input ${n + 1}, pull-up`,
    between: ['vb', key],
    faults: ['inputNotSeen'],
  })),
  ...inputs.map((key, n): Segment => ({
    key: `down${n + 1}`,
    name: `input ${n + 1}, pull-down`,
    between: [key, 'gi'],
    faults: [],
  })),
  ...lows.map((key, n): Segment => ({
    key: `low${n + 1}`,
    name: `low-side driver ${n + 1}`,
    between: [key, 'gi'],
    faults: ['outputDead', 'welded'],
  })),
  ...highs.map((key, n): Segment => ({
    key: `high${n + 1}`,
    name: `high-side driver ${n + 1}`,
    between: ['vb', key],
    faults: ['outputDead', 'welded'],
  })),
  { key: 'ref5', name: '5 V regulator', between: ['gi', 'v5'], faults: ['outputDead'] },
  { key: 'refLow', name: 'low reference', between: ['r5', 'gi'], faults: ['open', 'highResistance'] },
  ...signals.map((key, n): Segment => ({
    key: `sig${n + 1}`,
    name: `signal ${n + 1}`,
    between: [key, 'gi'],
    faults: [],
  })),
]

/** Each pin by itself, as the trade condemns a module pin by pin; the rest of it is its electronics. */
const units: readonly StrikeUnit[] = [
  { key: 'pin30', name: 'battery supply pin', segments: ['pin30'] },
  { key: 'pin15', name: 'ignition supply pin', segments: ['pin15'] },
  { key: 'pinG1', name: 'ground pin 1', segments: ['pinG1'] },
  { key: 'pinG2', name: 'ground pin 2', segments: ['pinG2'] },
  ...inputs.map((_, n) => ({
    key: `input${n + 1}`,
    name: `input ${n + 1}`,
    segments: [`in${n + 1}`, `down${n + 1}`],
  })),
  ...lows.map((_, n) => ({
    key: `low${n + 1}`,
    name: `low-side output ${n + 1}`,
    segments: [`low${n + 1}`],
  })),
  ...highs.map((_, n) => ({
    key: `high${n + 1}`,
    name: `high-side output ${n + 1}`,
    segments: [`high${n + 1}`],
  })),
  { key: 'sensors', name: 'sensor supply and signals', segments: ['ref5', 'refLow', 'sig1', 'sig2'] },
  { key: 'electronics', name: 'electronics', segments: ['supply', 'ignition'] },
]

/**
 * Electronic module: supplies, grounds, switched inputs, drivers with a condition each, a 5 V supply with its low
 * reference and two signals. Awake while the ignition supply is there, and for a while after the key is off; it falls
 * asleep in steps. Common practice values, no source; the maker's data say what a real one needs.
 * Limits: it draws like a resistor, its 5 V come from nowhere (milliamps), and a driver is on or off.
 */
export const module = definePart({
  kind: 'module',
  symbol: 'module',
  access: 'dash',
  takesCurrent: true,
  sleeps: true,
  pinout: 'met',
  title: 'Electronic module',
  letters: 'N',
  quick: { words: ['module', 'control unit', 'electronic module'] },
  role: 'control',
  terminals,
  through: ['p30', 'g1'],
  passes: [
    ...lows.map((_, n) => ({ segment: `low${n + 1}`, symbol: 'driver', caption: `low side ${n + 1}` })),
    ...highs.map((_, n) => ({ segment: `high${n + 1}`, symbol: 'driver', caption: `high side ${n + 1}` })),
    ...inputs.map((_, n) => ({ segment: `in${n + 1}`, symbol: 'block', caption: `input ${n + 1}` })),
    ...signals.map((_, n) => ({ segment: `sig${n + 1}`, symbol: 'block', caption: `signal ${n + 1}` })),
    { segment: 'ignition', symbol: 'block', caption: 'ignition supply' },
    { segment: 'supply', symbol: 'block', caption: 'battery supply' },
  ],
  units,
  // Common practice, no source.
  spread: { pullOhms: 0.6, signalPullOhms: 0.6 },
  parameters: z.object({
    nominal: quantity('System volts', 'V', 12, 24, 12),
    leastSupply: quantity('Least supply to run', 'V', 3, 20, 9),
    awakeAmps: quantity('Draws awake', 'A', 0.001, 20, 0.6),
    stepAmps: quantity('Draws in its first step to sleep', 'A', 0.0001, 10, 0.15),
    sleepAmps: quantity('Draws asleep', 'A', 0.00001, 1, 0.002),
    ignitionAmps: quantity('Draws from ignition', 'A', 0.001, 20, 0.4),
    stepAfter: quantity('First step, after key off', 's', 0, 100000, 20),
    sleepAfter: quantity('Asleep, after key off', 's', 0, 100000, 600),
    inputPull: choice('Inputs are pulled', ['up', 'down'], 'up'),
    pullOhms: quantity('Input pull', 'Ω', 100, 100000, 2200),
    signalPull: choice('Signal 2 is pulled', ['to5V', 'not'], 'to5V', { to5V: 'to 5 V' }),
    signalPullOhms: quantity('Signal 2 pull', 'Ω', 100, 100000, 2200),
    referenceLimit: quantity('5 V supply gives at most', 'A', 0.005, 2, 0.1),
    low1: condition('Low side 1 on when'),
    low2: condition('Low side 2 on when'),
    high1: condition('High side 1 on when'),
    high2: condition('High side 2 on when'),
  }),
  segments,
  detach: {
    verb: 'unplug',
    done: 'unplugged',
    opens: segments.map((s) => s.key),
  },
  // Common practice, no source.
  limitsAmps: 7.5,
  loads: ['supply', 'ignition', ...inputs.flatMap((_, n) => [`in${n + 1}`, `down${n + 1}`]), 'sig1', 'sig2'],
  benchPairs: [],
  modes: {
    rest: 'off',
    all: ['off', 'asleep', 'step', 'awake', `awake ${outputs.join(' ')}`],
    next: (parameters, sense, around) => {
      const supply = sense.volts('vb', 'gi')
      const runs = around.mode !== 'off'
      if (supply < parameters.leastSupply - (runs ? hysteresis : 0)) return 'off'
      const level = levelOf(parameters, sense, around)
      if (level !== 'awake') return level
      const facts = factsOf(parameters, sense, around)
      const on = outputs.filter((key) => {
        const read = readCondition(parameters[conditionOf[key]], names)
        return read.ok && read.condition(facts)
      })
      return `awake ${on.join(' ')}`.trim()
    },
  },
  stamp: (parameters, net, { mode }) => {
    const { nominal, pullOhms, inputPull, signalPull, signalPullOhms, referenceLimit } = parameters
    const [level, ...on] = mode.split(' ')
    net.contact('pin30', 'p30', 'vb', contact)
    net.contact('pin15', 'p15', 'vi', contact)
    net.contact('pinG1', 'gi', 'g1', contact)
    net.contact('pinG2', 'gi', 'g2', contact)
    const draws =
      level === 'awake' ? parameters.awakeAmps : level === 'step' ? parameters.stepAmps : parameters.sleepAmps
    net.resistor('supply', 'vb', 'gi', nominal / draws, 0.2)
    net.resistor('ignition', 'vi', 'gi', nominal / parameters.ignitionAmps, 0.2)
    inputs.forEach((key, n) => {
      net.resistor(`down${n + 1}`, key, 'gi', inputPull === 'up' ? 1e6 : pullOhms, 0.1)
      if (inputPull === 'up') net.resistor(`in${n + 1}`, 'vb', key, pullOhms, 0.1)
    })
    lows.forEach((key, n) => on.includes(key) && net.resistor(`low${n + 1}`, key, 'gi', driverOhms, 0.3))
    highs.forEach((key, n) => on.includes(key) && net.resistor(`high${n + 1}`, 'vb', key, driverOhms, 0.3))
    if (level === 'awake') net.curve('ref5', 'v5', 'gi', limitedSourceLaw(5, 0.2, referenceLimit), 0.01)
    net.resistor('refLow', 'r5', 'gi', 0.02, 0.5)
    net.resistor('sig1', 's1', 'gi', 220000, 0.05)
    net.resistor('sig2', 's2', 'gi', 1e6, 0.05)
    if (signalPull === 'to5V') net.resistor('sig2', 'v5', 's2', signalPullOhms, 0.02)
  },
  scan: (parameters, sense, around) => {
    const { mode } = around
    if (!mode.startsWith('awake')) return [{ key: 'none', name: 'Communication', value: 'none' }]
    const facts = factsOf(parameters, sense, around)
    return [
      { name: 'Supply', value: formatQuantity(sense.volts('vb', 'gi'), 'V') },
      { key: 'ign', name: 'Ignition', value: facts.ign ? 'on' : 'off' },
      ...inputs.map((key, n) => ({ key, name: `Input ${n + 1}`, value: facts[key] ? 'active' : 'inactive' })),
      { name: '5 V supply', value: formatQuantity(sense.volts('v5', 'r5'), 'V') },
      ...signals.map((key, n) => ({
        name: `Signal ${n + 1}`,
        value: formatQuantity(Number(facts[key]), 'V'),
      })),
      ...outputs.map((key) => ({
        key,
        name: `${key.startsWith('l') ? 'Low' : 'High'} side ${key.slice(1)}, commanded`,
        value: mode.split(' ').includes(key) ? 'on' : 'off',
      })),
    ]
  },
  summary: ({ nominal }) => `${nominal} V`,
})

const conditionOf = { l1: 'low1', l2: 'low2', h1: 'high1', h2: 'high2' } as const

function levelOf(
  { nominal, stepAfter, sleepAfter }: { nominal: number; stepAfter: number; sleepAfter: number },
  { volts }: Sense,
  { sinceKeyOff, struck }: Surroundings,
): 'awake' | 'step' | 'asleep' {
  if (struck.has('notSleeping') || volts('vi', 'gi') > nominal / 2) return 'awake'
  return sinceKeyOff < stepAfter ? 'awake' : sinceKeyOff < sleepAfter ? 'step' : 'asleep'
}

/** What the module itself makes of its pins. */
function factsOf(
  { nominal, inputPull }: { nominal: number; inputPull: 'up' | 'down' },
  { volts }: Sense,
  { struck }: Surroundings,
): Facts {
  const facts: Record<string, boolean | number> = { ign: volts('vi', 'gi') > nominal / 2 }
  inputs.forEach((key, n) => {
    const at = volts(key, 'gi')
    const active = inputPull === 'up' ? at < 0.35 * nominal : at > 0.5 * nominal
    facts[key] = active && !struck.has(`in${n + 1}.inputNotSeen`)
  })
  for (const key of signals) facts[key] = volts(key, 'r5')
  return facts
}
