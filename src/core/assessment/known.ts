import { complaintOf, stateOf, type BenchState, type Order } from '../attempt'
import { stateSignature } from '../circuit'
import { Belief, type Fact, type KeptBelief, type Predictor } from '../diagnosis'
import { say, type Message } from '../document'
import { complaintFacts, firstBelief, stillAlive } from './first'

/** What the facts of an attempt leave, from the complaint on. */
export class Known {
  /** After the complaint alone. */
  first: Belief
  belief: Belief
  /** What is believed without what was bought with parts that were put in on a guess. */
  reasoned: Belief
  readonly factNames: Message[]
  readonly contradictions: Message[] = []
  private dismissed = false

  constructor(
    private readonly predictor: Predictor,
    private readonly order: Order,
    kept: KeptBelief | undefined,
  ) {
    this.first = firstBelief(predictor, order, kept)
    this.factNames = this.first.facts.map(() => say('assessment.complaint'))
    this.belief = this.reasoned = this.first
  }

  /** One more fact; one that fits nothing that is left is kept apart as a contradiction. */
  add(
    fact: Fact,
    name: Message,
    {
      bench,
      bought,
      after = this.belief.with(fact),
    }: {
      /** As it was when the fact was seen. */
      readonly bench: BenchState
      /** It was learned from a part that was put in on a guess. */
      readonly bought: boolean
      /** The belief with this fact, where it is worked out already. */
      readonly after?: Belief
    },
  ): void {
    if (this.isNotReproduced(fact, bench)) {
      this.dismissed = true
      // What the customer said does not show: from here on it is no fact.
      const seen = [...this.belief.facts.slice(complaintFacts(this.predictor, this.order).length), fact]
      this.first = Belief.of(this.predictor)
      this.belief = seen.reduce((belief, one) => stillAlive(belief, belief.with(one)), this.first)
      this.reasoned = this.belief
      this.factNames.splice(0, this.factNames.length, ...seen.map(() => name))
      return
    }
    if (after.alive.length === 0) {
      this.contradictions.push(say('assessment.doesNotFit', { fact: name }))
      return
    }
    if (!bought)
      this.reasoned =
        this.reasoned === this.belief ? after : stillAlive(this.reasoned, this.reasoned.with(fact))
    this.belief = after
    this.factNames.push(name)
  }

  /** The complaint was looked for on an untouched bench whose eyes do not err, and is not there. */
  private isNotReproduced(fact: Fact, bench: BenchState): boolean {
    const { order, dismissed } = this
    if (dismissed || fact.type !== 'seen' || order.frame.source !== 'model' || isTouched(bench)) return false
    const at = stateSignature(order.circuit, fact.state)
    return complaintOf(order).some(
      ({ arrangement, part, notice }) =>
        stateSignature(order.circuit, stateOf(arrangement)) === at &&
        fact.seen[part] !== undefined &&
        fact.seen[part] !== notice,
    )
  }
}

/** Something was put right, renewed, or taken apart and put together. */
const isTouched = ({ repairs, renewed, reseated, spent }: BenchState): boolean =>
  repairs.length + renewed.length + reseated.length + spent.length > 0
