import type { SolvedBoard } from '../../board'
import { readTestLamp } from '../../instruments'
import { brightness } from '../../parts'

/** Amps of an ordinary test lamp. */
const lampAmps = 0.25

/** Ohms behind a point that a test lamp cannot disturb, and those behind which none lights. */
const stiff = 2

const weak = 20_000

/**
 * What the lamp does between two points. Where the board is stiff, or next to nothing is behind it, its open volts and
 * its ohms say that (Thévenin) without a board of its own; between the two, and near the edge of a word, it is solved.
 * @param red node
 * @param black node
 * @param rated volts of the lamp, V
 */
export function glowAcross(solved: SolvedBoard, red: number, black: number, rated: number): string {
  if (!solved.limitCycle) {
    const open = solved.volts(red, black) ?? 0
    if (Math.abs(open) < 0.01 * rated) return 'dark'
    const behind = solved.ohms(red, black)
    const own = rated / lampAmps
    const across = (open * own) / (own + behind)
    const words = [0.96, 1, 1.04].map((share) => brightness(share * across, rated).key)
    if ((behind < stiff || behind > weak) && new Set(words).size === 1) return words[0]!
  }
  return readTestLamp(solved, red, black, lampAmps, rated).glow
}
