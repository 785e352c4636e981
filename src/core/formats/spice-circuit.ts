import { type Problem, type Read, say } from '../document'
import { circuitFormat, circuitVersion, type Circuit } from '../circuit'
import { readCircuit, nextId } from '../editing'
import { kneeVolts } from '../parts/curve-diode'
import { partOfKind } from '../parts'
import { Solver } from '../solve'
import { readSpice, spiceKelvin } from './spice-read'

/**
 * A netlist as a circuit of the library: its voltage sources become bench supplies, its resistors and diodes parts of
 * their own, each on a path between the nodes that it joins. A current source that takes power is an electronic load;
 * one that gives it is nothing that stands in a workshop. The reference must be the minus of a source. What does not
 * fit is told by name and nothing comes in.
 */
export function circuitOfSpice(source: string): Read<Circuit> {
  const read = readSpice(source)
  if (!read.ok) return read
  const { network, nodeNames, title, diodes } = read.value
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
  const join = (name: string, id: string, [a, from]: [number, string], [b, to]: [number, string]) =>
    paths.push({
      id: name,
      name,
      from: meet(a, `${id}.${from}`),
      to: meet(b, `${id}.${to}`),
      steps: [{ part: id }],
    })
  const solved = new Solver(network).solve()
  /** The element drives its amps into `a`: what flows through it goes from b to a. */
  const draw = (name: string, { a, b, amps }: { a: number; b: number; amps: number }) => {
    const [from, to] = amps < 0 ? [a, b] : [b, a]
    const volts = solved.ok ? solved.voltage[from]! - solved.voltage[to]! : 0
    const size = Math.abs(amps)
    if (volts < 1)
      problems.push({
        where: name,
        ...say('formats.givesPower', { name }),
      })
    else if (size < 0.001 || size > 200)
      problems.push({ where: name, ...say('formats.loadSize', { name, amps: { shown: String(size) } }) })
    else join(name, add('electronicLoad', name, { amps: size }), [from, 'a'], [to, 'b'])
  }
  // Sources first, that which stands on the reference before all others: its minus is where volts are counted from.
  const sources = network.elements.filter((e) => e.type === 'ideal')
  const first = sources.find((e) => e.b === 0) ?? sources.find((e) => e.a === 0)
  if (!first)
    return {
      ok: false,
      problems: [{ where: 'file', ...say('formats.noSource') }],
    }
  for (const e of [first, ...sources.filter((s) => s !== first)]) {
    const name = e.owner.part
    const [plus, minus, volts] =
      e.volts < 0 || (e === first && e.a === 0 && e.b !== 0) ? [e.b, e.a, -e.volts] : [e.a, e.b, e.volts]
    if (!(volts >= 0.1 && volts <= 60)) {
      problems.push({ where: name, ...say('formats.supplySize', { name, volts: { shown: String(volts) } }) })
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
    // A diode is put in once, from its model, for the elements that it was read as.
    if (diodes.has(name)) continue
    if (e.type === 'current') {
      draw(name, e)
      continue
    }
    if (e.type !== 'resistor' || e.ohms < 0.01 || e.ohms > 1e6) {
      problems.push({
        where: name,
        ...(e.type === 'resistor'
          ? say('formats.resistorSize', { name, ohms: { shown: String(e.ohms) } })
          : say('formats.notKnown', { name })),
      })
      continue
    }
    join(name, add('resistor', name, { ohms: e.ohms, ratedPower: 500 }), [e.a, 'a'], [e.b, 'b'])
  }
  for (const [name, { a, b, saturation, emission, ohms }] of diodes) {
    const volts = kneeVolts(saturation, emission, spiceKelvin)
    const { shape } = partOfKind('curveDiode').parameters
    const values = { kneeVolts: volts, emission, ohms }
    const wrong = Object.entries(values).find(([key, value]) => !shape[key]!.safeParse(value).success)
    if (wrong)
      problems.push({
        where: name,
        ...say(wrong[0] === 'kneeVolts' ? 'formats.diodeKnee' : 'formats.diodeValue', {
          name,
          key: wrong[0],
          value: { shown: wrong[1].toPrecision(3) },
        }),
      })
    else join(name, add('curveDiode', name, values), [a, 'a'], [b, 'k'])
  }
  if (problems.length) return { ok: false, problems }
  return readCircuit(
    {
      format: circuitFormat,
      version: circuitVersion,
      name: title.slice(0, 120) || 'Netlist',
      // SPICE's own temperature, at which its diodes are given.
      temperature: 27,
      note: `From a netlist of ${nodeNames.length} nodes.`,
      parts,
      paths,
      states: [{ id: 'on', name: 'on' }],
    },
    { unfinished: true },
  )
}
