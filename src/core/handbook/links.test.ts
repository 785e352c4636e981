import { expect, it } from 'vitest'
import { techniqueRules } from '../assessment'
import { parts } from '../parts'
import {
  calculators,
  cautionKeys,
  entriesOfPart,
  entriesOfRule,
  linkedParts,
  linkedRules,
  lookUps,
  placesOf,
  procedures,
} from '.'

const keys = [...calculators, ...lookUps, ...procedures].map(({ key }) => key)

it('every part leads to what there is to look up about it', () => {
  expect(new Set(keys).size).toBe(keys.length)
  for (const { kind } of parts) expect(entriesOfPart(kind).length, kind).toBeGreaterThan(0)
  for (const kind of linkedParts) for (const key of entriesOfPart(kind)) expect(keys, kind).toContain(key)
  expect(entriesOfPart('module-2-1-3-40-0-6-2')).toEqual(entriesOfPart('module'))
})

it('rules lead to procedures that there are', () => {
  const rules: readonly string[] = techniqueRules.map(({ key }) => key)
  for (const rule of linkedRules) {
    expect(rules).toContain(rule)
    for (const key of entriesOfRule(rule)) expect(keys, rule).toContain(key)
  }
})

it('every caution stands somewhere in the flow', () => {
  for (const key of cautionKeys) {
    const { instruments, procedures: heads } = placesOf(key)
    expect(instruments.length + heads.length, key).toBeGreaterThan(0)
  }
})
