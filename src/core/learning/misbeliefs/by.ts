import type { Occasion } from './misbelief'
import type { Reading, Work } from './work'

/** It shows where one of these technique rules is broken; it can show where one would be if everything were struck out. */
export const byRules =
  (...rules: readonly string[]) =>
  ({ readings }: Work): Occasion[] =>
    readings.flatMap(({ index, breaks, tempts }) =>
      rules.some((key) => tempts.has(key) || breaks.has(key))
        ? [{ step: index, shown: rules.some((key) => breaks.has(key)) }]
        : [],
    )

/** It shows in what is predicted: `asks` says where it can, `said` whether this prediction is its holder's. */
export const byPrediction =
  (
    asks: (reading: Reading & { readonly good: number }, work: Work) => boolean,
    said: (predicted: number, reading: Reading & { readonly good: number }, work: Work) => boolean,
  ) =>
  (work: Work): Occasion[] =>
    work.readings.flatMap((reading) => {
      const { good, predicted, index } = reading
      if (good === undefined || predicted === undefined) return []
      const known = { ...reading, good }
      return asks(known, work) ? [{ step: index, shown: said(predicted, known, work) }] : []
    })
