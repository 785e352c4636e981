import { z } from 'zod'
import type { Scope } from '../../contract'
import { scopeOf } from '../class/scope'

/** Whose work, and on which day. */
export interface LedgerScope extends Scope {
  readonly day?: string | undefined
}

/** Out of the query of an address. @throws ZodError */
export const ledgerScopeOf = (query: { readonly day?: unknown }): LedgerScope => ({
  ...scopeOf(query),
  day: z.uuid().optional().parse(query.day),
})
