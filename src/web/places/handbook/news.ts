/** What came into the Handbook last, newest first; what is older than these is told no more. */
export const news: readonly { readonly since: string; readonly keys: readonly string[] }[] = [
  { since: '2026-12-01', keys: ['difficulty', 'misbeliefs'] },
  {
    since: '2026-11-30',
    keys: ['rule-voltsWithoutLoad', 'rule-noughtClearsNothingElse', 'rule-nothingFlows'],
  },
  { since: '2026-11-27', keys: ['fuseDrop'] },
]
