import { solveBoard } from '../../board'
import type { Format } from '../format'
import { toSpice } from '../spice'
import { circuitOfSpice } from '../spice-circuit'

/** SPICE: a documented subset comes in, the network of one state goes out. */
export const netlist: Format = {
  key: 'spice',
  title: 'formats.netlistFile',
  about: 'formats.netlist.about',
  endings: ['cir', 'net', 'sp', 'spice'],
  mime: 'text/plain',
  looksLike: (text) => /^\s*\.(end|op)\b/im.test(text),
  read: circuitOfSpice,
  write: ({ circuit, faults, state }) => {
    const solved = solveBoard(circuit, faults, state)
    if (!solved.ok) return { ok: false, problems: [{ where: state.name, ...solved.why }] }
    const names = new Map(solved.board.wiring.points.map((p) => [p.node, p.name]))
    return { ok: true, value: toSpice(solved.board, `${circuit.name}, ${state.name}`, names) }
  },
}
