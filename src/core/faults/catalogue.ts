import type { FaultKind } from '../parts'
import { formatQuantity } from '../quantity'
import type { Element } from '../solve'
import { corrodedColdOhms, corrodedLaw } from './corrosion'
import type { Fault, Severity } from './fault'

/** What a fault may do to the network around the segment that it strikes. */
export interface Site {
  /** Elements of the struck segment; what is returned takes their place. */
  readonly elements: readonly Element[]
  readonly freshNode: () => number
  readonly ground: number
}

export interface FaultDefinition {
  readonly kind: FaultKind
  readonly title: string
  readonly severity?: Severity
  /** How it is made on a real board. */
  readonly built: string
  readonly caution?: string
  readonly describe: (severity: number) => string
  readonly strike: (site: Site, severity: number) => Element[]
}

const grid = (...values: number[]): readonly number[] => values

/** Puts `extra` in series with the first element of the segment, on its supply side. */
function inSeries({ elements, freshNode }: Site, extra: (a: number, b: number) => Element): Element[] {
  const [first, ...rest] = elements
  if (!first) return []
  const middle = freshNode()
  return [extra(first.a, middle), { ...first, a: middle }, ...rest]
}

export const catalogue: readonly FaultDefinition[] = [
  {
    kind: 'open',
    title: 'Open',
    built: 'Cut the conductor inside its sleeve, or pull the pin back in its housing.',
    describe: () => 'open',
    strike: () => [],
  },
  {
    kind: 'highResistance',
    title: 'High resistance',
    severity: {
      label: 'Resistance',
      unit: 'Ω',
      least: 0.01,
      most: 10000,
      preset: 1,
      grid: grid(0.05, 0.1, 0.2, 0.4, 0.7, 1, 1.5, 2.2, 3.3, 5, 8, 15, 30, 60, 150, 500, 2000, 10000),
    },
    built: 'Solder a resistor of this value in series, rated for the heat.',
    caution:
      'The resistor gets hot: keep it clear of hands and plastics, and switch on for short tests only.',
    describe: (ohms) => `${formatQuantity(ohms, 'Ω')} in series`,
    strike: (site, ohms) =>
      inSeries(site, (a, b) => ({ type: 'resistor', a, b, ohms, owner: site.elements[0]!.owner })),
  },
  {
    kind: 'corroded',
    title: 'Corroded joint',
    severity: {
      label: 'Most it can pass',
      unit: 'A',
      least: 0.05,
      most: 50,
      preset: 2,
      grid: grid(0.05, 0.1, 0.2, 0.35, 0.6, 1, 1.5, 2, 2.5, 3, 3.5, 4, 5, 7, 10, 20),
    },
    built: 'Age the terminal in salt water, or leave two or three strands in the crimp.',
    caution: 'A joint like this heats where it cannot be seen: limit the time that it is under load.',
    describe: (amps) => `corroded: passes a milliamp, but never more than ${formatQuantity(amps, 'A')}`,
    strike: (site, amps) =>
      inSeries(site, (a, b) => ({
        type: 'curve',
        a,
        b,
        law: corrodedLaw(corrodedColdOhms, amps),
        owner: site.elements[0]!.owner,
      })),
  },
  {
    kind: 'blown',
    title: 'Blown fuse',
    built: 'Fit a fuse that has blown.',
    describe: () => 'blown',
    strike: () => [],
  },
  {
    kind: 'burntOut',
    title: 'Lamp open',
    built: 'Fit a lamp with a broken filament.',
    describe: () => 'filament open',
    strike: () => [],
  },
  {
    kind: 'shortToGround',
    title: 'Short to ground',
    severity: {
      label: 'Resistance of the short',
      unit: 'Ω',
      least: 0.001,
      most: 1000,
      preset: 0.02,
      grid: grid(0.01, 0.03, 0.1, 0.3, 1, 3, 10),
    },
    built: 'Lead a wire from a tap in the conductor to the frame, through the branch’s own fuse only.',
    caution: 'Never without a fuse of the branch’s own size: an unfused short burns wire and people.',
    describe: (ohms) => `short to ground through ${formatQuantity(ohms, 'Ω')}`,
    strike: ({ elements, freshNode, ground }, ohms) => {
      const [first, ...rest] = elements
      if (!first || first.type !== 'resistor') return [...elements]
      // Chafed half-way: half of the conductor before the short, half after it.
      const middle = freshNode()
      const half = { ...first, ohms: first.ohms / 2 }
      return [
        { ...half, b: middle },
        { ...half, a: middle },
        { type: 'resistor', a: middle, b: ground, ohms, owner: first.owner },
        ...rest,
      ]
    },
  },
  {
    kind: 'stuckOpen',
    title: 'Dead switch',
    built: 'Lift one contact inside the switch.',
    describe: () => 'contacts never close',
    strike: () => [],
  },
  {
    kind: 'discharged',
    title: 'Weak battery',
    severity: {
      label: 'Volts lost from its open-circuit voltage',
      unit: 'V',
      least: 0.2,
      most: 12,
      preset: 2,
      grid: grid(0.3, 0.6, 1, 1.5, 2.2, 3.2, 4.5, 6.5, 9, 12),
    },
    built: 'Use a battery that has been run down, or a bench supply turned down.',
    caution: 'A flat battery gives off hydrogen when it is charged again: ventilate, no sparks.',
    describe: (volts) => `weak: ${formatQuantity(volts, 'V')} down`,
    strike: ({ elements }, volts) =>
      elements.map((e) => (e.type === 'source' ? { ...e, volts: Math.max(0, e.volts - volts) } : e)),
  },
]

const byKind = new Map(catalogue.map((definition) => [definition.kind, definition]))

export function faultOfKind(kind: FaultKind): FaultDefinition {
  const found = byKind.get(kind)
  if (!found) throw new Error(`no fault of kind ${kind}`)
  return found
}

/** Severity of a fault, or the kind's default. */
export const severityOf = (fault: Fault): number =>
  fault.severity ?? faultOfKind(fault.kind).severity?.preset ?? 0
