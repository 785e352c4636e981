import { codesBetween, t, tell } from '../../words'
import type { Words } from '../../../core/document'
import { ruleWords, techniqueRules, type TechniqueRule } from '../../../core/assessment'
import {
  calculators,
  cautionKeys,
  lookUps,
  placesOf,
  procedures,
  type Calculator,
  type LookUp,
  type Procedure,
} from '../../../core/handbook'

/** One thing to look up. */
export type Entry = { readonly key: string; readonly title: string; readonly words: string } & (
  | { readonly type: 'calculator'; readonly calculator: Calculator }
  | { readonly type: 'limits' }
  | { readonly type: 'procedure'; readonly procedure: Procedure }
  | { readonly type: 'table'; readonly table: LookUp }
  | { readonly type: 'symbols' }
  | { readonly type: 'judging'; readonly paragraphs: readonly string[]; readonly ideas: readonly string[] }
  | {
      readonly type: 'misreading'
      readonly say: string
      readonly instead: string
      readonly rule: TechniqueRule
    }
  | {
      readonly type: 'caution'
      readonly text: string
      readonly instruments: readonly Words[]
      readonly procedures: readonly string[]
    }
)

export const chapters = [
  { types: ['procedure'], title: t('ui.handbook.procedures'), about: t('ui.handbook.aboutProcedures') },
  { types: ['limits'], title: t('ui.common.limits'), about: t('ui.handbook.aboutLimits') },
  { types: ['calculator'], title: t('ui.handbook.calculators'), about: t('ui.handbook.aboutCalculators') },
  { types: ['table', 'symbols'], title: t('ui.handbook.tables'), about: t('ui.handbook.aboutTables') },
  { types: ['misreading'], title: t('ui.handbook.misreadings'), about: t('ui.handbook.aboutMisreadings') },
  { types: ['judging'], title: t('ui.handbook.learning'), about: t('ui.handbook.aboutLearning') },
  { types: ['caution'], title: t('ui.common.cautions'), about: t('ui.handbook.aboutCautions') },
] as const satisfies readonly { types: readonly Entry['type'][]; title: string; about: string }[]

/** Everything that can be looked up, in the order of its chapters. */
export const entries: readonly Entry[] = [
  ...procedures.map((procedure): Entry => ({
    type: 'procedure',
    key: procedure.key,
    title: tell(procedure.title),
    words: [tell(procedure.about), tell(procedure.when), ...procedure.words].join(' '),
    procedure,
  })),
  {
    type: 'limits',
    key: 'limits',
    title: t('ui.handbook.limitsSideBySide'),
    words: 'allowed loss voltage drop schools pass fail 0.2 0.3 0.5 3 %',
  },
  ...calculators.map((calculator): Entry => ({
    type: 'calculator',
    key: calculator.key,
    title: tell(calculator.title),
    words: [tell(calculator.about), ...calculator.words].join(' '),
    calculator,
  })),
  ...lookUps.map((table): Entry => ({
    type: 'table',
    key: table.key,
    title: tell(table.title),
    words: [...table.words, tell(table.title), ...table.rows.flat().map(tell)].join(' '),
    table,
  })),
  {
    type: 'symbols',
    key: 'symbols',
    title: t('ui.handbook.symbols'),
    words: 'drawing schematic IEC 60617 relay switch',
  },
  ...techniqueRules.map((rule): Entry => {
    const { key } = rule
    const text = (part: Parameters<typeof ruleWords>[1]) => tell(ruleWords(key, part))
    return {
      type: 'misreading',
      key: `rule-${key}`,
      title: text('title'),
      words: `${text('say')} ${text('instead')}`,
      say: text('say'),
      instead: text('instead'),
      rule,
    }
  }),
  {
    type: 'judging',
    key: 'difficulty',
    title: t('ui.handbook.difficultyTitle'),
    words: 'logits item response bits variants examination discrimination',
    paragraphs: ([1, 2, 3, 4] as const).map((n) => t(`ui.handbook.difficulty.${n}`)),
    ideas: [],
  },
  {
    type: 'judging',
    key: 'misbeliefs',
    title: t('ui.handbook.misbeliefTitle'),
    words: 'misconception wrong idea bayes probability re-teach',
    paragraphs: ([1, 2, 3, 4] as const).map((n) => t(`ui.handbook.misbelief.${n}`)),
    // The models themselves are the judge's: a reader has their titles.
    ideas: codesBetween('learning.misbeliefs.', '.title'),
  },
  ...cautionKeys.map((key): Entry => {
    const text = tell(`cautions.${key}`)
    return {
      type: 'caution',
      key: `caution-${key}`,
      title: text.split(/[:;.]/)[0]!,
      words: text,
      text,
      ...placesOf(key),
    }
  }),
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
  // The shortest title says it most plainly.
  return [...fits].sort(
    (a, b) => inTitle(a) - inTitle(b) || (inTitle(a) ? 0 : a.title.length - b.title.length),
  )
}
