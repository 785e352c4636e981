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
  /** How far along the conductor, 0 to 1. */
  readonly at: number
  /** mm² of the conductor, where the part has a section. */
  readonly section: number | undefined
  /** Volts of the whole system, nominal. */
  readonly nominal: number
  /** Somebody moves the part while measuring. */
  readonly wiggled: boolean
  /** The other piece that the fault involves. */
  readonly other?: { readonly elements: readonly Element[]; readonly between: readonly [number, number] }
}

/** What a fault leaves: the struck segment's elements, and those of the other piece if it changes them. */
export interface Struck {
  readonly own: Element[]
  readonly other?: Element[]
}

export interface FaultDefinition {
  readonly kind: FaultKind
  readonly title: string
  readonly severity?: Severity
  /** How it is made on a real board. */
  readonly built: string
  readonly caution?: string
  readonly describe: (severity: number) => string
  readonly strike: (site: Site, severity: number) => Element[] | Struck
  /** It involves a second piece: of what kinds of part and segment that may be. */
  readonly involves?: 'conductor' | 'pin'
}

const grid = (...values: number[]): readonly number[] => values

/** Puts `extra` in series with the first element of the segment, on its supply side. */
function inSeries({ elements, freshNode }: Site, extra: (a: number, b: number) => Element): Element[] {
  const [first, ...rest] = elements
  if (!first) return []
  const [sole] = elements.length === 1 ? elements : []
  const added = sole?.type === 'resistor' ? extra(sole.a, sole.b) : undefined
  // Two resistors in a row are one: nobody can measure between them.
  if (sole?.type === 'resistor' && added?.type === 'resistor')
    return [{ ...sole, ohms: sole.ohms + added.ohms }]
  const middle = freshNode()
  return [extra(first.a, middle), { ...first, a: middle }, ...rest]
}

/** A conductor that touches `other` half-way along: half of it before the place, half after. */
function halfWay({ elements, freshNode, at }: Site, other: number, ohms: number): Element[] {
  const [first, ...rest] = elements
  if (!first || first.type !== 'resistor') return [...elements]
  const middle = freshNode()
  return [
    { ...first, ohms: first.ohms * at, b: middle },
    { ...first, ohms: first.ohms * (1 - at), a: middle },
    { type: 'resistor', a: middle, b: other, ohms, owner: first.owner },
    ...rest,
  ]
}

/** A law that carries `share` of the current. */
function scaled(element: Element, share: number): Element {
  switch (element.type) {
    case 'resistor':
      return { ...element, ohms: element.ohms / share }
    case 'curve': {
      const { law } = element
      return {
        ...element,
        law: {
          ...(law.chord === undefined ? {} : { chord: law.chord * share }),
          at(v, out) {
            law.at(v, out)
            out.current *= share
            out.slope *= share
          },
          // The current is measured by a source of no volts and `share` of it drawn between the same nodes.
          spice: (name, a, b) => [
            ...law.spice(name, `w${name}`, b),
            `EW${name} w${name}x ${b} ${a} ${b} 1`,
            `VW${name} w${name}x w${name} 0`,
            `FW${name} ${a} ${b} VW${name} ${share}`,
          ],
        },
      }
    }
    default:
      return element
  }
}

/** Siemens of copper of `area` mm² per metre; what melts a bare wire is `80·d^1.5` amps (Preece, d in mm; from memory). */
const fusingAmps = (area: number): number => 80 * Math.sqrt((4 * area) / Math.PI) ** 1.5

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
    title: 'Burnt out',
    built: 'Fit a lamp with a broken filament, or a load with an open winding.',
    describe: () => 'burnt out: open inside',
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
  {
    kind: 'strandsLost',
    title: 'Strands lost',
    severity: {
      label: 'Strands lost',
      unit: '%',
      least: 10,
      most: 99.9,
      preset: 97,
      grid: grid(20, 50, 80, 90, 95, 97, 98.5, 99.3, 99.9),
    },
    built: 'Open the sleeve over 20 mm and cut all but a few strands; sleeve it again.',
    caution: 'The strands that are left glow before they melt: branch’s own fuse, short time under load.',
    describe: (share) => `${formatPlain(share)} % of its strands lost`,
    // 20 mm of what is left and 2 mΩ where the current crowds into it; it heats like a corroded joint, up to where
    // it would melt.
    strike: (site, share) =>
      inSeries(site, (a, b) => {
        const area = Math.max(0.005, (site.section ?? 1.5) * (1 - share / 100))
        const cold = 0.02 / (58 * area) + 0.002
        const law = corrodedLaw(cold, fusingAmps(area))
        return { type: 'curve', a, b, law, owner: site.owner }
      }),
  },
  {
    kind: 'slack',
    title: 'Slack terminal',
    severity: {
      label: 'Resistance while it is moved',
      unit: 'Ω',
      least: 0.5,
      most: 1e6,
      preset: 1e6,
      grid: grid(0.5, 2, 10, 100, 1e6),
    },
    built: 'Open the terminal’s jaws until the pin just falls out of it, then plug it together.',
    describe: (ohms) =>
      ohms >= 1e5 ? 'slack: opens when it is moved' : `slack: ${formatQuantity(ohms, 'Ω')} when it is moved`,
    strike: (site, ohms) =>
      inSeries(site, (a, b) => ({
        type: 'resistor',
        a,
        b,
        ohms: site.wiggled ? ohms : 0.03,
        owner: site.owner,
      })),
  },
  {
    kind: 'missingPin',
    title: 'Terminal missing',
    built: 'Leave the terminal out of its housing; its wire end insulated.',
    describe: () => 'terminal missing from its housing',
    strike: () => [],
  },
  {
    kind: 'swapped',
    title: 'Swapped pins',
    involves: 'pin',
    built: 'Change two terminals over in one half of the connector.',
    caution: 'Check first what each wire would feed: a supply on a sensor’s or a module’s pin can ruin it.',
    describe: () => 'its far end swapped',
    strike: ({ elements, other, between }) => {
      if (!other) return [...elements]
      const [, end] = between
      const [, otherEnd] = other.between
      const turn = (list: readonly Element[], from: number, to: number) =>
        list.map((e) => ({ ...e, a: e.a === from ? to : e.a, b: e.b === from ? to : e.b }))
      return { own: turn(elements, end, otherEnd), other: turn(other.elements, otherEnd, end) }
    },
  },
  {
    kind: 'reversed',
    title: 'Connected the wrong way round',
    built: 'Change the two wires over at its terminals.',
    caution: 'With a diode inside this is nearly a short: only behind a fuse of the branch’s own size.',
    describe: () => 'connected the wrong way round',
    strike: ({ elements, between: [a, b] }) =>
      elements.map((e) => ({
        ...e,
        a: e.a === a ? b : e.a === b ? a : e.a,
        b: e.b === b ? a : e.b === a ? b : e.b,
      })),
  },
  {
    kind: 'shortBetween',
    title: 'Short between circuits',
    involves: 'conductor',
    severity: {
      label: 'Resistance of the short',
      unit: 'Ω',
      least: 0.001,
      most: 1000,
      preset: 0.05,
      grid: grid(0.01, 0.1, 1, 10, 100),
    },
    built: 'Join taps in the two conductors through a fuse of the smaller branch’s size.',
    caution: 'Fuse the link: each branch may now be fed past its own fuse.',
    describe: (ohms) => `touches another circuit through ${formatQuantity(ohms, 'Ω')}`,
    strike: (site, ohms) => {
      if (!site.other) return [...site.elements]
      const [far, ...rest] = site.other.elements
      if (far?.type !== 'resistor') return [...site.elements]
      const there = site.freshNode()
      return {
        own: halfWay(site, there, ohms),
        other: [{ ...far, ohms: far.ohms / 2, b: there }, { ...far, ohms: far.ohms / 2, a: there }, ...rest],
      }
    },
  },
  {
    kind: 'wrongFuse',
    title: 'Wrong fuse fitted',
    severity: {
      label: 'Rating fitted',
      unit: 'A',
      least: 1,
      most: 500,
      preset: 3,
      grid: grid(1, 2, 3, 5, 7.5, 10, 15, 20, 30, 40),
    },
    built: 'Fit a fuse of another rating.',
    caution: 'Never a larger one than the wire stands: only a smaller one is safe to demonstrate.',
    describe: (amps) => `a ${formatPlain(amps)} A fuse in its place`,
    // The fuse's own equations know it.
    strike: ({ elements }) => [...elements],
  },
  {
    kind: 'missingFuse',
    title: 'Fuse missing',
    built: 'Leave the fuse out.',
    describe: () => 'no fuse fitted',
    strike: () => [],
  },
  {
    kind: 'sulphated',
    title: 'High internal resistance',
    severity: {
      label: 'Times its internal resistance',
      unit: '',
      least: 1.5,
      most: 200,
      preset: 8,
      grid: grid(1.5, 3, 6, 12, 25, 60, 200),
    },
    built: 'Use an old battery that still rests at full volts, or put a heavy resistor in its lead.',
    caution: 'A worn battery may gas under load: eye protection, no sparks.',
    describe: (times) => `worn: ${formatPlain(times)} times its internal resistance`,
    strike: ({ elements }, times) =>
      elements.map((e) => (e.type === 'source' ? { ...e, ohms: e.ohms * times } : e)),
  },
  {
    kind: 'welded',
    title: 'Contacts welded',
    built: 'Bridge the contacts inside, or fit a link across them.',
    caution: 'The load runs whenever it has a supply: make sure that nothing can be caught by it.',
    describe: () => 'contacts welded: never open',
    strike: ({ elements, between: [a, b], owner }) => [
      ...elements.filter((e) => e.type !== 'resistor' || e.ohms !== Infinity),
      { type: 'resistor', a, b, ohms: 0.004, owner },
    ],
  },
  {
    kind: 'sticking',
    title: 'Sticks once pulled in',
    built: 'Wedge the armature so that its spring cannot lift it.',
    describe: () => 'sticks: stays in once it has pulled in',
    strike: ({ elements }) => [...elements],
  },
  {
    kind: 'burnt',
    title: 'Contacts burnt',
    severity: {
      label: 'Resistance at a small current',
      unit: 'Ω',
      least: 0.02,
      most: 1000,
      preset: 0.5,
      grid: grid(0.05, 0.1, 0.2, 0.5, 1, 2, 5, 20, 100, 1000),
    },
    built: 'Fit a relay or switch with pitted contacts, or a resistor of this value in its contact lead.',
    caution: 'Burnt contacts get hot under load: short tests only.',
    describe: (ohms) => `contacts burnt: ${formatQuantity(ohms, 'Ω')}`,
    strike: (site, ohms) =>
      inSeries(site, (a, b) => ({ type: 'resistor', a, b, ohms, owner: site.elements[0]!.owner })),
  },
  {
    kind: 'weak',
    title: 'Weak load',
    severity: {
      label: 'Share of its current that it still takes',
      unit: '%',
      least: 1,
      most: 95,
      preset: 20,
      grid: grid(1, 5, 10, 20, 40, 60, 80, 95),
    },
    built: 'Fit a worn unit, or a resistor in series inside the load’s own housing.',
    describe: (share) => `weak: takes ${formatPlain(share)} % of its current`,
    strike: ({ elements }, share) => elements.map((e) => scaled(e, share / 100)),
  },
  {
    kind: 'wrongBulb',
    title: 'Wrong lamp fitted',
    severity: {
      label: 'Watts fitted',
      unit: 'W',
      least: 0.5,
      most: 150,
      preset: 5,
      grid: grid(1, 2, 5, 10, 21, 35, 55, 100, 150),
    },
    built: 'Fit a lamp of other watts with the same cap.',
    describe: (watts) => `a ${formatPlain(watts)} W lamp in its place`,
    // The lamp's own equations know it.
    strike: ({ elements }) => [...elements],
  },
  {
    kind: 'drain',
    title: 'Drain: a load that stays on',
    severity: {
      label: 'Current',
      unit: 'A',
      least: 0.001,
      most: 20,
      preset: 0.5,
      grid: grid(0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5),
    },
    built: 'Hide a lamp or a resistor between this place and the frame.',
    caution: 'It flattens the battery: write down that it is there, and take it out after the lesson.',
    describe: (amps) => `a hidden load draws ${formatQuantity(amps, 'A')} from here`,
    strike: ({ elements, between: [, b], ground, owner, nominal }, amps) => [
      ...elements,
      {
        type: 'resistor',
        a: b,
        b: ground,
        ohms: nominal / amps,
        owner: { ...owner, segment: `${owner.segment}Drain` },
      },
    ],
  },
  {
    kind: 'outputDead',
    title: 'Output dead',
    built: 'Lift the output’s pin inside the module’s housing.',
    describe: () => 'its driver never switches',
    strike: () => [],
  },
  {
    kind: 'inputNotSeen',
    title: 'Input not seen',
    built: 'Lift the input’s pin inside the module’s housing.',
    describe: () => 'the module does not see this input',
    // The module's own logic knows it.
    strike: ({ elements }) => [...elements],
  },
  {
    kind: 'notSleeping',
    title: 'Does not fall asleep',
    built: 'Hold its wake line up through a resistor.',
    caution: 'It flattens the battery: take it out after the lesson.',
    describe: () => 'stays awake after the key is off',
    strike: ({ elements }) => [...elements],
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
