import { cached } from '../cache'
import type { Circuit, CircuitState } from '../circuit'
import { modelOf } from '../model'
import { compileNetwork, type CompiledNetwork, type Element } from '../solve'
import { stampPart, surroundings } from './stamp'

/** The circuit without a fault, laid out once for everything that is then struck in it. */
export interface Sound {
  readonly elements: Element[]
  readonly compiled: CompiledNetwork
  readonly nodeCount: number
  readonly inner: ReadonlyMap<string, number>
  readonly firstElement: ReadonlyMap<string, number>
  /** Where each part's elements begin, in the order of the parts; one entry more for the end. */
  readonly starts: Int32Array
}

/** Sound boards of a state by what has blown and switched; a few, for a search goes through many. */
export const soundBoardsOf = cached({ owner: (circuit: Circuit) => circuit }, (circuit) =>
  cached<[state: CircuitState, blown: ReadonlySet<string>, modes: ReadonlyMap<string, string>], Sound>(
    { owner: (state) => state, key: (_, blown, modes) => signOf(modes, blown), most: 64 },
    (state, blown, modes) => {
      const { parts, wiring } = modelOf(circuit)
      const elements: Element[] = []
      const firstElement = new Map<string, number>()
      const inner = new Map<string, number>()
      const starts = new Int32Array(parts.length + 1)
      let nodeCount = wiring.count
      const freshNode = () => nodeCount++
      parts.forEach((part, i) => {
        const around = surroundings({ circuit, faults: [], state, blown, modes }, part)
        const { elements: own, heads } = stampPart(part, around, wiring, inner, freshNode)
        starts[i] = elements.length
        for (const { name, at } of heads) firstElement.set(name, elements.length + at)
        elements.push(...own)
      })
      starts[parts.length] = elements.length
      const compiled = compileNetwork({ nodeCount, elements })
      return { elements, compiled, nodeCount, inner, firstElement, starts }
    },
  ),
)

/** What has switched and blown, as one word. */
function signOf(modes: ReadonlyMap<string, string>, blown: ReadonlySet<string>): string {
  let sign = ''
  for (const mode of modes.values()) sign += `${mode},`
  for (const id of blown) sign += `${id};`
  return sign
}
