import { Solver, type Element, type Law } from '../solve'
import { SolvedBoard } from './solved-board'

/**
 * The same element somewhere within its tolerance; `u` from −1 to 1 says where.
 * @param u share of the tolerance, −1 to 1
 */
export function drawElement(element: Element, u: number): Element {
  const { tolerance } = element
  if (!tolerance) return element
  const share = tolerance * u
  if (element.type === 'source') return { ...element, volts: element.volts + share }
  if (element.type === 'resistor') return { ...element, ohms: element.ohms * (1 + share) }
  if (element.type !== 'nonlinear') return element
  const { law } = element
  const at: Law['at'] = (v, out) => {
    law.at(v, out)
    out.current *= 1 + share
    out.slope *= 1 + share
  }
  return { ...element, law: { ...law, at, limit: law.limit?.bind(law), spice: law.spice.bind(law) } as Law }
}

/**
 * One real board: every part somewhere within its tolerance. `where` says for each element, from −1 to 1, where; undefined
 * if the board so drawn finds no answer.
 */
export function drawBoard(
  solved: SolvedBoard,
  where: (owner: Element['owner'], nth: number) => number,
): SolvedBoard | undefined {
  let last = ''
  let nth = 0
  const elements = solved.board.elements.map((element) => {
    const name = `${element.owner.part}.${element.owner.segment}`
    nth = name === last ? nth + 1 : 0
    last = name
    return drawElement(element, where(element.owner, nth))
  })
  const board = { ...solved.board, elements }
  const solver = new Solver(board)
  const point = solver.solve(solved.point.voltage)
  return point.ok ? new SolvedBoard(board, point, solver, solved.limitCycle) : undefined
}
