import type { Aim } from './efficiency'

/** How much of an aim a test had: others stood open that would have told far more. */
const worth: Readonly<Record<Aim, number>> = { good: 1, fair: 0.7, poor: 0.3, nothing: 0, known: 0, proof: 0 }
/** Tests that a search may take beside one for each bit of doubt: point by point is a school of its own. */
const ampleTests = 4
/** Bits that are asked of any complaint: what is told by it alone is not seen at the bench. */
const leastBits = 1
/** Readings that may confirm what was known already. */
const mayConfirm = 5

/** Tests before a repair that could be chosen: how many there were, how many of them had an aim, how many confirmed what was known. */
export class Aimed {
  private all = 0
  private aimed = 0
  private confirmed = 0

  /** @param told the complaint alone has left nothing to find out, which nobody sees at the bench */
  count(aim: Aim, told: boolean): void {
    // A few readings may confirm what is known.
    const confirms = aim === 'known' && this.confirmed < mayConfirm
    if (confirms) this.confirmed++
    if (!confirms || told) this.all++
    this.aimed += confirms && told ? 1 : worth[aim]
  }

  /**
   * Share of the tests that had an aim, of a search no longer than the doubt asks for.
   * @param bits doubt that the complaint leaves, bits
   * @returns 0 to 1
   */
  share(bits: number): number {
    const { all, aimed } = this
    return all ? (aimed / all) * Math.min(1, (Math.max(bits, leastBits) + ampleTests) / all) : 1
  }
}
