import { stateSignature } from '../circuit'
import { boardOf, startBench, stateOf, type Arrangement, type BenchState, type Order } from '../attempt'
import type { SolvedBoard, UnsolvedBoard } from '../board'
import type { Belief, Predictor, TestSetup } from '../diagnosis'

/** The boards as they truly were, kept: an attempt is judged again after each of its steps. */
export interface Truth {
  readonly start: BenchState
  board(bench: BenchState, arrangement: Arrangement): SolvedBoard | UnsolvedBoard
}

const kept = new WeakMap<Predictor, Map<string, Truth>>()
const most = 400

export function truthOf(predictor: Predictor, order: Order): Truth {
  const name = JSON.stringify([order.planted, order.spares])
  let byPlanted = kept.get(predictor)
  if (!byPlanted) kept.set(predictor, (byPlanted = new Map()))
  const known = byPlanted.get(name)
  if (known) return known
  const boards = new Map<string, SolvedBoard | UnsolvedBoard>()
  const fresh: Truth = {
    start: startBench(order),
    board(bench, arrangement) {
      const { blown, reseated, renewed, repairs, latched, out } = bench
      const key = JSON.stringify([
        stateSignature(order.circuit, stateOf(arrangement)),
        blown,
        reseated,
        renewed,
        repairs,
        latched,
        out,
      ])
      let board = boards.get(key)
      if (!board) {
        if (boards.size >= most) boards.clear()
        boards.set(key, (board = boardOf(order, bench, arrangement)))
      }
      return board
    },
  }
  byPlanted.set(name, fresh)
  return fresh
}

/** The board that is believed most of those that give all readings, in the state of a test: what the student can know of it. */
export function likeliestBoard({ predictor, alive }: Belief, setup: TestSetup): SolvedBoard | undefined {
  const [most] = [...alive].sort((p, q) => q.weight - p.weight)
  return (
    most &&
    predictor.sweep(most.hypothesis, predictor.situation(setup.state, setup.conditions)).at(most.best).solved
  )
}
