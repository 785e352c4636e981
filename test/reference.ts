import { Simulation } from 'eecircuit-engine'
import type { Element, Network } from '../src/core/solve'
import { toSpice } from '../src/core/formats'

let started: Promise<Simulation> | undefined

/**
 * The reference solver, started once per process: a general-purpose SPICE engine in WebAssembly. It needs a `window`, which it
 * makes: what takes that for a browser's, such as the embedded database, runs in another process.
 */
export function referenceEngine(): Promise<Simulation> {
  started ??= (async () => {
    const simulation = new Simulation()
    await simulation.start()
    return simulation
  })()
  return started
}

/** Tighter than its defaults, which are looser than what we claim; not so tight that it loses itself in its own rounding. */
export const tight = '.options reltol=1e-5 abstol=1e-10 vntol=1e-7 itl1=100'

let runs = 0

/** Node voltages of `network` by the reference engine, by node number; undefined where it finds no answer. */
export async function referenceVoltages(
  network: Network,
  near?: Float64Array,
): Promise<Map<number, number> | undefined> {
  const engine = await referenceEngine()
  const mark = ++runs
  // Where its own iteration gets lost it may begin near an answer; whether that is one, it finds by its own equations.
  const start = near ? [...near].map((v, i) => (i ? `.nodeset v(${i})=${v}` : '')).join('\n') : ''
  engine.setNetList(
    toSpice(network, 'check').replace('.op\n', `VMARK mark 0 ${mark}\n${start}\n${tight}\n.op\n`),
  )
  const result = await engine.runSim()
  // A run that fails leaves the answer of the one before: the mark tells them apart.
  const marked = result.data.find(({ name }) => name === 'v(mark)')?.values[0]
  if (marked !== mark) return undefined
  return new Map(
    result.data.flatMap(({ name, values }) => {
      const node = /^v\((\d+)\)$/.exec(name)
      const value = values[0]
      return node && typeof value === 'number' ? [[Number(node[1]), value] as const] : []
    }),
  )
}

/**
 * The same network with every node tied to the reference by ten megohms, as if a meter stood on each, for both
 * solvers alike: the engine finds a floating node singular, and where nothing flows its own rounding would be all that there is to compare.
 */
export function tied(network: Network): Network {
  const ties = Array.from({ length: network.nodeCount - 1 }, (_, i): Element => {
    const owner = { part: 'tie', segment: '' }
    return { type: 'resistor', a: i + 1, b: 0, ohms: 1e7, owner }
  })
  return { nodeCount: network.nodeCount, elements: [...network.elements, ...ties] }
}

/** Largest relative miss that is claimed, and the volts below which it does not matter. */
export const relative = 1e-4
export const absolute = 1e-5
