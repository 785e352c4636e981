import { Simulation } from 'eecircuit-engine'
import type { Network } from '../src/core/solve'
import { toSpice } from '../src/core/formats'

let started: Promise<Simulation> | undefined

/** The reference solver, started once per process: a general-purpose SPICE engine in WebAssembly. */
export function referenceEngine(): Promise<Simulation> {
  started ??= (async () => {
    const simulation = new Simulation()
    await simulation.start()
    return simulation
  })()
  return started
}

/** Tighter than its defaults, which are looser than what we claim. */
export const tight = '.options reltol=1e-7 abstol=1e-13 vntol=1e-10 itl1=1000'

/** Node voltages of `network` by the reference engine, by node number. */
export async function referenceVoltages(network: Network): Promise<Map<number, number>> {
  const engine = await referenceEngine()
  engine.setNetList(toSpice(network, 'check').replace('.op\n', `${tight}\n.op\n`))
  const result = await engine.runSim()
  return new Map(
    result.data.flatMap(({ name, values }) => {
      const node = /^v\((\d+)\)$/.exec(name)
      const value = values[0]
      return node && typeof value === 'number' ? [[Number(node[1]), value] as const] : []
    }),
  )
}

/** Largest relative miss that is claimed, and the volts below which it does not matter. */
export const relative = 1e-4
export const absolute = 1e-5
