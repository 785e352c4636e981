import { readFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
import { readCircuitText, type Circuit, type Problem } from '../core/circuit'
import { readFaultSpec, type Fault } from '../core/faults'
import { keyToCsv, readSpice, toCsv } from '../core/formats'
import { answerKey, type AnswerKey } from '../core/readings'
import { Solver } from '../core/solve'

const help = `npm run key -- FILE [--state NAME] [--fault SPEC]… [--format json|csv]

Prints the answer key of a circuit.
  FILE           a circuit in our JSON format, or a SPICE netlist (.cir, .net, .sp, .spice)
  --state NAME   only this state, by its name or id (JSON circuits)
  --fault SPEC   plants a fault: PART[.SEGMENT]=KIND[:SEVERITY], such as X2=corroded:3;
                 may be given more than once (JSON circuits)
  --format F     csv (the default) or json
  --help         this text

A netlist may hold R, V, I and D elements, .model … D(IS= N= RS=), .op, comments, continuation lines and the
suffixes k meg m u n; its node voltages and element currents are printed.

Exit status: 0 printed; 1 the file cannot be taken in or solved; 2 the call is wrong.`

class Ended extends Error {
  constructor(
    readonly status: 1 | 2,
    message: string,
  ) {
    super(message)
  }
}

function options() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        state: { type: 'string' },
        fault: { type: 'string', multiple: true },
        format: { type: 'string', default: 'csv' },
        help: { type: 'boolean', default: false },
      },
    })
  } catch (error) {
    throw new Ended(2, error instanceof Error ? error.message : String(error))
  }
}

const list = (file: string, problems: readonly Problem[]) =>
  problems.map((p) => `${file}: ${p.where}: ${p.what}`).join('\n')

function textOf(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    throw new Ended(1, `${file}: this file cannot be read`)
  }
}

function keyOfCircuit(
  file: string,
  stateName: string | undefined,
  specs: readonly string[],
): { healthy: AnswerKey; faulted?: AnswerKey } {
  const read = readCircuitText(textOf(file))
  if (!read.ok) throw new Ended(1, list(file, read.problems))
  const circuit = onlyState(read.value, stateName)
  const faults = specs.map((spec): Fault => {
    const found = readFaultSpec(circuit, spec)
    if (!found.ok) throw new Ended(2, found.message)
    return found.fault
  })
  const healthy = answerKey(circuit, [])
  return faults.length ? { healthy, faulted: answerKey(circuit, faults) } : { healthy }
}

function onlyState(circuit: Circuit, name: string | undefined): Circuit {
  if (name === undefined) return circuit
  const states = circuit.states.filter((s) => s.name === name || s.id === name)
  if (states.length === 0)
    throw new Ended(
      2,
      `there is no state “${name}”: there are ${circuit.states.map((s) => s.name).join(', ')}`,
    )
  return { ...circuit, states }
}

function keyOfNetlist(file: string, format: string): string {
  const read = readSpice(textOf(file))
  if (!read.ok) throw new Ended(1, list(file, read.problems))
  const { network, nodeNames, title } = read.value
  const solved = new Solver(network).solve()
  if (!solved.ok) {
    const near = solved.nodes.map((node) => nodeNames[node]).join(', ')
    throw new Ended(1, `${file}: ${solved.message}${near ? ` (near node ${near})` : ''}`)
  }
  const nodes = nodeNames.map((name, i) => ({
    node: name,
    volts: solved.island[i] === 0 ? solved.voltage[i] : undefined,
  }))
  const elements = network.elements.map((e, i) => ({ element: e.owner.part, amps: solved.current[i] }))
  if (format === 'json') return JSON.stringify({ title, nodes, elements }, null, 2)
  return toCsv(
    ['quantity', 'at', 'value', 'unit'],
    [
      ...nodes.map((n) => ['voltage', n.node, n.volts ?? 'floating', 'V']),
      ...elements.map((e) => ['current', e.element, e.amps, 'A']),
    ],
  )
}

function main(): string {
  const { values, positionals } = options()
  if (values.help) return help
  const [file, ...more] = positionals
  if (!file || more.length) throw new Ended(2, `one file is expected\n\n${help}`)
  if (values.format !== 'csv' && values.format !== 'json')
    throw new Ended(2, `--format is csv or json, not “${values.format}”`)
  if (/\.(cir|net|sp|spice)$/i.test(file)) {
    if (values.state !== undefined || values.fault)
      throw new Ended(2, 'a netlist has no states and no faults: leave --state and --fault out')
    return keyOfNetlist(file, values.format)
  }
  const { healthy, faulted } = keyOfCircuit(file, values.state, values.fault ?? [])
  return values.format === 'json' ? JSON.stringify({ healthy, faulted }, null, 2) : keyToCsv(healthy, faulted)
}

try {
  console.log(main())
} catch (error) {
  if (!(error instanceof Ended)) throw error
  console.error(error.message)
  process.exitCode = error.status
}
