import { type SolvedBoard, type UnsolvedBoard } from '../board'
import { solveWith } from './attach'
import type { Place } from './held'
import type { Settings, Use } from './instrument'
import type { MeterType } from './meter'
import { instrumentOf, type InstrumentKey } from './registry'

/** An instrument as it is set and held. */
export interface Connected {
  readonly instrument: InstrumentKey
  readonly settings: Settings
  readonly place: Place
}

/** The board with all of `others` connected, ready for what reads. What brings nothing to a board changes nothing. */
export function withConnected(
  solved: SolvedBoard,
  others: readonly Connected[],
  meter: MeterType,
): SolvedBoard | UnsolvedBoard {
  let now: SolvedBoard | UnsolvedBoard = solved
  for (const { instrument, settings, place } of others) {
    const { connect } = instrumentOf(instrument)
    if (!connect || !now.ok) continue
    const { attached, opens, onSource } = connect({ place, settings, meter }, now.board.circuit)
    now = solveWith(now, attached, opens, onSource)
  }
  return now
}

/** One instrument's reading while others are connected. */
export function readWith(
  solved: SolvedBoard,
  reader: Connected,
  others: readonly Connected[],
  meter: MeterType,
): { ok: true; reading: ReturnType<ReturnType<typeof instrumentOf>['read']> } | UnsolvedBoard {
  const board = withConnected(solved, others, meter)
  if (!board.ok) return board
  const use: Use = { solved: board, place: reader.place, settings: reader.settings, meter }
  const reading = instrumentOf(reader.instrument).read(use)
  const before = [...board.blown].filter((id) => !solved.blown.has(id))
  if (!before.length) return { ok: true, reading }
  return {
    ok: true,
    reading: { ...reading, did: { ...reading.did, blown: [...new Set([...before, ...reading.did.blown])] } },
  }
}
