import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { demoBoard, demoCircuit, demoNames } from '../../test/demo'
import { techniqueRules } from './assessment/rules/registry'
import { cures, repairKeys, repairs, repairsFor } from './attempt'
import { piecesOf } from './model'
import { catalogue, families, faultKinds, faultsOf, possibleFaults } from './faults'
import { formats } from './formats'
import {
  instruments,
  locate,
  numberOf,
  settingsOf,
  workshopMeter,
  type Settings,
  instrumentKeys,
} from './instruments'
import { accesses, parts } from './parts'
import { limitSets } from './readings'
import { cautionKeys } from './handbook'
import { tell } from './words'
import { palettes } from '../web/theme/tokens'
import { lacks } from '../../test/newcomers'

/** Each registry is walked whole, so that a newcomer who leaves something out is told here. */

const distinct = (list: readonly string[]) => expect(new Set(list).size, list.join(' ')).toBe(list.length)
const filesIn = (folder: string) =>
  readdirSync(`src/core/${folder}`).filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))

describe.each(parts.map((part) => [part.kind, part] as const))('part %s', (_kind, part) => {
  const terminals = part.terminals.map((t) => t.key)
  const segments = part.segments.map((s) => s.key)
  const fields = Object.keys(part.parameters.shape)

  it('has its pieces cover each of its segments once', () => {
    const covered = part.units.flatMap((unit) => [...unit.segments])
    expect([...covered].sort()).toEqual([...segments].sort())
    distinct(part.units.map((unit) => unit.key))
    for (const unit of part.units) expect(unit.name, unit.key).not.toBe('')
  })

  it('speaks only of segments, terminals, positions, modes and parameters that it has', () => {
    for (const pass of part.passes ?? []) {
      expect(segments).toContain(pass.segment)
      for (const position of pass.closes ?? []) expect(part.positions ?? part.modes?.all).toContain(position)
    }
    for (const position of part.closes ?? []) expect(part.positions).toContain(position)
    for (const position of Object.keys(part.positionNames ?? {})) expect(part.positions).toContain(position)
    for (const end of part.detach?.gap ?? []) expect(terminals).toContain(end)
    if (part.ground !== undefined) expect(terminals).toContain(part.ground)
    if (part.cable) {
      expect(segments).toContain(part.cable.segment)
      expect(fields).toEqual(expect.arrayContaining([part.cable.length, part.cable.section]))
    }
    for (const field of Object.keys(part.spread ?? {})) expect(fields).toContain(field)
    if (part.ratedWatts !== undefined) expect(fields).toContain(part.ratedWatts)
    for (const spot of part.protects?.blade?.spots ?? []) expect(terminals).toContain(spot)
    for (const main of part.quick?.main ?? []) expect(fields).toContain(main)
    for (const key of part.absent?.(part.parameters.parse({})) ?? []) expect(terminals).toContain(key)
    for (const { inTime } of part.segments) {
      if (inTime?.type === 'winding') expect(fields).toContain(inTime.henry)
      if (inTime?.type === 'filament') expect(fields).toContain(inTime.watts)
    }
    expect(accesses).toContain(part.access)
    if (part.modes) expect(part.modes.all).toContain(part.modes.rest)
  })

  it('names only faults that there are, each once', () => {
    for (const segment of part.segments) {
      for (const kind of segment.faults) expect(faultKinds).toContain(kind)
      distinct(faultsOf(part, segment))
    }
    if (part.supplies) expect(part.supplies.volts(part.parameters.parse({}))).toBeGreaterThan(3)
  })
})

describe.each(catalogue.map((fault) => [fault.kind, fault] as const))('fault %s', (_kind, fault) => {
  it('says how it is made and mended, in words of the registries', () => {
    expect(tell(fault.built).length).toBeGreaterThan(15)
    expect(fault.describe(fault.severity?.preset ?? 0, { section: 1.5, cold: 0.5 })).not.toBe('')
    expect(Object.keys(families)).toContain(fault.family)
    expect(fault.repairedBy.length).toBeGreaterThan(0)
    for (const key of fault.repairedBy) expect(repairKeys).toContain(key)
    for (const other of fault.sameAs ?? []) expect(faultKinds).toContain(other)
  })

  it('cautions whoever makes it where it makes heat or shorts something', () => {
    if (fault.heats || fault.family === 'shorts') expect(fault.caution).toBeDefined()
  })

  it('has a grid that ascends within its range', () => {
    if (!fault.severity) return
    const { grid, least, most, preset } = fault.severity
    expect([...grid].sort((a, b) => a - b)).toEqual([...grid])
    distinct(grid.map(String))
    expect(grid[0]).toBeGreaterThanOrEqual(least)
    expect(grid.at(-1)).toBeLessThanOrEqual(most)
    expect(preset).toBeGreaterThanOrEqual(least)
    expect(preset).toBeLessThanOrEqual(most)
  })

  it('can strike some part', () =>
    expect(parts.some((part) => part.segments.some((s) => faultsOf(part, s).includes(fault.kind)))).toBe(
      true,
    ))
})

describe.each(demoNames)('repairs on %s', (name) => {
  const circuit = demoCircuit(name)
  const pieces = piecesOf(circuit)

  it('cure each fault that can be planted, and none that strikes elsewhere', () => {
    for (const fault of possibleFaults(circuit)) {
      const own = pieces.find((p) => p.part === fault.part && p.unit.segments.includes(fault.segment))!
      const ways = repairsFor(circuit, own).filter((way) => cures(circuit, own, way.key, fault))
      expect(ways.length, `${fault.kind} at ${own.id}.${fault.segment}`).toBeGreaterThan(0)
      const elsewhere = pieces.find((p) => p.part !== own.part)!
      for (const { key } of repairs) expect(cures(circuit, elsewhere, key, fault)).toBe(false)
    }
  })
})

/** Every combination of what can be set. */
const settingsOfAll = (settings: (typeof instruments)[number]['settings']): Settings[] =>
  settings.reduce<Settings[]>(
    (sets, { key, options }) => sets.flatMap((set) => options.map((o) => ({ ...set, [key]: o.key }))),
    [{}],
  )

describe.each(instruments.map((one) => [one.key, one] as const))('instrument %s', (_key, instrument) => {
  it('has settings with a default among them, and cautions that there are', () => {
    for (const { options, preset } of instrument.settings) {
      distinct(options.map((o) => o.key))
      expect(options.map((o) => o.key)).toContain(preset)
    }
    for (const settings of settingsOfAll(instrument.settings))
      for (const key of instrument.cautions(settings)) expect(cautionKeys).toContain(key)
    expect(instrument.minutes).toBeGreaterThan(0)
  })

  it('warns of its hazard: what shorts or carries, and what needs a dead circuit', () => {
    for (const settings of settingsOfAll(instrument.settings)) {
      const { shorts, carries, needsDead } = instrument.nature(settings)
      if (shorts || carries || needsDead) expect(instrument.cautions(settings).length).toBeGreaterThan(0)
    }
  })

  it('can be held where it says, and a sound board shows what it expects there', () => {
    let held = 0
    for (const name of demoNames) {
      const circuit = demoCircuit(name)
      for (const state of circuit.states.slice(0, 2)) {
        const solved = demoBoard(name, state)
        for (const one of instrument.places(solved.board.circuit, solved.board.wiring).slice(0, 12)) {
          const found = locate(solved.board.circuit, solved.board.wiring, one)
          expect(found.ok, JSON.stringify(one)).toBe(true)
          if (!found.ok) continue
          held++
          expect(instrument.holds).toContain(found.held.type)
          const use = { solved, place: found.place, settings: settingsOf(instrument), meter: workshopMeter }
          const value = numberOf(instrument, instrument.read(use))
          const { low, high } = instrument.expect(use)
          if (high === Infinity) continue
          expect(value, `${JSON.stringify(one)} in ${state.id}`).toBeGreaterThanOrEqual(low)
          expect(value, `${JSON.stringify(one)} in ${state.id}`).toBeLessThanOrEqual(high)
        }
      }
    }
    expect(held).toBeGreaterThan(0)
  })
})

describe('every registry', () => {
  it('has each key once', () => {
    distinct(parts.map((part) => part.kind))
    distinct(faultKinds)
    distinct(instrumentKeys)
    distinct(repairKeys)
    distinct(techniqueRules.map((rule) => rule.key))
    distinct(limitSets.map((set) => set.id))
    distinct(formats.map((format) => format.key))
  })

  it('has a line for every file of its folder', () => {
    const imports = (file: string) => readFileSync(`src/core/${file}`, 'utf8')
    const registries = {
      'faults/kinds': 'faults/catalogue.ts',
      'assessment/rules/kinds': 'assessment/rules/registry.ts',
      'readings/limits/kinds': 'readings/limits/registry.ts',
      'formats/kinds': 'formats/registry.ts',
    }
    for (const [folder, registry] of Object.entries(registries))
      for (const file of filesIn(folder))
        expect(imports(registry)).toContain(`kinds/${file.replace('.ts', '')}'`)
    for (const file of filesIn('instruments/kinds').filter((f) => f !== 'common.ts'))
      expect(imports('instruments/registry.ts')).toContain(`kinds/${file.replace('.ts', '')}'`)
    const ways = filesIn('attempt/repairs').filter(
      (f) => !['index.ts', 'registry.ts', 'repair.ts'].includes(f),
    )
    expect(ways).toHaveLength(repairs.length)
  })

  it('lets every family of faults be chosen, and every format be read or written', () => {
    for (const family of Object.keys(families)) expect(catalogue.some((f) => f.family === family)).toBe(true)
    for (const format of formats) {
      expect(format.read ?? format.write, format.key).toBeDefined()
      expect(format.endings.length).toBeGreaterThan(0)
    }
    for (const repair of repairs)
      expect(repair.reseats ?? catalogue.some((f) => f.repairedBy.includes(repair.key)), repair.key).toBe(
        true,
      )
  })
})

describe('what a newcomer brings', () => {
  it.each(Object.entries(lacks))('%s is whole: what is missing stands here with its file', (_, missing) => {
    const list = [...new Set(missing())]
    expect(list, `\n${list.join('\n')}\n`).toEqual([])
  })
})

describe('styles', () => {
  it('have each style variable defined somewhere', () => {
    const css = readdirSync('src/web', { withFileTypes: true, recursive: true })
      .filter((e) => e.isFile() && /\.(css|vue|ts)$/.test(e.name))
      .map((e) => readFileSync(`${e.parentPath}/${e.name}`, 'utf8'))
      .join('\n')
    const named = (name: string) => `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`
    const defined = new Set([
      ...[...css.matchAll(/(--[a-z][\w-]*)'?\s*[:,]/g)].map((m) => m[1]),
      ...Object.keys(palettes.light).map(named),
    ])
    const missing = [...css.matchAll(/var\((--[a-z][\w-]*)\)/g)]
      .map((m) => m[1]!)
      .filter((v) => !defined.has(v))
    expect([...new Set(missing)]).toEqual([])
  })
})
