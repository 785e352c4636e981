import { type Message, type Problem, type Read, say } from '../document'
import { junctionLaw } from '../parts/junction'
import type { Element, Network } from '../solve'

/** A netlist that was read: the network, and the name of each node (node 0 is "0"). */
export interface PlainCircuit {
  readonly title: string
  readonly network: Network
  readonly nodeNames: readonly string[]
  /** Diodes as they were written, by name: their elements above carry laws only. */
  readonly diodes: ReadonlyMap<string, SpiceDiode>
}

export interface SpiceDiode {
  readonly a: number
  readonly b: number
  readonly saturation: number
  readonly emission: number
  readonly ohms: number
}

/** SPICE's default temperature, 27 °C. */
export const spiceKelvin = 300.15

const suffixes: readonly (readonly [string, number])[] = [
  ['meg', 1e6],
  ['mil', 25.4e-6],
  ['t', 1e12],
  ['g', 1e9],
  ['k', 1e3],
  ['m', 1e-3],
  ['u', 1e-6],
  ['n', 1e-9],
  ['p', 1e-12],
  ['f', 1e-15],
]

/**
 * A number with SPICE's suffixes; letters after a suffix are units and ignored. Undefined if it is none.
 * @returns SI, without unit
 */
export function spiceNumber(text: string): number | undefined {
  const found = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)([a-z]*)$/i.exec(text)
  if (!found) return undefined
  const letters = found[2]!.toLowerCase()
  const scale = suffixes.find(([suffix]) => letters.startsWith(suffix))?.[1] ?? 1
  return Number(found[1]) * scale
}

interface Line {
  readonly number: number
  readonly text: string
}

/** Joins continuation lines (`+ …`), drops comments (`*` lines, and what follows `;` or `$ `). */
function logicalLines(source: string): Line[] {
  const lines: { number: number; text: string }[] = []
  source.split(/\r?\n/).forEach((raw, i) => {
    const text = raw.replace(/;.*$|\$ .*$/, '').trim()
    // A continuation of a line that is blank stands by itself.
    if (text.startsWith('+') && lines.length)
      lines[lines.length - 1]!.text = `${lines[lines.length - 1]!.text} ${text.slice(1)}`.trim()
    else lines.push({ number: i + 1, text })
  })
  return lines
}

const accepted = 'R, V, I and D elements, .model … D, .op, .options, .end'

/**
 * Reads a documented subset of SPICE: `R`, `V`, `I` (a DC value), `D` with `.model NAME D(IS= N= RS=)`, comments,
 * continuation lines, engineering suffixes, node 0. As everywhere, the first line is the title. Problems name the line.
 */
export function readSpice(source: string): Read<PlainCircuit> {
  const problems: Problem[] = []
  const [first, ...rest] = logicalLines(source)
  const refuse = (line: Line, why: Message) => problems.push({ where: `line ${line.number}`, ...why })
  const numbers = new Map<string, number>([['0', 0]])
  const nodeOf = (name: string) => {
    const key = name.toLowerCase() === 'gnd' ? '0' : name.toLowerCase()
    if (!numbers.has(key)) numbers.set(key, numbers.size)
    return numbers.get(key)!
  }
  const body: Line[] = []
  for (const line of rest) {
    if (/^\.end$/i.test(line.text)) break
    if (line.text && !line.text.startsWith('*')) body.push(line)
  }
  const models = new Map<string, Readonly<Record<string, number>>>()
  for (const line of body.filter((l) => /^\.model\b/i.test(l.text))) {
    const found = /^\.model\s+(\S+)\s+(\w+)\s*\(?([^)]*)\)?$/i.exec(line.text)
    if (!found || found[2]!.toLowerCase() !== 'd') {
      refuse(line, say('formats.model'))
      continue
    }
    const pairs = [...found[3]!.matchAll(/(\w+)\s*=\s*(\S+)/g)].map(
      ([, key, value]) => [key!.toLowerCase(), spiceNumber(value!)] as const,
    )
    const wrong = pairs.find(([key, value]) => value === undefined || !['is', 'n', 'rs'].includes(key))
    if (wrong) refuse(line, say('formats.modelValue', { key: wrong[0] }))
    else models.set(found[1]!.toLowerCase(), Object.fromEntries(pairs) as Record<string, number>)
  }
  const elements: Element[] = []
  const diodes = new Map<string, SpiceDiode>()
  const seen = new Set<string>()
  let inner = 0
  for (const line of body.filter((l) => !l.text.startsWith('.'))) {
    const [name = '', a, b, ...values] = line.text.split(/\s+/)
    const letter = name[0]!.toLowerCase()
    if (!['r', 'v', 'i', 'd'].includes(letter)) {
      refuse(line, say('formats.notUnderstood', { word: name, accepted }))
      continue
    }
    if (seen.has(name.toLowerCase())) refuse(line, say('formats.twice', { name }))
    seen.add(name.toLowerCase())
    if (a === undefined || b === undefined || values.length === 0) {
      refuse(line, say(letter === 'd' ? 'formats.needsModel' : 'formats.needsValue', { name }))
      continue
    }
    const joined = { a: nodeOf(a), b: nodeOf(b), owner: { part: name, segment: 'element' } }
    if (letter === 'd') {
      const model = models.get(values[0]!.toLowerCase())
      if (!model) {
        refuse(line, say('formats.noModel', { model: values[0]!, name }))
        continue
      }
      const { is: saturation = 1e-14, n: emission = 1, rs: ohms = 0 } = model
      diodes.set(name, { a: joined.a, b: joined.b, saturation, emission, ohms })
      const law = junctionLaw({ saturation, emission, kelvin: spiceKelvin })
      if (model.rs) {
        const middle = nodeOf(`${name}#${inner++}`)
        elements.push({ type: 'resistor', ...joined, b: middle, ohms: model.rs })
        elements.push({ type: 'nonlinear', ...joined, a: middle, law })
      } else elements.push({ type: 'nonlinear', ...joined, law })
      continue
    }
    const text = values[0]!.toLowerCase() === 'dc' ? values[1] : values[0]
    const value = text === undefined ? undefined : spiceNumber(text)
    if (value === undefined) refuse(line, say('formats.noValue', { text: text ?? '', name }))
    else if (letter === 'r' && !(value > 0)) refuse(line, say('formats.aboveZero', { name }))
    else if (letter === 'r') elements.push({ type: 'resistor', ...joined, ohms: value })
    else if (letter === 'v') elements.push({ type: 'ideal', ...joined, volts: value })
    // SPICE counts a current source from its first node through itself to the second.
    else elements.push({ type: 'current', ...joined, a: joined.b, b: joined.a, amps: value })
  }
  for (const line of body.filter(
    (l) => l.text.startsWith('.') && !/^\.(model|op|options?)\b/i.test(l.text),
  )) {
    refuse(line, say('formats.notUnderstood', { word: line.text.split(/\s/)[0]!, accepted }))
  }
  if (!problems.length && elements.length === 0)
    problems.push({ where: 'file', ...say('formats.empty', { accepted }) })
  if (!problems.length && !elements.some((e) => e.a === 0 || e.b === 0))
    problems.push({ where: 'file', ...say('formats.noReference') })
  if (problems.length) return { ok: false, problems }
  const nodeNames = [...numbers.keys()]
  return {
    ok: true,
    value: {
      title: first?.text.replace(/^\*\s*/, '') ?? '',
      network: { nodeCount: nodeNames.length, elements },
      nodeNames,
      diodes,
    },
  }
}
