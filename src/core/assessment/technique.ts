import type { Step, StepOf } from '../attempt'
import { type Message, say } from '../document'
import type { Rubric } from './rubric'
import { loadedReading } from './rules/context'
import { techniqueRules } from './rules/registry'
import type { TestContext, TechniqueRule } from './rules/rule'
import type { Judgement } from './verdict'

const gradeOf = {
  note: 'neutral',
  slip: 'partly',
  mistake: 'poor',
  grave: 'poor',
} as const

/** One test, with the rules that it breaks whatever comes after it. */
export class Technique {
  private readonly atOnce: ReadonlySet<TechniqueRule>

  constructor(
    readonly context: TestContext,
    readonly step: number,
  ) {
    this.atOnce = new Set(techniqueRules.filter((rule) => !('looksAhead' in rule) && rule.fires(context)))
  }

  /** What the same reading would have been with the load on. */
  get loaded(): Message | undefined {
    return (this.withLoad ??= loadedReading(this.context))
  }
  private withLoad: Message | undefined

  /** All rules that it breaks by what has come after it so far, in their order. */
  broken(steps: readonly Step[]): TechniqueRule[] {
    const next = steps[this.step + 1]
    return this.brokenIf(steps, next?.type === 'infer' ? next : undefined)
  }

  /** All rules that it would break if every piece had been struck out by it: what somebody could have fallen for. */
  tempts(steps: readonly Step[]): TechniqueRule[] {
    const struck = [...this.context.predictor.suspectable]
    return this.brokenIf(steps, { type: 'infer', struck, ringed: [], note: '' })
  }

  private brokenIf(steps: readonly Step[], inference: StepOf<'infer'> | undefined): TechniqueRule[] {
    const { context, step, atOnce } = this
    const ahead = { later: steps.slice(step + 1), inference }
    return techniqueRules.filter((rule) =>
      'looksAhead' in rule ? rule.fires(context, ahead) : atOnce.has(rule),
    )
  }
}

/** The technique of one test: what is broken by what is known now, or that it was sound. */
export function judgeTechnique(technique: Technique, steps: readonly Step[], { slip }: Rubric): Judgement[] {
  const { step } = technique
  const cost = { note: 1, slip, mistake: 0, grave: 0 }
  const fired = technique.broken(steps)
  const told = (rule: TechniqueRule): Judgement['reason'] => {
    const { key, comparesLoaded } = rule
    const reason = say('assessment.rule', {
      say: { code: `rules.${key}.say` },
      instead: { code: `rules.${key}.instead` },
    })
    const loaded = comparesLoaded && technique.loaded
    return loaded ? say('assessment.both', { first: reason, second: loaded }) : reason
  }
  const made = fired.map((rule): Judgement => {
    const { key, weight } = rule
    return {
      aspect: weight === 'grave' ? 'safety' : 'technique',
      step,
      grade: gradeOf[weight],
      verdict: { code: `rules.${key}.title` },
      reason: told(rule),
      share: cost[weight],
    }
  })
  if (fired.some(({ weight }) => weight !== 'note')) return made
  return [
    ...made,
    {
      aspect: 'technique',
      step,
      grade: 'good',
      verdict: say('assessment.sound'),
      reason: say('assessment.techniqueSound'),
      share: 1,
    },
  ]
}
