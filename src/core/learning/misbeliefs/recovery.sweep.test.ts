import { expect, it } from 'vitest'
import { Recovery } from '../../../../test/recovery'
import { misbeliefs, type MisbeliefKey } from './registry'

const eachIdea = 4
const careful = 12

it('names what simulated students hold after six attempts, nine in ten, and accuses one in twenty at most', () => {
  const recovery = new Recovery()
  const table: string[] = []
  let [named, holders, accused, all] = [0, 0, 0, 0]
  const note = (idea: MisbeliefKey | undefined, found: readonly MisbeliefKey[]) => {
    all++
    if (found.some((one) => one !== idea)) accused++
  }
  for (const { key } of misbeliefs) {
    const row = new Map<string, number>()
    for (let n = 0; n < eachIdea; n++) {
      const found = recovery.named(key, 1000 * n + key.length * 17 + 3, 0.04)
      holders++
      if (found[0] === key) named++
      for (const one of found) row.set(one, (row.get(one) ?? 0) + 1)
      note(key, found)
    }
    table.push(`${key}: ${[...row].map(([one, count]) => `${one} ${count}`).join(', ') || 'nobody'}`)
  }
  const row = new Map<string, number>()
  for (let n = 0; n < careful; n++) {
    const found = recovery.named(undefined, 77_000 + n, n % 3 ? 0.12 : 0)
    for (const one of found) row.set(one, (row.get(one) ?? 0) + 1)
    note(undefined, found)
  }
  table.push(`none: ${[...row].map(([one, count]) => `${one} ${count}`).join(', ') || 'nobody'}`)
  console.log(`${table.join('\n')}\n${named} of ${holders} named, ${accused} of ${all} accused`)
  expect(named / holders).toBeGreaterThanOrEqual(0.9)
  expect(accused / all).toBeLessThanOrEqual(0.05)
}, 900_000)
