import type { Network } from './element'
import { slicesOf } from './memory'

/** Kinds of element as numbers. */
export const elementKinds = { current: 0, joined: 1, open: 2, nonlinear: 3, ideal: 4 } as const

/** A network's elements as numbers, one pass over them: loops over numbers are an order quicker than over objects. */
export interface Values {
  readonly nodeCount: number
  /** Elements. */
  readonly count: number
  /** Nodes a and b of each element. Memory of the next reading: copy what is to stay. */
  readonly ends: Int32Array
  /** One of `elementKinds` per element; likewise. */
  readonly kinds: Uint8Array
  /** Siemens of each linear element; 0 of others. */
  readonly siemens: Float64Array
  /** Amps that each linear element drives out of b into a at no volts. */
  readonly offset: Float64Array
  /** Of which nodes are joined by what: the same for the same pattern. */
  readonly hash: number
}

/** Patterns are nearly always known already, so that the one to compare is read into the same memory each time. */
let ends = new Int32Array(0)
let kinds = new Uint8Array(0)

/** Reads every element once. */
export function valuesOf({ nodeCount, elements }: Network): Values {
  const count = elements.length
  if (kinds.length < count) {
    ends = new Int32Array(4 * count)
    kinds = new Uint8Array(2 * count)
  }
  const take = slicesOf(2 * count)
  const siemens = take(count)
  const offset = take(count)
  let hash = nodeCount
  for (let i = 0; i < count; i++) {
    const element = elements[i]!
    const { a, b } = element
    ends[2 * i] = a
    ends[2 * i + 1] = b
    let kind: number = elementKinds.joined
    switch (element.type) {
      case 'resistor': {
        const { ohms } = element
        siemens[i] = 1 / ohms
        if (ohms === Infinity) kind = elementKinds.open
        break
      }
      case 'source':
        siemens[i] = 1 / element.ohms
        offset[i] = element.volts / element.ohms
        break
      case 'nonlinear':
        kind = elementKinds.nonlinear
        break
      case 'current':
        kind = elementKinds.current
        offset[i] = element.amps
        break
      case 'ideal':
        kind = elementKinds.ideal
    }
    kinds[i] = kind
    hash = (Math.imul(hash, 31) + a * 8 + kind) | 0
    hash = (Math.imul(hash, 31) + b) | 0
  }
  return { nodeCount, count, ends, kinds, siemens, offset, hash }
}
