import { circuitFormat, circuitVersion, readCircuit, type Circuit, type Problem, type Read } from '../circuit'
import { nextId } from '../circuit'
import { readSpice } from './spice-read'

/**
 * A netlist as a circuit of the library: its voltage sources become bench supplies, its resistors and diodes parts of
 * their own, each on a path between the nodes that it joins. Current sources have no part that would be one, and the
 * reference must be the minus of a source: what does not fit is told by name and nothing comes in.
 */
export function circuitOfSpice(source: string): Read<Circuit> {
  const read = readSpice(source)
  if (!read.ok) return read
  const { network, nodeNames, title } = read.value
  const problems: Problem[] = []
  const parts: { id: string; kind: string; name: string; parameters: Record<string, unknown> }[] = []
  /** Terminal that stands for each node. */
  const terminal = new Map<number, string>()
  const paths: object[] = []
  const add = (kind: string, name: string, parameters: Record<string, unknown>) => {
    const id = nextId(parts, kind)
    parts.push({ id, kind, name, parameters })
    return id
  }
  const meet = (node: number, own: string): string => {
    const known = terminal.get(node)
    if (!known) terminal.set(node, own)
    return known ?? own
  }
  // Sources first, that which stands on the reference before all others: its minus is where volts are counted from.
  const sources = network.elements.filter((e) => e.type === 'ideal')
  const first = sources.find((e) => e.b === 0) ?? sources.find((e) => e.a === 0)
  if (!first)
    return {
      ok: false,
      problems: [
        { where: 'file', what: 'No voltage source stands on node 0: a circuit needs its source there' },
      ],
    }
  for (const e of [first, ...sources.filter((s) => s !== first)]) {
    const name = e.owner.part
    const [plus, minus, volts] =
      e.volts < 0 || (e === first && e.a === 0 && e.b !== 0) ? [e.b, e.a, -e.volts] : [e.a, e.b, e.volts]
    if (!(volts >= 0.1 && volts <= 60)) {
      problems.push({ where: name, what: `${name} of ${volts} V: a bench supply gives 0.1 to 60 V` })
      continue
    }
    const id = add('benchSupply', name, { volts, ohms: 1e-6, clampOhms: 0 })
    if (e !== first)
      paths.push({
        id: name,
        name,
        from: meet(plus, `${id}.p`),
        to: meet(minus, `${id}.n`),
        steps: [{ part: id }],
      })
    else {
      meet(plus, `${id}.p`)
      meet(minus, `${id}.n`)
    }
  }
  for (const e of network.elements) {
    const name = e.owner.part
    if (e.type === 'ideal') continue
    const id =
      e.type === 'resistor' && e.ohms >= 0.01 && e.ohms <= 1e6
        ? add('resistor', name, { ohms: e.ohms, ratedPower: 500 })
        : undefined
    if (!id) {
      const why =
        e.type === 'resistor'
          ? `${e.ohms} Ω: a resistor here has 0.01 Ω to 1 MΩ`
          : e.type === 'current'
            ? 'a current source has no part here'
            : 'a diode of a model of its own is solved on the command line only'
      problems.push({ where: name, what: `${name}: ${why}` })
      continue
    }
    paths.push({
      id: name,
      name,
      from: meet(e.a, `${id}.a`),
      to: meet(e.b, `${id}.b`),
      steps: [{ part: id }],
    })
  }
  if (problems.length) return { ok: false, problems }
  return readCircuit(
    {
      format: circuitFormat,
      version: circuitVersion,
      name: title.slice(0, 120) || 'Netlist',
      note: `From a netlist of ${nodeNames.length} nodes.`,
      parts,
      paths,
      states: [{ id: 'on', name: 'on' }],
    },
    { unfinished: true },
  )
}
