/** A practice tells each step at once, a test with its review, an examination when all are released. */
export const orderModes = ['practice', 'test', 'exam'] as const
/** Of the Handbook: everything; limits, tables, calculators and cautions; nothing. */
export const handbookModes = ['open', 'part', 'closed'] as const
export type HandbookMode = (typeof handbookModes)[number]
