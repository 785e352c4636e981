import { afterEach, describe, expect, it } from 'vitest'
import { Attempt } from '../../../../test/attempt'
import { demoCircuit } from '../../../../test/demo'
import type { FloorRow } from '../../../contract/floor'
import type { Step } from '../../../core/attempt'
import { use } from '../../words'
import { actWords } from './actWords'
import { byNeed, needOf } from '../../readings/needs'

afterEach(() => use('en'))

const now = Date.parse('2026-11-26T10:00:00Z')
const row = (part: Partial<FloorRow> = {}): FloorRow =>
  ({
    created: '2026-11-26T09:00:00Z',
    began: '2026-11-26T09:50:00Z',
    at: '2026-11-26T09:59:00Z',
    concluded: null,
    released: null,
    stopped: null,
    unsafe: [],
    idle: 0,
    ...part,
  }) as FloorRow

describe('who needs the instructor', () => {
  it.each<[string, Partial<FloorRow>]>([
    ['working', {}],
    ['new', { began: null, at: null }],
    ['stuck', { idle: 3 }],
    ['stuck', { at: '2026-11-26T09:52:00Z' }],
    ['stuck', { at: null, began: '2026-11-26T09:40:00Z' }],
    ['unsafe', { unsafe: ['liveOhms'] as unknown as FloorRow['unsafe'], idle: 9 }],
    ['stopped', { stopped: 'Come here first.', unsafe: ['liveOhms'] as unknown as FloorRow['unsafe'] }],
    ['waiting', { concluded: '2026-11-26T09:59:00Z', stopped: 'x' }],
    ['done', { concluded: '2026-11-26T09:59:00Z', released: '2026-11-26T09:59:30Z' }],
  ])('%s: %j', (need, part) => {
    expect(needOf(row(part), now)).toBe(need)
  })

  it('comes first, and among equals who has been at it longest', () => {
    const named = (name: string, part: Partial<FloorRow>) =>
      ({ ...row(part), name }) as FloorRow & { name: string }
    const rows = [
      named('done', { concluded: 'x', released: 'x' }),
      named('late', {}),
      named('early', { began: '2026-11-26T09:45:00Z' }),
      named('stuck', { idle: 4 }),
      named('unsafe', { unsafe: ['x'] as unknown as FloorRow['unsafe'] }),
    ]
    const names = byNeed(rows, now).map((one) => (one as unknown as { name: string }).name)
    expect(names).toEqual(['unsafe', 'stuck', 'early', 'late', 'done'])
    // The list that came stays as it was.
    expect((rows[0] as unknown as { name: string }).name).toBe('done')
  })
})

describe('what somebody just did', () => {
  const circuit = demoCircuit('sweeper-work-lamp')
  const attempt = new Attempt(circuit, [{ kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }], {
    controls: { S1: 'closed' },
    detached: [],
  })
    .operate()
    .test('L1a', 'B1-', 12.5, ['F1', 'S1'])
    .test('G1n', 'B1-', 0, [])
    .conclude('G1.foot')
  const said = () => attempt.steps.map(actWords)

  it('is said in a few words', () => {
    expect(said()).toEqual([
      'operated the circuit',
      expect.stringMatching(/^Volts DC, .*L1a.*: 1\d\.\d\d\sV$/),
      'struck out 2',
      expect.stringMatching(/G1n/),
      'struck out nothing',
      'concludes G1.foot, 80\u00a0% sure',
    ])
    const others: Step[] = [
      {
        type: 'operate',
        arrangement: { controls: {}, detached: [] },
        seen: {},
        says: 'asComplained',
      } as never,
      {
        type: 'operate',
        arrangement: { controls: {}, detached: [] },
        seen: {},
        says: 'notReproduced',
      } as never,
      { type: 'repair', piece: 'G1.foot' } as never,
      { type: 'renew', fuse: 'F1' } as never,
      { type: 'hint' } as never,
    ]
    expect(others.map(actWords)).toEqual([
      'saw the complaint',
      'could not reproduce it',
      'repairs G1.foot',
      'renews F1',
      'took a hint',
    ])
  })

  it('in German with its instrument and its decimal comma', () => {
    use('de')
    expect(said()[1]).toMatch(/^Gleichspannung, .*L1a.*: 1\d,\d\d\sV$/)
  })
})
