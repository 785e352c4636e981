import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../../test/demo'
import type { Fault } from '../../../core/faults'
import { answerKey, type Sortable } from '../../../core/readings'
import { keyPage, worksheetPage } from './pdf'

const circuit = demoCircuit()
const fault: Fault = { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 2 }
const all = <T extends Sortable>(rows: readonly T[]): T[] => [...rows]
const only =
  (...ids: string[]) =>
  <T extends Sortable>(rows: readonly T[]): T[] =>
    rows.filter((row) => ids.includes(row.id))

/** Every cell and line of a page, as its text. */
function words(of: unknown): string[] {
  if (typeof of === 'string') return [of]
  if (Array.isArray(of)) return of.flatMap(words)
  if (of && typeof of === 'object') {
    const { text, stack, columns, table, ul } = of as Record<string, unknown>
    const body = (table as { body?: unknown } | undefined)?.body
    return [text, stack, columns, body, ul].filter((part) => part !== undefined).flatMap(words)
  }
  return []
}

const healthy = answerKey(circuit, [])
const faulted = answerKey(circuit, [fault])

describe('the answer key on paper', () => {
  it('has every reachable point of every state, healthy beside faulted, and says what is planted', () => {
    const text = words(keyPage({ circuit, healthy, faulted, faults: [fault], limits: '' }, all).content)
    for (const state of healthy.states) expect(text).toContain(state.state.name)
    const [on] = healthy.states
    if (!on?.ok) throw new Error('unsolved')
    for (const point of on.points) expect(text.includes(point.name)).toBe(!point.inside)
    expect(text.some((line) => line.startsWith('Planted: G1'))).toBe(true)
  })

  it('has the rows that are picked, and no others', () => {
    const page = keyPage(
      { circuit, healthy, faulted: null, faults: [], limits: '' },
      only('G1n', 'L1.filament'),
    )
    const text = words(page.content)
    expect(text).toContain('G1n')
    expect(text).not.toContain('F1a')
    expect(text.some((line) => line.startsWith('F1 '))).toBe(false)
  })
})

describe('the worksheet', () => {
  it('names the places to measure and gives no reading away', () => {
    const text = words(worksheetPage(circuit, healthy, 'The work lamp is dim', all).content)
    expect(text).toContain('G1n')
    expect(text).toContain('Complaint: The work lamp is dim')
    for (const line of text) expect(line).not.toMatch(/\d\s*(mV|V|Ω|mΩ)\b/)
  })

  it('asks only for the places that are picked', () => {
    const text = words(worksheetPage(circuit, healthy, '', only('L1a')).content)
    expect(text).toContain('L1a')
    expect(text).not.toContain('G1n')
  })
})
