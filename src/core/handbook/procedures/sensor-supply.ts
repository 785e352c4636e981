import { modelOf } from '../../model'
import type { Circuit } from '../../circuit'
import { say } from '../phrases'
import type { Procedure, Shown } from '../procedure'
import type { Stand } from '../stand'
import { isAbout } from './paths'

const sensor = (stand: Stand) => stand.part('sensor3') ?? ''
const at = (stand: Stand, terminal: string) => stand.node(sensor(stand), terminal)
const nameAt = (stand: Stand, terminal: string) =>
  stand.wiring.points.find(({ node }) => node === at(stand, terminal))?.name ?? terminal
const volts = (stand: Stand, red: string, black: string | undefined, out = false): Shown => {
  const change = out ? { detached: [...new Set([...stand.state.detached, sensor(stand)])] } : {}
  return {
    what: black
      ? say('piece', { from: nameAt(stand, red), to: nameAt(stand, black), name: sensor(stand) })
      : say('pointToMinus', { point: nameAt(stand, red) }),
    value: stand.volts(at(stand, red), black ? at(stand, black) : stand.posts[1], change),
    unit: 'V',
    part: sensor(stand),
  }
}
const way = (stand: Stand, terminal: string): string[] => {
  const node = at(stand, terminal)
  return stand.circuit.paths.flatMap(({ id }) => {
    const rows = stand.rowsOf(id)
    const walk = stand.walks.find(({ path }) => path.id === id)
    const touches = walk?.strides.some(({ from, to }) => from.node === node || to.node === node)
    return touches ? rows.map(({ part }) => part) : []
  })
}
const near = (shown: Shown | undefined, value: number, within: number) =>
  Math.abs((shown?.value ?? 99) - value) <= within

/** Of a sensor with wires of its own for supply and low reference. */
const hasSupply = (circuit: Circuit, id: string): boolean =>
  isAbout(circuit, id, 'sensorSupply') &&
  ['v', 'r'].every((key) =>
    modelOf(circuit)
      .part(id)
      .definition.terminals.some((t) => t.key === key),
  )

export const sensorSupply: Procedure = {
  key: 'sensorSupply',
  title: 'Supply and low reference of a sensor',
  words: ['sensor', 'five volts', 'low reference', 'signal', 'pull-up'],
  about: 'A three-wire sensor needs its five volts and its low reference before its signal means anything.',
  when: 'A signal is at its end, or jumps.',
  cautions: ['noLoadIntoModules', 'disconnectBeforeOhms'],
  source: 'Common practice, no source; the limits are the maker’s',
  paths: (circuit) =>
    circuit.paths
      .filter(({ steps }) => steps.some(({ part }) => hasSupply(circuit, part)))
      .map(({ id }) => id),
  steps: [
    {
      key: 'supply',
      do: 'Key on, sensor plugged in and back-probed. Supply pin to low-reference pin.',
      reads: (stand) => [volts(stand, 'v', 'r')],
      outcomes: [
        {
          when: '4.8 to 5.2 V',
          means: 'Supply and low reference are both there.',
          is: ([five]) => near(five, 5, 0.25),
          next: { step: 'signal' },
        },
        {
          when: 'Anything else',
          means: 'One of the two wires: each to battery − says which.',
          next: { step: 'each' },
        },
      ],
    },
    {
      key: 'each',
      do: 'Supply pin to battery −; low-reference pin to battery −.',
      reads: (stand) => [volts(stand, 'v', undefined), volts(stand, 'r', undefined)],
      outcomes: [
        {
          when: 'Low reference above 0.1 V',
          means: 'The low reference is open or resists: its wire, its pin at the module.',
          is: ([, low]) => Math.abs(low?.value ?? 0) > 0.1,
          next: { end: 'found', parts: (stand) => way(stand, 'r') },
        },
        {
          when: 'Supply not five volts',
          means:
            'Unplug the sensor: if the five volts come back, the sensor pulls them down; if not, the wire, or another sensor on the same supply.',
          next: { step: 'out' },
        },
      ],
    },
    {
      key: 'out',
      do: 'Sensor unplugged: supply pin of the plug to battery −.',
      reads: (stand) => [volts(stand, 'v', undefined, true)],
      outcomes: [
        {
          when: 'Five volts now',
          means: 'The sensor draws them down.',
          is: ([five]) => near(five, 5, 0.25),
          next: { end: 'found', parts: (stand) => [sensor(stand)] },
        },
        {
          when: 'Still not',
          means: 'The supply’s wire, a short on it, or the module.',
          next: { end: 'found', parts: (stand) => way(stand, 'v') },
        },
      ],
    },
    {
      key: 'signal',
      do: 'Signal pin to low-reference pin; move what it senses, slowly, from end to end.',
      reads: (stand) => [volts(stand, 's', 'r')],
      outcomes: [
        {
          when: 'Between 0.25 and 4.75 V, and follows without a jump',
          means: 'Sensor and its supply are good. What the module makes of it is on the scan tool.',
          is: ([signal], stand) => near(signal, volts(stand.sound, 's', 'r').value ?? 2.5, 0.25),
          next: { end: 'sound' },
        },
        {
          when: 'At an end, or not where the sensor stands',
          means: 'The signal’s wire, or the sensor: unplugged, the pull-up or pull-down shows at the plug.',
          next: { end: 'found', parts: (stand) => [...way(stand, 's'), sensor(stand)] },
        },
      ],
    },
  ],
  example: {
    circuit: 'gritter-salt-sensor',
    state: 'run',
    path: 'sensor',
    faults: [{ kind: 'highResistance', part: 'W6', segment: 'copper', severity: 800 }],
  },
}
