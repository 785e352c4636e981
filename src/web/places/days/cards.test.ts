import { expect, it } from 'vitest'
import type { StoredDay, StoredLesson } from '../../../contract'
import { lessonSchema } from '../../../core/lab'
import { demoCircuit } from '../../../../test/demo'
import { orders, sealed, stations } from './cards'

const circuit = demoCircuit('sweeper-work-lamp')
const lesson = lessonSchema.parse({
  format: 'brachyon-lesson',
  version: 1,
  name: 'The lamp’s bad ground',
  circuit,
  sets: [
    {
      name: 'eyelet',
      faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.8 }],
      complaint: 'The work lamp is dim.',
    },
  ],
})
const id = '5f0c1f2e-0000-4000-8000-000000000001'
const day: StoredDay = {
  id: '5f0c1f2e-0000-4000-8000-000000000002',
  name: 'Thursday group',
  day: '2026-11-26',
  class: null,
  revision: 1,
  word: 'amber-anvil-42',
  body: {
    start: '08:00',
    minutes: 45,
    rounds: 1,
    stands: [{ name: 'Bench 1', lesson: id, set: 0, real: true, checked: [] }],
    groups: [[id]],
    seats: [[0]],
    out: [],
  },
}

it('what stands on a bench or is handed to a student says nothing of what is planted, nor the word that signs in', () => {
  const open = JSON.stringify([
    stations(day, 'https://school.example'),
    orders(day, ['Nela Farrow'], ['08:00']),
  ])
  expect(open).toContain('Bench 1')
  // The code leads to this bench on this day.
  expect(open).toContain(`"qr":"https://school.example/card/${day.id}/1"`)
  for (const secret of ['G1', 'eyelet', 'esistance', 'bad ground', 'highResistance', '0.8', day.word, id])
    expect(open).not.toContain(secret)
})

it('the sealed card has what is planted, how it is made, and in which order it is proved and taken out', () => {
  const stored: StoredLesson = { id, version: 1, lesson }
  const text = JSON.stringify(sealed(day, new Map([[id, stored]])))
  for (const part of [
    'for the instructor only',
    'G1',
    'Made on the board',
    'The work lamp is dim.',
    'Prove it healthy',
  ])
    expect(text).toContain(part)
})
