import { describe, expect, it } from 'vitest'
import { findPieces } from '../model'
import { Predictor } from '../diagnosis'
import { describeFault, possibleFaults } from '../faults'
import { complaintOf } from '../../../test/students'
import { Eliminator } from '../../../test/eliminator'
import { demoCircuit, demoNames } from '../../../test/demo'

/** Every so-many-th fault of two circuits; more, of all of them, in a campaign. */
const campaign = process.env.BRACHYON_CAMPAIGN !== undefined
const every = campaign ? 11 : 97
const names = campaign ? demoNames : (['van-cooling-fan', 'gritter-salt-sensor'] as const)

describe('a student with the book of all faults, shorts, stuck contacts and modules among them', () => {
  const marked: { label: string; total: number; right: boolean }[] = []

  it.each(names)(
    'on %s',
    (name) => {
      const circuit = demoCircuit(name)
      const predictor = new Predictor(circuit)
      for (const [i, fault] of possibleFaults(circuit).entries()) {
        const complaint = i % every === 7 % every && complaintOf(circuit, [fault])
        if (!complaint) continue
        const student = new Eliminator(circuit, [fault], complaint.arrangement, complaint.complaint)
        const named = student.work()
        const judged = student.attempt.judged(predictor)
        const label = `${name}: ${describeFault(circuit, fault)}`
        expect(judged.contradictions, label).toEqual([])
        const right = named === findPieces(circuit, `${fault.part}.${fault.segment}`)[0]!.id
        marked.push({ label, total: judged.total, right })
      }
    },
    campaign ? 3_600_000 : 120_000,
  )

  it('names the piece, and earns 95 and more, nineteen of twenty above 90', () => {
    const right = marked.filter((m) => m.right)
    const said = marked
      .filter((m) => !m.right || m.total <= 90)
      .map(({ label, total, right }) => `${right ? '' : 'wrong piece, '}${total} ${label}`)
      .join('\n')
    if (campaign) console.log(`${right.length} of ${marked.length}\n${said}`)
    expect(right.length / marked.length, said).toBeGreaterThan(0.9)
    const mean = right.reduce((sum, { total }) => sum + total, 0) / right.length
    expect(mean, said).toBeGreaterThanOrEqual(95)
    expect(right.filter(({ total }) => total <= 90).length / right.length, said).toBeLessThanOrEqual(0.05)
  })
})
