import { expect, it } from 'vitest'
import { techniqueRules } from '../assessment'
import { partOfKind, parts } from '../parts'
import { calculators, cautionKeys, lookUps, placesOf, procedures } from '.'

const keys = [...calculators, ...lookUps, ...procedures].map(({ key }) => key)

it('every part leads to what there is to look up about it', () => {
  expect(new Set(keys).size).toBe(keys.length)
  for (const { kind, seeAlso } of parts) {
    expect(seeAlso.length, `${kind}: seeAlso names nothing`).toBeGreaterThan(0)
    for (const key of seeAlso) expect(keys, `${kind}: seeAlso`).toContain(key)
  }
  expect(partOfKind('module-2-1-3-40-0-6-2').seeAlso).toEqual(partOfKind('module').seeAlso)
})

it('rules lead to procedures that there are', () => {
  for (const rule of techniqueRules)
    for (const key of rule.procedures)
      expect(
        procedures.map((p) => p.key),
        rule.key,
      ).toContain(key)
})

it('every caution stands somewhere in the flow', () => {
  for (const key of cautionKeys) {
    const { instruments, procedures: heads } = placesOf(key)
    expect(instruments.length + heads.length, key).toBeGreaterThan(0)
  }
})
