import { describe, expect, it } from 'vitest'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { defaultFrame, hintLevels, readingSaid, type Arrangement, type StepOf } from '../attempt'
import { Predictor } from '../diagnosis'
import { possibleFaults, type Fault } from '../faults'
import { tell } from '../words'
import { liveQuestion } from './misreading'
import { followBlindly, hintFor, practiceVerdicts, questionAbout } from './practice'
import { defaultRubric } from './rubric'
import { prepareJudging } from './judge'

const circuit = demoCircuit('sweeper-work-lamp')
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const frame = { ...defaultFrame(), mode: 'practice' as const, hints: { where: 1, side: 2, test: 4 } }

/** Opens of the same path: until somebody measures between them they show the same at every point that is read here. */
const alike: readonly Fault[] = ['W5', 'W6', 'X2', 'L1'].flatMap((part): Fault[] =>
  part === 'L1' ? [] : [{ kind: 'open', part, segment: part === 'X2' ? 'pin' : 'copper' }],
)

function worked(planted: Fault): Attempt {
  const work = new Attempt(circuit, [planted], on, frame)
  work.operate()
  work.measure({ type: 'leads', red: 'B1+', black: 'B1-' }, 12.6)
  work.act({ type: 'infer', struck: ['B1', planted.part], ringed: [], note: '' })
  work.measure({ type: 'leads', red: 'L1a', black: 'B1-' }, 12.3)
  work.act({ type: 'infer', struck: ['B1', 'W5', 'W6', 'X2'], ringed: [], note: '' })
  return work
}

describe('what a practice is told', () => {
  const told = alike.map((planted) => {
    const { order, steps } = worked(planted)
    // The same predictor for all: what it knows of the planted one is no more than a place on a grid.
    const predictor = new Predictor(circuit)
    const same = steps.map((s) => (s.type === 'infer' && s === steps[2] ? { ...s, struck: ['B1'] } : s))
    return {
      planted,
      verdicts: practiceVerdicts(followBlindly(predictor, order, defaultRubric).follow(same)),
      hints: hintLevels.map((level) =>
        hintFor(followBlindly(predictor, order, defaultRubric).follow(same), level),
      ),
    }
  })

  it('is the same whatever is planted, as long as the readings are', () => {
    for (const { verdicts, hints } of told) {
      expect(verdicts).toEqual(told[0]!.verdicts)
      expect(hints).toEqual(told[0]!.hints)
    }
  })

  it('names early strikes by what would have shown the same, and never says that the fault is struck out', () => {
    const codes = told[0]!.verdicts.map((v) => v.verdict.code)
    expect(codes.some((code) => /tooEarly|earlySlip/.test(code))).toBe(true)
    expect(codes).not.toContain('assessment.struckOut')
    expect(codes).not.toContain('assessment.standing')
  })

  it('says nothing of a conclusion, nor of whether a repair has cured it', () => {
    const of = (repairs: readonly string[]) => {
      const work = worked(alike[2]!)
      work.act({ type: 'conclude', piece: 'X2', kind: 'open', sure: 90, note: '' })
      for (const piece of repairs) work.act({ type: 'repair', piece, by: 'replace' })
      const blindly = followBlindly(new Predictor(circuit), work.order, defaultRubric)
      return practiceVerdicts(blindly.follow(work.steps)).map((v) => v.aspect)
    }
    expect(of([])).not.toContain('conclusion')
    expect(of(['X2'])).toEqual(of(['W5']))
  })
})

describe('hints', () => {
  it('grow plainer: a place, a side, a test that can be made', () => {
    const { order, steps } = worked(alike[0]!)
    const predictor = new Predictor(circuit)
    const prepared = prepareJudging(predictor, order)
    const [where, side, test] = hintLevels.map((level) =>
      tell(hintFor(followBlindly(predictor, order, defaultRubric, prepared).follow(steps), level)),
    ) as [string, string, string]
    expect(where).toMatch(
      /^Where to look: (at what is open already|under a cover|under the dash|under the vehicle), at /,
    )
    expect(side).toContain('return side, between L1 and the source')
    expect(test).toMatch(/^Which test: .+ with “.+”\.$/)
  })
})

describe('a typed reading', () => {
  const planted: Fault = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1.5 }
  const work = new Attempt(circuit, [planted], on, { source: 'typed' })
  const shown = new Attempt(circuit, [planted], on).measure(
    { type: 'leads', red: 'X2a', black: 'X2b' },
    0.01,
  ).reading
  const typed = (text: string, red = 'X2a', black = 'X2b'): StepOf<'test'> => {
    const said = readingSaid('volts', text)
    if (!said.ok) throw new Error(tell(said.why))
    return {
      ...new Attempt(circuit, [planted], on).measure({ type: 'leads', red, black }, 0.01),
      source: 'typed',
      reading: said.value,
    }
  }
  const asked = (step: StepOf<'test'>) => {
    const why = questionAbout(new Predictor(circuit, undefined, [planted]), work.order, work.bench, step)
    return why && tell(why)
  }
  const value = shown.value!

  it('that the board gives is not asked about', () => {
    expect(asked(typed(String(value)))).toBeUndefined()
    expect(asked(typed(String(value * 1.005)))).toBeUndefined()
  })

  it('is asked about by what would have made it so: a point that slipped, a unit, leads reversed', () => {
    expect(asked(typed(String(value * 10)))).toMatch(/^Is it .+ or .+\? Look at the unit and at the point/)
    expect(asked(typed(`${value}k`))).toMatch(/Look at the unit/)
    expect(asked(typed(String(-value)))).toContain('Red is on X2a, black on X2b')
  })

  it(
    'is asked about or not whatever is planted: made-up readings find nothing out',
    { tags: ['sweep'] },
    () => {
      // All of them dim the lamp, so that one complaint fits them all.
      const planted = possibleFaults(circuit)
        .filter(({ kind, part }) => kind === 'highResistance' && ['X1', 'X2', 'G1', 'W4'].includes(part))
        .map((fault) => ({ ...fault, severity: 1.5 }))
      expect(new Set(planted.map(({ part }) => part)).size).toBe(4)
      const complaint = [{ arrangement: on, part: 'L1', notice: 'dim' }]
      const sound = new Attempt(circuit, [], on)
        .measure({ type: 'leads', red: 'L1a', black: 'L1b' }, 12)
        .reading.text.replace(/[^\d.]/g, '')
      const readings: [string, string, string][] = []
      for (const [red, black] of [
        ['L1a', 'L1b'],
        ['X2a', 'X2b'],
        ['X1a', 'X1b'],
        ['L1a', 'B1-'],
        ['L1b', 'B1-'],
        ['B1+', 'B1-'],
      ] as const)
        for (const text of ['0', '4m', '0.12', '1.9', '6.1', '9.4', sound, '12.6', '-12.6', '47', '126'])
          readings.push([red, black, text])
      const answers = planted.map((fault) => {
        const { order, bench } = new Attempt(circuit, [fault], on, { source: 'typed', complaint })
        const predictor = new Predictor(circuit, undefined, [fault])
        return readings.map(([red, black, text]) => {
          const why = questionAbout(predictor, order, bench, typed(text, red, black))
          return why ? `${red} ${black} ${text}: ${tell(why)}` : ''
        })
      })
      for (const one of answers.slice(1)) expect(one).toEqual(answers[0])
      // It does ask, and a healthy reading is never asked about, though it contradicts what is planted.
      expect(answers[0]!.filter(Boolean).length).toBeGreaterThan(10)
      const healthy = readings.findIndex(
        ([red, black, text]) => red === 'L1a' && black === 'L1b' && text === sound,
      )
      expect(answers.map((one) => one[healthy])).toEqual(planted.map(() => ''))
    },
  )

  it('is asked about without a number of the board’s', { tags: ['sweep'] }, () => {
    for (const text of ['9.87', '0.5', '33'])
      expect(asked(typed(text)) ?? '').not.toMatch(new RegExp(value.toFixed(1).replace('.', '\\.')))
    const question = liveQuestion(
      { code: 'assessment.asDrawn', params: { reading: '4.21 V' } },
      { type: 'leads', red: 'X2a', black: 'X2b' },
    )
    expect(JSON.stringify(question)).not.toContain('4.21')
  })

  it('from the model is never asked about', () => {
    expect(asked({ ...typed('9.87'), source: 'model' })).toBeUndefined()
  })
})
