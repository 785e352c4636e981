import { complaintOf, stateOf, type Order, type StepOf } from '../attempt'
import { segmentAmps } from '../board'
import { stateSignature } from '../circuit'
import { fits, type Predictor } from '../diagnosis'
import { findPieces, partOf, walkPaths } from '../model'
import { partOfKind } from '../parts'
import { carries, endsOf, feedBefore, isDropTest, piecesBetween, readsVolts } from './rules/context'
import type { TestContext } from './rules/rule'

/**
 * What has been proved good of a circuit in which nothing is wrong: pieces of the ways that the complaint names which carried
 * their current, in its state, while they were read within the good circuit's band or were seen to do as they should.
 */
export class ProvedGood {
  private readonly proved = new Set<string>()
  private readonly asked: ReadonlySet<string>
  private readonly states: ReadonlySet<string>

  constructor(
    private readonly predictor: Predictor,
    private readonly order: Order,
  ) {
    const complaint = complaintOf(order)
    this.states = new Set(complaint.map((c) => stateSignature(order.circuit, stateOf(c.arrangement))))
    const parts = new Set(complaint.map(({ part }) => part))
    const walks = walkPaths(order.circuit)
    const through = walks.filter(({ strides }) => strides.some(({ part }) => parts.has(part)))
    this.asked = new Set(
      (through.length ? through : walks).flatMap(({ strides }) =>
        strides.flatMap(({ part, segment }) =>
          findPieces(order.circuit, `${part}.${segment.key}`).map(({ id }) => id),
        ),
      ),
    )
  }

  /** Share of the pieces asked about that have been proved, 0 to 1. */
  get share(): number {
    let count = 0
    for (const id of this.asked) if (this.proved.has(id)) count++
    return this.asked.size ? count / this.asked.size : 0
  }

  test(context: TestContext): void {
    const { setup, step, board, predictor } = context
    if (!this.isNamed(step) || !readsVolts(context)) return
    const shown = this.shownBy(context)
    if (!carries(board, shown)) return
    const sound = predictor.sweep(predictor.hypotheses[0]!, predictor.situation(setup.state)).at(0)
    const value = step.reading.value ?? Infinity
    if (!fits(predictor.miss(sound, { type: 'measured', setup, value, meaningless: false }))) return
    for (const id of shown) this.proved.add(id)
  }

  /** A drop shows what is between the leads, volts across a load the load, volts to the source's other post the feed up to there. */
  private shownBy(context: TestContext): ReadonlySet<string> {
    const between = piecesBetween(context)
    if (isDropTest(context)) return between
    const isLoad = (id: string) =>
      findPieces(this.order.circuit, id).every(
        ({ part }) => partOfKind(partOf(this.order.circuit, part).kind).role === 'load',
      )
    if (between.size && [...between].every(isLoad)) return between
    return endsOf(context)?.includes(0) ? feedBefore(context) : new Set()
  }

  seen(step: StepOf<'operate'>): void {
    if (!this.isNamed(step)) return
    const { predictor, order } = this
    const sound = predictor.board(undefined, stateOf(step.arrangement))
    if (!sound) return
    for (const id of this.asked)
      for (const { part, unit } of findPieces(order.circuit, id)) {
        const flowing = unit.segments.some(
          (s) => Math.abs(segmentAmps(sound.board, sound.point, part, s)) > 0.02,
        )
        // A load that does as it should is no piece to doubt; of a joint nobody sees what it loses.
        const { role } = partOfKind(partOf(order.circuit, part).kind)
        if (flowing && role === 'load' && step.seen[part] !== undefined) this.proved.add(id)
      }
  }

  private isNamed({ arrangement }: Pick<StepOf<'operate' | 'test'>, 'arrangement'>): boolean {
    return this.states.size === 0 || this.states.has(stateSignature(this.order.circuit, stateOf(arrangement)))
  }
}
