import type { KeyOf } from '../../messages/codes'
import { verbatim, type Words } from '../document'
import cautions from '../../messages/en/cautions.json' with { type: 'json' }
import { instruments, settingsOf } from '../instruments'
import { findCalculator } from './calculators/registry'
import { findProcedure, procedures } from './procedures/registry'
import { lookUps } from './tables'

/** Where a caution stands: the instruments beside which it is shown, the procedures at whose head it is. */
export function placesOf(caution: string): {
  readonly instruments: readonly Words[]
  readonly procedures: readonly string[]
} {
  const near = instruments.filter((instrument) =>
    [
      undefined,
      ...instrument.settings.flatMap(({ key, options }) => options.map((o) => ({ [key]: o.key }))),
    ].some((said) => instrument.cautions(settingsOf(instrument, said)).includes(caution)),
  )
  return {
    instruments: near.map(({ title }) => title),
    procedures: procedures.filter((p) => p.cautions.includes(caution)).map(({ key }) => key),
  }
}

export const cautionKeys = Object.keys(cautions) as readonly KeyOf<'cautions'>[]

/** What a calculator, a table or a procedure is called, by its key. */
export const entryTitle = (key: string): Words =>
  (findProcedure(key) ?? findCalculator(key) ?? lookUps.find((one) => one.key === key))?.title ??
  verbatim(key)
