import { messageOf, say, writeWords } from '../src/core/document'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from './demo'
import { Attempt } from './attempt'
import type { Circuit } from '../src/core/circuit'
import { aspectNames, aspects } from '../src/core/assessment'
import { Predictor } from '../src/core/diagnosis'
import { catalogue, describeFault, possibleFaults, type Fault } from '../src/core/faults'
import { skillKeys } from '../src/core/lab'
import { answerKey, type Sortable } from '../src/core/readings'
import { buildSheet } from '../src/core/workshop'
import type { Review, StoredDay, StoredLesson } from '../src/contract'
import { loadWords, tell, use } from '../src/web/words'
import { orders, sealed, stations } from '../src/web/places/days/cards'
import { reportPages } from '../src/web/places/ledger/report'
import { attemptPage, orderSheet } from '../src/web/places/review/pdf'
import { verdictWords } from '../src/web/readings/verdictWords'
import { buildPage, keyPage, worksheetPage } from '../src/web/places/sheet/pdf'

beforeAll(loadWords)
afterEach(() => use('en'))

/** Every text of a page, in the order in which it is printed. */
function texts(of: unknown): string[] {
  if (typeof of === 'string') return [of]
  if (Array.isArray(of)) return of.flatMap(texts)
  if (of && typeof of === 'object') {
    const { text, stack, columns, table, ul, ol, content } = of as Record<string, unknown>
    const body = (table as { body?: unknown } | undefined)?.body
    return [content, text, stack, columns, body, ul, ol].filter((part) => part !== undefined).flatMap(texts)
  }
  return []
}
const all = <T extends Sortable>(rows: readonly T[]): T[] => [...rows]

/** Words that are the school's own: what somebody has typed into the circuit. */
const own = (circuit: Circuit): string =>
  JSON.stringify([
    circuit.name,
    circuit.vehicle,
    circuit.note,
    circuit.states.map(({ name }) => name),
    circuit.parts.map(({ id, name }) => [id, name]),
    circuit.paths,
  ])
/** The same in both languages. */
const alike = new Set(
  'sensor motor transistor diode relais watt volt ampere ohm normal position digital standard adapter warm ring signal name pins moment block side start still high element thermistor hand'.split(
    ' ',
  ),
)
const wordsOf = (text: string): string[] => text.toLowerCase().match(/\p{L}{4,}/gu) ?? []

/** English that is left on a German page: words of the English one that are still there, and no names. */
function left(make: () => unknown, names: string): string[] {
  use('en')
  const english = texts(make())
  use('de')
  const german = texts(make())
  expect(german.length).toBe(english.length)
  expect(german.length).toBeGreaterThan(3)
  const known = new Set([...wordsOf(names), ...alike])
  const found = new Set<string>()
  for (const [i, text] of german.entries()) {
    const before = new Set(wordsOf(english[i]!))
    const same = wordsOf(text).filter((word) => before.has(word) && !known.has(word))
    if (same.length) found.add(`${same.join(', ')} in: ${text.slice(0, 120)}`)
    if (/\d\.\d\s(m?V|A|mA|W|Ω|m|mm²)\b/.test(text)) found.add(text)
  }
  return [...found]
}

const faultIn = (circuit: Circuit, nth: number): Fault[] => {
  const every = possibleFaults(circuit)
  return [every[(nth * 7) % every.length]!]
}

describe.each(demoNames.map((name, i) => [name, i] as const))('paper in German: %s', (name, i) => {
  const circuit = demoCircuit(name)
  const faults = faultIn(circuit, i)
  const names = own(circuit)

  it('answer key', () => {
    const healthy = answerKey(circuit, [])
    const faulted = answerKey(circuit, faults)
    expect(left(() => keyPage({ circuit, healthy, faulted, faults, limits: '' }, all), names)).toEqual([])
    expect(left(() => worksheetPage(circuit, healthy, '', all), names)).toEqual([])
  })

  it('build sheet', () => {
    expect(left(() => buildPage(circuit, buildSheet(circuit, faults)), names)).toEqual([])
  })
})

const circuit = demoCircuit('sweeper-work-lamp')
const names =
  own(circuit) +
  ' Nela Farrow Evening group said aloud measured wiggled Bench behind the door http brachyon.example card'

describe('records on paper in German', () => {
  const fault: Fault = { kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }
  const on = circuit.states.find(({ controls }) => Object.keys(controls).length) ?? circuit.states[0]!
  const attempt = new Attempt(circuit, [fault], { controls: on.controls, detached: [] })
    .operate()
    .test('L1a', 'B1-', 12.5, ['F1', 'S1'])
    .test('G1n', 'B1-', 0, [])
    .conclude('G1.foot')
  const review: Review = {
    id: crypto.randomUUID(),
    circuit,
    faults: [fault],
    spares: [],
    frame: attempt.order.frame,
    complaint: 'said aloud',
    student: {
      id: crypto.randomUUID(),
      login: 'nela',
      name: 'Nela Farrow',
      role: 'student',
    } as Review['student'],
    created: '2026-11-26T09:00:00Z',
    concluded: '2026-11-26T09:20:00Z',
    released: null,
    newerMark: null,
    markedAnew: null,
    exam: {
      name: 'Bench',
      room: 'Bench',
      seat: '3',
      minutes: 60,
      extra: 15,
      handbook: 'part',
      difficulty: 0.4,
      rubric: '',
      engine: '',
    },
    steps: attempt.steps.map((step) => ({ at: '2026-11-26T09:10:00Z', step })),
    rubric: {} as Review['rubric'],
    judged: attempt.judged(new Predictor(circuit)) as Review['judged'],
    overrides: [{ aspect: aspects[0], points: 2.5, note: 'said aloud' }] as unknown as Review['overrides'],
    replies: [],
  }

  it('an attempt with its marks, and the sheet for one', () => {
    expect(review.judged?.judgements.length).toBeGreaterThan(5)
    expect(left(() => attemptPage(review, verdictWords(circuit)), names)).toEqual([])
    expect(left(() => orderSheet(review), names)).toEqual([])
  })

  it('a reason for lower marks once, with every aspect that it lowers', () => {
    const why = say('assessment.lessShown')
    const marks = review.judged!.marks.map((mark, i) => ({ ...mark, less: i < 3 ? [why] : [] }))
    const text = JSON.stringify(
      attemptPage({ ...review, judged: { ...review.judged!, marks } }, verdictWords(circuit)),
    )
    const told = marks.slice(0, 3).map(({ aspect }) => tell(aspectNames[aspect]))
    expect(text.split(`${told.join(', ')}: ${tell(why)}`)).toHaveLength(2)
    expect(text.split(tell(why))).toHaveLength(2)
  })

  it('the cards of a lab day, whatever is planted', () => {
    const every = new Map(possibleFaults(circuit).map((one) => [one.kind, one]))
    const lesson = {
      id: 'l',
      version: 1,
      lesson: { circuit, sets: [{ name: '', faults: [...every.values()], complaint: 'said aloud' }] },
    } as unknown as StoredLesson
    const day: StoredDay = {
      id: 'd',
      name: 'Evening group',
      day: '2026-03-26',
      class: null,
      revision: 1,
      word: 'amber',
      body: {
        start: '18:00',
        minutes: 30,
        rounds: 1,
        stands: [
          { name: 'Bench', real: true, lesson: 'l', set: 0 },
          { name: 'Bench behind the door http brachyon.example card', real: false, lesson: 'l', set: 0 },
          { name: 'Bench', real: true, lesson: null, set: 0 },
        ] as StoredDay['body']['stands'],
        groups: [],
        seats: [[0]],
        out: [],
      },
    }
    expect(left(() => ({ content: sealed(day, new Map([['l', lesson]])) }), names)).toEqual([])
    expect(left(() => ({ content: stations(day, 'http://brachyon.example') }), names)).toEqual([])
    expect(left(() => ({ content: orders(day, ['Nela Farrow'], ['18:00']) }), names)).toEqual([])
    expect(JSON.stringify(sealed(day, new Map()))).toContain('26. März 2026')
  })

  it('the report of a class', () => {
    const level = { level: 0.734, spread: 0.081, evidence: 3, thin: false }
    const described = [...new Map(possibleFaults(circuit).map((one) => [one.kind, one])).values()].map(
      (one) => describeFault(circuit, one),
    )
    expect(described.length).toBeGreaterThan(3)
    expect(described.length).toBeLessThanOrEqual(catalogue.length)
    const students = [
      {
        id: 'a',
        name: 'Nela Farrow',
        attempts: 2,
        mean: 81.6,
        drills: 0,
        skills: Object.fromEntries(skillKeys.map((k) => [k, level])),
        next: ['drops'],
      },
    ]
    const ledger = {
      allFaults: described.length,
      faults: described.map((fault) => ({
        circuit: circuit.name,
        fault: writeWords([fault, fault]),
        attempts: 2,
        found: 1,
        tests: 4,
        minutes: 12.4,
        wrong: writeWords([say('readings.pieceOf', { part: 'L1', name: messageOf('parts.lamp.socket') })]),
        difficulty: null,
        spread: null,
        discrimination: null,
        computed: null,
      })),
      reliability: [],
    }
    const mark = {
      student: 'Nela Farrow',
      circuit: circuit.name,
      fault: writeWords(described.slice(0, 1)),
      finished: '2026-11-26T10:00:00Z',
      found: false,
      readings: 5,
      minutes: 11.6,
      points: {},
      mark: 72.4,
      verdicts: [],
      notes: ['said aloud'],
    }
    expect(left(() => ({ content: reportPages('Evening', students, ledger, [mark]) }), names)).toEqual([])
  })
})
