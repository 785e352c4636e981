import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { circuitVersion } from '.'
import { readCircuit, readCircuitText } from '../editing'
import { upgradeDocument } from './upgrade'
import { demoText } from '../../../test/demo'

const old = () => ({ ...JSON.parse(demoText('sweeper-work-lamp')), version: 1 }) as Record<string, unknown>

describe('documents of other versions', () => {
  it('of version 1 come in as they were, with what came later left empty', () => {
    const read = readCircuit(old())
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(read.value.version).toBe(circuitVersion)
    expect(read.value.bundles).toEqual([])
    expect(read.value.parts).toHaveLength((old().parts as unknown[]).length)
  })

  it('of version 2 have keys where they had words', () => {
    const document = JSON.parse(demoText('sweeper-hopper-motor'))
    document.version = 2
    for (const state of document.states)
      for (const [id, at] of Object.entries(state.controls))
        if (at === 'pedalDown') state.controls[id] = 'pedal down'
    const read = readCircuit(document)
    if (!read.ok) throw new Error(tell(read.problems[0]!))
    expect(read.value.states.map((s) => s.controls)).toEqual(
      readCircuitText(demoText('sweeper-hopper-motor')).ok
        ? JSON.parse(demoText('sweeper-hopper-motor')).states.map((s: { controls: object }) => s.controls)
        : [],
    )
    expect(JSON.stringify(read.value.states)).not.toContain('pedal down')
    const brush = JSON.parse(demoText('sweeper-brush-relay'))
    brush.version = 2
    for (const part of brush.parts)
      if (part.parameters?.numbering === 'oneToFive') part.parameters.numbering = '1 to 5'
    const lifted = readCircuit(brush)
    expect(lifted.ok && lifted.value.parts.map((p) => p.parameters.numbering).filter(Boolean)).toContain(
      'oneToFive',
    )
  })

  it('are left as they were: reading changes nothing', () => {
    const document = old()
    const before = JSON.stringify(document)
    upgradeDocument(document)
    expect(JSON.stringify(document)).toBe(before)
  })

  it.each([0, -1, circuitVersion + 1, 99, 1.5, '1'])(
    'of version %s are refused with what would be accepted',
    (version) => {
      const read = readCircuit({ ...old(), version })
      expect(read.ok ? [] : read.problems.map((p) => tell(p)).join()).toContain(
        `version must be 1 to ${circuitVersion}`,
      )
    },
  )

  it.each([null, 7, 'text', [], {}, { format: 'other', version: 1 }])(
    'that are none (%j) are refused, not crashed on',
    (input) => expect(readCircuit(input).ok).toBe(false),
  )

  it('with states and bundles that do not hang together say where', () => {
    const document = JSON.parse(demoText('sweeper-side-harness'))
    document.states[1].after = 'nowhere'
    document.states[2].wiggled = ['X99']
    document.states[3].bypassed = [['W1.a', 'W1.zz']]
    document.bundles[0].places[1].conductors[0].part = 'L1'
    const read = readCircuitText(JSON.stringify(document))
    const said = read.ok ? '' : read.problems.map((p) => `${p.where}: ${tell(p)}`).join('\n')
    expect(said).toMatch(/after: “nowhere” is no state before this one/)
    expect(said).toMatch(/wiggled: There is no part X99/)
    expect(said).toMatch(/bypassed: There is no terminal W1.zz/)
    delete document.states[1].after
    delete document.states[2].wiggled
    delete document.states[3].bypassed
    const again = readCircuit(document)
    expect(again.ok ? '' : tell(again.problems[0]!)).toMatch(/L1 is no conductor/)
  })
})
