import type { FaultKind } from '../parts'
import { formatPlain, formatQuantity } from '../quantity'
import type { Element, Owner } from '../solve'
import { corrodedColdOhms, corrodedLaw } from './corrosion'
import type { Fault, Severity } from './fault'

/** What a fault may do to the network around the segment that it strikes. */
export interface Site {
  /** Elements of the struck segment; what is returned takes their place. */
  readonly elements: readonly Element[]
  /** The segment's two nodes, whether or not anything joins them now. */
  readonly between: readonly [number, number]
  readonly owner: Owner
  readonly freshNode: () => number
  readonly ground: number
  /** The battery's positive post. */
  readonly supply: number
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

/** A conductor that touches `other` half-way along: half of it before the place, half after. */
function halfWay({ elements, freshNode }: Site, other: number, ohms: number): Element[] {
  const [first, ...rest] = elements
  if (!first || first.type !== 'resistor') return [...elements]
  const middle = freshNode()
  const half = { ...first, ohms: first.ohms / 2 }
  return [
    { ...half, b: middle },
    { ...half, a: middle },
    { type: 'resistor', a: middle, b: other, ohms, owner: first.owner },
    ...rest,
  ]
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
    strike: (site, ohms) => halfWay(site, site.ground, ohms),
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
  {
    kind: 'seized',
    title: 'Seized',
    built: 'Hold the shaft with a clamp that cannot fly off.',
    caution: 'A held motor heats fast: seconds only, and a fuse of the branch’s own size.',
    describe: () => 'seized: draws its stall current',
    // The part's own equations know it.
    strike: ({ elements }) => [...elements],
  },
  {
    kind: 'dragging',
    title: 'Dragging',
    built: 'Brake the shaft lightly with a felt pad.',
    describe: () => 'drags: three times its friction',
    strike: ({ elements }) => [...elements],
  },
  {
    kind: 'shortedTurns',
    title: 'Shorted turns',
    severity: {
      label: 'Resistance left, of the sound one',
      unit: '%',
      least: 5,
      most: 95,
      preset: 40,
      grid: grid(5, 10, 20, 35, 50, 70, 90),
    },
    built: 'Put a resistor across the element, rated for the heat.',
    caution: 'It draws more than its fuse is meant for: keep the branch’s own fuse in.',
    describe: (share) => `shorted turns: ${formatPlain(share)} % of its resistance left`,
    strike: ({ elements }, share) =>
      elements.map((e) => (e.type === 'resistor' ? { ...e, ohms: (e.ohms * share) / 100 } : e)),
  },
  {
    kind: 'leaky',
    title: 'Leaks when open',
    severity: {
      label: 'Resistance of the leak',
      unit: 'Ω',
      least: 1,
      most: 100000,
      preset: 100,
      grid: grid(1, 3, 10, 30, 100, 300, 1000, 10000, 100000),
    },
    built: 'Put a resistor across the contacts.',
    describe: (ohms) => `leaks through ${formatQuantity(ohms, 'Ω')} when open`,
    strike: ({ elements, between: [a, b], owner }, ohms) => [
      ...elements,
      { type: 'resistor', a, b, ohms, owner },
    ],
  },
  {
    kind: 'shortToSupply',
    title: 'Short to supply',
    severity: {
      label: 'Resistance of the short',
      unit: 'Ω',
      least: 0.01,
      most: 1000,
      preset: 0.05,
      grid: grid(0.01, 0.05, 0.2, 1, 5, 20, 100),
    },
    built: 'Lead a fused wire from the battery’s positive side to a tap in the conductor.',
    caution: 'Fuse it at the battery: a bare feed that slips is a welding set.',
    describe: (ohms) => `short to supply through ${formatQuantity(ohms, 'Ω')}`,
    strike: (site, ohms) => halfWay(site, site.supply, ohms),
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
