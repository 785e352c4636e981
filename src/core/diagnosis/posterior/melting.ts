import { aftermath } from '../../board'
import type { Circuit } from '../../circuit'
import { faultOfKind } from '../../faults'
import { faultsAt } from '../hypotheses/severity-grid'
import type { Hypothesis } from '../hypotheses/hypothesis'

type Gone = ReadonlySet<string>

/**
 * Fuses that each board of a hypothesis has melted before anybody measured: the customer used the circuit in all its states.
 * Both ends of the range and the planted size are worked out; between two sizes that melt the same, the same has melted.
 */
export class Melting {
  /** By hypothesis: what is known, in the order of x. */
  private readonly known = new Map<number, { x: number; gone: Gone }[]>()
  private sound: Gone | undefined

  constructor(private readonly circuit: Circuit) {}

  /** What one exact board melts; only what draws more than the sound circuit can melt what that does not. */
  of(faults: Parameters<typeof aftermath>[1]): Gone {
    if (faults.some(({ kind }) => faultOfKind(kind).drawsMore)) return aftermath(this.circuit, faults)
    return (this.sound ??= aftermath(this.circuit, []))
  }

  at(hypothesis: Hypothesis, x: number): Gone {
    const faults = faultsAt(hypothesis, x)
    if (!faults.some(({ kind }) => faultOfKind(kind).drawsMore)) return this.of(faults)
    let known = this.known.get(hypothesis.index)
    if (!known) {
      known = []
      this.known.set(hypothesis.index, known)
      const ends = [
        0,
        Math.max(0, hypothesis.grid.length - 1),
        ...(hypothesis.plantedAt === undefined ? [] : [hypothesis.plantedAt]),
      ]
      for (const end of new Set(ends)) known.push({ x: end, gone: this.of(faultsAt(hypothesis, end)) })
      known.sort((p, q) => p.x - q.x)
    }
    const after = known.findIndex((one) => one.x >= x)
    const [a, b] = [known[after - 1], known[after]]
    if (b?.x === x) return b.gone
    if (a && b && sameSet(a.gone, b.gone)) return b.gone
    const gone = this.of(faults)
    known.splice(after < 0 ? known.length : after, 0, { x, gone })
    return gone
  }
}

const sameSet = (a: Gone, b: Gone): boolean => a.size === b.size && [...a].every((id) => b.has(id))
