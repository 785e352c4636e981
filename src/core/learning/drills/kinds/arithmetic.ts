import { messageOf, say, type Message } from '../../../document'
import { calculatorOf, type Calculator } from '../../../handbook'
import { formatQuantity } from '../../../quantity'
import { defineDrill } from '../kind'
import type { Draw } from '../draw'

/** What is reckoned in the head or on a card, between which values, and which result is asked. */
const sums: readonly {
  readonly calculator: string
  readonly between: Readonly<Record<string, readonly number[]>>
  readonly result: number
  readonly difficulty: number
}[] = [
  {
    calculator: 'wireDrop',
    between: {
      length: [1, 2, 3, 4, 5, 6, 8],
      section: [0.75, 1, 1.5, 2.5, 4],
      amps: [2, 4, 5, 8, 10, 15],
      temperature: [20],
    },
    result: 0,
    difficulty: 0.8,
  },
  {
    calculator: 'parallel',
    between: { first: [2, 3, 4, 6, 10, 12], second: [2, 3, 4, 6, 12, 20], volts: [12] },
    result: 1,
    difficulty: 0.2,
  },
  {
    calculator: 'loadFromWatts',
    between: { watts: [5, 10, 21, 36, 55, 60, 100], volts: [12, 24] },
    result: 0,
    difficulty: -0.6,
  },
  {
    calculator: 'fuseVolts',
    between: { millivolts: [2, 4, 6, 10, 15] },
    result: 0,
    difficulty: 0.9,
  },
]
/** Share of the answer within which it is right, and near: reckoned in the head (common practice, no source). */
const [within, near] = [0.06, 0.15] as const

/** Values for the inputs that the calculator has, its own presets for the others. */
function drawGiven(
  { inputs }: Calculator,
  between: (typeof sums)[number]['between'],
  draw: Draw,
): Record<string, number> {
  return Object.fromEntries(
    Object.entries(inputs).map(([key, { preset, options }]) => [
      key,
      draw.one(between[key] ?? options?.map(({ value }) => value) ?? [preset])!,
    ]),
  )
}

export const arithmetic = defineDrill({
  key: 'arithmetic',
  title: 'learning.drills.arithmetic.title',
  skill: 'prediction',
  make: (bench, draw) => {
    const sum = draw.one(sums)!
    const calculator = calculatorOf(sum.calculator)
    const given = drawGiven(calculator, sum.between, draw)
    const result = calculator.results(given)[sum.result]
    if (!result || !Number.isFinite(result.value) || result.value === 0) return undefined
    const size = Math.abs(result.value)
    const lines = Object.entries(calculator.inputs).map(([key, { label, unit, options }]): Message => {
      const text = options?.find(({ value }) => value === given[key])?.text
      return say('learning.drills.arithmetic.input', {
        label: messageOf(label),
        value: text
          ? messageOf(text)
          : { shown: unit ? formatQuantity(given[key]!, unit) : String(given[key]) },
      })
    })
    return {
      state: bench.states[0]!.id,
      detached: [],
      given: lines,
      asks: say('learning.drills.arithmetic.asks', {
        title: messageOf(calculator.title),
        label: messageOf(result.label),
      }),
      answer: {
        type: 'value',
        unit: result.unit,
        value: result.value,
        within: within * size,
        near: near * size,
        lures: [],
      },
      why: say('learning.drills.arithmetic.why', {
        formula: messageOf(calculator.formula),
        source: messageOf(calculator.source),
      }),
      difficulty: sum.difficulty,
    }
  },
})
