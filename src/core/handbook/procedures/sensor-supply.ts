import { modelOf } from '../../model'
import type { Circuit } from '../../circuit'
import { say } from '../../document'
import type { Procedure, Shown } from '../procedure'
import type { WorkedCircuit } from '../worked-circuit'
import { isAbout } from './paths'

const sensor = ({ circuit }: WorkedCircuit): string =>
  circuit.parts.find(({ id }) => hasSupply(circuit, id))?.id ?? ''
const at = (worked: WorkedCircuit, terminal: string) => worked.node(sensor(worked), terminal)
const nameAt = (worked: WorkedCircuit, terminal: string) =>
  worked.wiring.points.find(({ node }) => node === at(worked, terminal))?.name ?? terminal
const volts = (worked: WorkedCircuit, red: string, black: string | undefined, out = false): Shown => {
  const change = out ? { detached: [...new Set([...worked.state.detached, sensor(worked)])] } : {}
  return {
    what: black
      ? say('handbook.piece', { from: nameAt(worked, red), to: nameAt(worked, black), name: sensor(worked) })
      : say('handbook.pointToMinus', { point: nameAt(worked, red) }),
    value: worked.volts(at(worked, red), black ? at(worked, black) : worked.posts[1], change),
    unit: 'V',
    part: sensor(worked),
  }
}
const way = (worked: WorkedCircuit, terminal: string): string[] => {
  const node = at(worked, terminal)
  return worked.circuit.paths.flatMap(({ id }) => {
    const rows = worked.rowsOf(id)
    const walk = worked.walks.find(({ path }) => path.id === id)
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
      reads: (worked) => [volts(worked, 'v', 'r')],
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
      reads: (worked) => [volts(worked, 'v', undefined), volts(worked, 'r', undefined)],
      outcomes: [
        {
          when: 'procedures.sensorSupply.lowReferenceAbove01',
          means: 'procedures.sensorSupply.theLowReferenceIsOpen',
          is: ([, low]) => Math.abs(low?.value ?? 0) > 0.1,
          next: { end: 'found', parts: (worked) => way(worked, 'r') },
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
      reads: (worked) => [volts(worked, 'v', undefined, true)],
      outcomes: [
        {
          when: 'procedures.sensorSupply.fiveVoltsNow',
          means: 'procedures.sensorSupply.theSensorDrawsThemDown',
          is: ([five]) => near(five, 5, 0.25),
          next: { end: 'found', parts: (worked) => [sensor(worked)] },
        },
        {
          when: 'procedures.sensorSupply.stillNot',
          means: 'procedures.sensorSupply.theSupplysWireAShort',
          next: { end: 'found', parts: (worked) => way(worked, 'v') },
        },
      ],
    },
    {
      key: 'signal',
      do: 'procedures.sensorSupply.signalPinToLowReference',
      reads: (worked) => [volts(worked, 's', 'r')],
      outcomes: [
        {
          when: 'procedures.sensorSupply.between025And4',
          means: 'procedures.sensorSupply.sensorAndItsSupplyAre',
          is: ([signal], worked) => near(signal, volts(worked.sound, 's', 'r').value ?? 2.5, 0.25),
          next: { end: 'sound' },
        },
        {
          when: 'procedures.sensorSupply.atAnEndOrNot',
          means: 'procedures.sensorSupply.theSignalsWireOrThe',
          next: { end: 'found', parts: (worked) => [...way(worked, 's'), sensor(worked)] },
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
