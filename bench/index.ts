import { tell } from '../src/core/words'
import { buildBoard, solveBoard } from '../src/core/board'
import { applyEdit } from '../src/core/editing'
import { wireUp } from '../src/core/model'
import { type Circuit } from '../src/core/circuit'
import { possibleFaults, type Fault } from '../src/core/faults'
import { toSpice } from '../src/core/formats'
import { answerKey, stateKey } from '../src/core/readings'
import { Solver, type Network } from '../src/core/solve'
import { demoCircuit, demoNames } from '../test/demo'
import { referenceEngine, tight } from '../test/reference'
import { harnessCircuit } from './harness'
import { judging } from './judging'
import { small, times } from './small'

/** Median milliseconds of `work`, warmed up for as many runs as are timed: the reference gets quicker for hundreds of runs. */
async function median(work: () => unknown, most: number): Promise<number> {
  const runs = times(most)
  for (let i = 0; i < runs; i++) await work()
  const took: number[] = []
  for (let i = 0; i < runs; i++) {
    const start = performance.now()
    await work()
    took.push(performance.now() - start)
  }
  return took.sort((a, b) => a - b)[Math.floor(runs / 2)]!
}

const line = (what: string, value: string) => console.log(`${what.padEnd(70)} ${value}`)
const ms = (value: number) => `${value.toPrecision(3)} ms`

function networkOf(circuit: Circuit): Network {
  const solved = solveBoard(circuit, [], circuit.states[0]!)
  if (!solved.ok) throw new Error(tell(solved.why))
  return solved.board
}

async function operatingPoint(name: string, network: Network, runs: number): Promise<void> {
  const engine = await referenceEngine()
  const netlist = toSpice(network, name).replace('.op\n', `${tight}\n.op\n`)
  const theirs = await median(() => {
    engine.setNetList(netlist)
    return engine.runSim()
  }, runs)
  const solver = new Solver(network)
  const again = await median(() => solver.solve(), 3000)
  const whole = await median(() => new Solver(network).solve(), 1000)
  line(
    `${name}: operating point, reference / ours, ready network`,
    `${(theirs / again).toFixed(0)} ×  (${ms(theirs)} / ${ms(again)})`,
  )
  line(
    `${name}: operating point, reference / ours, from its elements, the circuit compiled`,
    `${(theirs / whole).toFixed(0)} ×  (${ms(whole)})`,
  )
}

/** Every `n`th fault, so that `most` of them are spread over the whole circuit. */
const spread = (faults: readonly Fault[], usual: number): Fault[] => {
  const most = small ? 3 : usual
  const every = Math.ceil(faults.length / most)
  return faults.filter((_, i) => i % every === 0)
}

async function fullKey(circuit: Circuit, runs: number): Promise<void> {
  const faults = spread(possibleFaults(circuit), 60)
  const all = await median(() => faults.map((fault) => answerKey(circuit, [fault])), runs)
  line(
    `${circuit.name}: answer key, ${circuit.states.length} states × ${faults.length} faults, points, drops, bands`,
    ms(all),
  )
}

async function edit(circuit: Circuit): Promise<void> {
  let length = 1
  const one = await median(() => {
    length = length > 3 ? 1 : length + 0.01
    const edited = applyEdit(circuit, { type: 'setParameter', part: 'W1', name: 'length', value: length })
    if (!edited.ok) throw new Error(tell(edited.problem))
    return stateKey(edited.circuit, [], edited.circuit.states[0]!)
  }, 40)
  line(`${circuit.name}: an edit, re-wired and re-solved to the full key of its state`, ms(one))
}

const fifty = harnessCircuit(50, 6)
const fourHundred = harnessCircuit(400)
await operatingPoint(fifty.name, networkOf(fifty), 300)
await operatingPoint(fourHundred.name, networkOf(fourHundred), 60)
await fullKey(fifty, 8)
await fullKey(fourHundred, 5)
await edit(fourHundred)

console.log('\nGrowth with size: lamps on switches along a harness')
for (const nodes of small ? [50] : [50, 100, 200, 400, 800]) {
  const circuit = harnessCircuit(nodes)
  const wiring = wireUp(circuit)
  const solver = new Solver(networkOf(circuit))
  const point = await median(() => solver.solve(), 400)
  const key = await median(() => stateKey(circuit, [], circuit.states[0]!, { blown: new Set() }), 30)
  line(
    `${String(wiring.count).padStart(4)} nodes, ${circuit.paths.length} lamps`,
    `operating point ${ms(point)} (${((1e6 * point) / wiring.count).toFixed(0)} ns a node), key of a state ${ms(key)}`,
  )
}

console.log('\nThe demo circuits')
for (const name of small ? demoNames.slice(0, 2) : demoNames) {
  const circuit = demoCircuit(name)
  const network = networkOf(circuit)
  const solver = new Solver(network)
  const point = await median(() => solver.solve(), 1000)
  const board = await median(() => buildBoard(circuit, [], circuit.states[0]!), 300)
  const key = await median(() => answerKey(circuit, []), 20)
  line(
    `${name} (${network.nodeCount} nodes, ${circuit.states.length} states)`,
    `operating point ${ms(point)}, board ${ms(board)}, healthy key of all states ${ms(key)}`,
  )
}

console.log('\nJudging')
judging(line)
