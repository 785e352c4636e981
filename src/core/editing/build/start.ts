import { circuitFormat, circuitVersion, type Circuit } from '../../circuit'
import { makePart } from './ids'

/**
 * A new circuit: a battery, one path from its plus to its minus that waits for its parts, and the state in which all is off.
 * @param volts of the system, V
 */
export function emptyCircuit(name: string, volts: 12 | 24 = 12): Circuit {
  const battery = { ...makePart([], { kind: 'battery', parameters: { blocks: volts / 12 } }) }
  return {
    format: circuitFormat,
    version: circuitVersion,
    name,
    vehicle: '',
    note: '',
    temperature: 20,
    parts: [battery],
    paths: [{ id: 'main', name: '', from: `${battery.id}.p`, to: `${battery.id}.n`, steps: [] }],
    bundles: [],
    states: [{ id: 'all-off', name: 'all off', controls: {}, detached: [] }],
  }
}
