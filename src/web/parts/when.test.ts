import { afterEach, describe, expect, it } from 'vitest'
import { use } from '../words'
import { dayWords, when } from './when'

const zone = process.env.TZ
afterEach(() => {
  if (zone === undefined) delete process.env.TZ
  else process.env.TZ = zone
  use('en')
})

describe('days and moments', () => {
  // A calendar day is the same one wherever it is read: one that were taken for a moment would be the day before in some places.
  it.each(['UTC', 'Pacific/Auckland', 'America/Los_Angeles'])('a day is that day in %s', (place) => {
    process.env.TZ = place
    expect(dayWords('2026-03-05')).toBe('5 March 2026')
    use('de')
    expect(dayWords('2026-03-05')).toBe('5. März 2026')
  })

  it('a moment is written by the clock of whoever reads it', () => {
    const morning = when('2026-11-26T09:05:00Z')
    expect(morning).toMatch(/26 Nov/)
    use('de')
    expect(when('2026-11-26T09:05:00Z')).toMatch(/26\. Nov/)
  })
})
