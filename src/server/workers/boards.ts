import { LRUCache } from 'lru-cache'
import type { Judging } from '../../core/assessment'
import { meterOfFrame, type Order } from '../../core/attempt'
import { Predictor } from '../../core/diagnosis'
import { boardsOf } from './boards-of'

/** Solved boards of orders that are planted alike, and the attempts that are followed on them. */
interface Boards {
  readonly predictor: Predictor
  readonly live: LRUCache<string, Judging>
}

/** Attempts that a thread follows on the same boards, more than a class has. */
const mostLive = 120
/** Boards that a thread keeps, over all circuits: some 600 MB. */
const mostBoards = 60_000

const kept = new LRUCache<string, Boards>({
  maxSize: mostBoards,
  sizeCalculation: ({ predictor }) => 1 + predictor.boards,
})

/** Circuits, and what is planted in them, that a thread remembers. */
const mostOrders = 300
const orders = new LRUCache<string, Pick<Order, 'circuit' | 'planted'>>({ max: mostOrders })

/**
 * The order with the circuit that this thread has had before, where it is the same: each task brings a copy, and what the core
 * has worked out of a circuit once it keeps by the value itself.
 */
export function remembered<T extends Pick<Order, 'circuit' | 'planted'>>(order: T): T {
  const key = JSON.stringify([order.circuit, order.planted])
  const known = orders.get(key)
  if (known) return { ...order, ...known }
  orders.set(key, { circuit: order.circuit, planted: order.planted })
  return order
}

/** Does something with the boards of an order, which stay in memory while they are asked for. */
export function withBoards<T>(order: Order, work: (boards: Boards) => T): T {
  const { circuit, planted, frame, spares } = order
  const key = boardsOf(order)
  const boards = kept.get(key) ?? {
    predictor: new Predictor(circuit, meterOfFrame(frame), planted, frame.faults, spares),
    live: new LRUCache<string, Judging>({ max: mostLive }),
  }
  try {
    return work(boards)
  } finally {
    // Kept anew, so that what it has grown by is counted.
    kept.set(key, boards)
  }
}
