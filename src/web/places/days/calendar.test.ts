import ICAL from 'ical.js'
import { expect, it } from 'vitest'
import type { StoredDay } from '../../../contract'
import { calendarOf } from './calendar'

it('a lab day is read back by another reader of RFC 5545, round by round', () => {
  const day: StoredDay = {
    id: '0b9c1d9e-0000-4000-8000-000000000000',
    name: 'Thursday; group, “B”',
    day: '2026-12-03',
    class: null,
    word: 'amber-anvil-42',
    revision: 1,
    body: { start: '08:00', minutes: 45, rounds: 2, stands: [], groups: [], seats: [], out: [] },
  }
  const text = calendarOf(day, ['08:00', '08:45'], new Date('2026-11-26T10:00:00Z'))
  const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent')
  expect(events).toHaveLength(2)
  const [, second] = events.map((event) => new ICAL.Event(event))
  expect(second!.summary).toBe('Thursday; group, “B”, round 2')
  expect(second!.startDate.toString()).toBe('2026-12-03T08:45:00')
  expect(second!.endDate.toString()).toBe('2026-12-03T09:30:00')
  expect(new Set(events.map((event) => new ICAL.Event(event).uid)).size).toBe(2)
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
})
