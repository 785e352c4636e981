import type { Circuit } from '../../../core/circuit'
import type { Fault } from '../../../core/faults'

/** What is handed out or kept as a lesson. */
export interface ToHandOut {
  /** The circuit's id in the library, and the circuit itself. */
  id: string
  circuit: Circuit
  faults: readonly Fault[]
  complaint: string
  /** The complaint as the engine would put it; empty where nothing shows. */
  drafted: string
  /** Resolves once the server has everything on screen. */
  settled: () => Promise<void>
  /** It is looked at. */
  shown: boolean
}
