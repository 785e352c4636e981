import { reactive } from 'vue'
import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../../test/demo'
import { piecesOf, wireUp } from '../../../core/model'
import type { DeskModel } from './useDesk'
import { useMarks } from './useMarks'

function marksOn(name: Parameters<typeof demoCircuit>[0]) {
  const circuit = demoCircuit(name)
  const draft = reactive({ struck: [] as string[], ringed: [] as string[], before: [] })
  const model = { circuit, wiring: wireUp(circuit), draft } as unknown as DeskModel
  return { marks: useMarks(model), circuit, draft }
}

describe('marks', () => {
  it('go round: struck out, ringed, nothing', () => {
    const { marks, draft } = marksOn('sweeper-work-lamp')
    marks.markPart('W4')
    expect(draft.struck).toEqual(['W4'])
    marks.markPart('W4')
    expect([draft.struck, draft.ringed]).toEqual([[], ['W4']])
    marks.markPart('W4')
    expect([draft.struck, draft.ringed]).toEqual([[], []])
  })

  it('are by piece: a relay’s coil side alone leaves the relay standing in the drawing', () => {
    const { marks, circuit } = marksOn('van-cooling-fan')
    marks.mark(['K1.coil'])
    expect(marks.struck.value.has('K1.coil')).toBe(true)
    expect(marks.struckParts.value.has('K1')).toBe(false)
    expect(marks.left.value).toBe(piecesOf(circuit).length - 1)
    marks.mark(['K1.contacts'])
    expect(marks.struckParts.value.has('K1')).toBe(true)
    // Several pieces of one part go together once all of them carry the same mark.
    marks.markPart('K1')
    expect(marks.ringedParts.value.has('K1')).toBe(true)
  })

  it('take a name that an older step gave a part for all its pieces', () => {
    const { marks, draft } = marksOn('van-cooling-fan')
    draft.struck = ['K1', 'F1']
    expect([...marks.struck.value].sort()).toEqual(
      ['F1.fuse', 'F1.holder', 'K1.coil', 'K1.contacts'].filter((id) => marks.struck.value.has(id)).sort(),
    )
    expect(marks.struckParts.value.has('K1')).toBe(true)
  })

  it('strike a stretch up to the source, or down to the end of the side, and take it back in one act', () => {
    const { marks, draft } = marksOn('sweeper-work-lamp')
    marks.stretch('S1', 'up')
    expect([...marks.struckParts.value].sort()).toEqual(expect.arrayContaining(['F1', 'S1', 'W1', 'W2']))
    for (const id of ['W3', 'X1', 'L1', 'G1']) expect(marks.struck.value.has(id), id).toBe(false)
    marks.undo()
    expect(draft.struck).toEqual([])
    marks.stretch('X1', 'down')
    expect(marks.struck.value.has('W4')).toBe(true)
    for (const id of ['W3', 'W5', 'X2']) expect(marks.struck.value.has(id), id).toBe(false)
    marks.stretch('X2', 'down')
    for (const id of ['X2', 'W6', 'G1.foot', 'ST1']) {
      const named = [...marks.struck.value].some(
        (piece) => piece === id || piece.startsWith(`${id.split('.')[0]}.`),
      )
      expect(named, id).toBe(true)
    }
    expect(marks.struck.value.has('W5')).toBe(false)
    expect(marks.touched.value).toBe('X2')
  })

  it('can be taken back one by one, as far as there is something', () => {
    const { marks } = marksOn('sweeper-work-lamp')
    expect(marks.undoable.value).toBe(false)
    for (const id of ['W1', 'W2', 'W3']) marks.markPart(id)
    marks.undo()
    marks.undo()
    expect([...marks.struck.value]).toEqual(['W1'])
    marks.undo()
    marks.undo()
    expect(marks.struck.value.size).toBe(0)
  })
})
