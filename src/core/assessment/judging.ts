import { firstSource } from '../circuit'
import { partOf, findPieces } from '../model'
import {
  advance,
  arrangementOf,
  faultsUncured,
  hasSign,
  instrumentMinutes,
  soundCircuit,
  shownOf,
  stateOf,
  type BenchState,
  type Order,
  type Step,
  type StepOf,
} from '../attempt'
import { segmentAmps, type SolvedBoard } from '../board'
import { piecesStruck } from '../faults'
import {
  type Belief,
  rankTests,
  type Fact,
  type KeptBelief,
  type Measured,
  type Predictor,
  type TestSetup,
} from '../diagnosis'
import { type Message, say } from '../document'
import { instrumentOf, numberOf } from '../instruments'
import { partOfKind } from '../parts'
import { judgeConclusion, type JudgedConclusion } from './conclusion'
import { decisionsOf, orderOf } from './decisions'
import { freshlyMoved, judgeExchange } from './exchange'
import { allKnown, judgeEfficiency } from './efficiency'
import { Bought } from './bought'
import { heldIn, readingName, seenName } from './facts'
import { conditionsOf, stillAlive } from './first'
import { ProvedGood } from './sound'
import { ambiguityGroupOf } from './ambiguity-group'
import { judgeInference, piecesIn } from './inference'
import { Aimed } from './aim'
import { Known } from './known'
import { isOfSpare, setupOf } from './setup'
import { marksOf, type Account } from './marks'
import { explainMisreading, liveQuestion } from './misreading'
import { explainImplausible } from './plausible'
import { modelPath } from './model-path'
import { judgePrediction } from './prediction'
import { judgeRepair, judgeSwaps } from './proof'
import type { Rubric } from './rubric'
import { sameTestAgain } from './rules/kinds/same-test-again'
import type { TestContext } from './rules/rule'
import { evidenceOf, sizesOf } from './evidence'
import { Technique, judgeTechnique } from './technique'
import { likeliestBoard, truthOf } from './truth'
import type { JudgedAttempt, Judgement } from './verdict'
import { judgeVerification } from './verification'

/** What is worked out when an order is handed out, and kept: what the complaint leaves, and a way through. */
export interface Prepared {
  readonly belief: KeptBelief
  readonly path: JudgedAttempt['path']
}

/** What is said of a step at once, and of a test in hindsight: its technique. */
type Said = Judgement | Technique

/** Doubt that has to have been cleared before anybody is asked to say so. */
const leastCleared = 0.02
/** One attempt as it is judged, step by step; more steps may follow, and cost what they are worth alone. */
export class Judging {
  private readonly steps: Step[] = []
  private readonly verdicts: Said[] = []
  private readonly suspects: string[][] = []
  private readonly doubts: Record<string, number>[] = []
  private readonly known: Known
  private readonly provedGood: ProvedGood
  private bench: BenchState
  private beforeTest: Belief
  private atConclusion: Belief | undefined
  private struck: ReadonlySet<string> = new Set()
  private said: number | undefined
  private tests = 0
  private readonly chosen = new Aimed()
  private readonly conclusions: JudgedConclusion[] = []
  private readonly bought: Bought

  constructor(
    private readonly predictor: Predictor,
    readonly order: Order,
    private readonly rubric: Rubric,
    private readonly prepared: Prepared | undefined,
    /** Without looking at what is planted: what may be said while the work goes on. */
    private readonly blind = false,
  ) {
    this.known = new Known(predictor, order, prepared?.belief)
    this.beforeTest = this.first
    this.bench = truthOf(predictor, order).start
    this.bought = new Bought(order)
    this.provedGood = new ProvedGood(predictor, order)
  }

  private get first(): Belief {
    return this.known.first
  }
  private get belief(): Belief {
    return this.known.belief
  }

  /** The steps that it has followed so far. */
  get taken(): readonly Step[] {
    return this.steps
  }

  /** Follows more steps of the same attempt. */
  follow(more: readonly Step[]): this {
    const { order, steps, rubric } = this
    for (const step of more) {
      const i = steps.push(step) - 1
      this.step(step, i)
      this.bench = advance(order, this.bench, step)
      const left = [...this.belief.doubts]
      this.suspects.push(
        left.filter(([, share]) => share > rubric.thresholds.follows).map(([piece]) => piece),
      )
      this.doubts.push(
        Object.fromEntries(left.map(([piece, share]) => [piece, Math.round(share * 1e4) / 1e4])),
      )
    }
    return this
  }

  /** Where the work stands: what is believed, the bench, and what was said of the steps. */
  followed(): {
    readonly belief: Belief
    readonly bench: BenchState
    readonly judgements: readonly Judgement[]
  } {
    const { belief, bench } = this
    return { belief, bench, judgements: this.judgements() }
  }

  /** Each test with what its technique is judged by, in order. */
  techniques(): readonly Technique[] {
    return this.verdicts.filter((one) => one instanceof Technique)
  }

  private judgements(): Judgement[] {
    return this.verdicts.flatMap((one) =>
      'aspect' in one ? [one] : judgeTechnique(one, this.steps, this.rubric),
    )
  }

  judged(): JudgedAttempt {
    const { order, steps, rubric, predictor } = this
    const judgements = [
      judgeVerification(order, steps) ?? [],
      this.judgements(),
      judgeRepair(order, steps, this.bench) ?? [],
      this.bought.swapped ? judgeSwaps(steps) : [],
    ].flat()
    const end = this.atConclusion ?? this.belief
    const account = this.account(end)
    const { evidence } = account
    const { marks, total, of, uncapped } = marksOf(judgements, rubric, account)
    return {
      judgements,
      marks,
      total,
      of,
      ...(uncapped !== undefined && { uncapped }),
      evidence: Math.round(evidence * 1000) / 1000,
      suspects: [...this.suspects],
      doubts: [...this.doubts],
      sizes: sizesOf(end, order),
      contradictions: [...this.known.contradictions],
      path: this.prepared?.path ?? modelPath(predictor, order, this.first, rubric.thresholds),
    }
  }

  /** What the whole attempt has to show. */
  private account(end: Belief): Account {
    const { order, rubric, conclusions, chosen } = this
    const evidence = order.planted.length
      ? evidenceOf(
          this.first,
          end,
          ambiguityGroupOf(end, order.planted, order.frame.bag, rubric.thresholds),
          order,
        )
      : this.provedGood.share
    return {
      evidence,
      said: this.said ?? this.saidOf(end),
      proven: conclusions.some(({ proven }) => proven),
      understood: conclusions.length ? Math.max(...conclusions.map(({ understood }) => understood)) : 1,
      aim: chosen.share(this.first.bits),
      swapped: this.bought.swapped,
    }
  }

  /** Of what the readings have cleared, by what it was suspected at first: what is struck out. */
  private saidOf(belief: Belief): number {
    const { first, struck, order, rubric } = this
    const guilty = new Set(piecesStruck(order.circuit, order.planted))
    let [cleared, said] = [0, 0]
    for (const [piece, doubt] of first.doubts) {
      if (guilty.has(piece) || belief.doubt(piece) > rubric.thresholds.follows) continue
      cleared += doubt
      if (struck.has(piece)) said += doubt
    }
    return cleared > leastCleared ? said / cleared : 1
  }

  private step(step: Step, i: number): void {
    switch (step.type) {
      case 'operate': {
        const before = this.belief
        this.swaps(step, i)
        this.operated(step)
        if (!this.blind) this.exchange(step, i, before)
        return
      }
      case 'test':
        this.swaps(step, i)
        return this.test(step, i)
      case 'infer':
        return this.infer(step, i)
      case 'conclude':
        return this.blind ? undefined : this.conclude(step, i)
      case 'hint':
        return this.hint(step, i)
      case 'repair':
        return this.bought.repaired(step, this.known.reasoned, this.rubric.thresholds)
      case 'renew':
      case 'question':
    }
  }

  private swaps(step: StepOf<'operate' | 'test'>, i: number): void {
    const moved = freshlyMoved(step, this.steps.slice(0, i))
    if (moved.length) this.bought.exchanged(moved, this.known.reasoned, this.rubric.thresholds)
  }

  /** A part that was swapped in this step is spoken of. */
  private exchange(step: StepOf<'operate' | 'test'>, i: number, before: Belief): void {
    const judged = judgeExchange(this.order, step, this.steps.slice(0, i), before, this.belief, i)
    if (judged) this.verdicts.push(judged)
  }

  private operated(step: StepOf<'operate'>): void {
    // With a jumper on it is not the circuit alone that is seen: what the jumper proves is told by its own reading.
    if (step.also?.length) return this.shown(step)
    this.provedGood.seen(step)
    return this.know(
      {
        type: 'seen',
        state: stateOf(step.arrangement),
        conditions: conditionsOf(this.bench),
        seen: step.seen,
      },
      seenName(this.order.circuit, step),
      step,
    )
  }

  /** What a lamp that stays connected shows while the circuit is operated. */
  private shown(step: StepOf<'operate'>): void {
    const { predictor, bench } = this
    const connected = step.also ?? []
    for (const [k, reading] of (step.shows ?? []).entries()) {
      const also = connected.filter((_, other) => other !== k)
      const one = { ...connected[k]!, also, arrangement: step.arrangement }
      const setup = setupOf(predictor, bench, one)
      if (!setup || reading.word === undefined) continue
      const value = numberOf(instrumentOf(one.instrument), reading)
      const fact: Fact = { type: 'measured', setup, value, meaningless: false }
      this.know(fact, say('assessment.lampLeftOn', { held: heldIn(one.held), word: shownOf(reading) }), step)
    }
  }

  private know(fact: Fact, name: Message, step: StepOf<'operate' | 'test'>, after?: Belief): void {
    const bought = this.bought.buys(step, this.steps)
    this.known.add(fact, name, { bench: this.bench, bought, ...(after && { after }) })
  }

  private test(step: StepOf<'test'>, i: number): void {
    const { order, predictor, bench, belief } = this
    this.tests++
    const setup = setupOf(predictor, bench, step)
    const real = truthOf(predictor, order).board(bench, step.arrangement)
    if (!setup || !real.ok) return
    const live = hasSign(step.reading, 'live')
    const value = numberOf(instrumentOf(step.instrument), step.reading)
    const fact: Measured = { type: 'measured', setup, value, meaningless: live }
    const name = readingName(this.tests, step)
    const why = step.source === 'model' ? undefined : this.misread(real, fact, step)
    const { byEye } = instrumentOf(step.instrument).nature(step.settings)
    if (!byEye) this.verdicts.push(judgePrediction(predictor, setup, step.prediction, i, live))
    // A reading that is asked about is no evidence, nor one that nothing explains.
    const after = why ? belief : belief.with(fact)
    // A blind eye looks at the likeliest board that gives these readings.
    const board = this.blind ? (likeliestBoard(stillAlive(belief, after), setup) ?? real) : real
    this.board = board
    const context: TestContext = {
      order,
      bench,
      step,
      setup,
      live,
      board,
      predictor,
      belief,
      after: stillAlive(belief, after),
      definition: (id) => partOfKind(partOf(order.circuit, id).kind),
      earlier: this.steps.slice(0, i),
      ...(!this.blind && {
        boardIn: (state) => {
          const solved = truthOf(predictor, order).board(bench, arrangementOf(state))
          return solved.ok ? solved : undefined
        },
      }),
      thresholds: this.rubric.thresholds,
    }
    this.provedGood.test(context)
    if (byEye) {
      this.looked(step, i, fact, name, context.after)
      return
    }
    this.verdicts.push(new Technique(context, i))
    for (const decision of decisionsOf(context)) this.verdicts.push(decided(decision, i))
    const { minutes } = instrumentMinutes(order.circuit, bench, step)
    const efficiency = judgeEfficiency({
      before: belief,
      after: context.after,
      setup,
      minutes,
      bag: order.frame.bag,
      bench,
      lost: live && instrumentOf(step.instrument).nature(step.settings).needsDead === true,
      excused: this.isSource(setup) || this.isProof() || isOfSpare(setup),
      again: sameTestAgain.fires(context),
      step: i,
    })
    if (efficiency) {
      const { judgement, aim } = efficiency
      this.verdicts.push(judgement)
      if (bench.repairs.length === 0 && aim !== 'proof') this.chosen.count(aim, this.first.bits < allKnown)
    }
    this.beforeTest = this.belief
    if (why) {
      this.verdicts.push({
        aspect: 'reading',
        step: i,
        grade: 'neutral',
        verdict: say('assessment.doubtful'),
        reason: this.blind ? liveQuestion(why, step.held) : why,
      })
      return
    }
    this.know(fact, name, step, after)
    if (!this.blind) this.exchange(step, i, belief)
  }

  /** To look first is always right: it is marked by nothing, and what shows is evidence. */
  private looked(step: StepOf<'test'>, i: number, fact: Fact, name: Message, after: Belief): void {
    this.tests--
    this.beforeTest = this.belief
    this.verdicts.push({
      aspect: 'reading',
      step: i,
      grade: 'neutral',
      verdict: say('assessment.looked'),
      reason: say(step.reading.word === 'unmarked' ? 'assessment.sawNothing' : 'assessment.sawSomething'),
    })
    this.know(fact, name, step, after)
  }

  /** What made a typed reading wrong, if it is; a blind eye goes by what any board of this complaint could show. */
  private misread(real: SolvedBoard, fact: Measured, step: StepOf<'test'>): Message | undefined {
    const { predictor, first } = this
    return this.blind
      ? explainImplausible(first, fact, step)
      : explainMisreading(predictor, real, fact.setup, step)
  }

  private hint({ level }: StepOf<'hint'>, i: number): void {
    const cost = this.order.frame.hints?.[level] ?? 0
    this.verdicts.push({
      aspect: 'efficiency',
      step: i,
      grade: 'neutral',
      verdict: say('assessment.hinted'),
      reason: say('assessment.hintCost', { points: cost }),
      cost,
    })
  }

  /** The first reading of the source: across what feeds the circuit. */
  private isSource({ place }: TestSetup): boolean {
    if (this.sourceRead || place.type === 'jaws') return false
    const { circuit, wiring } = this.predictor
    const source = firstSource(circuit.parts)
    if (!source) return false
    const posts = new Set(partOfKind(source.kind).terminals.map(({ key }) => wiring.nodeOf(source.id, key)))
    this.sourceRead = posts.has(place.red) && posts.has(place.black)
    return this.sourceRead
  }
  private sourceRead = false
  /** The board of the last test. */
  private board: SolvedBoard | undefined

  /** Nothing flowed in a piece while the last test was made: no reading of volts shows that it would carry. */
  private readonly idle = (name: string): boolean => {
    const { board } = this
    if (!board) return true
    return findPieces(this.order.circuit, name).every(({ part, unit }) =>
      unit.segments.every((s) => Math.abs(segmentAmps(board.board, board.point, part, s)) < 0.02),
    )
  }

  /** Nothing is left of what was planted: whatever is measured now shows that it is gone. */
  private isProof(): boolean {
    if (this.order.planted.length === 0 && !this.blind) return false
    // Whether a repair has cured it is nothing that a blind eye knows: whatever follows one is taken for a proof.
    if (this.blind) return this.bench.repairs.length > 0
    return faultsUncured(this.order.circuit, this.order.planted, this.bench).length === 0
  }

  private infer(step: StepOf<'infer'>, i: number): void {
    const struck = piecesIn(this.order.circuit, step.struck)
    this.verdicts.push(
      ...judgeInference({
        before: this.beforeTest,
        after: this.belief,
        first: this.first,
        factNames: this.known.factNames,
        struckBefore: this.struck,
        struck,
        planted: this.blind ? [] : faultsUncured(this.order.circuit, this.order.planted, this.bench),
        idle: this.idle,
        rubric: this.rubric,
        step: i,
      }),
    )
    this.struck = struck
    this.beforeTest = this.belief
  }

  private conclude(step: StepOf<'conclude'>, i: number): void {
    const { order, bench } = this
    const { reasoned: belief } = this.known
    this.atConclusion = belief
    this.said = Math.max(this.said ?? 0, this.saidOf(belief))
    this.bought.concluded(step.piece)
    const left = faultsUncured(order.circuit, order.planted, bench)
    const ambiguous = ambiguityGroupOf(belief, left, order.frame.bag, this.rubric.thresholds)
    const [next] =
      step.kind === soundCircuit ||
      belief.doubtOfAny([...piecesIn(order.circuit, [step.piece])]) >= this.rubric.thresholds.proven
        ? []
        : rankTests(belief, order.frame.bag, bench, conditionsOf(bench))
    const judged = judgeConclusion({
      belief,
      factNames: this.known.factNames,
      conclusion: step,
      planted: left.length ? left : order.planted,
      bench,
      ambiguous,
      next,
      provedGood: this.provedGood.share,
      rubric: this.rubric,
      step: i,
    })
    this.conclusions.push(judged)
    this.verdicts.push(judged.judgement)
    const unit = orderOf(order.circuit, step.piece)
    if (unit) this.verdicts.push(decided(unit, i))
  }
}

/** What a step decides, beside its marks. */
const decided = (reason: Message, step: number): Judgement => ({
  aspect: 'reading',
  step,
  grade: 'neutral',
  verdict: say('assessment.decides'),
  reason,
})
