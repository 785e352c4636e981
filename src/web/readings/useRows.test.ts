import { describe, expect, it } from 'vitest'
import { useRows } from './useRows'

const row = (id: string, size: number, difference: number) => ({
  id,
  at: id,
  title: { code: 'document.verbatim', params: { text: 'some piece' } },
  size,
  difference,
  bad: difference > 1,
})
const rows = [row('F10a', 12, 0), row('F2a', 3, 2), row('G1n', 0.1, 5)]
const ids = (list: readonly { id: string }[]) => list.map((r) => r.id)

describe('rows of the sheet', () => {
  it('stand along the path unless another order is asked for, numbers in names as numbers', () => {
    const view = useRows('a')
    expect(ids(view.arrange(rows))).toEqual(['F10a', 'F2a', 'G1n'])
    view.sort.value = 'name'
    expect(ids(view.arrange(rows))).toEqual(['F2a', 'F10a', 'G1n'])
    view.sort.value = 'value'
    expect(ids(view.arrange(rows))).toEqual(['F10a', 'F2a', 'G1n'])
    view.sort.value = 'difference'
    expect(ids(view.arrange(rows))).toEqual(['G1n', 'F2a', 'F10a'])
  })

  it('are kept by every word of the filter, by what the fault changes, and by pins', () => {
    const view = useRows('b')
    view.filter.value = 'piece g1'
    expect(ids(view.arrange(rows))).toEqual(['G1n'])
    view.filter.value = ''
    view.changedOnly.value = true
    expect(ids(view.arrange(rows))).toEqual(['F2a', 'G1n'])
    view.changedOnly.value = false
    view.pin('F10a')
    view.pinnedOnly.value = true
    expect(ids(view.arrange(rows))).toEqual(['F10a'])
    view.pin('F10a')
    expect(ids(view.arrange(rows))).toEqual([])
  })

  it('are not moved in the list that they came in', () => {
    const view = useRows('c')
    view.sort.value = 'difference'
    view.arrange(rows)
    expect(ids(rows)).toEqual(['F10a', 'F2a', 'G1n'])
  })
})
