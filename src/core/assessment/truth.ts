import { boardOf, startBench, type Arrangement, type Bench, type Order } from '../attempt'
import type { SolvedBoard, UnsolvedBoard } from '../board'
import type { Predictor } from '../diagnosis'

/** The boards as they truly were, kept: an attempt is judged again after each of its steps. */
export interface Truth {
  readonly start: Bench
  board(bench: Bench, arrangement: Arrangement): SolvedBoard | UnsolvedBoard
}

const kept = new WeakMap<Predictor, Truth>()
const most = 400

/** A predictor is made for one planted circuit: what it truly shows belongs to it. */
export function truthOf(predictor: Predictor, order: Order): Truth {
  const known = kept.get(predictor)
  if (known) return known
  const boards = new Map<string, SolvedBoard | UnsolvedBoard>()
  const fresh: Truth = {
    start: startBench(order, predictor.wiring),
    board(bench, arrangement) {
      const { blown, reseated, renewed, repairs, latched, out } = bench
      const key = JSON.stringify([arrangement, blown, reseated, renewed, repairs, latched, out])
      let board = boards.get(key)
      if (!board) {
        if (boards.size >= most) boards.clear()
        boards.set(key, (board = boardOf(order, bench, arrangement, predictor.wiring)))
      }
      return board
    },
  }
  kept.set(predictor, fresh)
  return fresh
}
