import { ruleWords } from '../../../core/assessment'
import { tell } from '../../words'
import { describe, expect, it } from 'vitest'
import { chapters, entries, found } from './entries'
import { news } from './news'

describe('the handbook', () => {
  it('has every entry once, under a chapter, with words to read', () => {
    const keys = entries.map(({ key }) => key)
    expect(new Set(keys).size).toBe(keys.length)
    for (const entry of entries) {
      expect(chapters.some(({ types }) => (types as readonly string[]).includes(entry.type))).toBe(true)
      expect(entry.title.length, entry.key).toBeGreaterThan(3)
      // Placeholders of a sentence that is filled elsewhere have no place in a book.
      if (entry.type !== 'misreading') continue
      expect(entry.title + entry.instead).not.toContain('{')
      expect(tell(ruleWords(entry.rule.key, 'shows')), entry.key).not.toContain('rules.')
    }
  })

  it.each([
    ['drop wire', 'wireDrop'],
    ['awg', 'gauge'],
    ['din', 'terminals'],
    ['fuse milli', 'fuseVolts'],
    ['battery rest', 'restVolts'],
  ])('finds “%s” first', (typed, key) => expect(found(typed)[0]?.key).toBe(key))

  it('says what is new, newest first, of what it has', () => {
    const days = news.map(({ since }) => since)
    expect(days).toEqual([...new Set(days)].sort().reverse())
    for (const key of news.flatMap(({ keys }) => keys)) expect(entries.map((e) => e.key)).toContain(key)
  })

  it('finds nothing for what is not in it, and all for nothing', () => {
    expect(found('carburettor')).toEqual([])
    expect(found('  ')).toBe(entries)
  })
})
