import { figures, say, type Words } from '../document'
import { z } from 'zod'
import { twoRows } from './faces'
import {
  choice,
  definePart,
  passive,
  quantity,
  text,
  type Notice,
  type Segment,
  type StrikeUnit,
  type Sense,
  type Surroundings,
  type Terminal,
} from './definition'
import { limitedSourceLaw } from './limited-source'
import { readCondition, type Facts } from './logic'
import { formatQuantity } from '../quantity'

/** What pins a module may have, in the order in which they are counted, with the fewest of each. */
export const modulePins = {
  supplies: { name: 'parts.module.pins.batterySupplies', least: 1 },
  ignitions: { name: 'parts.module.pins.ignitionSupplies', least: 1 },
  grounds: { name: 'parts.module.grounds', least: 1 },
  inputs: { name: 'parts.module.pins.inputs', least: 0 },
  lows: { name: 'parts.module.pins.lowSideDrivers', least: 0 },
  highs: { name: 'parts.module.pins.highSideDrivers', least: 0 },
  signals: { name: 'parts.module.pins.signals', least: 0 },
} as const
/** How many pins of each kind a module has. */
export type Pins = Readonly<Record<keyof typeof modulePins, number>>
const pinKeys = Object.keys(modulePins) as (keyof Pins)[]
/** No plug has more of one kind; it keeps a typing error from making a thousand. */
export const mostPins = 99

const row = (letter: string, count: number): readonly string[] =>
  Array.from({ length: count }, (_, n) => `${letter}${n + 1}`)
/** The first supply pin is the terminal’s own number, the others carry a letter behind it. */
const supplyRow = (number: string, count: number): readonly string[] =>
  Array.from({ length: count }, (_, n) => number + (n === 0 ? '' : letterOf(n)))
/** b, c … z for the second to the 26th, and a2, b2 … behind them. */
const letterOf = (n: number): string =>
  String.fromCharCode(97 + (n % 26)) + (n < 26 ? '' : String(1 + Math.floor(n / 26)))
const nth = (pin: 'batterySupplyPin' | 'ignitionSupplyPin', n: number, of: number): Words =>
  of === 1 ? `parts.module.${pin}` : say(`parts.module.${pin}N`, { n: n + 1 })
/** The key of a driver's condition among the parameters: `l1` is switched by `low1`. */
const conditionOf = (key: string): string => (key.startsWith('l') ? 'low' : 'high') + key.slice(1)

const pin: readonly string[] = [...passive, 'missingPin']
const contact = 0.004
/** Ohms of a switched-on driver (common practice, no source). */
const driverOhms = 0.04
/** Volts under its least at which it browns out once it runs. */
const hysteresis = 0.6

/**
 * Electronic module: supplies, grounds, switched inputs, drivers with a condition each, a 5 V supply with its low
 * reference and two signals. Awake while the ignition supply is there, and for a while after the key is off; it falls
 * asleep in steps. Common practice values, no source; the maker's data say what a real one needs.
 * Limits: it draws like a resistor, its 5 V come from nowhere (milliamps), and a driver is on or off.
 */
function defineModule<const K extends string>(kind: K, title: Words, words: readonly string[], pins: Pins) {
  const supplies = supplyRow('30', pins.supplies)
  const ignitions = supplyRow('15', pins.ignitions)
  const grounds = row('g', pins.grounds)
  const inputs = row('i', pins.inputs)
  const lows = row('l', pins.lows)
  const highs = row('h', pins.highs)
  const signals = row('s', pins.signals)
  const outputs = [...lows, ...highs]
  /** What a condition may name: the inputs, `ign` for the ignition supply, and the signals' volts. */
  const names: ReadonlyMap<string, 'switched' | 'volts'> = new Map([
    ...[...inputs, 'ign'].map((name) => [name, 'switched'] as const),
    ...signals.map((name) => [name, 'volts'] as const),
  ])
  const condition = (label: Words) =>
    text(label, '', (value) => {
      const read = readCondition(value, names)
      return read.ok ? undefined : read.why
    })
  const pinUnits: readonly Segment[] = [
    ...supplies.map((key, n): Segment => ({
      key: `pin${key}`,
      name: nth('batterySupplyPin', n, supplies.length),
      between: [`p${key}`, 'vb'],
      faults: pin,
    })),
    ...ignitions.map((key, n): Segment => ({
      key: `pin${key}`,
      name: nth('ignitionSupplyPin', n, ignitions.length),
      between: [`p${key}`, 'vi'],
      faults: pin,
    })),
    ...grounds.map((key, n): Segment => ({
      key: `pinG${n + 1}`,
      name: say('parts.module.groundPin', { n: n + 1 }),
      between: ['gi', key],
      faults: pin,
    })),
  ]
  const terminals: readonly Terminal[] = [
    ...supplies.map((key, n) => ({
      key: `p${key}`,
      suffix: `.${key}`,
      name: nth('batterySupplyPin', n, supplies.length),
    })),
    ...ignitions.map((key, n) => ({
      key: `p${key}`,
      suffix: `.${key}`,
      name: nth('ignitionSupplyPin', n, ignitions.length),
    })),
    { key: 'vb', suffix: '.vb', name: 'parts.module.batteryRail', inside: true },
    { key: 'vi', suffix: '.vi', name: 'parts.module.ignitionRail', inside: true },
    { key: 'gi', suffix: '.gi', name: 'parts.module.innerGround', inside: true },
    ...inputs.map((key, n) => ({
      key,
      suffix: `.i${n + 1}`,
      name: say('parts.module.input', { n: n + 1 }),
      sensitive: true as const,
    })),
    ...lows.map((key, n) => ({
      key,
      suffix: `.l${n + 1}`,
      name: say('parts.module.lowOutput', { n: n + 1 }),
    })),
    ...highs.map((key, n) => ({
      key,
      suffix: `.h${n + 1}`,
      name: say('parts.module.highOutput', { n: n + 1 }),
    })),
    { key: 'v5', suffix: '.5v', name: 'parts.module.n5VSupplyForSensors', sensitive: true },
    { key: 'r5', suffix: '.ref', name: 'parts.module.lowReferenceForSensors', sensitive: true },
    ...signals.map((key, n) => ({
      key,
      suffix: `.s${n + 1}`,
      name: say('parts.module.signal', { n: n + 1 }),
      sensitive: true as const,
    })),
    ...grounds.map((key, n) => ({
      key,
      suffix: `.${key}`,
      name: say('parts.module.groundPin', { n: n + 1 }),
    })),
  ]

  const segments: readonly Segment[] = [
    ...pinUnits,
    { key: 'supply', name: 'parts.module.electronics', between: ['vb', 'gi'], faults: ['notSleeping'] },
    { key: 'ignition', name: 'parts.module.ignitionCircuits', between: ['vi', 'gi'], faults: [] },
    ...inputs.map((key, n): Segment => ({
      key: `in${n + 1}`,
      name: say('parts.module.pullUp', { n: n + 1 }),
      between: ['vb', key],
      faults: ['inputNotSeen'],
    })),
    ...inputs.map((key, n): Segment => ({
      key: `down${n + 1}`,
      name: say('parts.module.pullDown', { n: n + 1 }),
      between: [key, 'gi'],
      faults: [],
    })),
    ...lows.map((key, n): Segment => ({
      key: `low${n + 1}`,
      name: say('parts.module.lowDriver', { n: n + 1 }),
      between: [key, 'gi'],
      faults: ['outputDead', 'welded'],
    })),
    ...highs.map((key, n): Segment => ({
      key: `high${n + 1}`,
      name: say('parts.module.highDriver', { n: n + 1 }),
      between: ['vb', key],
      faults: ['outputDead', 'welded'],
    })),
    { key: 'ref5', name: 'parts.module.n5VRegulator', between: ['gi', 'v5'], faults: ['outputDead'] },
    {
      key: 'refLow',
      name: 'parts.module.lowReference',
      between: ['r5', 'gi'],
      faults: ['open', 'highResistance'],
    },
    ...signals.map((key, n): Segment => ({
      key: `sig${n + 1}`,
      name: say('parts.module.signal', { n: n + 1 }),
      between: [key, 'gi'],
      faults: [],
    })),
  ]

  /** Each pin by itself, as the trade condemns a module pin by pin; the rest of it is its electronics. */
  const units: readonly StrikeUnit[] = [
    ...pinUnits.map(({ key, name }) => ({ key, name, segments: [key] })),
    ...inputs.map((_, n) => ({
      key: `input${n + 1}`,
      name: say('parts.module.input', { n: n + 1 }),
      segments: [`in${n + 1}`, `down${n + 1}`],
    })),
    ...lows.map((_, n) => ({
      key: `low${n + 1}`,
      name: say('parts.module.lowOutput', { n: n + 1 }),
      segments: [`low${n + 1}`],
    })),
    ...highs.map((_, n) => ({
      key: `high${n + 1}`,
      name: say('parts.module.highOutput', { n: n + 1 }),
      segments: [`high${n + 1}`],
    })),
    {
      key: 'sensors',
      name: 'parts.module.sensorSupplyAndSignals',
      segments: ['ref5', 'refLow', ...signals.map((_, n) => `sig${n + 1}`)],
    },
    { key: 'electronics', name: 'parts.module.electronics', segments: ['supply', 'ignition'] },
  ]

  const conditions = Object.fromEntries(
    outputs.map((key) => [
      conditionOf(key),
      condition(
        say(key.startsWith('l') ? 'parts.module.lowOnWhen' : 'parts.module.highOnWhen', { n: key.slice(1) }),
      ),
    ]),
  )
  return definePart({
    kind,
    seeAlso: ['modulePowers', 'drainThree'],
    symbol: 'module',
    access: 'dash',
    takesCurrent: true,
    sleeps: true,
    pinout: 'met',
    title,
    letters: 'N',
    topic: 'modules',
    quick: { words },
    role: 'control',
    terminals,
    through: ['p30', 'g1'],
    passes: [
      ...lows.map((_, n) => ({
        segment: `low${n + 1}`,
        symbol: 'driver',
        caption: say('parts.module.lowSide', { n: n + 1 }),
      })),
      ...highs.map((_, n) => ({
        segment: `high${n + 1}`,
        symbol: 'driver',
        caption: say('parts.module.highSide', { n: n + 1 }),
      })),
      ...inputs.map((_, n) => ({
        segment: `in${n + 1}`,
        symbol: 'block',
        caption: say('parts.module.input', { n: n + 1 }),
      })),
      ...signals.map((_, n) => ({
        segment: `sig${n + 1}`,
        symbol: 'block',
        caption: say('parts.module.signal', { n: n + 1 }),
      })),
      { segment: 'ignition', symbol: 'block', caption: 'parts.module.ignitionSupply' },
      { segment: 'supply', symbol: 'block', caption: 'parts.module.batterySupply' },
    ],
    units,
    orderedAs: segments.filter(({ key }) => !pinUnits.some((pin) => pin.key === key)).map(({ key }) => key),
    // Common practice, no source.
    spread: { pullOhms: 0.6, signalPullOhms: 0.6 },
    parameters: z.object({
      nominal: quantity('parts.module.systemVolts', 'V', 12, 24, 12),
      leastSupply: quantity('parts.module.leastSupplyToRun', 'V', 3, 20, 9),
      awakeAmps: quantity('parts.module.drawsAwake', 'A', 0.001, 20, 0.6),
      stepAmps: quantity('parts.module.drawsInItsFirstStep', 'A', 0.0001, 10, 0.15),
      sleepAmps: quantity('parts.module.drawsAsleep', 'A', 0.00001, 1, 0.002),
      ignitionAmps: quantity('parts.module.drawsFromIgnition', 'A', 0.001, 20, 0.4),
      stepAfter: quantity('parts.module.firstStepAfterKeyOff', 's', 0, 100000, 20),
      sleepAfter: quantity('parts.module.asleepAfterKeyOff', 's', 0, 100000, 600),
      inputPull: choice('parts.module.inputsArePulled', ['up', 'down'], 'up', {
        up: 'parts.module.up',
        down: 'parts.module.down',
      }),
      pullOhms: quantity('parts.module.inputPull', 'Ω', 100, 100000, 2200),
      signalPull: choice('parts.module.signal2IsPulled', ['to5V', 'not'], 'to5V', {
        to5V: 'parts.module.toFiveVolts',
        not: 'parts.module.not',
      }),
      signalPullOhms: quantity('parts.module.signal2Pull', 'Ω', 100, 100000, 2200),
      referenceLimit: quantity('parts.module.n5VSupplyGivesAt', 'A', 0.005, 2, 0.1),
      ...conditions,
    }),
    segments,
    faces: () => ({ plug: twoRows(terminals.filter(({ inside }) => !inside).map(({ key }) => key)) }),
    detach: {
      verb: 'parts.unplug',
      done: 'parts.unplugged',
      opens: segments.map((s) => s.key),
      comesOut: { segments: [] },
    },
    // Common practice, no source.
    limitsAmps: 7.5,
    loads: [
      'supply',
      'ignition',
      ...inputs.flatMap((_, n) => [`in${n + 1}`, `down${n + 1}`]),
      ...signals.map((_, n) => `sig${n + 1}`),
    ],
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
        const facts = factsOf(inputs, signals, parameters, sense, around)
        const on = outputs.filter((key) => {
          const read = readCondition(String((parameters as Record<string, unknown>)[conditionOf(key)]), names)
          return read.ok && read.condition(facts)
        })
        return `awake ${on.join(' ')}`.trim()
      },
    },
    stamp: (parameters, net, { mode }) => {
      const { nominal, pullOhms, inputPull, signalPull, signalPullOhms, referenceLimit } = parameters
      const [level, ...on] = mode.split(' ')
      for (const { key, between } of pinUnits) net.contact(key, between[0], between[1], contact)
      const draws =
        level === 'awake'
          ? parameters.awakeAmps
          : level === 'step'
            ? parameters.stepAmps
            : parameters.sleepAmps
      net.resistor('supply', 'vb', 'gi', nominal / draws, 0.2)
      net.resistor('ignition', 'vi', 'gi', nominal / parameters.ignitionAmps, 0.2)
      inputs.forEach((key, n) => {
        net.resistor(`down${n + 1}`, key, 'gi', inputPull === 'up' ? 1e6 : pullOhms, 0.1)
        if (inputPull === 'up') net.resistor(`in${n + 1}`, 'vb', key, pullOhms, 0.1)
      })
      lows.forEach((key, n) => on.includes(key) && net.resistor(`low${n + 1}`, key, 'gi', driverOhms, 0.3))
      highs.forEach((key, n) => on.includes(key) && net.resistor(`high${n + 1}`, 'vb', key, driverOhms, 0.3))
      if (level === 'awake') net.nonlinear('ref5', 'v5', 'gi', limitedSourceLaw(5, 0.2, referenceLimit), 0.01)
      net.resistor('refLow', 'r5', 'gi', 0.02, 0.5)
      // One signal loads its source as a gauge does, the others as a computer does.
      signals.forEach((key, n) => net.resistor(`sig${n + 1}`, key, 'gi', n === 0 ? 220000 : 1e6, 0.05))
      if (signalPull === 'to5V' && signals.length > 1) net.resistor('sig2', 'v5', 's2', signalPullOhms, 0.02)
    },
    scan: (parameters, sense, around) => {
      const { mode } = around
      if (!mode.startsWith('awake'))
        return [{ key: 'none', name: 'parts.module.scan.communication', value: 'parts.module.scan.none' }]
      const facts = factsOf(inputs, signals, parameters, sense, around)
      return [
        { name: 'parts.module.scan.supply', value: figures(formatQuantity(sense.volts('vb', 'gi'), 'V')) },
        {
          key: 'ign',
          name: 'parts.module.scan.ignition',
          ...switched(Boolean(facts.ign)),
        },
        ...inputs.map((key, n) => ({
          key,
          name: say('parts.module.scan.input', { n: n + 1 }),
          on: Boolean(facts[key]),
          value: facts[key] ? ('parts.module.scan.active' as const) : ('parts.module.scan.inactive' as const),
        })),
        { name: 'parts.module.scan.fiveVolts', value: figures(formatQuantity(sense.volts('v5', 'r5'), 'V')) },
        ...signals.map((key, n) => ({
          name: say('parts.module.scan.signal', { n: n + 1 }),
          value: figures(formatQuantity(Number(facts[key]), 'V')),
        })),
        ...outputs.map((key) => ({
          key,
          name: say(key.startsWith('l') ? 'parts.module.scan.low' : 'parts.module.scan.high', {
            n: key.slice(1),
          }),
          ...switched(mode.split(' ').includes(key)),
        })),
      ]
    },
    notice: {
      segment: 'ignition',
      // Asleep, or dead with the key off: nobody sees which. What it should do with the key on is seen.
      read: ({ nominal }, { volts }, { mode }) =>
        mode.startsWith('awake') && volts > nominal / 2 ? notices.works : notices.quiet,
      all: Object.values(notices),
    },
    summary: ({ nominal }) => figures(`${nominal} V`),
  })
}

const notices = {
  quiet: { key: 'quiet', text: 'parts.module.doesNothing' },
  works: { key: 'works', text: 'parts.module.works' },
} as const satisfies Record<string, Notice>

const switched = (on: boolean) =>
  ({ on, value: on ? 'parts.module.scan.on' : 'parts.module.scan.off' }) as const

const small: Pins = { supplies: 1, ignitions: 1, grounds: 2, inputs: 4, lows: 2, highs: 2, signals: 2 }
const large: Pins = { supplies: 4, ignitions: 2, grounds: 4, inputs: 16, lows: 8, highs: 8, signals: 6 }

export const module = defineModule(
  'module',
  'parts.module.electronicModule',
  ['module', 'control unit', 'electronic module'],
  small,
)

/** For what does not fit the small one: any of its pins may be left out, and only those that are wired are shown. */
export const largeModule = defineModule(
  'largeModule',
  'parts.module.largeElectronicModule',
  ['large module', 'body computer'],
  large,
)

/** Kinds of modules by their pins: `module-2-1-3-40-0-6-2` has two battery supplies, one ignition supply, and so on. */
export const modulePattern = '^module(-[0-9]{1,2}){7}$'
const counted = new RegExp(modulePattern)

/** Pins of a module of this kind; undefined for what is no module, or has fewer pins than a module needs. */
export function pinsOf(kind: string): Pins | undefined {
  if (kind === module.kind) return small
  if (kind === largeModule.kind) return large
  if (!counted.test(kind)) return undefined
  const counts = kind.split('-').slice(1).map(Number)
  const pins = Object.fromEntries(pinKeys.map((key, i) => [key, counts[i]!])) as Pins
  return kindOfPins(pins) === kind && pinKeys.every((key) => pins[key] >= modulePins[key].least)
    ? pins
    : undefined
}

/** The kind of module that has just these pins. */
export function kindOfPins(pins: Pins): string {
  const same = (other: Pins) => pinKeys.every((key) => pins[key] === other[key])
  if (same(small)) return module.kind
  return same(large) ? largeModule.kind : `module-${pinKeys.map((key) => pins[key]).join('-')}`
}

/** A module with any number of pins; undefined where the kind is none of them. */
export function moduleOfPins(kind: string) {
  const pins = pinsOf(kind)
  return pins && defineModule(kind, module.title, [], pins)
}

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
  inputs: readonly string[],
  signals: readonly string[],
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
