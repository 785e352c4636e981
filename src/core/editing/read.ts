import { partOfKind, readParameters } from '../parts'
import { circuitSchema, type Circuit, type Part, upgradeDocument, splitRef } from '../circuit'
import { problemsOf, writePath, type Problem, type Read, say } from '../document'
import { findIslands } from '../solve'
import { wireUp } from '../model'

export interface ReadOptions {
  /** It is being built: loads may still wait for their feed or return. */
  readonly unfinished?: boolean
}

/**
 * Lets a document in: shape, ranges, and whether it hangs together. Nothing past this door checks again.
 * Parameters that are left out get their defaults. Never throws.
 */
export function readCircuit(input: unknown, { unfinished = false }: ReadOptions = {}): Read<Circuit> {
  const shape = circuitSchema.safeParse(upgradeDocument(input))
  if (!shape.success) return { ok: false, problems: problemsOf(shape.error) }
  const circuit = shape.data
  const problems: Problem[] = []
  const parts = circuit.parts.map((part, i) => readPart(part, i, problems))
  const filled: Circuit = { ...circuit, parts }
  checkNames(filled, problems)
  if (problems.length === 0) checkStates(filled, problems)
  if (problems.length === 0) checkBundles(filled, problems)
  if (problems.length === 0 && !unfinished) problems.push(...nothingBetween(filled), ...looseLoads(filled))
  return problems.length ? { ok: false, problems } : { ok: true, value: filled }
}

/** As `readCircuit`, from text: broken JSON is told by line and column where the engine says so. */
export function readCircuitText(text: string, options: ReadOptions = {}): Read<Circuit> {
  let input: unknown
  try {
    input = JSON.parse(text)
  } catch (error) {
    const said = error instanceof Error ? error.message : 'unreadable'
    const at = /position (\d+)/.exec(said)
    const line = at ? text.slice(0, Number(at[1])).split('\n').length : undefined
    return {
      ok: false,
      problems: [
        {
          where: line ? `line ${line}` : 'file',
          ...say('circuit.notJson', { words: said }),
        },
      ],
    }
  }
  return readCircuit(input, options)
}

function readPart(part: Part, index: number, problems: Problem[]): Part {
  const result = readParameters(partOfKind(part.kind), part.parameters)
  if (result.success) return { ...part, parameters: result.data }
  const where = writePath(['parts', index])
  problems.push(
    ...problemsOf(result.error, ['parameters']).map((p) => ({
      ...p,
      where: `${where} (${part.id}).${p.where}`,
    })),
  )
  return part
}

function checkNames(circuit: Circuit, problems: Problem[]): void {
  const kinds = new Map<string, string>()
  circuit.parts.forEach((part, i) => {
    if (kinds.has(part.id))
      problems.push({ where: `parts[${i}].id`, ...say('circuit.twice', { id: part.id }) })
    kinds.set(part.id, part.kind)
  })
  const terminal = (id: string, key: string | undefined, where: string) => {
    const kind = kinds.get(id)
    if (!kind) {
      problems.push({ where, ...say('circuit.noPart', { id }) })
      return
    }
    const keys = partOfKind(kind).terminals.map((t) => t.key)
    if (key !== undefined && !keys.includes(key)) {
      problems.push({ where, ...say('circuit.noTerminal', { id, key, keys }) })
    }
  }
  const placed = new Set<string>()
  circuit.paths.forEach((path, p) => {
    for (const end of ['from', 'to'] as const) {
      const [id, key] = splitRef(path[end])
      placed.add(id)
      terminal(id, key, `paths[${p}].${end}`)
    }
    path.steps.forEach((step, s) => {
      const where = `paths[${p}].steps[${s}]`
      terminal(step.part, step.enter, where)
      terminal(step.part, step.leave, where)
      placed.add(step.part)
    })
  })
  circuit.parts.forEach((part, i) => {
    if (!placed.has(part.id) && partOfKind(part.kind).role !== 'source')
      problems.push({
        where: `parts[${i}] (${part.id})`,
        ...say('circuit.onNoPath', { id: part.id }),
      })
  })
  if (!circuit.parts.some((part) => partOfKind(part.kind).role === 'source')) {
    problems.push({ where: 'parts', ...say('circuit.noSource') })
  }
}

function checkStates(circuit: Circuit, problems: Problem[]): void {
  const parts = new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))
  const seen = new Set<string>()
  circuit.states.forEach((state, i) => {
    const where = `states[${i}] (${state.name})`
    if (seen.has(state.id)) problems.push({ where, ...say('circuit.stateTwice', { id: state.id }) })
    seen.add(state.id)
    for (const [id, position] of Object.entries(state.controls)) {
      const positions = parts.get(id)?.positions
      if (!positions) problems.push({ where: `${where}.controls`, ...say('circuit.noControl', { id }) })
      else if (!positions.includes(position)) {
        problems.push({
          where: `${where}.controls.${id}`,
          ...say('circuit.noPosition', { id, position, positions }),
        })
      }
    }
    for (const id of state.detached) {
      if (!parts.get(id)?.detach)
        problems.push({ where: `${where}.detached`, ...say('circuit.noDetach', { id }) })
    }
    for (const id of state.wiggled ?? []) {
      if (!parts.has(id)) problems.push({ where: `${where}.wiggled`, ...say('circuit.noPart', { id }) })
    }
    for (const end of (state.bypassed ?? []).flat()) {
      const [id, key] = splitRef(end)
      if (!parts.get(id)?.terminals.some((t) => t.key === key))
        problems.push({ where: `${where}.bypassed`, ...say('circuit.noSuchTerminal', { end }) })
    }
    if (state.after !== undefined && !circuit.states.slice(0, i).some((s) => s.id === state.after)) {
      problems.push({ where: `${where}.after`, ...say('circuit.noStateBefore', { id: state.after }) })
    }
  })
}

function checkBundles(circuit: Circuit, problems: Problem[]): void {
  const conductors = new Set(
    circuit.parts.filter((part) => partOfKind(part.kind).role === 'conductor').map((part) => part.id),
  )
  const seen = new Set<string>()
  circuit.bundles.forEach((bundle, b) =>
    bundle.places.forEach((place, p) => {
      const where = `bundles[${b}].places[${p}] (${place.id})`
      if (seen.has(place.id)) problems.push({ where, ...say('circuit.twice', { id: place.id }) })
      seen.add(place.id)
      for (const { part } of place.conductors) {
        if (!conductors.has(part)) problems.push({ where, ...say('circuit.noConductor', { id: part }) })
      }
    }),
  )
}

/** A finished circuit has something between plus and minus that takes current: there is nothing to measure otherwise. */
function nothingBetween({ parts }: Circuit): Problem[] {
  const takes = parts.some(({ kind }) => {
    const { loads, takesCurrent, role } = partOfKind(kind)
    return role !== 'source' && (takesCurrent === true || (loads?.length ?? 0) > 0)
  })
  return takes ? [] : [{ where: 'parts', ...say('circuit.nothingBetween') }]
}

/** Every load must find its way to both posts once all controls are on and everything is plugged in. */
export function looseLoads(circuit: Circuit): Problem[] {
  const wiring = wireUp(circuit)
  // What leads where follows from the wiring alone: a value that is changed needs no new look.
  const known = looseKept.get(wiring)
  if (known) return [...known]
  const problems: Problem[] = []
  const { nodeOf, count } = wiring
  const owner = { part: '', segment: '' }
  const all = circuit.parts.flatMap((part) => {
    const definition = partOfKind(part.kind)
    return definition.segments
      .filter(
        ({ between }) =>
          !(definition.role === 'source' && between.includes('pos') && between.includes('neg')),
      )
      .map(({ between }) => ({
        type: 'resistor' as const,
        a: nodeOf(part.id, between[0]),
        b: nodeOf(part.id, between[1]),
        ohms: 1,
        owner,
        part: definition.role === 'source' ? '' : part.id,
      }))
  })
  const sources = circuit.parts.filter((part) => partOfKind(part.kind).role === 'source')
  const reachOf = (without: string) => {
    const island = findIslands({ nodeCount: count, elements: all.filter((e) => e.part !== without) })
    return (poles: 'pos' | 'neg') => {
      const reached = new Set(sources.map((part) => island[nodeOf(part.id, poles)]!))
      return (id: string, key: string) => reached.has(island[nodeOf(id, key)]!)
    }
  }
  circuit.parts.forEach((part, i) => {
    const definition = partOfKind(part.kind)
    if (definition.role !== 'load') return
    const [enter, leave] = definition.through
    const reach = reachOf(part.id)
    const plus = reach('pos')
    const minus = reach('neg')
    const where = `parts[${i}] (${part.id})`
    const ends = [enter, leave]
    const fed = ends.filter((key) => plus(part.id, key))
    const back = ends.filter((key) => minus(part.id, key))
    if (fed.some((x) => back.some((y) => x !== y))) return
    if (!fed.length) {
      problems.push({
        where,
        ...say('circuit.noFeed', { id: part.id }),
      })
    }
    if (fed.length || !back.length) {
      problems.push({
        where,
        ...say('circuit.noReturn', { id: part.id }),
      })
    }
  })
  looseKept.set(wiring, problems)
  return [...problems]
}

const looseKept = new WeakMap<ReturnType<typeof wireUp>, readonly Problem[]>()
