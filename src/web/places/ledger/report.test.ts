import { expect, it } from 'vitest'
import { skillKeys } from '../../../core/lab'
import { reportPages } from './report'

const level = { level: 0.734, spread: 0.081, evidence: 3, thin: false }

it('a report has every student, every piece of work with the mark that counts, and what each fault has shown', () => {
  const students = [
    {
      id: 'a',
      name: 'Nela Farrow',
      attempts: 2,
      mean: 81.6,
      drills: 0,
      skills: Object.fromEntries(skillKeys.map((k) => [k, { ...level, thin: k === 'drains' }])),
      next: ['drops', 'relays'],
    },
  ]
  const ledger = {
    allFaults: 1,
    faults: [
      {
        circuit: 'Work lamp',
        fault: 'Open in X2',
        attempts: 2,
        found: 1,
        tests: 4,
        minutes: 12.4,
        wrong: 'W1',
        difficulty: null,
        spread: null,
        discrimination: null,
        computed: null,
      },
    ],
    reliability: [],
  }
  const work = {
    student: 'Nela Farrow',
    circuit: 'Work lamp',
    fault: 'Open in X2',
    finished: '2026-11-26T10:00:00Z',
    found: false,
    readings: 5,
    minutes: 11.6,
    points: {},
    mark: 72.4,
    verdicts: [],
    notes: ['conclusion 9: said aloud'],
  }
  const text = JSON.stringify(reportPages('Evening', students, ledger, [work]))
  for (const part of [
    'Evening',
    'Nela Farrow',
    '73 ±8',
    '–',
    'Volts drop',
    '82',
    'not found: Open in X2',
    'said aloud',
    '72',
    '1 of 2',
    'W1',
  ])
    expect(text).toContain(part)
  expect(JSON.stringify(reportPages('Evening', [], { ...ledger, faults: [] }, []))).toContain(
    'Nothing is finished yet',
  )
})
