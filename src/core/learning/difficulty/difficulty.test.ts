import { describe, expect, it } from 'vitest'
import { demoLessons } from '../../../server/demo/demo'
import { defaultRubric } from '../../assessment'
import { draftComplaint, frameSchema } from '../../attempt'
import { Predictor } from '../../diagnosis'
import type { Fault } from '../../faults'
import type { InstrumentKey } from '../../instruments'
import { difficultyOf } from './difficulty'

const [first] = demoLessons()
const { circuit } = first!
const dim = first!.sets[0]!.faults[0]!

function hard(planted: readonly Fault[], bag?: readonly InstrumentKey[]) {
  const complaint = draftComplaint(circuit, planted)
  const frame = frameSchema.parse({ complaint, faults: planted.length > 1 ? 2 : 1, ...(bag && { bag }) })
  const predictor = new Predictor(circuit, undefined, planted, frame.faults)
  return difficultyOf(predictor, { circuit, planted, frame }, defaultRubric.thresholds)
}
const codes = (found: ReturnType<typeof hard>) => found.reasons.map(({ says }) => says.code)

describe('the difficulty of an order before anybody has tried it', () => {
  it('is about 0 for the dim lamp of the first lesson, and says why', () => {
    const found = hard([dim])
    expect(Math.abs(found.difficulty)).toBeLessThan(0.3)
    expect(found.spread).toBeGreaterThan(0.5)
    expect(codes(found)).toContain('learning.bits')
    expect(found.reasons.map(({ adds }) => adds)).toEqual(
      found.reasons.map(({ adds }) => adds).sort((p, q) => q - p),
    )
  })
  it('is more where it shows only while something is moved', () => {
    const moving = hard([{ ...dim, moving: true }])
    expect(moving.difficulty).toBeGreaterThan(hard([dim]).difficulty + 0.5)
    expect(codes(moving)).toContain('learning.onlyMoved')
  })
  it('is more for two faults at once', () => {
    const other = first!.sets[1]!.faults[0]!
    const both = hard([dim, other])
    expect(both.difficulty).toBeGreaterThan(Math.max(hard([dim]).difficulty, hard([other]).difficulty))
    expect(codes(both)).toContain('learning.secondFault')
  })
  it('says where ohms read good: a quarter of an ohm is within what leads in hand do', () => {
    const slight = hard([{ ...dim, severity: 0.25 }], ['volts', 'ohms'])
    expect(slight.reasons.find(({ key }) => key === 'deceptions')!.adds).toBeGreaterThan(0.2)
    expect(codes(slight)).toContain('learning.foolsOhms')
    expect(codes(hard([dim], ['volts', 'ohms']))).not.toContain('learning.foolsOhms')
  })
})
