import { problemsOf, type Message, within, messageOf, verbatim, say } from '../document'
import { refOf, systemOf, type Circuit, type TerminalRef } from '../circuit'
import { partOfKind, readParameters, parts as partKinds, type AnyPart, type FieldMeta } from '../parts'
import { areaOfGauge, parseQuantity, type Unit } from '../quantity'
import type { Item } from './build'
import { wireUp } from '../model'

/** What a typed line says: a stretch of path, and where it begins and ends if it says so. */
export type Quick =
  | {
      readonly ok: true
      readonly items: readonly Item[]
      /** What each item will be, as it is shown before it is taken. */
      readonly shown: readonly Message[]
      readonly from?: TerminalRef
      readonly to?: TerminalRef
    }
  | { readonly ok: false; readonly why: Message; readonly at: number }

/**
 * Reads a line such as `fuse 15, wire 2.5 3 m, relay, wire 2.5, fan 16 A "cooling fan"`: parts in the order in which the
 * current meets them, each with its main values. Values with a unit find their own field; bare numbers are the part's main
 * values in order; words that mean nothing else are its name. `K1.86` passes a part that is there; `from F1b:` and `to G1e` say
 * where the stretch begins and ends.
 */
export function readQuick(circuit: Circuit, line: string): Quick {
  let rest = line
  let offset = 0
  let from: TerminalRef | undefined
  const start = /^\s*from\s+(\S+?)\s*:\s*/i.exec(rest)
  if (start) {
    const found = terminalAt(circuit, start[1]!)
    if (!found) return { ok: false, why: say('circuit.noPoint', { name: start[1]! }), at: 0 }
    from = found
    rest = rest.slice(start[0].length)
    offset = start[0].length
  }
  let to: TerminalRef | undefined
  const end = /(?:^|[\s,])to\s+(\S+)\s*$/i.exec(rest)
  if (end) {
    const found = terminalAt(circuit, end[1]!)
    if (!found) return { ok: false, why: say('circuit.noPoint', { name: end[1]! }), at: offset + end.index }
    to = found
    rest = rest.slice(0, end.index)
  }
  const items: Item[] = []
  const shown: Message[] = []
  for (const piece of piecesOf(rest)) {
    if (!piece.text.trim()) continue
    const read = readItem(circuit, piece.text.trim())
    if (!read.ok) return { ...read, at: offset + piece.at }
    items.push(read.item)
    shown.push(read.shown)
  }
  if (!items.length && !from && !to) return { ok: false, why: say('circuit.typePart'), at: 0 }
  return { ok: true, items, shown, ...(from && { from }), ...(to && { to }) }
}

/** Splits at commas, but not within quotes. */
function piecesOf(text: string): { text: string; at: number }[] {
  return [...text.matchAll(/(?:"[^"]*"?|[^,"])+/g)].map((m) => ({ text: m[0], at: m.index }))
}

type ReadItem =
  | { readonly ok: true; readonly item: Item; readonly shown: Message }
  | { readonly ok: false; readonly why: Message }

function readItem(circuit: Circuit, text: string): ReadItem {
  const pass = /^([A-Za-z]{1,3}[0-9]{1,3})(?:[.\s]+(\S+?)(?:\s*[-–>]+\s*(\S+))?)?$/.exec(text)
  const known = pass && circuit.parts.find((p) => p.id === pass[1]!.toUpperCase())
  if (pass && known) return readPass(circuit, known.id, pass[2], pass[3])
  const found = kindAt(text)
  if (!found) {
    return {
      ok: false,
      why: say('circuit.isNoPart', { word: text.split(/\s/)[0]!, words: suggestions('').slice(0, 6) }),
    }
  }
  return readNew(circuit, found.definition, text.slice(found.length))
}

/** Words that each kind goes by, longest first, so that `key switch` is not a switch. */
const words: readonly { word: string; definition: AnyPart }[] = partKinds
  .flatMap((definition) => definition.quick.words.map((word) => ({ word, definition })))
  .sort((a, b) => b.word.length - a.word.length)

function kindAt(text: string): { definition: AnyPart; length: number } | undefined {
  const low = text.toLowerCase()
  const whole = words.find(({ word }) => low.startsWith(word) && !/[a-z]/.test(low[word.length] ?? ' '))
  if (whole) return { definition: whole.definition, length: whole.word.length }
  // A word that is not finished yet means the first kind that begins so.
  const begun = /^[a-z-]{2,}/.exec(low)?.[0]
  const likely = begun && words.toReversed().find(({ word }) => word.startsWith(begun))
  return likely ? { definition: likely.definition, length: begun.length } : undefined
}

/** Names of kinds that begin with what is typed, for the list under the field. */
export function suggestions(begun: string): string[] {
  const low = begun.trim().toLowerCase()
  return partKinds
    .filter((definition) => definition.role !== 'source')
    .flatMap((definition) => {
      const all = definition.quick.words
      const found = low ? all.find((word) => word.startsWith(low)) : all[0]
      return found ? [found] : []
    })
}

function readNew(circuit: Circuit, definition: AnyPart, text: string): ReadItem {
  const fields = Object.entries(definition.parameters.shape).flatMap(([name, schema]) => {
    const meta = (schema as { meta: () => FieldMeta | undefined }).meta()
    return meta ? [{ name, ...meta }] : []
  })
  const said: Record<string, number | string> = {}
  const bare: number[] = []
  const name: string[] = []
  const free = (unit: string) => {
    const main = definition.quick.main ?? []
    const rank = (field: string) => (main.includes(field) ? main.indexOf(field) : 99)
    return fields
      .filter((f) => f.unit === unit && !f.options && !(f.name in said))
      .sort((a, b) => rank(a.name) - rank(b.name))[0]
  }
  const tokens = [...text.matchAll(/"([^"]*)"?|(\S+)/g)]
  for (let i = 0; i < tokens.length; i++) {
    const quoted = tokens[i]![1]
    if (quoted !== undefined) {
      name.push(quoted)
      continue
    }
    const token = tokens[i]![2]!
    const next = tokens[i + 1]?.[2]
    if (/^awg$/i.test(token) && next && /^[0-9]+$/.test(next)) {
      const field = free('mm²')
      if (field) said[field.name] = Number(areaOfGauge(Number(next)).toPrecision(4))
      i++
      continue
    }
    // A number, its unit attached or following.
    const value = /^[-−]?[0-9]/.test(token) ? readValue(token, next, free) : undefined
    if (value) {
      if (value.field) said[value.field] = value.number
      else bare.push(value.number)
      i += value.taken
      continue
    }
    const option = fields.find((f) => optionSaid(f, token))
    if (option && !(option.name in said)) {
      said[option.name] = optionSaid(option, token)!
      continue
    }
    name.push(token)
  }
  const order = (definition.quick.main ?? []).filter((field) => !(field in said))
  for (const [i, number] of bare.entries()) {
    const field = order[i]
    if (!field)
      return {
        ok: false,
        why: say('circuit.whatIs', { title: messageOf(definition.title), number: { shown: String(number) } }),
      }
    said[field] = number
  }
  const parameters = { ...presets(circuit, definition, said), ...said }
  const checked = readParameters(definition, parameters)
  if (!checked.success) {
    const [why] = problemsOf(checked.error)
    return { ok: false, why: say('circuit.within', { title: messageOf(definition.title), why: why! }) }
  }
  const title = name.join(' ').trim()
  return {
    ok: true,
    item: { new: { kind: definition.kind, name: title, parameters } },
    shown: say('circuit.typed', {
      name: title || within(definition.title),
      values: messageOf(definition.summary(checked.data)),
    }),
  }
}

const unitWords: Readonly<Record<string, string>> = {
  mm2: 'mm²',
  qmm: 'mm²',
  ohm: 'Ω',
  ohms: 'Ω',
  a: 'A',
  v: 'V',
  w: 'W',
}

function readValue(
  token: string,
  next: string | undefined,
  free: (unit: string) => { name: string } | undefined,
): { number: number; field?: string; taken: number } | undefined {
  const plain = /^[-−]?[0-9.,]+$/.test(token)
  const attached = /^([-−]?[0-9.,]+)([a-zA-ZµΩ²°%][a-zA-Z0-9µΩ²°%]*)$/.exec(token)
  const number = attached?.[1] ?? token
  const unit = attached?.[2] ?? (plain && next && !/^[-−]?[0-9]/.test(next) ? next : undefined)
  const taken = attached ? 0 : 1
  if (unit) {
    const written = unitWords[unit.toLowerCase()] ?? unit
    for (const u of ['mm²', 'm', 'A', 'V', 'W', 'Ω', '%', 'H', 'K', '°C'] as const) {
      const read = parseQuantity(`${number} ${written}`, u as Unit)
      const field = read.ok ? free(u) : undefined
      // A bare number reads in every unit: the unit itself has to be there.
      if (read.ok && field && written.endsWith(u.replace('Ω', '')) && /[^0-9.,\s]/.test(written))
        return { number: read.value, field: field.name, taken }
    }
  }
  const read = parseQuantity(number, '')
  return plain && read.ok ? { number: read.value, taken: 0 } : undefined
}

/** Values that follow from the system's volts and from what was said. */
export function presets(
  circuit: Circuit,
  definition: AnyPart,
  said: Readonly<Record<string, unknown>> = {},
): Record<string, number> {
  const system = systemOf(circuit).nominal
  const numbers = Object.fromEntries(
    Object.entries(said).filter((entry): entry is [string, number] => typeof entry[1] === 'number'),
  )
  const volts: Record<string, number> =
    'ratedVoltage' in definition.parameters.shape && !definition.quick.ownVolts
      ? { ratedVoltage: system }
      : {}
  return { ...volts, ...definition.quick.fill?.({ ...volts, ...numbers, system }) }
}

/** A pass through a part that is there, by its pins' own names: `K1.86`, `K1.86-85`. */
function readPass(
  circuit: Circuit,
  id: string,
  enter: string | undefined,
  leave: string | undefined,
): ReadItem {
  const part = circuit.parts.find((p) => p.id === id)!
  const definition = partOfKind(part.kind)
  const names = definition.suffixes?.(part.parameters) ?? {}
  const key = (said: string) => {
    const low = said.toLowerCase().replace(/^\./, '')
    return definition.terminals.find(
      (t) =>
        !t.inside &&
        [t.key, (names[t.key] ?? t.suffix).replace(/^\./, '')].some((n) => n.toLowerCase() === low),
    )?.key
  }
  const list = definition.terminals
    .filter((t) => !t.inside)
    .map((t) => (names[t.key] ?? t.suffix).replace(/^\./, ''))
  const pairs = [...(definition.benchPairs ?? []), definition.through]
  const unused = freePair(circuit, id, pairs)
  const a = enter === undefined ? unused[0] : key(enter)
  if (!a) return { ok: false, why: say('circuit.noPin', { id, pin: enter ?? '', pins: list }) }
  const mate = pairs.find((pair) => pair.includes(a))
  const b = leave === undefined ? (mate ? (mate[0] === a ? mate[1] : mate[0]) : undefined) : key(leave)
  if (!b) return { ok: false, why: say('circuit.whereTo', { id, pin: enter ?? '', pins: list }) }
  if (a === b) return { ok: false, why: say('circuit.samePin', { id }) }
  const pin = (k: string) =>
    (names[k] ?? definition.terminals.find((t) => t.key === k)!.suffix).replace(/^\./, '')
  return { ok: true, item: { part: id, enter: a, leave: b }, shown: verbatim(`${id} ${pin(a)}–${pin(b)}`) }
}

/** The first way through a part that no path takes yet. */
function freePair(
  circuit: Circuit,
  id: string,
  pairs: readonly (readonly [string, string])[],
): readonly [string, string] {
  const used = new Set(
    circuit.paths.flatMap((path) =>
      path.steps
        .filter((s) => s.part === id)
        .map((s) => s.enter ?? partOfKind(circuit.parts.find((p) => p.id === id)!.kind).through[0]),
    ),
  )
  return pairs.find(([a, b]) => !used.has(a) && !used.has(b)) ?? pairs[0]!
}

/** Terminal of a point by its short name, as a path's end is written. */
export function terminalAt(circuit: Circuit, name: string): TerminalRef | undefined {
  const { find } = wireUp(circuit)
  const low = name.toLowerCase()
  for (const part of circuit.parts) {
    const definition = partOfKind(part.kind)
    const names = definition.suffixes?.(part.parameters) ?? {}
    const own = definition.terminals.find(
      (t) => !t.inside && (part.id + (names[t.key] ?? t.suffix)).toLowerCase() === low,
    )
    if (own) return refOf(part.id, own.key)
  }
  const point = find(name)
  return point && refOf(point.part, point.terminal)
}

/** The key of a choice that a word stands for. */
function optionSaid({ options }: FieldMeta, word: string): string | undefined {
  const low = word.toLowerCase()
  return options?.find((key) => key.toLowerCase() === low)
}
