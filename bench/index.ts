import { readdirSync } from 'node:fs'
import { Solver, type Network } from '../src/core/solve'
import { aftermath, buildBoard } from '../src/core/board'
import { answerKey } from '../src/core/readings'
import { possibleFaults } from '../src/core/faults'
import { toSpice } from '../src/core/formats'
import { referenceEngine, tight } from '../test/reference'
import { demoCircuit } from '../test/demo'

/** Median milliseconds of `work`, warmed up for as many runs as are timed: the reference gets quicker for hundreds of runs. */
async function median(work: () => unknown, runs: number): Promise<number> {
  for (let i = 0; i < runs; i++) await work()
  const times: number[] = []
  for (let i = 0; i < runs; i++) {
    const start = performance.now()
    await work()
    times.push(performance.now() - start)
  }
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!
}

const line = (what: string, value: string) => console.log(`${what.padEnd(64)} ${value}`)

async function operatingPoint(name: string, network: Network): Promise<void> {
  const engine = await referenceEngine()
  const netlist = toSpice(network, name).replace('.op\n', `${tight}\n.op\n`)
  const theirs = await median(() => {
    engine.setNetList(netlist)
    return engine.runSim()
  }, 600)
  const solver = new Solver(network)
  const again = await median(() => solver.solve(), 1000)
  const whole = await median(() => new Solver(network).solve(), 300)
  line(
    `${name}: operating point, ready network, reference / ours`,
    `${(theirs / again).toFixed(0)} ×  (${again.toFixed(3)} ms)`,
  )
  line(
    `${name}: operating point, from its elements, reference / ours`,
    `${(theirs / whole).toFixed(0)} ×  (${whole.toFixed(3)} ms)`,
  )
}

for (const file of readdirSync('demo/circuits').sort()) {
  const name = file.replace('.json', '')
  const circuit = demoCircuit(name)
  await operatingPoint(
    `${name} (${buildBoard(circuit, [], circuit.states[0]!).nodeCount} nodes)`,
    buildBoard(circuit, [], circuit.states[0]!),
  )
  const faults = possibleFaults(circuit)
  line(
    `${name}: answer key, all states, healthy`,
    `${(await median(() => answerKey(circuit, []), 30)).toFixed(1)} ms`,
  )
  const all = await median(() => faults.map((fault) => aftermath(circuit, [fault])), 5)
  line(`${name}: every state under each of ${faults.length} faults`, `${all.toFixed(0)} ms`)
}
