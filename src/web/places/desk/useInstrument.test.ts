import { beforeEach, describe, expect, it } from 'vitest'
import { reactive } from 'vue'
import { demoCircuit } from '../../../../test/demo'
import { defaultFrame, type Arrangement, type Frame, type Step } from '../../../core/attempt'
import { wireUp } from '../../../core/model'
import type { DeskModel } from './useDesk'
import { useInstrument } from './useInstrument'

const circuit = demoCircuit('sweeper-work-lamp')
const wiring = wireUp(circuit)
const arrangement: Arrangement = { controls: { S1: 'closed' }, detached: [] }

function deskWith(frame: Partial<Frame> = {}) {
  const sent: unknown[] = []
  const model = reactive({
    circuit,
    wiring,
    desk: { id: 'd', frame: { ...defaultFrame(), source: 'model', ...frame } },
    steps: [] as Step[],
    lastTest: undefined as unknown,
    inferenceDue: false,
    question: null as unknown,
    arrangementNow: () => arrangement,
    operate: () => Promise.resolve(true),
    act: (action: unknown) => {
      sent.push(JSON.parse(JSON.stringify(action)))
      return Promise.resolve(true)
    },
    draft: {
      instrument: 'volts',
      settings: {},
      hold: {},
      red: '',
      black: '',
      round: '',
      part: '',
      also: [] as unknown[],
      prediction: '',
      suspected: '',
      typed: '',
      asked: null,
    },
  })
  return { model, sent, hand: useInstrument(model as unknown as DeskModel) }
}
type Bench = ReturnType<typeof deskWith>

describe('before a reading', () => {
  let desk: Bench
  beforeEach(() => (desk = deskWith()))
  const refused = async () => {
    await desk.hand.measure()
    expect(desk.sent).toEqual([])
    return desk.hand.wrong.value
  }

  it('says which lead is on nothing, then asks for a prediction, then for one that can be read', async () => {
    expect(await refused()).toMatch(/^Both leads/)
    desk.model.draft.red = 'L1a'
    expect(await refused()).toMatch(/^The black lead/)
    desk.model.draft.black = ' B1- '
    desk.model.draft.red = '  '
    expect(await refused()).toMatch(/^The red lead/)
    desk.model.draft.red = 'L1a'
    expect(await refused()).toMatch(/^Predict first/)
    desk.model.draft.prediction = 'plenty'
    expect(await refused()).not.toMatch(/^Predict first|^$/)
    desk.model.draft.prediction = '12.6'
    desk.model.draft.suspected = 'plenty'
    expect(await refused()).not.toBe('')
  })

  it('asks of a continuity test whether it would beep', async () => {
    desk.hand.choose('continuity')
    Object.assign(desk.model.draft, { red: 'X2a', black: 'X2b' })
    expect(await refused()).toMatch(/beep/)
  })

  it('asks of jaws what they are round, and of a part where', async () => {
    desk.hand.choose('clamp')
    expect(desk.hand.hold.value).toBe('jaws')
    expect(await refused()).toMatch(/^The jaws are round nothing/)
    desk.hand.choose('testLamp')
    desk.hand.holdSo('inPlaceOf')
    expect(await refused()).toMatch(/^Choose a part/)
  })

  it('wants on a real board what its meter shows', async () => {
    desk = deskWith({ source: 'typed' })
    Object.assign(desk.model.draft, { red: 'L1a', black: 'B1-', prediction: '12.6' })
    expect(await refused()).toMatch(/^Type what your meter shows/)
    desk.model.draft.typed = 'about twelve'
    expect(await refused()).not.toBe('')
  })
})

describe('a reading', () => {
  it('goes with its arrangement, its setting and how it is held; then what was typed is gone', async () => {
    const { model, sent, hand } = deskWith()
    Object.assign(model.draft, { red: 'L1a', black: 'B1-', prediction: '12,6', suspected: '280 mV' })
    await hand.measure()
    expect(hand.wrong.value).toBe('')
    expect(sent).toEqual([
      expect.objectContaining({
        type: 'test',
        arrangement,
        instrument: 'volts',
        held: { type: 'leads', red: 'L1a', black: 'B1-' },
        prediction: { type: 'value', value: 12.6 },
        suspected: { type: 'value', value: 0.28 },
        source: 'model',
      }),
    ])
    expect(sent[0]).not.toHaveProperty('reading')
    expect([model.draft.prediction, model.draft.suspected]).toEqual(['', ''])
  })

  it('of a real board goes as it was typed, and stands or is put right when it is asked about', async () => {
    const { model, sent, hand } = deskWith({ source: 'typed' })
    Object.assign(model.draft, { red: 'L1a', black: 'B1-', prediction: '12.6', typed: '1.24' })
    model.act = (action: unknown) => {
      sent.push(JSON.parse(JSON.stringify(action)))
      model.question = sent.length === 1 ? { about: { code: 'look' }, action } : null
      return Promise.resolve(sent.length > 1)
    }
    await hand.measure()
    expect(sent[0]).toMatchObject({ source: 'typed', reading: { value: 1.24 } })
    // Not taken yet: what was typed is still there.
    expect(model.draft.typed).toBe('1.24')
    await hand.answer(false)
    expect(model.question).toBe(null)
    expect(model.draft.typed).toBe('')
    model.draft.typed = '12.4'
    await hand.measure()
    expect(sent[1]).toMatchObject({
      reading: { value: 12.4 },
      asked: { about: { code: 'look' }, first: '1.24', answer: 'corrected' },
    })
    expect(model.draft.asked).toBe(null)
  })

  it('that stands goes once more, as it was', async () => {
    const { model, sent, hand } = deskWith({ source: 'typed' })
    model.draft.typed = '1.24'
    model.question = { about: { code: 'look' }, action: { type: 'test', instrument: 'volts' } }
    await hand.answer(true)
    expect(sent).toEqual([
      {
        type: 'test',
        instrument: 'volts',
        asked: { about: { code: 'look' }, first: '1.24', answer: 'stands' },
      },
    ])
  })

  it('is held on the display until what is held changes', () => {
    const { model, hand } = deskWith()
    const reading = { text: '12.40 V' }
    Object.assign(model.draft, { red: 'L1a', black: 'B1-' })
    const test = {
      type: 'test',
      instrument: 'volts',
      held: { type: 'leads', red: 'L1a', black: 'B1-' },
      also: [],
      arrangement,
      reading,
    }
    model.steps = [test as unknown as Step]
    model.lastTest = test
    expect(hand.shown.value).toEqual(reading)
    model.draft.red = 'F1b'
    expect(hand.shown.value).toBe(null)
    // While it is being thought about it stands, wherever the leads are by now.
    model.inferenceDue = true
    expect(hand.shown.value).toEqual(reading)
  })
})

describe('in the hand', () => {
  it('a lead is carried along its path, and stops at both ends', () => {
    const { model, hand } = deskWith()
    hand.carry('red', 1)
    const top = model.draft.red
    hand.carry('red', -1)
    expect(model.draft.red).toBe(top)
    const seen = new Set([top])
    for (let n = 0; n < 60; n++) {
      hand.carry('red', 1)
      seen.add(model.draft.red)
    }
    expect(seen.has('L1a')).toBe(true)
    const bottom = model.draft.red
    hand.carry('red', 1)
    expect(model.draft.red).toBe(bottom)
    hand.carry('black', -1)
    expect(model.draft.black).toBe(bottom)
  })

  it('jaws go round what is pointed at, and off it again', () => {
    const { model, hand } = deskWith()
    expect(hand.holdAt('W3')).toBe(false)
    hand.choose('clamp')
    expect(hand.holdAt('W3')).toBe(true)
    hand.holdAt('W4')
    expect(model.draft.round).toBe('W3 W4')
    expect([...hand.grip.value]).toEqual(['W3', 'W4'])
    hand.holdAt('W3')
    expect(model.draft.round).toBe('W4')
  })

  it('a lamp stands in the place of a fuse, not of a wire', () => {
    const { model, hand } = deskWith()
    hand.choose('testLamp')
    hand.holdSo('inPlaceOf')
    expect(hand.holdAt('W3')).toBe(false)
    expect(hand.holdAt('F1')).toBe(true)
    expect(model.draft.part).toBe('F1')
    expect(hand.gaps.value.map((p) => p.id)).toContain('F1')
  })

  it('what draws current may stay while another reads: three of them at most, each taken off again', () => {
    const { model, hand } = deskWith()
    hand.choose('volts')
    expect(hand.loads.value).toBe(false)
    hand.choose('testLamp')
    hand.holdSo('inPlaceOf')
    expect(hand.loads.value).toBe(true)
    hand.leave()
    expect(hand.wrong.value).toMatch(/^Choose a part/)
    expect(model.draft.also).toEqual([])
    hand.holdAt('F1')
    for (let n = 0; n < 5; n++) hand.leave()
    expect(model.draft.also).toHaveLength(3)
    hand.take(1)
    expect(model.draft.also).toHaveLength(2)
  })

  it('another instrument forgets the prediction; each keeps its own setting', () => {
    const { model, hand } = deskWith()
    model.draft.prediction = '12.6'
    hand.set('range', 'x')
    hand.choose('ohms')
    expect(model.draft.prediction).toBe('')
    expect(model.draft.settings).toEqual({ volts: expect.objectContaining({ range: 'x' }) })
    hand.holdSo('leads')
    expect(hand.hold.value).toBe('leads')
    hand.chooseDevice('nothing like it')
    expect(hand.instrument.value.key).toBe('ohms')
  })
})
