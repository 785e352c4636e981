import { parseArgs } from 'node:util'
import { aftermath, solveBoard } from '../core/board'
import { readCircuitText } from '../core/editing'
import { wireUp, type Wiring } from '../core/model'
import { type Circuit, type CircuitState } from '../core/circuit'
import { readFaultSpec, type Fault } from '../core/faults'
import { keyToCsv, readSpice, toCsv, toSpice } from '../core/formats'
import {
  checkSettings,
  findInstrument,
  instrumentKeys,
  locate,
  workshopMeter,
  type Held,
  type Hold,
} from '../core/instruments'
import { tell } from '../core/words'
import { answerKey, deadRows, type AnswerKey } from '../core/readings'
import { Solver } from '../core/solve'
import { Ended, list, textOf } from './ended'

const help = `npm run key -- FILE [--state NAME] [--fault SPEC]… [--format json|csv]

Prints the answer key of a circuit.
  FILE           a circuit in our JSON format, or a SPICE netlist (.cir, .net, .sp, .spice)
  --state NAME   only this state, by its name or id (JSON circuits)
  --fault SPEC   plants a fault: PART[.SEGMENT]=KIND[:SEVERITY], such as X2=corroded:3;
                 may be given more than once (JSON circuits)
  --measure M    one reading, faults and all: INSTRUMENT RED BLACK by the points' short names, such as
                 "volts F1b B1-"; a clamp takes a measuring place or conductors, such as "clamp H1a" or
                 "clamp W3,W4"; what stands in a part's place names it, such as "testLamp:size=2 F1"; settings
                 stand behind colons, such as "ohms:zero=zeroed L1f L1g"; needs --state.
                 Instruments: INSTRUMENTS
  --pair A:B     ohms and continuity between two points with the battery's clamps lifted; needs --state
  --format F     csv (the default), json, or spice: the circuit itself in one --state as a SPICE netlist, lamps and
                 motors as behavioural sources, points named in comments
  --help         this text

A netlist may hold R, V, I and D elements, .model … D(IS= N= RS=), .op, comments, continuation lines and the
suffixes k meg m u n; its node voltages and element currents are printed.

Exit status: 0 printed; 1 the file cannot be taken in or solved; 2 the call is wrong.`

const helpText = help.replace('INSTRUMENTS', instrumentKeys.join(', '))

function options(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        state: { type: 'string' },
        fault: { type: 'string', multiple: true },
        measure: { type: 'string', multiple: true },
        pair: { type: 'string', multiple: true },
        format: { type: 'string', default: 'csv' },
        help: { type: 'boolean', default: false },
      },
    })
  } catch (error) {
    throw new Ended(2, error instanceof Error ? error.message : String(error))
  }
}

function keyOfCircuit(
  file: string,
  stateName: string | undefined,
  specs: readonly string[],
): { circuit: Circuit; faults: Fault[]; healthy: AnswerKey; faulted?: AnswerKey } {
  const { circuit, faults } = circuitOf(file, stateName, specs)
  const healthy = answerKey(circuit, [])
  return { circuit, faults, healthy, ...(faults.length && { faulted: answerKey(circuit, faults) }) }
}

function circuitOf(
  file: string,
  stateName: string | undefined,
  specs: readonly string[],
): { circuit: Circuit; faults: Fault[] } {
  const read = readCircuitText(textOf(file))
  if (!read.ok) throw new Ended(1, list(file, read.problems))
  const circuit = onlyState(read.value, stateName)
  const faults = specs.map((spec): Fault => {
    const found = readFaultSpec(circuit, spec)
    if (!found.ok) throw new Ended(2, tell(found.why))
    return found.fault
  })
  return { circuit, faults }
}

interface Answer {
  readonly asked: string
  readonly reading: string
  readonly value: number | undefined
  readonly notes: string
}

const told = (answers: readonly Answer[], format: string): string =>
  format === 'json'
    ? JSON.stringify(answers, null, 2)
    : toCsv(
        ['asked', 'reading', 'value', 'notes'],
        answers.map((a) => [a.asked, a.reading.replace(/\u00a0/g, ' '), a.value, a.notes]),
      )

const stateOf = (circuit: Circuit, name: string): CircuitState =>
  circuit.states.find((s) => s.name === name || s.id === name)!

/** An instrument as it is written: its key, and settings behind colons, such as `ohms:zero=zeroed`. */
function measured(circuit: Circuit, faults: readonly Fault[], state: CircuitState, asked: string): Answer {
  const [written = '', ...at] = asked.trim().split(/\s+/)
  const [key = '', ...set] = written.split(':')
  const instrument = findInstrument(key)
  if (!instrument)
    throw new Ended(2, `there is no instrument “${key}”: there are ${instrumentKeys.join(', ')}`)
  const said = Object.fromEntries(set.map((one) => one.split('=') as [string, string]))
  const checked = checkSettings(instrument, said)
  if (!checked.ok) throw new Ended(2, `“${asked}”: ${tell(checked.why)}`)
  const located = locate(circuit, wireUp(circuit), heldAt(instrument.holds, at, asked))
  if (!located.ok) throw new Ended(2, `“${asked}”: ${tell(located.why)}`)
  const solved = solveBoard(circuit, faults, state)
  if (!solved.ok) throw new Ended(1, tell(solved.why))
  const answer = instrument.read({
    solved,
    place: located.place,
    settings: checked.settings,
    meter: workshopMeter,
  })
  const reading = answer.text || answer.word || ''
  return { asked, reading, value: answer.value, notes: answer.signs.map(tell).join('; ') }
}

/** Two names are two leads; one is a part in whose place it stands, or what the jaws go round. */
function heldAt(holds: readonly Hold[], at: readonly string[], asked: string): Held {
  const [first = '', second] = at
  if (holds.includes('posts')) return { type: 'posts' }
  if (holds.includes('jaws')) return { type: 'jaws', round: first.split(',') }
  if (holds.includes('spots')) return { type: 'spots', part: first }
  if (holds.includes('at')) return { type: 'at', part: first }
  if (second !== undefined && at.length === 2) return { type: 'leads', red: first, black: second }
  const gap = holds.find((hold) => hold === 'series' || hold === 'inPlaceOf')
  if (gap && first && at.length === 1) return { type: gap, part: first }
  throw new Ended(2, `“${asked}”: two points are expected, red and black`)
}

function pointOf(wiring: Wiring, name: string): number {
  const point = wiring.find(name)
  if (!point || point.inside)
    throw new Ended(
      2,
      `there is no point “${name}”: there are ${wiring.points
        .filter((p) => !p.inside)
        .map((p) => p.name)
        .join(', ')}`,
    )
  return point.node
}

function paired(circuit: Circuit, faults: readonly Fault[], state: CircuitState, asked: string): Answer[] {
  const wiring = wireUp(circuit)
  const [a, b] = asked.split(':').map((name) => pointOf(wiring, name))
  if (a === undefined || b === undefined) throw new Ended(2, `“${asked}”: a pair is written A:B`)
  const [row] = deadRows(circuit, faults, state, [[a, b]], workshopMeter, aftermath(circuit, faults))
  if (!row) throw new Ended(1, 'no equilibrium found with the clamps lifted')
  return [
    { asked: `ohms ${asked}`, reading: row.ohms.text, value: row.ohms.value, notes: '' },
    {
      asked: `continuity ${asked}`,
      reading: row.continuity.beeps ? 'beep' : 'no beep',
      value: row.continuity.value,
      notes: '',
    },
  ]
}

function onlyState(circuit: Circuit, name: string | undefined): Circuit {
  if (name === undefined) return circuit
  const states = circuit.states.filter((s) => s.name === name || s.id === name)
  if (states.length === 0)
    throw new Ended(
      2,
      `there is no state “${name}”: there are ${circuit.states.map((s) => s.name).join(', ')}`,
    )
  // States that it was entered from stay, so that what latched there stays latched.
  const needed = new Set(states.map((s) => s.after))
  return { ...circuit, states: circuit.states.filter((s) => needed.has(s.id) || states.includes(s)) }
}

function keyOfNetlist(file: string, format: string): string {
  const read = readSpice(textOf(file))
  if (!read.ok) throw new Ended(1, list(file, read.problems))
  const { network, nodeNames, title } = read.value
  const solved = new Solver(network).solve()
  if (!solved.ok) {
    const near = solved.nodes.map((node) => nodeNames[node]).join(', ')
    throw new Ended(1, `${file}: ${tell(solved.why)}${near ? ` (near node ${near})` : ''}`)
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

function main(args: readonly string[]): string {
  const { values, positionals } = options(args)
  if (values.help) return helpText
  const [file, ...more] = positionals
  if (!file || more.length) throw new Ended(2, `one file is expected\n\n${helpText}`)
  if (!['csv', 'json', 'spice'].includes(values.format))
    throw new Ended(2, `--format is csv, json or spice, not “${values.format}”`)
  if (/\.(cir|net|sp|spice)$/i.test(file)) {
    if (values.state !== undefined || values.fault)
      throw new Ended(2, 'a netlist has no states and no faults: leave --state and --fault out')
    return keyOfNetlist(file, values.format)
  }
  if (values.format === 'spice') {
    if (values.state === undefined) throw new Ended(2, '--format spice needs --state')
    const { circuit, faults } = circuitOf(file, values.state, values.fault ?? [])
    const solved = solveBoard(circuit, faults, stateOf(circuit, values.state))
    if (!solved.ok) throw new Ended(1, tell(solved.why))
    const names = new Map(solved.board.wiring.points.map((p) => [p.node, p.name]))
    return toSpice(solved.board, `${circuit.name}: ${values.state}`, names).trimEnd()
  }
  if (values.measure || values.pair) {
    if (values.state === undefined) throw new Ended(2, '--measure and --pair need --state')
    const name = values.state
    const { circuit, faults } = circuitOf(file, name, values.fault ?? [])
    return told(
      [
        ...(values.measure ?? []).map((m) => measured(circuit, faults, stateOf(circuit, name), m)),
        ...(values.pair ?? []).flatMap((p) => paired(circuit, faults, stateOf(circuit, name), p)),
      ],
      values.format,
    )
  }
  const { circuit, faults, healthy, faulted } = keyOfCircuit(file, values.state, values.fault ?? [])
  return values.format === 'json'
    ? JSON.stringify({ healthy, faulted }, null, 2)
    : keyToCsv(healthy, faulted, tell, { circuit, faults })
}

export interface Printed {
  readonly status: 0 | 1 | 2
  readonly stdout: string
  readonly stderr: string
}

/** Runs the command on its arguments, as a shell hands them over. */
export function runKey(args: readonly string[]): Printed {
  try {
    return { status: 0, stdout: `${main(args)}\n`, stderr: '' }
  } catch (error) {
    if (!(error instanceof Ended)) throw error
    return { status: error.status, stdout: '', stderr: `${error.message}\n` }
  }
}
