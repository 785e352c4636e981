import { type Words, type Message } from '../document'
import { findPart, wireUp, walkPaths } from '../model'
import { type Circuit } from '../circuit'
import type { Fault } from '../faults'
import { answerKey } from '../readings'
import { nameOfPart, partOfKind } from '../parts'
import { ampacity } from './ampacity'
import { hardwareFor, type Hardware } from './hardware'
import { warningsOf, type Warning } from './rules'

/** All that somebody needs to build the real board and to prove it. */
export interface BuildSheet {
  readonly parts: readonly {
    readonly ids: readonly string[]
    readonly title: Words
    readonly values: Words
    readonly names: string
  }[]
  readonly wires: readonly {
    readonly id: string
    readonly name: string
    readonly from: string
    readonly to: string
    /** mm² */
    readonly section: number
    readonly gauge: number
    /** m, with a tenth more for the ends, rounded up to 5 cm. */
    readonly cut: number
    readonly length: number
    readonly amps: number
    readonly carries: number
  }[]
  readonly plugs: readonly {
    readonly id: string
    readonly title: Message
    readonly pins: readonly { readonly name: string; readonly meets: string }[]
  }[]
  readonly labels: readonly {
    readonly name: string
    /** The school's own name of the part, or none. */
    readonly part: string
    readonly title: Words
  }[]
  readonly fuses: readonly {
    readonly id: string
    readonly name: Message
    readonly fit: Words
    readonly amps: number
  }[]
  readonly hot: readonly {
    readonly part: string
    readonly name: Message
    readonly watts: number
    readonly state: string
  }[]
  readonly warnings: readonly Warning[]
  readonly hardware: readonly Hardware[]
  readonly commissioning: readonly {
    readonly state: string
    readonly stateName: string
    readonly point: string
    readonly title: Words
    readonly value: number
    readonly band: number
  }[]
  readonly cautions: readonly Words[]
}

/** For whoever builds a board, at the top of its sheet. */
export const buildCautions: readonly Words[] = [
  'workshop.buildSheet.eyeProtectionOnJewelleryOff',
  'workshop.buildSheet.fitTheFusesLastThe',
  'workshop.buildSheet.disconnectBeforeEveryMeasurementIn',
  'workshop.buildSheet.lampsAndResistorsThatGet',
  'workshop.buildSheet.theVehicleMakersDataLocal',
]

/**
 * AWG nearest to a section: diameter 0.127 mm · 92^((36 − n)/39) (ASTM B258).
 * @param section mm²
 * @returns AWG
 */
export function gaugeOf(section: number): number {
  const diameter = Math.sqrt((4 * section) / Math.PI)
  return Math.round(36 - (39 * Math.log(diameter / 0.127)) / Math.log(92))
}

/** All that is needed to build a board of this circuit, with what makes its faults. */
export function buildSheet(circuit: Circuit, faults: readonly Fault[]): BuildSheet {
  const wiring = wireUp(circuit)
  const walks = walkPaths(circuit)
  const key = answerKey(circuit, [])
  const solved = key.states.flatMap((s) => (s.ok ? [s] : []))
  const nameAt = (part: string, terminal: string) => {
    const node = wiring.nodeOf(part, terminal)
    return wiring.points.find((p) => p.node === node)!
  }
  const most = (part: string) =>
    Math.max(0, ...solved.flatMap((s) => s.drops.filter((d) => d.part === part).map((d) => Math.abs(d.amps))))
  const others = (part: string, terminal: string) => {
    const point = nameAt(part, terminal)
    const own = [point.name, ...point.aliases]
    return own.filter((n) => !n.startsWith(part)).join(', ') || '–'
  }
  const groups = new Map<string, { ids: string[]; title: Words; values: Words; names: string[] }>()
  for (const part of circuit.parts) {
    const definition = partOfKind(part.kind)
    if (definition.cable?.byTheMetre) continue
    const values = definition.summary(part.parameters)
    const id = `${part.kind} ${JSON.stringify(values)}`
    const group = groups.get(id) ?? { ids: [], title: definition.title, values, names: [] }
    group.ids.push(part.id)
    if (part.name) group.names.push(part.name)
    groups.set(id, group)
  }
  return {
    parts: [...groups.values()].map((g) => ({ ...g, names: g.names.join(', ') })),
    wires: circuit.parts.flatMap((part) => {
      const { cable } = partOfKind(part.kind)
      if (!cable?.byTheMetre) return []
      const { [cable.length]: length, [cable.section]: section } = part.parameters
      if (typeof length !== 'number' || typeof section !== 'number') return []
      return [
        {
          id: part.id,
          name: part.name,
          from: others(part.id, 'a'),
          to: others(part.id, 'b'),
          section,
          gauge: gaugeOf(section),
          length,
          cut: Math.ceil((length * 1.1) / 0.05 - 1e-9) * 0.05,
          amps: most(part.id),
          carries: ampacity(section),
        },
      ]
    }),
    plugs: circuit.parts.flatMap((part) => {
      const definition = partOfKind(part.kind)
      if (!definition.pinout) return []
      const pins = definition.terminals
        .filter((t) => !t.inside)
        .map((t) => ({
          name: part.id + (definition.suffixes?.(part.parameters)[t.key] ?? t.suffix),
          meets: others(part.id, t.key),
        }))
        .filter((pin) => pin.meets !== '–' || definition.pinout === 'all')
      return [{ id: part.id, title: nameOfPart(part), pins }]
    }),
    labels: wiring.points
      .filter((p) => !p.inside)
      .map(({ name, title, part }) => ({
        name,
        part: findPart(circuit, part)?.name ?? '',
        title,
      })),
    fuses: circuit.parts.flatMap((part) => {
      const definition = partOfKind(part.kind)
      if (definition.role !== 'protection') return []
      return [
        {
          id: part.id,
          name: nameOfPart(part),
          fit: definition.summary(part.parameters),
          amps: most(part.id),
        },
      ]
    }),
    hot: circuit.parts
      .flatMap((part) => {
        const worst = solved
          .map((s) => ({
            watts: s.drops
              .filter((d) => d.part === part.id)
              .reduce((sum, d) => sum + Math.abs((d.value ?? 0) * d.amps), 0),
            state: s.state.name,
          }))
          .sort((a, b) => b.watts - a.watts)[0]
        return worst && worst.watts >= 2 ? [{ part: part.id, name: nameOfPart(part), ...worst }] : []
      })
      .sort((a, b) => b.watts - a.watts),
    warnings: uniqueWarnings(solved.flatMap((s) => warningsOf({ circuit, wiring, walks, key: s }))),
    hardware: faults.map((fault) => hardwareFor(circuit, fault)),
    commissioning: solved.flatMap((s) =>
      s.points.flatMap((p) =>
        p.inside || p.value === undefined || (p.name === wiring.points[0]?.name && p.node === 0)
          ? []
          : p.node === 0
            ? []
            : [
                {
                  state: s.state.id,
                  stateName: s.state.name,
                  point: p.name,
                  title: p.title,
                  value: p.value,
                  band: p.band,
                },
              ],
      ),
    ),
    cautions: buildCautions,
  }
}

function uniqueWarnings(all: readonly Warning[]): Warning[] {
  const seen = new Set<string>()
  return all.filter(({ text }) => {
    const said = JSON.stringify(text)
    return !seen.has(said) && seen.add(said)
  })
}
