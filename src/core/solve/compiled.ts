import type { Element, Law, Network } from './element'
import { structureOf, type Structure } from './structure'
import { valuesOf } from './values'

/** A network's elements compiled for numeric work: a sound board is compiled once and reused for every fault. */
export interface CompiledNetwork {
  /** The elements from which it was compiled; it is valid for these only. */
  readonly elements: readonly Element[]
  readonly structure: Structure
  /** Siemens of each linear element, and the amps that it drives at no volts. */
  readonly siemens: Float64Array
  readonly offset: Float64Array
  /** Laws of the nonlinear elements. */
  readonly laws: readonly Law[]
}

/** Reads every element once, and finds or makes the structure of its pattern. No source may be ideal: that takes the general solver. */
export function compileNetwork(network: Network): CompiledNetwork {
  const values = valuesOf(network)
  const structure = structureOf(values)
  const { element } = structure.nonlinear
  const laws = new Array<Law>(element.length)
  for (let c = 0; c < element.length; c++) laws[c] = lawOf(network.elements[element[c]!]!)
  const { siemens, offset } = values
  return { elements: network.elements, structure, siemens, offset, laws }
}

/** @throws Error where the structure takes a linear element for a nonlinear one */
function lawOf(element: Element): Law {
  if (element.type !== 'nonlinear') throw new Error(`an element of type ${element.type} has no law`)
  return element.law
}
