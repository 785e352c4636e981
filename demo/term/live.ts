import type { Order } from '../../src/core/attempt'
import { Attempt } from '../../test/attempt'
import { postsOf } from '../../test/students'

/** Which of the class gets stuck, and which does something unsafe, by their place in it. */
const stuck = 4
const unsafe = 9

/**
 * What a student at work in a live demo does, step by step: most go the whole way; one measures what is known already, again
 * and again; one puts the ammeter across the battery.
 */
export function live(who: number, whole: Attempt, order: Order): Attempt {
  if (who !== stuck && who !== unsafe) return whole
  const { circuit, planted, frame } = order
  const [first] = whole.actions
  const arrangement = first?.type === 'operate' ? first.arrangement : { controls: {}, detached: [] }
  const made = new Attempt(circuit, planted, arrangement, frame)
  const [red, black] = postsOf(circuit)
  made.operate()
  if (who === stuck) {
    for (let n = 0; n < 7; n++) made.measure({ type: 'leads', red, black }, 12.4)
    return made
  }
  for (const action of whole.actions.slice(1, 5)) made.act(action)
  made.measure({ type: 'leads', red, black }, 5, { instrument: 'amps' })
  for (const action of whole.actions.slice(5)) {
    try {
      made.act(action)
    } catch {
      break
    }
  }
  return made
}
