/**
 * How many cases a test draws by chance, and from which seed: a fixed sample in every run, many times as many from a
 * fresh seed in a campaign, which prints it.
 */
export function drawn(numRuns: number, seed?: number): { numRuns: number; seed?: number } {
  const campaign = process.env.BRACHYON_CAMPAIGN
  if (campaign) return { numRuns: numRuns * Number(process.env.BRACHYON_TIMES ?? 10), seed: Number(campaign) }
  return seed === undefined ? { numRuns } : { numRuns, seed }
}
