import type { Phrases } from '../document'
import { cautions } from '../document/cautions'
import { say as documentPhrases } from '../document/phrases'
import { say as assessment } from '../assessment/phrases'
import { say as attempt } from '../attempt/phrases'
import { say as board } from '../board/phrases'
import { say as circuit } from '../circuit/phrases'
import { say as diagnosis } from '../diagnosis/phrases'
import { say as faults } from '../faults/phrases'
import { say as formats } from '../formats/phrases'
import { say as handbook } from '../handbook/phrases'
import { say as instruments } from '../instruments/phrases'
import { say as parts } from '../parts/phrases'
import { say as quantity } from '../quantity/phrases'
import { say as readings } from '../readings/phrases'
import { say as solve } from '../solve/phrases'
import { say as time } from '../time/phrases'
import { say as lab } from '../lab/phrases'
import { say as workshop } from '../workshop/phrases'

/** Every folder's phrases. A new file of phrases has its line here; a test looks for what is missing. */
export const catalogues: readonly Phrases<Readonly<Record<string, string>>>[] = [
  documentPhrases,
  cautions,
  quantity,
  solve,
  parts,
  circuit,
  faults,
  board,
  time,
  instruments,
  readings,
  attempt,
  diagnosis,
  assessment,
  workshop,
  lab,
  handbook,
  formats,
]

/** The English of every code. */
export const english: Readonly<Record<string, string>> = Object.fromEntries(
  catalogues.flatMap(({ prefix, english: texts }) =>
    Object.entries(texts).map(([key, text]) => [`${prefix}.${key}`, text] as const),
  ),
)
