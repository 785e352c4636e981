import { modelOf } from '../../model'
import type { Circuit } from '../../circuit'
import { say } from '../../document'
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
      ? say('handbook.piece', { from: nameAt(stand, red), to: nameAt(stand, black), name: sensor(stand) })
      : say('handbook.pointToMinus', { point: nameAt(stand, red) }),
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
  title: 'procedures.sensorSupply.title',
  words: ['sensor', 'five volts', 'low reference', 'signal', 'pull-up'],
  about: 'procedures.sensorSupply.about',
  when: 'procedures.sensorSupply.when',
  cautions: ['noLoadIntoModules', 'disconnectBeforeOhms'],
  source: 'procedures.sensorSupply.source',
  paths: (circuit) =>
    circuit.paths
      .filter(({ steps }) => steps.some(({ part }) => hasSupply(circuit, part)))
      .map(({ id }) => id),
  steps: [
    {
      key: 'supply',
      do: 'procedures.sensorSupply.keyOnSensorPluggedIn',
      reads: (stand) => [volts(stand, 'v', 'r')],
      outcomes: [
        {
          when: 'procedures.sensorSupply.n48To52',
          means: 'procedures.sensorSupply.supplyAndLowReferenceAre',
          is: ([five]) => near(five, 5, 0.25),
          next: { step: 'signal' },
        },
        {
          when: 'procedures.sensorSupply.anythingElse',
          means: 'procedures.sensorSupply.oneOfTheTwoWires',
          next: { step: 'each' },
        },
      ],
    },
    {
      key: 'each',
      do: 'procedures.sensorSupply.supplyPinToBatteryLow',
      reads: (stand) => [volts(stand, 'v', undefined), volts(stand, 'r', undefined)],
      outcomes: [
        {
          when: 'procedures.sensorSupply.lowReferenceAbove01',
          means: 'procedures.sensorSupply.theLowReferenceIsOpen',
          is: ([, low]) => Math.abs(low?.value ?? 0) > 0.1,
          next: { end: 'found', parts: (stand) => way(stand, 'r') },
        },
        {
          when: 'procedures.sensorSupply.supplyNotFiveVolts',
          means: 'procedures.sensorSupply.unplugTheSensorIfThe',
          next: { step: 'out' },
        },
      ],
    },
    {
      key: 'out',
      do: 'procedures.sensorSupply.sensorUnpluggedSupplyPinOf',
      reads: (stand) => [volts(stand, 'v', undefined, true)],
      outcomes: [
        {
          when: 'procedures.sensorSupply.fiveVoltsNow',
          means: 'procedures.sensorSupply.theSensorDrawsThemDown',
          is: ([five]) => near(five, 5, 0.25),
          next: { end: 'found', parts: (stand) => [sensor(stand)] },
        },
        {
          when: 'procedures.sensorSupply.stillNot',
          means: 'procedures.sensorSupply.theSupplysWireAShort',
          next: { end: 'found', parts: (stand) => way(stand, 'v') },
        },
      ],
    },
    {
      key: 'signal',
      do: 'procedures.sensorSupply.signalPinToLowReference',
      reads: (stand) => [volts(stand, 's', 'r')],
      outcomes: [
        {
          when: 'procedures.sensorSupply.between025And4',
          means: 'procedures.sensorSupply.sensorAndItsSupplyAre',
          is: ([signal], stand) => near(signal, volts(stand.sound, 's', 'r').value ?? 2.5, 0.25),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.sensorSupply.atAnEndOrNot',
          means: 'procedures.sensorSupply.theSignalsWireOrThe',
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
