import { figures, type Words } from '../../document'
import { instrumentOf, settingsOf } from '../../instruments'
import { formatQuantity } from '../../quantity'
import { sorts, type Sort, type TestSet } from './test-set'

/** Columns of the map: tests of a kind in a state, taken together. */
export interface Group {
  readonly sort: Sort
  readonly state?: string
  readonly tests: readonly number[]
}

/** Tests by sort and state, in the order in which they come. */
export function groupsOf({ tests }: Pick<TestSet, 'tests'>): Group[] {
  const groups = new Map<string, { sort: Sort; state?: string; tests: number[] }>()
  tests.forEach(({ sort, state }, i) => {
    const id = `${sort} ${state ?? ''}`
    const group = groups.get(id) ?? { sort, ...(state !== undefined && { state }), tests: [] }
    group.tests.push(i)
    groups.set(id, group)
  })
  return [...groups.values()]
}

/** Tests that people do too readily: they pass by what only shows under load. */
export function isLazy(sort: Sort): boolean {
  const key = sorts[sort].instrument
  if (!key) return false
  const instrument = instrumentOf(key)
  const { needsDead, carries, underLoad } = instrument.nature(settingsOf(instrument))
  return needsDead === true || (carries === true && !underLoad)
}

/**
 * A value that such a test shows, as its instrument writes it.
 * @param value in the instrument's unit, or the word's place on its scale
 */
export function writeReading(sort: Sort, value: number): Words {
  const key = sorts[sort].instrument
  if (!key) return figures('')
  if (Number.isNaN(value)) return 'readings.floating'
  const { asks } = instrumentOf(key)
  switch (asks.type) {
    case 'beep':
      return value ? 'readings.beep' : 'readings.noBeep'
    case 'word':
      return Object.values(asks.words)[value] ?? figures('')
    case 'value':
      return figures(asks.open && value >= 1e8 ? 'OL' : formatQuantity(value, asks.unit))
  }
}
