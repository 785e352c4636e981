import type { Words } from '../document'
import type { Unit } from '../quantity'

/** A value that is typed, with its unit: what it is until somebody types another. */
export interface Input {
  readonly label: Words
  readonly unit: Unit
  readonly preset: number
  readonly least: number
  readonly most: number
  /** A few to choose from instead of a number. */
  readonly options?: readonly { readonly value: number; readonly text: Words }[]
}

export interface Result {
  readonly label: Words
  readonly unit: Unit
  /** Not a number where the question has no answer; `note` says why. */
  readonly value: number
  readonly note?: Words
}

/** What people look up and reckon: inputs, what follows from them, what that assumes and where it is from. */
export interface Calculator<K extends string = string> {
  readonly key: string
  readonly title: Words
  /** Words it is looked for by, beside its title. */
  readonly words: readonly string[]
  readonly about: Words
  readonly assumes: Words
  /** As the field writes it. */
  readonly formula: Words
  /** Functions of the core that reckon it, those of the circuits themselves; none where arithmetic is all. */
  readonly by: readonly string[]
  /** Of the formula and its constants. */
  readonly source: Words
  readonly inputs: Readonly<Record<K, Input>>
  readonly results: (given: Readonly<Record<K, number>>) => readonly Result[]
  /** Of a published table, a textbook, or marked as common practice: checked by a test. */
  readonly example: {
    readonly given: Partial<Readonly<Record<K, number>>>
    readonly gives: readonly (readonly [label: Words, value: number, within: number])[]
    readonly from: string
  }
}

/** One calculator, with its input names checked where it is written. */
export const defineCalculator = <const K extends string>(calculator: Calculator<K>): Calculator =>
  calculator as unknown as Calculator

/** What a calculator starts with, by input. */
export const presetsOf = ({ inputs }: Calculator): Record<string, number> =>
  Object.fromEntries(Object.entries(inputs).map(([key, { preset }]) => [key, preset]))

/** How far the first result moves when one input grows by a tenth: what the answer hangs on most comes first. */
export function sensitivityOf(
  calculator: Calculator,
  given: Readonly<Record<string, number>>,
): { readonly input: string; readonly to: number; readonly result: number }[] {
  const [first] = calculator.results(given)
  if (!first || !Number.isFinite(first.value)) return []
  return Object.entries(calculator.inputs)
    .filter(([key, { options }]) => !options && given[key] !== 0)
    .map(([key, { least, most }]) => {
      const to = Math.min(most, Math.max(least, given[key]! * 1.1))
      return { input: key, to, result: calculator.results({ ...given, [key]: to })[0]!.value }
    })
    .filter(({ result }) => Number.isFinite(result) && result !== first.value)
    .sort((a, b) => Math.abs(b.result - first.value) - Math.abs(a.result - first.value))
}
