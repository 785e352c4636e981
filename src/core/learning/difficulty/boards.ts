import { boardOf, startBench, type Order } from '../../attempt'
import type { SolvedBoard } from '../../board'
import type { CircuitState } from '../../circuit'
import type { Predictor } from '../../diagnosis'

/** The good board and the one that is handed out, in a state; undefined where there is no answer. */
export function truthBoards(predictor: Predictor, order: Order) {
  const start = startBench(order)
  return (state: CircuitState): readonly [SolvedBoard | undefined, SolvedBoard | undefined] => {
    const { controls, detached, wiggled, engine, sinceKeyOff } = state
    const faulted = boardOf(order, start, {
      controls: { ...controls },
      detached: [...detached],
      ...(wiggled && { wiggled: [...wiggled] }),
      ...(engine && { engine }),
      ...(sinceKeyOff !== undefined && { sinceKeyOff }),
    })
    return [predictor.board(undefined, state), faulted.ok ? faulted : undefined]
  }
}
