import type { Circuit } from '../circuit'
import type { Fault } from '../faults'
import {
  acClamp,
  ampsByFuse,
  clampAmps,
  connectJumper,
  dcClamp,
  readContinuity,
  readTestLamp,
  workshopMeter,
} from '../instruments'
import { glows } from './measure'
import { say } from './phrases'
import type { Shown } from './procedure'
import { Stand } from './stand'

/** A rule of technique with a live example: one circuit, the wrong reading and the right one. */
export interface Misreading {
  readonly rule: string
  readonly circuit: string
  readonly state: string
  readonly path: string
  readonly faults: readonly Fault[]
  readonly wrong: (stand: Stand) => Shown
  readonly right: (stand: Stand) => Shown
  /** What the two together show, in a sentence. */
  readonly shows: string
}

/** @throws where an example names a point that its circuit has not: a test opens every one. */
function node(stand: Stand, point: string): number {
  const found = stand.wiring.points.find(({ name }) => name === point)
  if (!found) throw new Error(`${stand.circuit.name} has no point ${point}`)
  return found.node
}

/** Volts between two points by their names, in the example's state or another. */
const volts =
  (red: string, black: string, state?: string) =>
  (stand: Stand): Shown => {
    const at = stand.circuit.states.find(({ id }) => id === state) ?? stand.state
    const { controls, detached } = at
    return {
      what: say('between', { from: red, to: black, state: at.name }),
      value: stand.volts(node(stand, red), node(stand, black), { controls, detached }),
      unit: 'V',
    }
  }
const ohms =
  (red: string, black: string, state?: string) =>
  (stand: Stand): Shown => {
    const at = stand.circuit.states.find(({ id }) => id === state) ?? stand.state
    const { controls, detached } = at
    return {
      what: say('ohmsBetween', { from: red, to: black, state: at.name }),
      value: stand.ohms(node(stand, red), node(stand, black), { controls, detached }),
      unit: 'Ω',
    }
  }
const beep =
  (red: string, black: string, state: string) =>
  (stand: Stand): Shown => {
    const at = stand.circuit.states.find(({ id }) => id === state) ?? stand.state
    const solved = stand.board({ controls: at.controls, detached: at.detached })
    const beeps = solved && readContinuity(solved, node(stand, red), node(stand, black), workshopMeter).beeps
    return {
      what: say('ohmsBetween', { from: red, to: black, state: at.name }),
      unit: 'Ω',
      word: say('beeps', { beeps: beeps ? 'yes' : 'no' }),
    }
  }
const lamp =
  (red: string, black: string, amps: number) =>
  (stand: Stand): Shown => {
    const solved = stand.board()
    const glow = solved
      ? readTestLamp(solved, node(stand, red), node(stand, black), amps, stand.nominal).glow
      : 'dark'
    return glows(say('lampBetween', { amps: { value: amps, unit: 'A' }, from: red, to: black }), glow)
  }
const clamp =
  (wires: readonly string[], also = 0, sees = true) =>
  (stand: Stand): Shown => {
    const solved = stand.board()
    const amps = solved
      ? clampAmps(
          solved,
          wires.map((part) => ({ part, at: 0.5, against: false })),
        )
      : 0
    return {
      what: say('clampRound', { wires: wires.join(' + ') }),
      value: (sees ? Math.abs(amps) : 0) + also,
      unit: 'A',
    }
  }
const bridge =
  (red: string, black: string, rating: number) =>
  (stand: Stand): Shown => {
    const solved = stand.board()
    const done = solved && connectJumper(solved, node(stand, red), node(stand, black), rating)
    return {
      what: say('ampsFlow', { from: red, to: black }),
      value: done?.blew ? 0 : Math.abs(done?.amps ?? 0),
      unit: 'A',
    }
  }
/** What a fuse's millivolts come to in amps, by the table of a type. */
const table =
  (part: string, type: 'mini' | 'regular' | 'maxi', rating: number, own: boolean) =>
  (stand: Stand): Shown => ({
    what: say(own ? 'byOwnTable' : 'byTable', { part }),
    value: ampsByFuse(
      type,
      rating,
      stand.readings()?.fuses.find((row) => row.part === part)?.value ?? 0,
      workshopMeter,
    ).tableAmps,
    unit: 'A',
    part,
  })
const times =
  (read: (stand: Stand) => Shown, factor: number, code: 'written' | 'displayed') =>
  (stand: Stand): Shown => {
    const { value, unit } = read(stand)
    return { what: say(code), value: value === undefined ? undefined : value * factor, unit }
  }

/** Ω of a long coiled jumper with its clips (common practice, no source). */
const coiled = 0.05

const workLamp = { circuit: 'sweeper-work-lamp', state: 'on', path: '', faults: [] } as const
const starting = { circuit: 'van-starting', state: 'crank', path: '', faults: [] } as const

export const misreadings: readonly Misreading[] = [
  {
    rule: 'dropWithoutLoad',
    ...workLamp,
    faults: [{ kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 }],
    wrong: volts('X1a', 'X1b', 'on-unplugged'),
    right: volts('X1a', 'X1b'),
    shows: 'The same bad joint: nothing is lost in it until its load draws current.',
  },
  {
    rule: 'coldOhmsTrusted',
    ...workLamp,
    faults: [{ kind: 'strandsLost', part: 'W4', segment: 'copper', severity: 97 }],
    wrong: beep('X1b', 'L1a', 'strap-off'),
    right: volts('X1b', 'L1a'),
    shows: 'A wire of a few strands beeps like a sound one; under its load it loses volts.',
  },
  {
    rule: 'ohmsLive',
    ...workLamp,
    wrong: ohms('X1a', 'L1b'),
    right: ohms('X1a', 'L1b', 'strap-off'),
    shows: 'On a live circuit the ohmmeter shows the circuit’s volts as ohms.',
  },
  {
    rule: 'zeroIsNotPerfect',
    ...workLamp,
    faults: [{ kind: 'open', part: 'W6', segment: 'copper' }],
    wrong: volts('X1a', 'X1b'),
    right: volts('X2b', 'G1e'),
    shows: 'Nought across the joint, because nothing flows: the open further on has the whole source.',
  },
  {
    rule: 'sourceReadAsGood',
    ...workLamp,
    faults: [{ kind: 'open', part: 'X2', segment: 'pin' }],
    wrong: volts('X2a', 'X2b'),
    right: volts('L1b', 'X2a'),
    shows:
      'Source voltage on a drop test stands across the open; a sound piece beside it has next to nothing.',
  },
  {
    rule: 'badGroundReference',
    ...workLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: volts('L1a', 'G1e'),
    right: volts('L1a', 'B1−'),
    shows:
      'Against a ground that is itself lifted, the feed looks weak; against the battery’s post it is not.',
  },
  {
    rule: 'lampTooLight',
    ...workLamp,
    faults: [{ kind: 'highResistance', part: 'W4', segment: 'copper', severity: 6 }],
    wrong: lamp('L1a', 'B1−', 0.25),
    right: lamp('L1a', 'B1−', 5),
    shows: 'A light lamp shines through a joint that could never carry the circuit’s own load.',
  },
  {
    rule: 'feedOnly',
    ...workLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: volts('B1+', 'L1a'),
    right: volts('L1b', 'B1−'),
    shows: 'The feed is perfect. Who stops there never sees that the return loses it.',
  },
  {
    rule: 'leadsReversed',
    ...workLamp,
    wrong: volts('X1b', 'X1a'),
    right: volts('X1a', 'X1b'),
    shows: 'The meter shows red less black: reversed leads turn the sign and nothing else.',
  },
  {
    rule: 'alarmAtMinus',
    ...workLamp,
    wrong: volts('L1b', 'L1a'),
    right: volts('L1a', 'L1b'),
    shows: 'A minus is no fault: the same volts with the leads the other way round.',
  },
  {
    rule: 'prefixSlip',
    ...workLamp,
    wrong: times(volts('X1a', 'X1b'), 1000, 'written'),
    right: times(volts('X1a', 'X1b'), 1, 'displayed'),
    shows: 'Millivolts written as volts turn a sound joint into a dead one.',
  },
  {
    rule: 'samePoint',
    ...workLamp,
    wrong: volts('X1a', 'X1a'),
    right: volts('X1a', 'X1b'),
    shows: 'Both leads on one point read nought whatever the circuit does.',
  },
  {
    rule: 'sameTestAgain',
    ...workLamp,
    wrong: volts('X1a', 'X1b'),
    right: volts('X1b', 'L1a'),
    shows: 'The same reading says the same; the next point along the path says something new.',
  },
  {
    rule: 'eyeletForStud',
    ...workLamp,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.6 }],
    wrong: volts('L1b', 'G1e'),
    right: volts('L1b', 'G1c'),
    shows: 'On the eyelet the joint between eyelet and stud is left out, and that joint is the fault.',
  },
  {
    rule: 'ammeterAcross',
    ...workLamp,
    wrong: bridge('B1p', 'B1n', 1000),
    right: clamp(['W1']),
    shows:
      'Across a source an ammeter is a short: its fuse, its leads or the battery pay. Amps are read in series, or by a clamp.',
  },
  {
    rule: 'leadsInAmpsJack',
    ...workLamp,
    wrong: bridge('L1a', 'L1b', Infinity),
    right: volts('L1a', 'L1b'),
    shows:
      'In the amps jack the leads are a wire: across a load they short it, a fuse blows, the circuit’s or the meter’s, and the display says nothing.',
  },
  {
    rule: 'unfusedJumper',
    ...workLamp,
    wrong: bridge('F1a', 'B1−', Infinity),
    right: bridge('F1a', 'B1−', 10),
    shows:
      'On a wrong point an unfused jumper carries hundreds of amps; a fused one carries none, its fuse is gone.',
  },
  {
    rule: 'jumperAcrossLoad',
    ...workLamp,
    wrong: bridge('L1a', 'L1b', Infinity),
    right: bridge('X1a', 'X1b', 10),
    shows:
      'Across a load a jumper is a short: the circuit’s fuse blows and nothing flows any more. Across one piece of the feed it shares what the circuit draws.',
  },
  {
    rule: 'jumperCounted',
    ...workLamp,
    wrong: (stand) => ({ ...times(clamp(['W4']), coiled, 'written')(stand), unit: 'V' }),
    right: volts('X1a', 'X1b'),
    shows:
      'Fifty milliohms of coiled jumper lose more than the joint that they bridge: measured at its clips they count as the circuit’s.',
  },
  {
    rule: 'clampNotZeroed',
    ...workLamp,
    wrong: clamp(['W4'], dcClamp.zeroOffset),
    right: clamp(['W4']),
    shows:
      'What the core remembers is added to every reading until the clamp is zeroed: much where a drain is looked for.',
  },
  {
    rule: 'clampBlind',
    ...workLamp,
    wrong: clamp(['W4'], acClamp.zeroOffset, false),
    right: clamp(['W4']),
    shows: 'A transformer clamp sees no direct current, however much flows.',
  },
  {
    rule: 'jawsRoundTwo',
    ...workLamp,
    wrong: clamp(['W1', 'ST1']),
    right: clamp(['W1']),
    shows: 'Feed and return in one pair of jaws take each other away, or add: one conductor at a time.',
  },
  {
    rule: 'fuseTableStretched',
    ...workLamp,
    wrong: table('F1', 'maxi', 40, false),
    right: table('F1', 'mini', 10, true),
    shows:
      'Millivolts become amps only by the table of the fuse’s own type and rating, and within its range.',
  },
  {
    rule: 'loadsModule',
    circuit: 'gritter-salt-sensor',
    state: 'run',
    path: '',
    faults: [],
    wrong: lamp('X1b', 'B1−', 0.25),
    right: volts('X1b', 'RP1r'),
    shows:
      'A lamp on a sensor’s five volts is dark, and can ruin what supplies them; a voltmeter draws nothing.',
  },
  {
    rule: 'loadOnBattery',
    ...starting,
    wrong: bridge('B1+', 'B1−', 1000),
    right: volts('B1+', 'B1−'),
    shows:
      'What is clipped straight on the posts has no fuse before it. Cranking is a load test that is there already.',
  },
  {
    rule: 'crankedInGear',
    ...starting,
    wrong: volts('B1+', 'B1−', 'drive'),
    right: volts('B1+', 'B1−'),
    shows: 'In gear the inhibitor keeps the starter out, or the vehicle moves: park or neutral, brake on.',
  },
  {
    rule: 'replacedBeforeTested',
    ...workLamp,
    faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1 }],
    wrong: volts('L1a', 'L1b'),
    right: volts('X2a', 'X2b'),
    shows: 'The lamp is dim because it lacks volts: a new one would be as dim. Its return has them.',
  },
  {
    rule: 'worksNow',
    ...workLamp,
    faults: [{ kind: 'slack', part: 'X1', segment: 'pin', severity: 5 }],
    wrong: volts('X1a', 'X1b'),
    right: (stand) => ({
      ...volts('X1a', 'X1b')(stand),
      value: stand.volts(node(stand, 'X1a'), node(stand, 'X1b'), { wiggled: ['X1'] }),
    }),
    shows: 'At rest the connector is good again. Moved, it is not: what was disturbed has proved nothing.',
  },
]

/** The stand of an example, on its circuit. */
export function standOf(
  { state, path, faults }: Pick<Misreading, 'state' | 'path' | 'faults'>,
  circuit: Circuit,
): Stand {
  const at = circuit.states.find(({ id }) => id === state) ?? circuit.states[0]!
  return new Stand(circuit, faults, at, path)
}
