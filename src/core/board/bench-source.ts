import { schoolScatter } from '../circuit'
import { struckBy } from '../faults'
import { partOf } from '../model'
import { partOfKind } from '../parts'
import type { Board } from './board'

/** Volts of the source that a relay is tried with on the bench; two of them for a 24 V one (common practice, no source). */
const benchVolts = 9

/** Whether the bench’s source moves a part that is out: what its own coil lets through. */
export function pullsOnBench(board: Pick<Board, 'circuit' | 'elements' | 'faults'>, id: string): boolean {
  const part = partOf(board.circuit, id)
  const { modes, coil } = partOfKind(part.kind)
  let ohms = 0
  for (const element of board.elements)
    if (element.type === 'resistor' && element.owner.part === id && element.owner.segment === coil)
      ohms += element.ohms
  if (!modes || ohms === 0) return false
  const volts = benchVolts * (board.circuit.parts.some((p) => Number(p.parameters.nominal) > 20) ? 2 : 1)
  const around = {
    temperature: 20,
    ...schoolScatter,
    position: undefined,
    detached: true,
    blown: false,
    struck: struckBy(board.faults, id),
    mode: modes.rest,
    engineRuns: false,
    sinceKeyOff: 0,
  }
  return modes.next(part.parameters, { volts: () => volts, amps: () => volts / ohms }, around) !== modes.rest
}

/** What a part that the source moves has switched to: the mode that is not its rest. */
export const movedMode = (kind: string): string | undefined => {
  const { modes } = partOfKind(kind)
  return modes?.all.find((mode) => mode !== modes.rest)
}
