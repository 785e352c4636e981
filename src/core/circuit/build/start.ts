import { circuitFormat, circuitVersion, type Circuit } from '../schema'
import { makePart } from './ids'

/**
 * An empty bench: a battery with both leads, the chassis and its strap, and a state for each thing that may be on. The one
 * path waits for its parts between them.
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
