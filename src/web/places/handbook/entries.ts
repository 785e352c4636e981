import { ruleTexts, techniqueRules } from '../../../core/assessment'
import { cautions } from '../../../core/document/cautions'
import { calculators, lookUps, type Calculator, type LookUp } from '../../../core/handbook'

/** One thing to look up. */
export type Entry = { readonly key: string; readonly title: string; readonly words: string } & (
  | { readonly type: 'calculator'; readonly calculator: Calculator }
  | { readonly type: 'table'; readonly table: LookUp }
  | { readonly type: 'misreading'; readonly say: string; readonly instead: string }
  | { readonly type: 'caution'; readonly text: string }
)

export const chapters = [
  { type: 'calculator', title: 'To reckon' },
  { type: 'table', title: 'Tables' },
  { type: 'misreading', title: 'Misreadings' },
  { type: 'caution', title: 'Cautions' },
] as const

/** Everything that can be looked up, in the order of its chapters. */
export const entries: readonly Entry[] = [
  ...calculators.map((calculator): Entry => ({
    type: 'calculator',
    key: calculator.key,
    title: calculator.title,
    words: [calculator.about, ...calculator.words].join(' '),
    calculator,
  })),
  ...lookUps.map((table): Entry => ({
    type: 'table',
    key: table.key,
    title: table.title,
    words: [...table.words, ...table.rows.flat()].join(' '),
    table,
  })),
  ...techniqueRules.map(({ key }): Entry => {
    const text = (part: string) => ruleTexts[`rules.${key}.${part}`] ?? ''
    return {
      type: 'misreading',
      key: `rule-${key}`,
      title: text('title'),
      words: `${text('say')} ${text('instead')}`,
      say: text('say'),
      instead: text('instead'),
    }
  }),
  ...Object.entries(cautions.english).map(([key, text]): Entry => ({
    type: 'caution',
    key: `caution-${key}`,
    title: text.split(/[:;.]/)[0]!,
    words: text,
    text,
  })),
]

/** Entries in which every word that is typed begins a word of theirs; those whose title has them come first. */
export function found(typed: string): readonly Entry[] {
  const asked = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (!asked.length) return entries
  const begins = (text: string, word: string) =>
    text
      .toLowerCase()
      .split(/[\s,;:.()/]+/)
      .some((w) => w.startsWith(word))
  const fits = entries.filter(({ title, words }) => asked.every((word) => begins(`${title} ${words}`, word)))
  const inTitle = ({ title }: Entry) => (asked.every((word) => begins(title, word)) ? 0 : 1)
  return [...fits].sort((a, b) => inTitle(a) - inTitle(b))
}
