import { schoolScatter, type Circuit } from '../circuit'
import { partOfKind } from '../parts'

/** Numbers from 0 to 1 that follow from a seed alone (mulberry32, in the public domain). */
function drawsOf(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/**
 * The circuit with contact ohms of its own for every joint, ground and panel, as no two of a vehicle are alike: each times
 * a number that lies within the circuit's scatter either way, on a log scale. The same seed gives the same board.
 * @param seed whole number
 */
export function scattered(circuit: Circuit, seed: number): Circuit {
  const { contacts } = circuit.scatter ?? schoolScatter
  const draw = drawsOf(seed)
  return {
    ...circuit,
    parts: circuit.parts.map((part) => {
      const { role, parameters } = partOfKind(part.kind)
      if (role !== 'connection' && role !== 'conductor') return part
      const ohms = Object.keys(parameters.shape).filter((name) => /ohms$/i.test(name))
      if (!ohms.length) return part
      const own = ohms.map((name) => {
        const factor = (1 + contacts) ** (2 * draw() - 1)
        return [name, Number((Number(part.parameters[name]) * factor).toPrecision(3))] as const
      })
      return { ...part, parameters: { ...part.parameters, ...Object.fromEntries(own) } }
    }),
  }
}
